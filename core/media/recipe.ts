import type { MaterialLibrary } from './material'
import { wrongAt, type Problem } from '../problem'
import { within } from '../problem'

/** One line of a recipe: so many parts, by loose volume, of a material. */
export interface Part {
  readonly materialId: string
  readonly parts: number
}

/** So much of an amendment or a rich material in each litre of mix; it adds no volume of its own. */
export interface Extra {
  readonly materialId: string
  readonly gPerL: number
}

/** What a mix is made of. */
export interface Mix {
  readonly parts: readonly Part[]
  readonly extras: readonly Extra[]
}

/** What is done to the materials before they are measured. */
export const PREPARATIONS = [
  'wash',
  'disinfect',
  'scald tools',
  'hot water',
  'hot soak',
  'sieve',
  'fine sieve',
  'moisten',
] as const
export type Preparation = (typeof PREPARATIONS)[number]

/**
 * What is wrong with the extras, each at its field.
 *
 * @example extraProblems([{ materialId: 'rock-dust', gPerL: 5 }], BUILT_IN) // []
 */
export function extraProblems(extras: readonly Extra[], library: MaterialLibrary): Problem[] {
  return extras.flatMap(({ materialId, gPerL }, index) => [
    ...(library.has(materialId) ? [] : [wrongAt([index, 'materialId'], 'unknown', { what: 'material' })]),
    ...within([index, 'gPerL'], gPerL, 0.001, 100, 'g/L'),
  ])
}

/**
 * What is wrong with a recipe; empty when it can be mixed.
 *
 * @example recipeProblems([{ materialId: 'coir', parts: 3 }], BUILT_IN) // []
 */
export function recipeProblems(parts: readonly Part[], library: MaterialLibrary): Problem[] {
  if (parts.length === 0) return [wrongAt([], 'noMaterial')]
  const seen = new Set<string>()
  return parts.flatMap(({ materialId, parts: amount }, index) => {
    const twice = seen.has(materialId)
    seen.add(materialId)
    return [
      ...within([index, 'parts'], amount, 0.001, 1000),
      ...(library.get(materialId)?.kind === 'medium'
        ? []
        : [
            {
              path: [index, 'materialId'],
              ...(library.has(materialId)
                ? { kind: 'byTheGram' as const }
                : { kind: 'unknown' as const, values: { what: 'material' } }),
            },
          ]),
      ...(twice ? [wrongAt([index, 'materialId'], 'materialTwice')] : []),
    ]
  })
}

/**
 * Move the boundary between two neighbouring bands: what one gains the other loses, and the sum stays.
 * Each keeps at least `minimum` parts. Results are to the nearest `step` parts.
 *
 * @throws RangeError where there is no such boundary
 * @example moveBoundary([{ parts: 3 }, { parts: 1 }], 0, 2).map(({ parts }) => parts) // [2, 2]
 */
export function moveBoundary(
  parts: readonly Part[],
  boundary: number,
  upperParts: number,
  step = 0.25,
  minimum = step,
): Part[] {
  const upper = parts[boundary]
  const lower = parts[boundary + 1]
  if (!upper || !lower) throw new RangeError(`boundary: ${boundary} is not between two materials`)
  const sum = upper.parts + lower.parts
  const wanted = Math.round(upperParts / step) * step
  const next = Math.min(Math.max(wanted, minimum), sum - minimum)
  if (sum < 2 * minimum) return [...parts]
  return parts.map((part, index) =>
    index === boundary
      ? { ...part, parts: next }
      : index === boundary + 1
        ? { ...part, parts: sum - next }
        : part,
  )
}

/** Most of a recipe that one of its materials can be, as long as there are others. */
export const MAX_SHARE = 0.99

/**
 * Give a material a share of the recipe; the others keep their ratios to each other and share the rest.
 *
 * @param share above 0 and at most `MAX_SHARE`, a fraction
 * @param typed which others stay as they are, as far as the rest can make up for it
 * @returns parts that add up to what they added up to before
 * @throws RangeError for a share outside that, or a recipe of one material
 * @example setShare([{ parts: 3 }, { parts: 1 }], 0, 0.5).map(({ parts }) => parts) // [2, 2]
 * @example setShare([{ parts: 3 }, { parts: 1 }], 0, 1) // throws RangeError
 */
export function setShare(
  parts: readonly Part[],
  index: number,
  share: number,
  typed: (part: Part) => boolean = () => false,
): Part[] {
  if (!(share > 0 && share <= MAX_SHARE))
    throw new RangeError(`share: above 0 and at most ${MAX_SHARE}, given ${share}`)
  if (parts.length < 2) throw new RangeError('parts: a single material is all of the recipe')
  const sum = total(parts)
  const left = (1 - share) * sum
  const others = parts.filter((_, i) => i !== index)
  const fixed = others.filter(typed)
  const room = left - total(fixed)
  // Where nothing is left to give way, all the others do.
  const [giving, rest] =
    fixed.length < others.length && room > 1e-9
      ? [others.filter((part) => !typed(part)), room]
      : [others, left]
  const before = total(giving)
  return parts.map((part, i) => {
    if (i === index) return { ...part, parts: share * sum }
    return giving.includes(part) && before > 0 ? { ...part, parts: (rest * part.parts) / before } : part
  })
}

const total = (parts: readonly Part[]) => parts.reduce((sum, part) => sum + part.parts, 0)

/**
 * The recipe as it is said: `3 : 1 : 1`.
 *
 * @example saidInParts([{ materialId: 'coir', parts: 3 }, { materialId: 'perlite', parts: 1 }]) // '3 : 1'
 */
export function saidInParts(parts: readonly Part[]): string {
  if (parts.length === 1) return 'on its own'
  return parts.map((part) => String(Number(part.parts.toFixed(2)))).join(' : ')
}
