import { at as elementAt, first } from '../numeric/at'
import type { Container } from '../containers/container'
import { airWanted } from './air-wanted'
import { columnDepthMm } from './container-physics'
import { findMixes, traitsOf, type FinderRequest, type FinderTrait, type Wants } from './finder'
import { materialIn, type MaterialLibrary } from './material'
import type { Part } from './recipe'

/** What brings air back, and what brings food back [common practice]. */
const AIR_BRINGERS = ['perlite', 'pumice', 'rice-hulls', 'bark'] as const
const FOOD_BRINGERS = ['compost', 'home-compost', 'castings', 'manure'] as const
/** Mixes worth stretching. */
export const STRETCHED = ['old-mix', 'potting-mix', 'seed-mix'] as const

export interface Stretched {
  readonly parts: readonly Part[]
  /** Fraction of the new mix that is the old one. */
  readonly share: number
  readonly before: Readonly<Record<FinderTrait, number>>
  readonly after: Readonly<Record<FinderTrait, number>>
}

/** Nitrogen released in 8 weeks that carries a seedling for about a month, mg/L [default]. */
const FOOD_WANTED_MG_PER_L = 60
/** Salts that seedlings stand, SME mS/cm [handbook, from memory]. */
const SALTS_MOST_MS_PER_CM = 2

/**
 * Old mix or potting mix stretched: what to add so that there is air and food in it again, using as much of the old
 * as goes. The most of the old mix that meets the wants comes first; each answer is another choice of what is added.
 *
 * @param additions ids of what is at hand; those that bring neither air nor food are passed over
 * @returns up to `most` answers, the largest share of old mix first; empty when no addition reaches the wants
 */
export function stretch(
  baseId: string,
  additions: readonly string[],
  container: Container,
  library: MaterialLibrary,
  most = 3,
): Stretched[] {
  const wanted = airWanted(columnDepthMm(container.shape))
  const wants: Wants = {
    air: { low: wanted.least },
    food: { low: FOOD_WANTED_MG_PER_L },
    salts: { high: SALTS_MOST_MS_PER_CM },
  }
  const at = (ids: readonly string[]): FinderRequest => ({
    materials: ids.map((id) => materialIn(library, id)),
    pricePerL: [],
    container,
    wants,
    mostParts: 12,
    mostMaterials: 3,
    keep: 400,
    keepCloud: 0,
  })
  const before = traitsOf(at([baseId]), [1])
  const has = (id: string) => id !== baseId && additions.includes(id)
  const answers = AIR_BRINGERS.filter(has).flatMap((air) =>
    FOOD_BRINGERS.filter(has).flatMap((food): Stretched[] => {
      const ids = [baseId, air, food]
      const fitting = findMixes(at(ids)).best.filter(({ miss, parts }) => miss === 0 && first(parts) > 0)
      const share = (parts: readonly number[]) => first(parts) / parts.reduce((a, b) => a + b, 0)
      const [best] = fitting.sort((a, b) => share(b.parts) - share(a.parts))
      if (!best) return []
      return [
        {
          parts: best.parts.flatMap((parts, i) =>
            parts > 0 ? [{ materialId: elementAt(ids, i), parts }] : [],
          ),
          share: share(best.parts),
          before,
          after: best.traits,
        },
      ]
    }),
  )
  // Where no air is missing, every air bringer gives the same answer.
  const said = new Set<string>()
  return answers
    .sort((a, b) => b.share - a.share)
    .filter(({ parts }) => {
      const key = JSON.stringify(parts)
      return said.has(key) ? false : said.add(key)
    })
    .slice(0, most)
}
