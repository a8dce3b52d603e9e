import { present } from '../present'
import { under, within, wholeWithin, type Problem, wrongAt } from '../problem'
import { derive, given, type Figure } from '../working/figure'
import { yours } from '../working/source'
import { dailyLight, lampProblems, LIGHT_WANTED, ppfdAt, type Lamp } from './light'
import { DAYLIGHT_KINDS, LAMP_KINDS, MEASURED_LIGHT, type LampKind } from './light-kinds'

/** The light of a place, as it was chosen. */
export interface PlaceLight {
  /** A kind of lamp, a kind of daylight, or `measured`. */
  readonly kindId: string
  /** Lamps of that kind. */
  readonly count: number
  /** Over the leaves, cm; the kind's usual height where nothing is said. */
  readonly heightCm: number | null
  /** What a sheet or a meter says; only where it was measured. */
  readonly measured: Lamp | null
}

/** What is wrong with the light of a place, each at its field. */
export const placeLightProblems = ({ kindId, count, heightCm, measured }: PlaceLight): Problem[] => [
  ...(kindId === MEASURED_LIGHT
    ? measured
      ? under('measured', lampProblems(measured))
      : [wrongAt(['measured'], 'lampUnmeasured')]
    : [...LAMP_KINDS, ...DAYLIGHT_KINDS].some(({ id }) => id === kindId)
      ? []
      : [wrongAt(['kindId'], 'unknown', { what: 'light' })]),
  ...wholeWithin(['count'], count, 1, 200),
  ...(heightCm === null ? [] : within(['heightCm'], heightCm, 1, 300, 'cm')),
]

/** Whether the light is a lamp's, which burns by the clock and hangs at a height. */
export const isLamp = ({ kindId }: Pick<PlaceLight, 'kindId'>): boolean =>
  kindId === MEASURED_LIGHT || LAMP_KINDS.some(({ id }) => id === kindId)

/** Height the lamp hangs at, cm. */
export const lampHeight = ({ kindId, heightCm, measured }: PlaceLight): number =>
  heightCm ?? measured?.atCm ?? LAMP_KINDS.find(({ id }) => id === kindId)?.heightCm ?? 30

/** So many lamps side by side shine as one of their whole area. */
const bankRadius = (radiusCm: number, count: number) => radiusCm * Math.sqrt(count)

/**
 * Light on a flat below lamps of a kind, µmol/m²/s: as from a disc that shines evenly.
 *
 * @param heightCm above 0
 */
function bankLight(kind: LampKind, count: number, heightCm: number): Figure {
  return derive(
    'Light at the leaves',
    'µmol/m²/s',
    'n * W * e * d / (3.14159265 * ((h / 100)^2 + (R / 100)^2))',
    {
      n: given('Lamps', count, '', yours()),
      W: given('Watts of each', kind.watts, 'W', yours(kind.name)),
      e: given('Light from a watt', kind.umolPerJ, 'µmol/J', kind.source),
      d: given('Part that goes down', kind.down, 'share', kind.source),
      h: given('Height of the lamp', heightCm, 'cm', yours()),
      R: given('Radius of a disc like it', bankRadius(kind.radiusCm, count), 'cm', kind.source),
    },
    ({ n, W, e, d, h, R }) => (n * W * e * d) / (3.14159265 * ((h / 100) ** 2 + (R / 100) ** 2)),
    'An evenly shining disc gives its light by 1 / (h² + R²), as the falloff of a panel does.',
  )
}

/** Lamps of a place as one lamp by its figures; null for daylight. */
export function lampOf(light: PlaceLight): Lamp | null {
  if (light.kindId === MEASURED_LIGHT) return light.measured
  const kind = LAMP_KINDS.find(({ id }) => id === light.kindId)
  if (!kind) return null
  const atCm = kind.heightCm
  return {
    ppfd: bankLight(kind, light.count, atCm).value,
    atCm,
    radiusCm: bankRadius(kind.radiusCm, light.count),
  }
}

/**
 * What the plants of a place get in a day, mol/m².
 *
 * @param hours the lamps burn; daylight asks nobody
 */
export function lightOfDay(light: PlaceLight, hours: number): Figure {
  const daylight = DAYLIGHT_KINDS.find(({ id }) => id === light.kindId)
  if (daylight) return given('Light in a day', daylight.molPerM2, 'mol/m²', daylight.source)
  const kind = LAMP_KINDS.find(({ id }) => id === light.kindId)
  const height = lampHeight(light)
  return dailyLight(
    kind ? bankLight(kind, light.count, height) : ppfdAt(present(light.measured), height),
    hours,
  )
}

export type LightVerdict = 'too little' | 'right' | 'more than they need'

/** How so much light in a day suits seedlings, or plants before they go out. */
export function lightVerdict(molPerM2: number, age: 'seedling' | 'transplant'): LightVerdict {
  const { low, high } = LIGHT_WANTED[age]
  return molPerM2 < low ? 'too little' : molPerM2 > high ? 'more than they need' : 'right'
}
