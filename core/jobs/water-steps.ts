import type { Outlook } from '../water/outlook'
import { total } from '../working/figure'
import { darkTest, thirstTest } from './hand-test'
import { told, yesNo, type Step } from './step'

/** A tray that is watered. */
export interface WaterTray {
  readonly id: string
  /** `tray 14`. */
  readonly name: string
  readonly what: string
  readonly place: string
  readonly outlook: Pick<Outlook, 'way' | 'pourL' | 'drinksL' | 'standsMm' | 'backL' | 'verdict'>
}

/**
 * @example waterStepId('t') // 'water t'
 */
export const waterStepId = (trayId: string): string => `water ${trayId}`

/** One round with the can: as much as all of them want, then tray by tray, each with its own timer. */
export function waterSteps(trays: readonly WaterTray[], canL: number): Step[] {
  const all = total(
    'Water for all of them',
    'L',
    trays.map(({ outlook }) => outlook.pourL),
  )
  return [
    {
      id: 'can',
      kind: 'fill can',
      values: { all, several: yesNo(all.value > canL) },
      picture: { kind: 'can', filled: Math.min(1, all.value / canL) },
      together: true,
      workMinutes: 3,
    },
    ...trays.map(one),
  ]
}

function one({ id, name, what, place, outlook }: WaterTray): Step {
  const { way, pourL, drinksL, standsMm, backL } = outlook
  return {
    id: waterStepId(id),
    kind: 'water',
    values: {
      tray: name,
      what,
      place,
      how: way.how,
      why: way.why,
      pour: pourL,
      drinks: drinksL,
      back: backL,
      stands: told(standsMm ? [{ kind: 'stands', values: { stands: standsMm } }] : []),
    },
    picture: { kind: 'soak', stands: 0.25, how: way.how },
    ...(way.minutes ? { waitMinutes: way.minutes } : {}),
    test: way.how === 'below' ? darkTest : thirstTest,
    asks: [
      { key: 'litres', dimension: 'volume', expected: pourL.value },
      ...(way.how === 'below' ? [{ key: 'backL', dimension: 'volume' as const, expected: null }] : []),
      { key: 'grams', dimension: 'mass', expected: null },
    ],
    workMinutes: 3,
  }
}
