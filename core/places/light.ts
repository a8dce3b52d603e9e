import { first } from '../numeric/at'
import { refuse, within, type Problem } from '../problem'
import { derive, given, type Figure } from '../working/figure'
import { handbook, practice, standard, yours } from '../working/source'

/** How long the lamps burn, and why people hold to it. */
export interface LightMethod {
  readonly id: 'sixteen' | 'eighteen' | 'always'
  readonly name: string
  readonly hours: number
  readonly why: string
  readonly cost: string
}

export const LIGHT_METHODS: readonly LightMethod[] = [
  {
    id: 'sixteen',
    name: '14–16 hours',
    hours: 16,
    why: 'A night, as outdoors.',
    cost: 'Needs a lamp that is strong or close.',
  },
  {
    id: 'eighteen',
    name: '18 hours',
    hours: 18,
    why: 'Makes up for a weak lamp.',
    cost: 'More current, little rest.',
  },
  {
    id: 'always',
    name: 'Never off',
    hours: 24,
    why: 'Nothing to forget.',
    cost: 'Some crops, tomatoes among them, yellow without a night.',
  },
]

/**
 * The method of light of that id; the first where there is none.
 *
 * @example lightMethodById('sixteen').hours // 16
 */
export const lightMethodById = (id: LightMethod['id']): LightMethod =>
  LIGHT_METHODS.find((method) => method.id === id) ?? first(LIGHT_METHODS)

/** A lamp by the figures on its sheet, or measured once. */
export interface Lamp {
  /** Photosynthetic photon flux density straight below, µmol/m²/s. */
  readonly ppfd: number
  /** The height at which that holds, cm. */
  readonly atCm: number
  /** Half the width of the lamp or bank, cm; 0 for a single bulb, which is taken as a point. */
  readonly radiusCm: number
}

/** What is wrong with a lamp (µmol/m²/s at a distance in cm, radius in cm), each at its field. */
export const lampProblems = ({ ppfd, atCm, radiusCm }: Lamp): Problem[] => [
  ...within(['ppfd'], ppfd, 1, 3000, 'µmol/m²/s'),
  ...within(['atCm'], atCm, 1, 300, 'cm'),
  ...within(['radiusCm'], radiusCm, 0, 300, 'cm'),
]

const MEASURED = yours('the lamp’s sheet, or a meter')

/**
 * Light at another height: a point falls with 1 / h², a panel or bank of radius R with 1 / (h² + R²).
 *
 * @param heightCm above 0
 * @throws RangeError naming the field
 */
export function ppfdAt(lamp: Lamp, heightCm: number): Figure {
  refuse([...lampProblems(lamp), ...within(['heightCm'], heightCm, 1, 300, 'cm')])
  return derive(
    'Light at the leaves',
    'µmol/m²/s',
    'P * (a^2 + R^2) / (h^2 + R^2)',
    {
      P: given('Light by the sheet', lamp.ppfd, 'µmol/m²/s', MEASURED),
      a: given('at a height of', lamp.atCm, 'cm', MEASURED),
      R: given('Half the lamp’s width', lamp.radiusCm, 'cm', MEASURED),
      h: given('Height of the lamp', heightCm, 'cm', yours()),
    },
    ({ P, a, R, h }) => (P * (a * a + R * R)) / (h * h + R * R),
    'Twice the distance from a small lamp is a quarter of the light; from a wide one it falls more slowly.',
  )
}

/**
 * Daily light integral, mol/m²/day.
 *
 * @example dailyLight(given('Light', 200, 'µmol/m²/s', yours()), 16).value // ≈ 11.52
 */
export function dailyLight(ppfd: Figure, hours: number): Figure {
  return derive(
    'Light in a day',
    'mol/m²',
    'P * t * 0.0036',
    { P: ppfd, t: given('Hours of light', hours, 'h', yours()) },
    ({ P, t }) => P * t * 0.0036,
    standard('3600 s in an hour, 10⁶ µmol in a mol').cite,
  )
}

/** Wanted in a day, mol/m²: seedlings 6–12, sturdy transplants 10–16 [handbook, from memory]. */
export const LIGHT_WANTED = {
  seedling: { low: 6, high: 12 },
  transplant: { low: 10, high: 16 },
  source: handbook('daily light integrals for plugs and transplants'),
} as const

/**
 * Height at which the lamp gives so much in a day, cm.
 *
 * @returns null where the lamp cannot give it at 2 cm or more
 */
export function heightFor(lamp: Lamp, hours: number, molPerM2: number): Figure | null {
  const { ppfd, atCm: a, radiusCm: R } = lamp
  const wanted = molPerM2 / (hours * 0.0036)
  const square = (ppfd * (a * a + R * R)) / wanted - R * R
  if (square < 4) return null
  return derive(
    'Height of the lamp',
    'cm',
    'sqrt(P * (a^2 + R^2) * t * 0.0036 / D - R^2)',
    {
      P: given('Light by the sheet', ppfd, 'µmol/m²/s', MEASURED),
      a: given('at a height of', a, 'cm', MEASURED),
      R: given('Half the lamp’s width', R, 'cm', MEASURED),
      t: given('Hours of light', hours, 'h', practice('by your method')),
      D: given('Wanted in a day', molPerM2, 'mol/m²', LIGHT_WANTED.source),
    },
    () => Math.sqrt(square),
  )
}
