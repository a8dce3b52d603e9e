import { present } from '../present'
import { at, first } from '../numeric/at'
import { inFigures, parseNumber } from '../units/parse'
import { unitSpelled, toBase } from '../units/unit-table'
import type { UnitSystem, Unit } from '../units/unit'
import { FRACTION_GLYPHS } from '../units/fraction'
import type { Material, MaterialLibrary } from './material'
import { materialNames, type FoundName, type ReadWord } from './material-names'
import type { Extra, Part } from './recipe'

/*
 * Recipes as people post them: `3 parts coir, 1 part castings, a cup of perlite, 2 tbsp lime per gallon`. Every word is
 * accounted for; what is not understood, or could be two things, is asked about and never guessed.
 */

export interface RecipeLine {
  readonly words: readonly ReadWord[]
  readonly materialId: string | null
  /** Where a name may mean several: their ids. */
  readonly candidates: readonly string[]
  /** In the recipe; none while something is asked. */
  readonly part: Part | null
  readonly extra: Extra | null
  /** What has to be said before it counts. */
  readonly asked: string | null
}

export interface ReadRecipe {
  readonly lines: readonly RecipeLine[]
  readonly parts: readonly Part[]
  readonly extras: readonly Extra[]
  /** A spoon or a cup stands beside parts: how large a part is decides. */
  readonly asksPart: boolean
}

export interface RecipeTextOptions {
  readonly materials: MaterialLibrary
  readonly units: UnitSystem
  /** Litres of one part, where somebody said. */
  readonly partL?: number | null
  /** What a name that may mean several was said to mean, by the name in lower case. */
  readonly meant?: ReadonlyMap<string, string>
}

const PARTS = /^(parts?|pts?|portions?|measures?|scoops?|share|shares)$/i
const NUMBER = new RegExp(
  String.raw`^(?:\d+[ -]\d+/\d+|\d+/\d+|\d*[.,]\d+|\d+[${FRACTION_GLYPHS}]?|[${FRACTION_GLYPHS}])`,
)
const MAX_LINES = 40

interface Amount {
  readonly kind: 'parts' | 'litres' | 'grams' | 'share'
  readonly value: number
}
interface Phrase {
  readonly words: ReadWord[]
  readonly amount: Amount | null
  /** What is left once the amount is read: the name, and what stands around it. */
  readonly named: readonly string[]
  readonly perL: number | null
}

/**
 * A recipe in words, read.
 *
 * @throws RangeError where it is longer than any recipe
 */
export function readRecipe(text: string, options: RecipeTextOptions): ReadRecipe {
  const phrases = phrasesOf(text).map((one) => readPhrase(one, options.units))
  if (phrases.length > MAX_LINES)
    throw new RangeError(`recipe: at most ${MAX_LINES} lines, not ${phrases.length}`)
  const names = materialNames(options.materials, options.meant ?? new Map())
  const found = phrases.map((phrase) => ({ phrase, ...names(phrase.named) }))
  const media = found.filter(({ material }) => material?.kind === 'medium')
  const inParts = media.some(({ phrase }) => phrase.amount?.kind === 'parts')
  const inLitres = media.some(({ phrase }) => phrase.amount?.kind === 'litres')
  const partL = inParts ? (options.partL ?? null) : null
  const lines = found.map((one) =>
    readLine(one, {
      inParts,
      partL,
      totalL: totalLitres(
        media.map(({ phrase }) => phrase),
        partL,
      ),
    }),
  )
  return {
    lines,
    parts: merged(lines.flatMap(({ part }) => part ?? [])),
    extras: lines.flatMap(({ extra }) => extra ?? []),
    asksPart: inParts && (inLitres || lines.some(({ asked }) => asked === ASKS_PART)) && partL === null,
  }
}

const ASKS_PART = 'It stands beside parts: say how large one part is.'

/** Lines, commas, plus signs and `and`; a comma between digits is a decimal one. */
const phrasesOf = (text: string): string[] =>
  text
    .replace(/[•*·–—]/g, ' ')
    .replace(/^\s*\d+[.)]\s+(?=\D)/gm, '')
    .split(/\n|;|,(?!\d)|\+|&|\band\b(?! a? ?(?:half|quarter|third))/i)
    .map((phrase) => phrase.replace(/\s+/g, ' ').trim())
    .filter((phrase) => /[\p{L}\d]/u.test(phrase))

function readPhrase(said: string, units: UnitSystem): Phrase {
  const words: ReadWord[] = []
  let rest = inFigures(
    said.replace(
      /^(about|roughly|approx\.?|~)\s*/i,
      (word) => (words.push({ text: word.trim(), as: 'filler' }), ''),
    ),
  )
  const per = /\s+(?:per|for every|for each|to (?:a|the|each)|in (?:a|each)|a)\s+([^()]*)$/i.exec(rest)
  const perL = per ? litresOf(at(per, 1), units) : null
  if (per && perL !== null) rest = rest.slice(0, per.index)
  let amount: Amount | null = null
  const number = NUMBER.exec(rest)?.[0]
  if (number) {
    const value = parseNumber(number.trim())
    rest = rest.slice(number.length).trim()
    words.push({ text: number.trim(), as: 'amount' })
    const measured = value === undefined ? null : measureAt(rest, value, units)
    if (measured) {
      amount = measured.amount
      if (measured.length) words.push({ text: rest.slice(0, measured.length).trim(), as: 'measure' })
      rest = rest.slice(measured.length).trim()
    }
  }
  const named = rest.split(' ').filter(Boolean)
  if (per && perL !== null) words.push({ text: per[0].trim(), as: 'per' })
  return { words, amount, named, perL }
}

