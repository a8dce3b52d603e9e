import { present } from '#core/present'
import { at } from '#core/numeric/at'
import { packSaid } from '#core/supplies/pack-said'
import type { PackSize } from '#core/supplies/goods'
import { parseNumber, parseQuantity } from '#core/units/parse'
import type { UnitSystem } from '#core/units/unit'
import { fromBase, unitById } from '#core/units/unit-table'
import type { Column, Holds } from './column'
import { findNamed, folded, type Names } from './names'

/** How the numbers and days of one table are written. */
export interface Written {
  /** null where it cannot be told: 1,234 may be a thousand or little more than one. */
  readonly decimal: 'point' | 'comma' | null
  /** Order of a day that is not written year first; null where it cannot be told. */
  readonly days: 'day first' | 'month first' | null
}

export type ReadCell = { readonly value: unknown } | { readonly problem: string }
const problem = (words: string): ReadCell => ({ problem: words })

const NUMBER_LIKE = /^[+\-−]?[\d.,\s'’]*\d(?:\s*%)?$/
const GROUPED = /^[+\-−]?\d{1,3}([.,])\d{3}$/

/**
 * Whether a table writes decimals with a point or a comma, by all its numbers together.
 *
 * @returns the mark; null where its numbers do not tell
 */
export function decimalOf(cells: readonly string[], separator: string): Written['decimal'] {
  let point = 0
  let comma = 0
  let open = 0
  for (const cell of cells) {
    const text = cell.replace(/\s*%$/, '').trim()
    if (!NUMBER_LIKE.test(text) || !/[.,]/.test(text)) continue
    const last = Math.max(text.lastIndexOf('.'), text.lastIndexOf(','))
    const marks = new Set(text.replace(/[^.,]/g, ''))
    const many = text.replace(/[^.,]/g, '').length
    const mark = text[last] === ',' ? 'comma' : 'point'
    const other = mark === 'comma' ? 'point' : 'comma'
    // Both marks: the last one is the decimal's. One mark twice: it groups. 0.125 begins with its nought.
    const tells =
      marks.size === 2
        ? mark
        : many > 1
          ? other
          : !GROUPED.test(text) || /^[+\-−]?0[.,]/.test(text)
            ? mark
            : null
    if (tells === 'comma') comma++
    else if (tells === 'point') point++
    else open++
  }
  if (comma && point) return null
  if (comma) return 'comma'
  if (point) return 'point'
  // Where nothing tells, 1,234 is asked about.
  return open === 0 ? (separator === ';' ? 'comma' : 'point') : null
}

const OWN_DAY = /^(\d{1,2})[./-](\d{1,2})[./-](\d{4})\.?$/
const YEAR_FIRST = /^(\d{4})[-./](\d{1,2})[-./](\d{1,2})(?:[T ].*)?$/
const YES = ['yes', 'y', 'true', '1', 'x', 'ja', 'oui', 'si', 'wahr', 'vrai', 'verdadero', 'waar', 'ok']
const NO = ['no', 'n', 'false', '0', '-', 'nein', 'non', 'nee', 'falsch', 'faux', 'falso', 'onwaar']

/** A number as a table writes it, as one with a point: `1.234,5` is `1234.5` where a comma is the decimal mark. */
function inPoints(text: string, { decimal }: Written): string | null {
  const bare = text.replace(/(?<=\d)[\s'’](?=\d{3}\b)/g, '')
  if (!/[.,]/.test(bare)) return bare
  if (decimal === null)
    return GROUPED.test(bare.trim().replace(/\s*[^\d.,]*$/, '')) ? null : bare.replace(/,(?=\d)/g, '.')
  return decimal === 'comma'
    ? bare.replace(/\.(?=\d{3}(?!\d))/g, '').replace(/,(?=\d)/g, '.')
    : bare.replace(/,(?=\d{3}(?!\d))/g, '')
}

/**
 * A cell as its column holds it. An empty one is not asked for here.
 *
 * @param unit that the heading names, for quantities
 */
export function readCell(
  text: string,
  { holds }: Pick<Column, 'holds'>,
  {
    written,
    names,
    units,
    unit,
  }: { written: Written; names: Names; units: UnitSystem; unit?: string | undefined },
): ReadCell {
  const said = text.trim()
  switch (holds.kind) {
    case 'text':
      return { value: said }
    case 'yes':
      return readYes(said)
    case 'day':
      return readDay(said, written)
    case 'time':
      return readTime(said)
    case 'number':
    case 'whole':
    case 'percent':
      return readNumber(said, holds, written)
    case 'quantity':
      return readAmount(said, holds, { written, units, unit })
    case 'pack':
      return readPack(said, written, units)
    case 'choice':
      return readChoice(said, holds.of)
    case 'named': {
      const found = findNamed(said, holds.of, names)
      return typeof found === 'string' ? problem(found) : { value: found }
    }
    case 'several': {
      const all = listed(said).map((part) => findNamed(part, holds.of, names))
      const wrong = all.find((one) => typeof one === 'string')
      return wrong === undefined ? { value: all } : problem(wrong as string)
    }
    case 'words': {
      const all = listed(said).map((part) => readChoice(part, holds.of))
      const wrong = all.find((one) => 'problem' in one)
      return wrong ?? { value: all.flatMap((one) => ('value' in one ? [one.value] : [])) }
    }
  }
}

const listed = (said: string) =>
  said
    .split(/[;|]/)
    .map((part) => part.trim())
    .filter(Boolean)

function readYes(said: string): ReadCell {
  const word = folded(said) || said
  if (YES.includes(word)) return { value: true }
  return NO.includes(word) ? { value: false } : problem(`“${short(said)}” is neither yes nor no.`)
}

function readTime(said: string): ReadCell {
  const found = /^([01]?\d|2[0-3])[:.h]([0-5]\d)(?::\d\d)?$/.exec(said)
  return found
    ? { value: `${at(found, 1).padStart(2, '0')}:${found[2]}` }
    : problem(`“${short(said)}” is no time of day, as 07:30.`)
}

function readChoice(said: string, of: readonly string[]): ReadCell {
  const found = of.find((one) => folded(one) === folded(said))
  return found === undefined ? problem(`“${short(said)}” is none of ${of.join(', ')}.`) : { value: found }
}

const short = (text: string) => (text.length > 40 ? `${text.slice(0, 40)}…` : text)
const ASK_DECIMAL = (text: string) =>
  `“${short(text)}” may be a thousand and more, or a decimal: say above how decimals are written.`

function readNumber(said: string, holds: Holds, written: Written): ReadCell {
  const percent = /%$/.test(said)
  const text = inPoints(said.replace(/\s*%$/, ''), written)
  if (text === null) return problem(ASK_DECIMAL(said))
  const value = parseNumber(text)
  if (value === undefined) return problem(`“${short(said)}” is no number.`)
  if (holds.kind !== 'percent')
    return percent ? problem(`“${short(said)}” is not meant in per cent.`) : { value }
  // 0.85 may be 85 % or less than one: nobody guesses.
  if (!percent && value > 0 && value <= 1)
    return problem(
      `Is “${short(said)}” meant as ${+(value * 100).toPrecision(6)} %? Write it in per cent, with the sign.`,
    )
  return { value: +(value / 100).toPrecision(12) }
}

function readPack(said: string, written: Written, units: UnitSystem): ReadCell {
  const text = inPoints(said, written)
  if (text === null) return problem(ASK_DECIMAL(said))
  const size = packSaid(text, units)
  return size ? { value: size } : problem(`“${short(said)}” is no size of a pack. Write it as 50 L or 5 kg.`)
}

function readAmount(
  said: string,
  { dimension, unit: own, factor = 1 }: Extract<Holds, { kind: 'quantity' }>,
  { written, units, unit }: { written: Written; units: UnitSystem; unit?: string | undefined },
): ReadCell {
  const text = inPoints(said, written)
  if (text === null) return problem(ASK_DECIMAL(said))
  const read = parseQuantity(text, { dimension, units, assume: unit ?? own })
  if (!read.ok) return problem(read.message)
  return { value: +(read.base * factor).toPrecision(12) }
}

function readDay(said: string, { days }: Written): ReadCell {
  const year = YEAR_FIRST.exec(said)
  if (year) return asDay(said, at(year, 1), at(year, 2), at(year, 3))
  const own = OWN_DAY.exec(said)
  if (!own) return problem(`“${short(said)}” is no calendar day. Write it as 2027-04-12.`)
  const [, first, second, last] = own
  const order = said.includes('.') ? 'day first' : days
  if (order === null && first !== second)
    return problem(
      `“${said}” may be the ${Number(first)}. or the ${Number(second)}. of a month: say above how days are written.`,
    )
  return order === 'month first'
    ? asDay(said, present(last), present(first), present(second))
    : asDay(said, present(last), present(second), present(first))
}
function asDay(said: string, year: string, month: string, day: string): ReadCell {
  const text = `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`
  const real = new Date(`${text}T00:00:00Z`)
  return Number.isNaN(real.getTime()) || real.toISOString().slice(0, 10) !== text
    ? problem(`“${said}” is no calendar day.`)
    : { value: text }
}

/** A value as it stands in a table that is written here; numbers stay numbers. */
export function writtenCell(value: unknown, { holds }: Pick<Column, 'holds'>, names: Names): string | number {
  if (value === null || value === undefined || value === '') return ''
  const nameOf = (id: unknown, kinds: readonly (keyof Names)[]) => {
    const one = kinds.flatMap((kind) => names[kind] ?? []).find((found) => found.id === id)
    // A name that two things have does not say which.
    return one && typeof findNamed(one.name, kinds, names) !== 'string' ? one.name : String(id)
  }
  switch (holds.kind) {
    case 'percent':
      return +((value as number) * 100).toPrecision(12)
    case 'quantity': {
      return +fromBase((value as number) / (holds.factor ?? 1), unitById(holds.unit)).toPrecision(12)
    }
    case 'pack':
      return packText(value as PackSize)
    case 'yes':
      return value ? 'yes' : 'no'
    case 'named':
      return nameOf(value, holds.of)
    case 'several':
      return (value as readonly unknown[]).map((id) => nameOf(id, holds.of)).join('; ')
    case 'words':
      return (value as readonly string[]).join('; ')
    default:
      return typeof value === 'number' ? value : String(value)
  }
}

function packText({ measure, amount }: PackSize): string {
  if (measure !== 'mass') return `${amount} L`
  return amount >= 1000 ? `${amount / 1000} kg` : `${amount} g`
}
