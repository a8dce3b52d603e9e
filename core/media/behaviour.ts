import { present } from '../present'
import { first } from '../numeric/at'
import { CONTAINERS } from '../containers/catalogue'
import type { Container } from '../containers/container'
import { chemistryOf, dosed } from './chemistry'
import { blendOf, type Blend } from './blend'
import { mixInCell, physicsIn } from './container-physics'
import type { HomeTest } from './home-test'
import type { Ingredient } from './ingredient'
import { daysOfFood } from './food'
import { isAlive, type MaterialLibrary } from './material'
import type { Mix } from './recipe'

/** Three depths at which mixes are compared: a cell, a pot, a deep pot. */
export const COMPARED_IN: readonly Container[] = ['tray-72', 'pot-10cm', 'pot-15cm'].map((id) =>
  present(CONTAINERS.find((one) => one.id === id)),
)

/** How a mix behaves, beside another. */
export interface Behaviour extends Blend {
  /** Air and water after draining, fractions, in the order of `COMPARED_IN`. */
  readonly at: readonly { readonly air: number; readonly water: number }[]
  /** A 72-cell tray of it, soaked and drained, g. */
  readonly trayG: number
  readonly foodDays: number
  readonly rewets: 'easily' | 'slowly' | 'hardly: soak it from below'
  readonly dusty: boolean
  readonly germs: 'none to speak of' | 'some: it is bagged' | 'it is alive'
  /** Fraction of peat, and of what grows again within a few years. */
  readonly peat: number
  readonly renewable: number
  /** What the materials of a 72-cell tray cost; null where a price is not known. */
  readonly trayPrice: number | null
}

/** From these shares of peat on, a dry mix takes water slowly, and hardly [common practice: dry peat sheds water]. */
const [SLOWLY, HARDLY] = [0.35, 0.7]

/** @param pricePerL of a loose litre by material id; null where it is not known */
export function behaviourOf(
  { parts, extras }: Mix,
  materials: MaterialLibrary,
  pricePerL: (id: string) => number | null,
  tests: readonly HomeTest[] = [],
): Behaviour {
  const blend = blendOf(parts, materials, tests)
  const { ingredients, mixingLoss: loss } = blend
  const physics = COMPARED_IN.map((container) => physicsIn(container, blend))
  const chemistry = chemistryOf(ingredients, loss, dosed(extras, materials))
  const shareOf = (test: (ingredient: Ingredient) => boolean) =>
    ingredients.reduce((sum, one) => sum + (test(one) ? one.share.value : 0), 0)
  const peat = shareOf(({ material }) => material.id.startsWith('peat'))
  const cell = first(COMPARED_IN)
  const litres = (mixInCell(cell, first(physics)).value * cell.cells) / 1000 / (1 - loss.value)
  const prices = ingredients.map(({ material, share }) => {
    const price = pricePerL(material.id)
    return price === null ? null : price * share.value
  })
  return {
    ...blend,
    at: physics.map(({ airSpace, containerCapacity }) => ({
      air: airSpace.value,
      water: containerCapacity.value,
    })),
    trayG: first(physics).wetWeightG.value,
    foodDays: daysOfFood(chemistry, mixInCell(cell, first(physics)), 'medium').value,
    rewets: peat >= HARDLY ? 'hardly: soak it from below' : peat >= SLOWLY ? 'slowly' : 'easily',
    dusty: ingredients.some(({ material }) => material.hazards.includes('dust')),
    germs: ingredients.some(({ material }) => isAlive(material))
      ? 'it is alive'
      : ingredients.some(({ material }) => material.bagged)
        ? 'some: it is bagged'
        : 'none to speak of',
    peat,
    renewable: shareOf(({ material }) => material.organic > 0.2 && !material.id.startsWith('peat')),
    trayPrice: prices.some((price) => price === null)
      ? null
      : litres * prices.reduce<number>((a, b) => a + present(b), 0),
  }
}
