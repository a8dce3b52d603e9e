import { at as elementAt } from '../numeric/at'
import { toBase, unitSpelled, unitSpellings } from '../units/unit-table'
import type { Dimension, UnitSystem } from '../units/unit'
import type { Count } from './numbers'
import type { Found, Sentence } from './pattern'
import { tokensOf, type Token } from './token'

/** A number with its unit: in L, mm, g or °C. */
export interface Said {
  readonly base: number
  /** As it was written. */
  readonly text: string
  /** The number before the unit, where it was one alone. */
  readonly n: number
  readonly unit: string
}

const UNIT_TOKENS = 3

/** The words a unit of a dimension can begin with: few of a sentence do. */
const beginnings = new Map<string, ReadonlySet<string>>()
function beginsUnit({ text, plain }: Token, dimension: Dimension, units: UnitSystem): boolean {
  const key = `${dimension}/${units}`
  let words = beginnings.get(key)
  if (!words) {
    const heads = [...unitSpellings(dimension, units)].flatMap((one) => tokensOf(one).slice(0, 1))
    words = new Set(heads.flatMap((one) => [one.text, one.lower, one.plain]))
    beginnings.set(key, words)
  }
  return words.has(text) || words.has(plain) || words.has(text.toLowerCase().replace(/[s.]+$/, ''))
}

/** The unit that begins at a place: the longest spelling that is one. */
export function unitAt(tokens: readonly Token[], at: number, dimension: Dimension, units: UnitSystem) {
  // A capital C is Celsius: a cup is written small.
  if (dimension !== 'temperature' && /^[CF]$/.test(tokens[at]?.text ?? '')) return null
  const head = tokens[at]
  if (!head || !beginsUnit(head, dimension, units)) return null
  for (let length = UNIT_TOKENS; length > 0; length--) {
    const words = tokens.slice(at, at + length)
    if (words.length < length || words.some((word, i) => word.quoted || (i > 0 && word.parted))) continue
    const spelled = words.map(({ text, glued }, i) => (i > 0 && !glued ? ' ' : '') + text).join('')
    const unit =
      unitSpelled(spelled.replace(/[-]/g, ' '), dimension, units) ??
      unitSpelled(words.map(({ plain }) => plain).join(' '), dimension, units)
    // `22 in the greenhouse` is no length.
    if (
      unit?.id === 'in' &&
      elementAt(tokens, at).lower === 'in' &&
      /^(?:the|a|an|my|our|each|every)$/.test(tokens[at + length]?.lower ?? '')
    )
      continue
    if (unit) return { to: at + length, unit }
  }
  return null
}

/**
 * Numbers with units of one dimension, as terms: `900 ml`, `2½ pints`, `half a cup`, `4 lb 8 oz`, `2 × 500 ml`.
 */
export const quantity =
  (dimension: Dimension, units: UnitSystem) =>
  (sentence: Sentence, at: number): Found<Said>[] => {
    const { tokens, text } = sentence
    const written = (to: number) => text.slice(elementAt(tokens, at).from, elementAt(tokens, to - 1).to)
    const out: Found<Said>[] = []
    const minus = dimension === 'temperature' && tokens[at]?.plain === '-' ? 1 : 0
    for (const { to, value } of sentence.term('count', at + minus)) {
      const { n } = value as Count
      const first = tokens[to]
      if (!first || first.parted) continue
      if (/^(?:x|×)$/.test(first.lower)) {
        for (const each of sentence.term(dimension, to + 1)) {
          const { base, unit } = each.value as Said
          out.push({ to: each.to, value: { base: base * n, text: written(each.to), n, unit } })
        }
        continue
      }
      const found = unitAt(tokens, to, dimension, units)
      if (!found) continue
      let base = toBase(minus ? -n : n, found.unit)
      out.push({ to: found.to, value: { base, text: written(found.to), n, unit: found.unit.id } })
      // What is added to it is smaller: `1 lb 8 oz`, `1 kg and 250 g`.
      const and = /^(?:and|\+|&)$/.test(tokens[found.to]?.lower ?? '') ? 1 : 0
      const next = tokens[found.to + and]
      if (!next || next.parted || dimension === 'temperature') continue
      for (const more of sentence.term('count', found.to + and)) {
        const small = unitAt(tokens, more.to, dimension, units)
        if (!small || small.unit.factor >= found.unit.factor) continue
        base += toBase((more.value as Count).n, small.unit)
        out.push({ to: small.to, value: { base, text: written(small.to), n, unit: found.unit.id } })
        break
      }
    }
    return out
  }

/** A unit by itself, of which there is one: `pint` of `pint pots`. */
export const bareQuantity =
  (dimension: Dimension, units: UnitSystem) =>
  ({ tokens, text }: Sentence, at: number): Found<Said>[] => {
    const found =
      tokens[at]?.kind === 'word' &&
      tokens[at - 1]?.kind !== 'number' &&
      elementAt(tokens, at).plain.length > 2
        ? unitAt(tokens, at, dimension, units)
        : null
    if (!found) return []
    const { to, unit } = found
    return [
      {
        to,
        value: {
          base: toBase(1, unit),
          text: text.slice(elementAt(tokens, at).from, elementAt(tokens, to - 1).to),
          n: 1,
          unit: unit.id,
        },
      },
    ]
  }
