import { first } from '#core/numeric/at'
import { missingFor } from '#core/season/schedule/usual-mixes'
import { inSentence } from '#core/text/plurals'
import type { Mix } from '#core/media/recipe'

/** What of a mix is not in the supplies, by name; nothing for a household that keeps none. */
export function useToBuy() {
  const household = useHousehold()
  const context = useContext()
  return (mix: Pick<Mix, 'parts'> | undefined): string[] =>
    mix && household.stocks.length
      ? missingFor(mix, context.owned).map((id) =>
          inSentence(first((context.materials.get(id)?.name ?? id).split(','))),
        )
      : []
}