/** The measure after a number: parts, per cent, a volume or a mass; a bare number is parts. */
function measureAt(
  rest: string,
  value: number,
  units: UnitSystem,
): { amount: Amount; length: number } | null {
  if (rest.startsWith('%')) return { amount: { kind: 'share', value: value / 100 }, length: 1 }
  const words = rest.split(' ')
  if (/^(per ?cent|percent)$/i.test(words[0] ?? ''))
    return { amount: { kind: 'share', value: value / 100 }, length: first(words).length }
  if (PARTS.test(words[0] ?? '')) return { amount: { kind: 'parts', value }, length: first(words).length }
  // The longest spelling that is a unit: `fl oz` before `oz`.
  for (let n = Math.min(3, words.length); n > 0; n--) {
    const spelled = words.slice(0, n).join(' ')
    const volume = unitSpelled(spelled, 'volume', units)
    if (volume) return { amount: { kind: 'litres', value: toBase(value, volume) }, length: spelled.length }
    const mass: Unit | undefined = unitSpelled(spelled, 'mass', units)
    if (mass) return { amount: { kind: 'grams', value: toBase(value, mass) }, length: spelled.length }
  }
  return { amount: { kind: 'parts', value }, length: 0 }
}

/** `gallon`, `10 L of mix`, `cubic foot`; null where it is no volume. */
function litresOf(text: string, units: UnitSystem): number | null {
  const said = inFigures(text.replace(/\b(of )?(the )?(finished )?(mix|medium|soil|volume)\b/gi, '').trim())
  const number = NUMBER.exec(said)?.[0]
  const value = number ? parseNumber(number.trim()) : 1
  const spelled = (number ? said.slice(number.length) : said).trim()
  const unit = spelled ? unitSpelled(spelled, 'volume', units) : undefined
  return unit && value !== undefined ? toBase(value, unit) : null
}

/** What is measured out altogether, L, where all of it is said in volumes or parts of a known size. */
function totalLitres(media: readonly Phrase[], partL: number | null): number | null {
  let total = 0
  for (const { amount } of media) {
    if (amount?.kind === 'litres') total += amount.value
    else if (amount?.kind === 'parts' && partL !== null) total += amount.value * partL
    else return null
  }
  return total > 0 ? total : null
}

/** How a recipe measures: in parts of how much, making how much, L; null where it does not say. */
interface RecipeVolumes {
  readonly inParts: boolean
  readonly partL: number | null
  readonly totalL: number | null
}

/** An amount dosed by the gram per litre of mix, or what is asked where that cannot be told. */
function extraOf(
  { amount, perL }: { readonly amount: Amount; readonly perL: number | null },
  material: Material,
  name: string,
  { inParts, partL, totalL }: RecipeVolumes,
): Partial<RecipeLine> {
  const inL = perL ?? totalL
  const bySpoon = `Say how much ${name} by spoon, cup or gram.`
  if (amount.kind === 'parts' && partL === null) return { asked: inParts ? ASKS_PART : bySpoon }
  if (inL === null)
    return { asked: inParts ? ASKS_PART : `In how much mix? Say it as “per gallon” or “per 10 L”.` }
  if (amount.kind === 'share') return { asked: bySpoon }
  const litres = amount.kind === 'parts' ? amount.value * present(partL) : amount.value
  const grams = amount.kind === 'grams' ? amount.value : litres * material.dryBulkDensityGPerL
  return { extra: { materialId: material.id, gPerL: round(grams / inL) } }
}

function readLine(
  { phrase, material, candidates, words, name }: { phrase: Phrase } & FoundName,
  { inParts, partL, totalL }: RecipeVolumes,
): RecipeLine {
  const { amount, perL } = phrase
  const line = (more: Partial<RecipeLine>): RecipeLine => ({
    words: [
      ...phrase.words.filter(({ as }) => as !== 'per'),
      ...words,
      ...phrase.words.filter(({ as }) => as === 'per'),
    ],
    materialId: material?.id ?? null,
    candidates,
    part: null,
    extra: null,
    asked: null,
    ...more,
  })
  if (name === '') return line({ asked: 'Of what? No material is named here.' })
  if (!material)
    return line({
      asked: candidates.length
        ? `Which is meant by “${name}”?`
        : `“${name}” is no material that is known here.`,
    })
  if (!amount) return line({ asked: `How much ${name}?` })
  if (!(amount.value > 0)) return line({ asked: `How much ${name}? It has to be above 0.` })
  // So much to a volume of mix is an extra; so is whatever is dosed by the gram.
  if (perL !== null || material.kind === 'amendment')
    return line(extraOf({ amount, perL }, material, name, { inParts, partL, totalL }))
  if (amount.kind === 'grams')
    return line({
      part: null,
      asked: `Say ${name} by volume: a weight says nothing of how loose it lies.`,
    })
  if (amount.kind === 'litres' && inParts) {
    if (partL === null) return line({ asked: ASKS_PART })
    return line({ part: { materialId: material.id, parts: round(amount.value / partL) } })
  }
  const parts = amount.kind === 'share' ? amount.value * 100 : amount.value
  return line({ part: { materialId: material.id, parts: round(parts) } })
}

const round = (value: number) => Number(value.toPrecision(4))

/** The same material said twice is said once. */
function merged(parts: readonly Part[]): Part[] {
  const sums = new Map<string, number>()
  for (const { materialId, parts: amount } of parts)
    sums.set(materialId, (sums.get(materialId) ?? 0) + amount)
  return [...sums].map(([materialId, amount]) => ({ materialId, parts: round(amount) }))
}
