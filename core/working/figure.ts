import { first } from '../numeric/at'
import type { Source } from './source'

/**
 * A number a person will see, together with how it was reached.
 *
 * A figure is either *given* (with its source) or *derived* from other figures by a formula.
 * The formula is plain arithmetic over the names of the inputs (`h / 6 * (A_top + 4 * A_mid + A_base)`),
 * so that anyone, and the tests with an independent expression evaluator, can put the numbers in and
 * arrive at the same value. Figures are plain data: they cross the wire and a worker's border unchanged.
 */
export interface Figure {
  readonly name: string
  readonly value: number
  /** Unit of `value`, as printed: 'L', 'mg/L', 'g'. A `share` is a fraction 0–1, printed as per cent. */
  readonly unit: string
  readonly working: Given | Derived
}

export interface Given {
  readonly kind: 'given'
  readonly source: Source
}

export interface Derived {
  readonly kind: 'derived'
  readonly formula: string
  readonly inputs: Readonly<Record<string, Figure>>
  /** A sentence on why this formula, and where it comes from. */
  readonly why: string
}

/**
 * A figure that was not computed, with where it comes from.
 *
 * @example given('Can', 9, 'L', yours()).value // 9
 */
export function given(name: string, value: number, unit: string, source: Source): Figure {
  return { name, value, unit, working: { kind: 'given', source } }
}

/**
 * Derive a figure from others. `compute` receives the inputs' values under the same names that
 * `formula` uses.
 *
 * @throws RangeError when the result is no finite number, naming the figure.
 * @example derive('Area', 'm²', 'a * b', { a: given('a', 2, 'm', yours()), b: given('b', 3, 'm', yours()) }, ({ a, b }) => a * b).value // 6
 * @example derive('x', '', '1 / 0', {}, () => 1 / 0) // throws RangeError
 */
export function derive<Inputs extends Record<string, Figure>>(
  name: string,
  unit: string,
  formula: string,
  inputs: Inputs,
  compute: (values: { [K in keyof Inputs]: number }) => number,
  why = '',
): Figure {
  const values = {} as { [K in keyof Inputs]: number }
  for (const key in inputs) values[key] = inputs[key]!.value
  const value = compute(values)
  if (!Number.isFinite(value)) throw new RangeError(`${name}: ${formula} gives no finite number`)
  return { name, value, unit, working: { kind: 'derived', formula, inputs, why } }
}

/**
 * Sum of figures in one unit; the formula names each term. An empty list sums to 0.
 *
 * @example total('Both', 'L', [given('a', 2, 'L', yours()), given('b', 3, 'L', yours())]).value // 5
 */
export function total(name: string, unit: string, terms: readonly Figure[], why = ''): Figure {
  return weightedTotal(
    name,
    unit,
    terms.map((figure) => ({ figure })),
    why,
  )
}

/** Σ weight · figure; a term without a weight counts once. */
export function weightedTotal(
  name: string,
  unit: string,
  terms: readonly { figure: Figure; weight?: Figure }[],
  why = '',
): Figure {
  const inputs: Record<string, Figure> = {}
  const products: string[] = []
  let value = 0
  terms.forEach(({ figure, weight }, index) => {
    const i = index + 1
    inputs[`x_${i}`] = figure
    if (weight) inputs[`w_${i}`] = weight
    products.push(weight ? `w_${i} * x_${i}` : `x_${i}`)
    value += weight ? weight.value * figure.value : figure.value
  })
  return derive(name, unit, products.join(' + ') || '0', inputs, () => value, why)
}

/**
 * The mean of figures in one unit; of one alone, itself.
 *
 * @example mean('Mean', 'L', [given('a', 2, 'L', yours()), given('b', 4, 'L', yours())]).value // 3
 */
export function mean(name: string, unit: string, of: readonly Figure[]): Figure {
  if (of.length === 1) return first(of)
  const inputs = Object.fromEntries(of.map((figure, i) => [`x_${i + 1}`, figure]))
  const sum = Object.keys(inputs).join(' + ')
  return derive(
    name,
    unit,
    `(${sum}) / ${of.length}`,
    inputs,
    (values) => Object.values(values).reduce((a, b) => a + b, 0) / of.length,
  )
}
