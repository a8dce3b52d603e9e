import type { Part } from '#core/media/recipe'

/** A recipe as bands: where each begins, and how much of the whole it is; fractions 0–1. */
export function layersOf(parts: readonly Part[]) {
  const sum = parts.reduce((all, one) => all + one.parts, 0)
  let from = 0
  return parts.map(({ materialId, parts: n }) => {
    const layer = { materialId, from, share: n / sum }
    from += layer.share
    return layer
  })
}
