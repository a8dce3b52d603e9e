import { convert } from '../units/unit-table'
import type { UnitSystem } from '../units/unit'
import type { Tool } from './tool'

const mL = (amount: number, unitId: string) => Number(convert(amount, unitId, 'mL').toPrecision(6))
const tool = (name: string, kind: Tool['kind'], capacityMl: number) => ({ name, kind, capacityMl })

/** The jug most people mix feed in, L. */
export const USUAL_JUG_L: Readonly<Record<UnitSystem, number>> = {
  metric: 2,
  us: convert(1, 'us-gal', 'L'),
  imperial: convert(4, 'imp-pt', 'L'),
}

/** What is in every kitchen drawer: a household begins with these [common practice]. */
const USUAL: Readonly<Record<UnitSystem, readonly Omit<Tool, 'id'>[]>> = {
  metric: [
    tool('Teaspoon', 'spoon', 5),
    tool('Tablespoon', 'spoon', 15),
    tool('Cup', 'scoop', 250),
    tool('Jug', 'jug', USUAL_JUG_L.metric * 1000),
  ],
  us: [
    tool('Teaspoon', 'spoon', mL(1, 'us-tsp')),
    tool('Tablespoon', 'spoon', mL(1, 'us-tbsp')),
    tool('Cup', 'scoop', mL(1, 'us-cup')),
    tool('Jug', 'jug', USUAL_JUG_L.us * 1000),
  ],
  imperial: [
    tool('Teaspoon', 'spoon', 5),
    tool('Tablespoon', 'spoon', 15),
    tool('Cup', 'scoop', mL(1 / 2, 'imp-pt')),
    tool('Jug', 'jug', USUAL_JUG_L.imperial * 1000),
  ],
}
export const usualTools = (units: UnitSystem): readonly Omit<Tool, 'id'>[] => USUAL[units]
