import { at } from '#core/numeric/at'
/** Where the bands of a recipe lie in a section of `height` px, and where their labels go beside it. */
export interface Band {
  readonly top: number
  readonly height: number
  /** Middle of the label: beside its band where there is room. */
  readonly labelY: number
}

/** @param labelHeight px that a label needs; the section should be at least as high as all labels together */
export function layBands(amounts: readonly number[], height: number, labelHeight: number): Band[] {
  const usable = amounts.map((amount) => (Number.isFinite(amount) && amount > 0 ? amount : 0))
  const sum = usable.reduce((total, amount) => total + amount, 0) || 1
  let top = 0
  const bands = usable.map((amount) => {
    const band = { top, height: (amount / sum) * height }
    top += band.height
    return band
  })
  const half = labelHeight / 2
  const labels = bands.map((band) => band.top + band.height / 2)
  for (let i = 0; i < labels.length; i++)
    labels[i] = Math.max(at(labels, i), half, i ? at(labels, i - 1) + labelHeight : half)
  for (let i = labels.length - 1; i >= 0; i--) {
    const lowest = i === labels.length - 1 ? height - half : at(labels, i + 1) - labelHeight
    labels[i] = Math.min(at(labels, i), lowest)
  }
  return bands.map((band, i) => ({ ...band, labelY: at(labels, i) }))
}

/** A slightly uneven line across a section, as between poured layers. */
export function unevenLine(y: number, width: number, seed: number): string {
  const steps = 12
  const points = Array.from({ length: steps + 1 }, (_, i) => {
    const x = (i / steps) * width
    const lift = Math.sin(i * 1.7 + seed * 2.3) * 1.6 + Math.sin(i * 0.6 + seed) * 1.4
    return `${x.toFixed(1)} ${(y + lift).toFixed(1)}`
  })
  return points.join('L')
}
