import { convert } from '../units/unit-table'
import type { Kitchen } from '../units/unit'
import type { Tool } from './tool'

const mL = (amount: number, unitId: string) => Number(convert(amount, unitId, 'mL').toPrecision(6))
const tool = (name: string, kind: Tool['kind'], capacityMl: number) => ({ name, kind, capacityMl })

/** What is in every kitchen drawer: a household begins with these [common practice]. */
const USUAL: Readonly<Record<Kitchen, readonly Omit<Tool, 'id'>[]>> = {
  metric: [
    tool('Teaspoon', 'spoon', 5),
    tool('Tablespoon', 'spoon', 15),
    tool('Cup', 'scoop', 250),
    tool('Jug', 'jug', 1000),
  ],
  us: [
    tool('Teaspoon', 'spoon', mL(1, 'us-tsp')),
    tool('Tablespoon', 'spoon', mL(1, 'us-tbsp')),
    tool('Cup', 'scoop', mL(1, 'us-cup')),
    tool('Jug', 'jug', mL(1, 'us-gal')),
  ],
  imperial: [
    tool('Teaspoon', 'spoon', 5),
    tool('Tablespoon', 'spoon', 15),
    tool('Cup', 'scoop', mL(1 / 2, 'imp-pt')),
    tool('Jug', 'jug', mL(2, 'imp-pt')),
  ],
}
export const usualTools = (kitchen: Kitchen): readonly Omit<Tool, 'id'>[] => USUAL[kitchen]
