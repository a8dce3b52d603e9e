import { at, first } from '../numeric/at'
import type { Container } from '../containers/container'
import { findMixes, traitsOf, type FinderRequest, type FinderTrait } from './finder'
import { materialIn, type MaterialLibrary } from './material'
import type { Part } from './recipe'

export interface Substitution {
  readonly parts: readonly Part[]
  readonly before: Readonly<Record<FinderTrait, number>>
  readonly after: Readonly<Record<FinderTrait, number>>
}

/**
 * Swap one material of a recipe for another, and move the parts so that air, easily available water and food come
 * nearest to what they were in this container. Every recipe of up to 12 whole parts is tried.
 *
 * @throws RangeError when the recipe does not hold `fromId`, already holds `toId`, or has more than 6 materials
 */
export function substitute(
  parts: readonly Part[],
  fromId: string,
  toId: string,
  container: Container,
  library: MaterialLibrary,
): Substitution {
  if (!parts.some(({ materialId }) => materialId === fromId))
    throw new RangeError(`fromId: '${fromId}' is not in the recipe`)
  if (parts.some(({ materialId }) => materialId === toId))
    throw new RangeError(`toId: '${toId}' is already in the recipe`)
  const asked = (ids: readonly string[], wants: FinderRequest['wants'] = {}): FinderRequest => ({
    materials: ids.map((id) => materialIn(library, id)),
    pricePerL: [],
    container,
    wants,
    mostParts: 12,
    mostMaterials: 6,
    keep: 1,
    keepCloud: 0,
  })
  const oldIds = parts.map(({ materialId }) => materialId)
  const before = traitsOf(
    asked(oldIds),
    parts.map((part) => part.parts),
  )
  const exactly = (value: number) => ({ low: value, high: value })
  const newIds = oldIds.map((id) => (id === fromId ? toId : id))
  const request = asked(newIds, {
    air: exactly(before.air),
    water: exactly(before.water),
    food: exactly(before.food),
  })
  const found = first(findMixes(request).best)
  return {
    parts: found.parts.flatMap((amount, i) =>
      amount > 0 ? [{ materialId: at(newIds, i), parts: amount }] : [],
    ),
    before,
    after: found.traits,
  }
}
