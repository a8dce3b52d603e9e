import type { Problem } from '../problem'
import { within } from '../problem'

/** One line of a recipe: so many parts, by loose volume, of a material. */
export interface Part {
  readonly materialId: string
  readonly parts: number
}

/** What is wrong with a recipe; empty when it can be mixed. */
export function recipeProblems(parts: readonly Part[]): Problem[] {
  if (parts.length === 0) return [{ path: [], message: 'A recipe needs at least one material.' }]
  const seen = new Set<string>()
  return parts.flatMap(({ materialId, parts: amount }, index) => {
    const twice = seen.has(materialId)
    seen.add(materialId)
    return [
      ...within([index, 'parts'], amount, 0, 1000, 'Parts must be above 0 and at most 1000.', true),
      ...(twice ? [{ path: [index, 'materialId'], message: 'This material is already in the recipe.' }] : []),
    ]
  })
}

/**
 * Move the boundary between two neighbouring bands: what one gains the other loses, and the sum stays.
 * Each keeps at least `minimum` parts. Results are to the nearest `step` parts.
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

/** The recipe as it is said: `3 : 1 : 1`. */
export function saidInParts(parts: readonly Part[]): string {
  return parts.map((part) => String(Number(part.parts.toFixed(2)))).join(' : ')
}
