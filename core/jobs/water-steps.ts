import { first } from '../numeric/at'
import type { Outlook } from '../water/outlook'
import { total } from '../working/figure'
import { darkTest, thirstTest } from './hand-test'
import type { Step } from './step'
import type { Sentence } from './sentence'

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
      title: 'Fill the can',
      say: [
        all,
        ' in all, as warm as the room: cold water checks roots. ',
        all.value > canL ? 'It takes more than one can.' : '',
      ],
      amount: [all],
      picture: { kind: 'can', filled: Math.min(1, all.value / canL) },
      together: true,
      workMinutes: 3,
    },
    ...trays.map(one),
  ]
}

function one({ id, name, what, place, outlook }: WaterTray): Step {
  const { way, pourL, drinksL, standsMm, backL } = outlook
  const how: Sentence =
    way.how === 'below'
      ? [
          pourL,
          ' into the solid tray',
          ...(standsMm ? [', ', standsMm, ' high at first'] : []),
          '; it drinks about ',
          drinksL,
          ', about ',
          backL,
          ' comes back.',
        ]
      : way.how === 'mist'
        ? ['A mist until the surface shines, about ', pourL, '.']
        : ['A gentle rose, about ', pourL, ', until it begins to run out below.']
  return {
    id: waterStepId(id),
    title: `${first(name).toUpperCase()}${name.slice(1)}, ${what}`,
    say: [`${place}. `, ...how, ` ${way.why}`],
    amount: [pourL],
    picture: { kind: 'soak', stands: 0.25, how: way.how },
    ...(way.minutes ? { waitMinutes: way.minutes, waitFor: `Pour off ${name}` } : {}),
    test: way.how === 'below' ? darkTest : thirstTest,
    asks: [
      { key: 'litres', label: 'Poured in', dimension: 'volume', expected: pourL.value },
      ...(way.how === 'below'
        ? [{ key: 'backL', label: 'Poured off again', dimension: 'volume' as const, expected: null }]
        : []),
      { key: 'grams', label: 'Weighed after, with its saucer', dimension: 'mass', expected: null },
    ],
    workMinutes: 3,
  }
}
