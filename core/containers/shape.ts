import { derive, given, type Figure } from '../working/figure'
import { standard, type Source } from '../working/source'

const PRISMATOID = standard('prismatoid rule, exact for straight tapers')

/** Inside measures of a straight-sided container, mm. The base may be narrower than the top, never wider. */
export type Shape =
  | {
      readonly form: 'rectangular'
      readonly topLengthMm: number
      readonly topWidthMm: number
      readonly baseLengthMm: number
      readonly baseWidthMm: number
      readonly depthMm: number
    }
  | {
      readonly form: 'round'
      readonly topDiameterMm: number
      readonly baseDiameterMm: number
      readonly depthMm: number
    }

/**
 * A square cell; sides across at the brim and at the base, and depth, in mm.
 *
 * @example topArea(square(40, 30, 50), yours()).value // 16
 */
export const square = (topMm: number, baseMm: number, depthMm: number): Shape => ({
  form: 'rectangular',
  topLengthMm: topMm,
  topWidthMm: topMm,
  baseLengthMm: baseMm,
  baseWidthMm: baseMm,
  depthMm,
})
/**
 * A round pot; diameters at the brim and at the base, and depth, in mm.
 *
 * @example topArea(round(100, 80, 90), yours()).value // ≈ 78.54
 */
export const round = (topDiameterMm: number, baseDiameterMm: number, depthMm: number): Shape => ({
  form: 'round',
  topDiameterMm,
  baseDiameterMm,
  depthMm,
})

/**
 * Plan area in mm² at a height above the base, for heights 0 to depth.
 *
 * @example planAreaMm2(square(40, 40, 50), 25) // 1600
 */
export function planAreaMm2(shape: Shape, heightMm: number): number {
  const t = heightMm / shape.depthMm
  const between = (base: number, top: number) => base + (top - base) * t
  if (shape.form === 'round') return (Math.PI / 4) * between(shape.baseDiameterMm, shape.topDiameterMm) ** 2
  return between(shape.baseLengthMm, shape.topLengthMm) * between(shape.baseWidthMm, shape.topWidthMm)
}

/**
 * Brim-full volume in mL of a shape: h/6 · (A_top + 4·A_mid + A_base).
 *
 * @example brimVolume(square(40, 40, 50), yours()).value // ≈ 80.000
 */
export function brimVolume(shape: Shape, source: Source): Figure {
  const measure = (name: string, value: number) => given(name, value, 'mm', source)
  const depth = measure('Depth', shape.depthMm)
  if (shape.form === 'round')
    return derive(
      'Volume to the brim',
      'mL',
      'pi * h / 12 * (D^2 + D * d + d^2) / 1000',
      {
        h: depth,
        D: measure('Top diameter', shape.topDiameterMm),
        d: measure('Base diameter', shape.baseDiameterMm),
      },
      ({ h, D, d }) => ((Math.PI * h) / 12) * ((D * D + D * d + d * d) / 1000),
      PRISMATOID.cite,
    )
  return derive(
    'Volume to the brim',
    'mL',
    'h / 6 * (a * b + c * d + (a + c) * (b + d)) / 1000',
    {
      h: depth,
      a: measure('Top length', shape.topLengthMm),
      b: measure('Top width', shape.topWidthMm),
      c: measure('Base length', shape.baseLengthMm),
      d: measure('Base width', shape.baseWidthMm),
    },
    ({ h, a, b, c, d }) => (h / 6) * ((a * b + c * d + (a + c) * (b + d)) / 1000),
    PRISMATOID.cite,
  )
}

/**
 * Area of the open top in cm².
 *
 * @example topArea(square(40, 20, 50), yours()).value // 16
 */
export function topArea(shape: Shape, source: Source): Figure {
  if (shape.form === 'round')
    return derive(
      'Top area',
      'cm²',
      'pi / 4 * D^2 / 100',
      { D: given('Top diameter', shape.topDiameterMm, 'mm', source) },
      ({ D }) => ((Math.PI / 4) * D * D) / 100,
    )
  return derive(
    'Top area',
    'cm²',
    'a * b / 100',
    {
      a: given('Top length', shape.topLengthMm, 'mm', source),
      b: given('Top width', shape.topWidthMm, 'mm', source),
    },
    ({ a, b }) => (a * b) / 100,
  )
}

/** Volume below a height above the base, mL: the prismatoid rule on the slice. */
export function volumeBelow(shape: Shape, heightMm: Figure, source: Source): Figure {
  const area = (name: string, h: number) => given(name, planAreaMm2(shape, h), 'mm²', source)
  const h = heightMm.value
  return derive(
    'Volume of the slice',
    'mL',
    'h / 6 * (A_0 + 4 * A_m + A_h) / 1000',
    {
      h: heightMm,
      A_0: area('Area at the base', 0),
      A_m: area('Area half way up the slice', h / 2),
      A_h: area('Area at the top of the slice', h),
    },
    (v) => ((v.h / 6) * (v.A_0 + 4 * v.A_m + v.A_h)) / 1000,
    PRISMATOID.cite,
  )
}

/** Height above the base to which `fraction` (0–1) of the brim-full volume reaches, mm; found by halving. */
export function heightFilled(shape: Shape, fraction: number, source: Source): number {
  const below = (h: number) => volumeBelow(shape, given('h', h, 'mm', source), source).value
  const wanted = fraction * below(shape.depthMm)
  let [low, high] = [0, shape.depthMm]
  for (let i = 0; i < 48; i++) {
    const middle = (low + high) / 2
    if (below(middle) < wanted) low = middle
    else high = middle
  }
  return (low + high) / 2
}
