import { present } from '../present'
import { last } from '../numeric/at'
import { FRACTION_GLYPHS, fractionValue } from './fraction'
import type { Dimension, UnitSystem, Unit } from './unit'
import { toBase, unitById, unitSpelled } from './unit-table'

export interface ParseOptions {
  readonly dimension: Dimension
  readonly units: UnitSystem
  /** Unit id for a bare number; without it a bare number is not understood. */
  readonly assume?: string
}

export type Parsed =
  | { readonly ok: true; readonly base: number; readonly unit: Unit }
  | { readonly ok: false; readonly message: string; readonly unread: string }

const EXAMPLES: Readonly<Record<Dimension, string>> = {
  volume: '1 1/2 gal, 250 ml or 8 dry qt',
  length: '6 mm or 2 1/2 in',
  mass: '650 g or 1 lb 4 oz',
  temperature: '21 °C or 70 °F',
}

const NUMBER = new RegExp(
  String.raw`^[+\-−]?(?:\d+[ -]?[${FRACTION_GLYPHS}]|[${FRACTION_GLYPHS}]|\d+[ -]+\d+\s*[/⁄]\s*\d+|\d+\s*[/⁄]\s*\d+|\d{1,3}(?:,\d{3})+(?:\.\d+)?(?!\d)|\d*[.,]\d+|\d+\.?)`,
)
const SEPARATOR = /^\s*(?:,|;|\+|&|and\b)?\s*/i
const UNIT_WORDS = new RegExp(
  String.raw`^(?:(?!\band\b)[^\d${FRACTION_GLYPHS}+;,&−-]|(?<=[A-Za-z])3(?!\d))*`,
  'i',
)

/**
 * Read a quantity as people type it: `1/2 cup`, `1 1/2 gal`, `2tbsp`, `250ml`, `8 dry qt`, `3.8 cu ft`,
 * `¼ tsp`, `4 gal + 2 tbsp`, `1 lb 4 oz`. A comma is read as a decimal point unless it groups thousands.
 *
 * Returns the sum in the dimension's base unit (L, mm, g, °C) and the first unit named, or a message with the
 * part that was not understood. Sign and size are the caller's to judge.
 */
export function parseQuantity(text: string, options: ParseOptions): Parsed {
  let rest = inFigures(text.trim())
  if (!rest) return failed('Enter an amount', '', options.dimension)
  let base = 0
  let first: Unit | undefined
  while (rest) {
    const number = NUMBER.exec(rest)?.[0]
    if (!number) return failed(`'${rest}' is not an amount`, rest, options.dimension)
    const amount = readNumber(number)
    if (amount === undefined)
      return failed(`'${number.trim()}' is not a number`, number.trim(), options.dimension)
    rest = rest.slice(number.length)
    const words = UNIT_WORDS.exec(rest)?.[0] ?? ''
    rest = rest.slice(words.length).replace(SEPARATOR, '')
    const unit = words.trim()
      ? unitSpelled(words.replace(/\bof\b.*$/i, ''), options.dimension, options.units)
      : !first && options.assume
        ? unitById(options.assume)
        : undefined
    if (!unit) {
      const unread = words.trim() || number.trim()
      const message = words.trim()
        ? `'${unread}' is not a ${options.dimension} unit`
        : `'${unread}' needs a unit`
      return failed(message, unread, options.dimension)
    }
    if (first && options.dimension === 'temperature')
      return failed('Give one temperature', words.trim(), options.dimension)
    first ??= unit
    base += toBase(amount, unit)
  }
  return { ok: true, base, unit: present(first) }
}

const WORDS: readonly (readonly [RegExp, string])[] = [
  [/^three[ -]quarters(?: of)?(?: an?)? /i, '3/4 '],
  [/^(?:a |one )?half(?: of)?(?: an?)? /i, '1/2 '],
  [/^(?:a |one )?third(?: of)?(?: an?)? /i, '1/3 '],
  [/^(?:a |one )?quarter(?: of)?(?: an?)? /i, '1/4 '],
  ...['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'].map(
    (word, i) => [new RegExp(`^${word} `, 'i'), `${i + 1} `] as const,
  ),
  [/^an? /i, '1 '],
]
/** What a quantity is in; `9 litre can` is nine litres. */
const VESSEL_WORD = /(?<=[a-z])[ -](?:can|jug|bucket|bottle|bag|tub|pot|pail)s?$/i

/**
 * Amounts said in words: `half gallon`, `a quarter cup`, `two tbsp`, `9 litre can`.
 *
 * @example inFigures('half a cup') // '1/2 cup'
 */
export function inFigures(text: string): string {
  const word = WORDS.find(([pattern]) => pattern.test(text))
  return (word ? text.replace(word[0], word[1]) : text).replace(VESSEL_WORD, '')
}

/**
 * Read a bare number with fractions: `2 1/2`, `1½`, `0.75`, `1,5`. Undefined when it is none.
 *
 * @example parseNumber('1 1/2') // 1.5
 * @example parseNumber('some') // undefined
 */
export function parseNumber(text: string): number | undefined {
  const trimmed = text.trim()
  const number = NUMBER.exec(trimmed)?.[0]
  return number !== undefined && number.length === trimmed.length ? readNumber(number) : undefined
}

function readNumber(written: string): number | undefined {
  const sign = /^[-−]/.test(written) ? -1 : 1
  const text = written.replace(/^[+\-−]/, '').trim()
  const glyph = fractionValue(last(text))
  if (glyph !== undefined) return sign * (Number(text.slice(0, -1).replace(/[ -]+$/, '') || 0) + glyph)
  const ratio = /^(?:(\d+)[ -]+)?(\d+)\s*[/⁄]\s*(\d+)$/.exec(text)
  if (ratio) {
    const denominator = Number(ratio[3])
    return denominator === 0 ? undefined : sign * (Number(ratio[1] ?? 0) + Number(ratio[2]) / denominator)
  }
  const grouped = /^\d{1,3}(?:,\d{3})+(?:\.\d+)?$/.test(text)
  const value = Number(grouped ? text.replaceAll(',', '') : text.replace(',', '.'))
  return Number.isFinite(value) ? sign * value : undefined
}

function failed(problem: string, unread: string, dimension: Dimension): Parsed {
  return { ok: false, unread, message: `${problem}. Write it like ${EXAMPLES[dimension]}.` }
}
