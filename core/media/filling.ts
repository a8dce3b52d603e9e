import { cellCount, cellTopArea, cellVolume, type Container } from '../containers/container'
import { brimVolume, heightFilled, volumeBelow } from '../containers/shape'
import { derive, given, type Figure } from '../working/figure'
import { byDefault, yours } from '../working/source'
import { allowance, isLayered, type Allowances, type Fill } from './batch-request'

/** What one kind of container takes. */
export interface FillDemand {
  readonly fill: Fill
  readonly cells: Figure
  /** Loose mix, cover of the same mix excluded, L; in a layered container what lies on top. */
  readonly looseL: Figure
  /** Loose mix of the lower layer, L; null where there is none. */
  readonly lowerL: Figure | null
  /** How high the lower layer reaches above the base, mm. */
  readonly lowerHeightMm: Figure | null
  readonly coverL: Figure | null
}

/**
 * Loose litres for one kind of container: count · volume · fill · (1 + settling) · (1 + spare), or pressed volume ·
 * compression for blocks; in layers, the slice below the top layer is the lower mix's.
 *
 * @param settling of the mix, and of the lower mix where there is one; fractions
 */
export function demandOf(
  fill: Fill,
  allowances: Allowances,
  settling: Figure,
  lowerSettling: Figure | null,
): FillDemand {
  const { container } = fill
  const cells =
    fill.cells == null
      ? cellCount(container, given(container.name, fill.count, '', yours()))
      : given(`Cells filled of the ${container.name}`, fill.cells, '', yours('cells in use'))
  const spare = allowance('Spare', 'spare', allowances)
  const coverL =
    fill.coverMm > 0
      ? derive(
          `Cover for ${container.name}`,
          'L',
          'n * A * d / 10000',
          { n: cells, A: cellTopArea(container), d: given('Cover depth', fill.coverMm, 'mm', yours()) },
          ({ n, A, d }) => (n * A * d) / 10000,
        )
      : null
  const mix = { fill, cells, coverL, lowerL: null, lowerHeightMm: null }
  if (container.kind === 'block') return { ...mix, looseL: pressed(container, cells, spare, allowances) }

  const V = cellVolume(container)
  const balls = derive(
    `Root balls in one ${container.name}`,
    'mL',
    'n * b',
    {
      n: given('Plants in each', fill.plants ?? 1, '', yours()),
      b: given('Root ball of one', fill.ballMl ?? 0, 'mL', byDefault('the cell it comes from')),
    },
    ({ n, b }) => n * b,
  )
  const filledTo =
    fill.coverMm > 0
      ? underCover(container, fill.coverMm, allowances)
      : allowance('Filled to', 'fill', allowances)
  const loose = (name: string, litresEach: string, inputs: Record<string, Figure>, each: number, s: Figure) =>
    derive(
      name,
      'L',
      `n * ${litresEach} / 1000 * (1 + s) * (1 + r)`,
      { n: cells, s, r: spare, ...inputs },
      () => ((cells.value * each) / 1000) * (1 + s.value) * (1 + spare.value),
    )
  const name = `Loose mix for ${container.name}`
  if (!isLayered(fill) || !lowerSettling)
    return {
      ...mix,
      looseL: fill.ballMl
        ? loose(
            name,
            'max(0, V * f - b)',
            { V, f: filledTo, b: balls },
            Math.max(0, V.value * filledTo.value - balls.value),
            settling,
          )
        : loose(name, 'V * f', { V, f: filledTo }, V.value * filledTo.value, settling),
    }

  const lowerHeightMm = lowerHeight(container, filledTo, fill.topMm)
  const L = lowerLayerMl(container, lowerHeightMm)
  return {
    ...mix,
    lowerHeightMm,
    lowerL: loose(`Lower mix for ${container.name}`, 'L', { L }, L.value, lowerSettling),
    looseL: loose(
      `Top layer for ${container.name}`,
      '(V * f - L)',
      { V, f: filledTo, L },
      V.value * filledTo.value - L.value,
      settling,
    ),
  }
}

/** How full a cell is filled where a cover follows: never so far that the cover stands over the brim. */
function underCover(container: Container, coverMm: number, allowances: Allowances): Figure {
  return derive(
    'Filled, leaving room for the cover',
    'share',
    'max(0, min(f, 1 - A * d / 10 / V))',
    {
      f: allowance('Filled under a cover', 'fillUnderCover', allowances),
      A: cellTopArea(container),
      d: given('Cover depth', coverMm, 'mm', yours()),
      V: cellVolume(container),
    },
    ({ f, A, d, V }) => Math.max(0, Math.min(f, 1 - (A * d) / 10 / V)),
  )
}

function pressed(container: Container, cells: Figure, spare: Figure, allowances: Allowances): Figure {
  // Pressed full: the compression stands for filling and settling both.
  return derive(
    `Loose mix for ${container.name}`,
    'L',
    'n * V / 1000 * b * (1 + r)',
    {
      n: cells,
      V: cellVolume(container),
      r: spare,
      b: allowance('Block compression', 'blockCompression', allowances),
    },
    ({ n, V, b, r }) => ((n * V) / 1000) * b * (1 + r),
  )
}

function lowerHeight({ shape, sources }: Container, filledTo: Figure, topMm: number): Figure {
  return derive(
    'Height of the lower layer',
    'mm',
    'max(0, h - t)',
    {
      h: given(
        'Height of the mix',
        heightFilled(shape, filledTo.value, sources.shape),
        'mm',
        byDefault('found by halving: where the slice below holds what is filled in'),
      ),
      t: given('Depth of the top layer', topMm, 'mm', yours()),
    },
    ({ h, t }) => Math.max(0, h - t),
  )
}

/** What lies below the top layer in one cell, mL; a measured volume scales the geometry's slice. */
function lowerLayerMl(container: Container, heightMm: Figure): Figure {
  const { shape, sources } = container
  return derive(
    'Lower layer in one',
    'mL',
    'S * V / B',
    {
      S: volumeBelow(shape, heightMm, sources.shape),
      V: cellVolume(container),
      B: brimVolume(shape, sources.shape),
    },
    ({ S, V, B }) => (S * V) / B,
  )
}
