import { at as elementAt, last } from '../numeric/at'
import { derive, given, type Figure } from '../working/figure'
import { handbook, learnedSource, yours } from '../working/source'

/** Mix temperatures of the table, °C. */
const TEMPERATURES_C = [10, 15, 20, 25, 30, 35] as const

/**
 * Days to emergence by mix temperature [Harrington & Minges 1954, Univ. of California, from memory]; null for poor or
 * none.
 */
export const EMERGENCE_DAYS: Readonly<Record<string, readonly (number | null)[]>> = {
  tomato: [43, 14, 8, 6, 6, 9],
  pepper: [null, 25, 13, 8, 8, 9],
  aubergine: [null, null, 13, 8, 5, null],
  lettuce: [7, 4, 3, 2, 3, null],
  onion: [13, 7, 5, 4, 4, 13],
  cabbage: [15, 9, 6, 5, 4, null],
  cucumber: [null, 13, 6, 4, 3, 3],
  okra: [null, 27, 17, 13, 7, 6],
  celery: [16, 12, 7, 8, null, null],
  parsley: [29, 17, 14, 13, 12, null],
  beet: [17, 10, 6, 5, 5, 5],
  spinach: [12, 7, 6, 5, 6, null],
  asparagus: [53, 24, 15, 10, 12, 20],
  bean: [null, 16, 11, 8, 6, 6],
  carrot: [17, 10, 7, 6, 6, 9],
  cauliflower: [20, 10, 6, 5, 5, null],
  melon: [null, null, 8, 4, 3, null],
  parsnip: [27, 19, 14, 15, 32, null],
  pea: [14, 9, 8, 6, 6, null],
  radish: [11, 6, 4, 4, 3, null],
  sweetcorn: [22, 12, 7, 4, 4, 3],
  turnip: [5, 3, 2, 1, 1, 1],
  watermelon: [null, null, 12, 5, 4, 3],
}

export type EmergenceCurve = keyof typeof EMERGENCE_DAYS & string

/** A crop's days: those of a crop in the table, times a factor where it is known to be slower or quicker. */
export interface Emergence {
  readonly like: EmergenceCurve
  readonly factor: number
  /** From so many sowings of the household the factor was learned; nothing where it is the book’s. */
  readonly learned?: number
}

/**
 * Days from sowing to emergence at a mix temperature; between the table's temperatures the rate (1 / days) is
 * interpolated.
 *
 * @returns null where the mix is too cold or too hot for it to come up
 * @throws RangeError for an unknown curve
 */
export function daysToEmergence({ like, factor, learned }: Emergence, mixC: number): Figure | null {
  const row = EMERGENCE_DAYS[like]
  if (!row) throw new RangeError(`like: no emergence table for '${like}'`)
  const i = TEMPERATURES_C.findIndex((temperature) => temperature >= mixC)
  const source = handbook('Harrington & Minges 1954, Univ. of California')
  const k = given(
    `Pace against ${like}`,
    factor,
    '',
    learnedSource(learned ?? 0, handbook('seed catalogues and extension lists')),
  )
  const at = (index: number) => {
    const days = row[index]
    return days == null ? null : given(`${like} at ${TEMPERATURES_C[index]} °C`, days, 'days', source)
  }
  const T = given('Mix temperature', mixC, '°C', yours())
  if (i < 0 || (i === 0 && mixC < TEMPERATURES_C[0])) return null
  const warm = at(i)
  if (TEMPERATURES_C[i] === mixC)
    return warm && derive('Days to emergence', 'days', 'd * k', { d: warm, k }, (v) => v.d * v.k)
  const cool = at(i - 1)
  if (!warm || !cool) return null
  return derive(
    'Days to emergence',
    'days',
    'k / (1 / a + (T - T_a) / (T_b - T_a) * (1 / b - 1 / a))',
    {
      k,
      a: cool,
      b: warm,
      T,
      T_a: given('Cooler column', elementAt(TEMPERATURES_C, i - 1), '°C', source),
      T_b: given('Warmer column', elementAt(TEMPERATURES_C, i), '°C', source),
    },
    (v) => v.k / (1 / v.a + ((v.T - v.T_a) / (v.T_b - v.T_a)) * (1 / v.b - 1 / v.a)),
    'The rate, one over days, is what runs evenly with temperature.',
  )
}

/** The temperatures of the mix between which it comes up, °C: those of its row in the table that have days. */
export function comesUpBetween({ like }: Pick<Emergence, 'like'>): readonly [low: number, high: number] {
  const row = EMERGENCE_DAYS[like] ?? []
  const up = TEMPERATURES_C.filter((_, i) => row[i] != null)
  return [up[0] ?? TEMPERATURES_C[0], up.at(-1) ?? last(TEMPERATURES_C)]
}

/**
 * Days until a sowing is up: the book's at this warmth, held within what the packet says.
 *
 * @param packet days to come up as the packet says; null where it does not
 * @returns null where the mix is too cold or too hot for it to come up
 */
export function daysUp(
  { emergence }: { readonly emergence: Emergence },
  packet: { readonly from: number; readonly to: number } | null,
  mixC: number,
): Figure | null {
  const book = daysToEmergence(emergence, mixC)
  if (!book || !packet) return book
  return derive(
    'Days to emergence',
    'days',
    'max(a, min(b, d))',
    {
      d: book,
      a: given('Earliest by the packet', packet.from, 'days', yours('the packet')),
      b: given('Latest by the packet', packet.to, 'days', yours('the packet')),
    },
    ({ d, a, b }) => Math.max(a, Math.min(b, d)),
  )
}

/** A no-show is late at 1.5 times the expected days, and sown again at twice [common practice]. */
export const LATE_AT = 1.5
export const RESOW_AT = 2
