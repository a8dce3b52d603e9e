import { convert } from '../units/unit-table'
import type { UnitSystem } from '../units/unit'
import type { Mix } from '../media/recipe'

/** What people start with, and about how much of it they have, in metric and in US packs [common practice]. */
const USUAL_SHED = [
  ['material', 'seed-mix', '20 L', '8 dry qt'],
  ['material', 'potting-mix', '40 L', '1 cu ft'],
  ['material', 'coir', '650 g', '650 g'],
  ['material', 'peat', '80 L', '3 cu ft'],
  ['material', 'perlite', '10 L', '8 dry qt'],
  ['material', 'vermiculite', '10 L', '8 dry qt'],
  ['material', 'castings', '5 L', '4 dry qt'],
  ['material', 'home-compost', '60 L', '2 cu ft'],
  ['feed', 'balanced-20', '1 kg', '1 lb'],
  ['feed', 'liquid-5', '1 L', '1 qt'],
  ['feed', 'fish', '1 L', '1 qt'],
  ['feed', 'fish-seaweed', '1 L', '1 qt'],
  ['feed', 'tomato-liquid', '1 L', '1 qt'],
] as const
/** What both sides of the sea call it. */
const CALLED: Readonly<Record<string, string>> = {
  'seed-mix': 'Bagged seed mix (seed compost)',
  'potting-mix': 'Bagged potting mix (multi-purpose compost)',
}

/** What people start with, with about how much of it, in packs as they are sold there. */
export const usualShed = (units: UnitSystem) =>
  USUAL_SHED.map(
    ([kind, id, metric, us]) => [kind, id, units === 'us' ? us : metric, CALLED[id] ?? null] as const,
  )

/** Tools most kitchens have [common practice]. */
export const kitchenTools = (units: UnitSystem) =>
  [
    { name: 'Teaspoon', kind: 'spoon', capacityMl: 5 },
    { name: 'Tablespoon', kind: 'spoon', capacityMl: 15 },
    JUGS[units],
    { name: 'Kitchen scale', kind: 'kitchen scale', capacityMl: null },
    { name: '10 mL syringe', kind: 'syringe', capacityMl: 10 },
  ] as const
const JUGS = {
  metric: { name: '1 L jug', kind: 'jug', capacityMl: 1000 },
  us: { name: '1 qt jug', kind: 'jug', capacityMl: Number(convert(1, 'us-qt', 'mL').toPrecision(6)) },
  imperial: { name: '2 pt jug', kind: 'jug', capacityMl: Number(convert(2, 'imp-pt', 'mL').toPrecision(6)) },
} as const

/** Recipes that ask for no medium but what is there. */
export const stirredFrom = <Recipe extends Pick<Mix, 'parts'>>(
  recipes: Iterable<Recipe>,
  there: ReadonlySet<string>,
): Recipe[] => [...recipes].filter(({ parts }) => parts.every(({ materialId }) => there.has(materialId)))
