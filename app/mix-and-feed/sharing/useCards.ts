import { present } from '#core/present'
import { growthStageById } from '#core/feed/growth-stage'
import type { Card, CardNames } from '#shared/sharing/card'

/** What cards are made of here: the rows of one’s own, and what each thing is called. */
export function useCards() {
  const household = useHousehold()
  const context = useContext()
  const lists = () => {
    const { materials, containers, feeds, recipes } = present(household.everything)
    return { materials, containers, feeds, recipes }
  }
  /** Names as they are called here; those that come with a card by the card. */
  const namesOf = (card: Card): CardNames => {
    const own = (list: keyof Card['needs'], id: string) =>
      card.needs[list].find((one) => one.id === id)?.body.name
    const { whole } = context
    return {
      material: (id) => own('materials', id) ?? whole.materials.get(id)?.name ?? id,
      container: (id) => own('containers', id) ?? whole.containers.get(id)?.name ?? id,
      feed: (id) => own('feeds', id) ?? whole.feeds.get(id)?.name ?? id,
      mix: (id) => own('recipes', id) ?? whole.recipes.get(id)?.name ?? id,
      growthStage: (id) => growthStageById(id).name,
    }
  }
  return { lists, namesOf }
}
