import { at, first } from '../numeric/at'
import { airWanted, type AirWanted } from './air-wanted'
import type { Container } from '../containers/container'
import { cellVolume, cellWord } from '../containers/container'
import { planAreaMm2, volumeBelow, type Shape } from '../containers/shape'
import { gaussLegendre } from '../numeric/gauss-legendre'
import { derive, given, weightedTotal, type Figure } from '../working/figure'
import { handbook, standard, yours } from '../working/source'
import type { Blend } from './blend'
import type { Material } from './material'
import { openingOf } from './mixing-loss'
import { BLOCK_COMPRESSION, pressed, unpressed, type Pressing } from './pressing'
import { retentionOf, waterAt } from './retention'

const QUADRATURE = gaussLegendre(12)
const MM_PER_CM = 10
const VAN_GENUCHTEN = 'van Genuchten (1980), fitted to the material’s four points.'
const MILKS = 'A drained container holds water at suction z at height z (Milks, Fonteno & Larson 1989).'

/** What a mix does in a container after it was soaked and has drained. Fractions of the container's volume. */
export interface ContainerPhysics {
  readonly totalPorosity: Figure
  readonly containerCapacity: Figure
  readonly airSpace: Figure
  /** Water between 10 and 50 cm of suction (De Boodt & Verdonck 1972). */
  readonly easilyAvailableWater: Figure
  readonly dryBulkDensityGPerL: Figure
  /** Weight of one whole container, all its cells full of drained mix, without the container itself, g. */
  readonly wetWeightG: Figure
  readonly airWanted: AirWanted
  /** Litres of mix in a litre of the container: 1, and more where it is pressed. */
  readonly pressing: Figure
}

/** Heights above the base, cm, and the share of the slice's volume each stands for, summing to 1. */
export function levels(
  shape: Shape,
  fromMm = 0,
  toMm = shape.depthMm,
): { heightCm: number; share: number }[] {
  const raw = QUADRATURE.points.map((t, i) => {
    const heightMm = fromMm + t * (toMm - fromMm)
    return { heightCm: heightMm / MM_PER_CM, share: at(QUADRATURE.weights, i) * planAreaMm2(shape, heightMm) }
  })
  const sum = raw.reduce((total, { share }) => total + share, 0)
  return raw.map(({ heightCm, share }) => ({ heightCm, share: share / sum }))
}

/** Depth of the straight column whose mix stands as high on average, mm: a taper holds most of its mix up in the air. */
export const columnDepthMm = (shape: Shape): number =>
  2 * MM_PER_CM * levels(shape).reduce((sum, { heightCm, share }) => sum + heightCm * share, 0)

/** The mix below, in a container filled in layers: it reaches from the base to this height. */
export interface LowerBlend extends Blend {
  readonly heightMm: number
}

/**
 * Air and water of a mix in a container, over another one where it is filled in layers; with workings.
 *
 * @param how.lower the mix below it, where it is filled in layers
 * @param how.press how many loose litres go into a pressed one, where the container is a block
 */
export function physicsIn(
  container: Container,
  blend: Blend,
  { lower = null, press = BLOCK_COMPRESSION }: { lower?: LowerBlend | null; press?: number } = {},
): ContainerPhysics {
  const { shape } = container
  const pressing = container.kind === 'block' ? pressed(blend.ingredients, press) : unpressed
  const layers = [
    ...(lower
      ? [{ ...traitsOfBlend(lower, unpressed), name: ', lower mix', from: 0, to: lower.heightMm }]
      : []),
    {
      ...traitsOfBlend(blend, pressing),
      name: lower ? ', upper mix' : '',
      from: lower?.heightMm ?? 0,
      to: shape.depthMm,
    },
  ].map((layer) => ({ ...layer, part: partOfVolume(shape, layer.from, layer.to) }))
  const ofAll = (name: string, unit: string, of: (layer: (typeof layers)[number]) => Figure) =>
    layers.length === 1
      ? of(first(layers))
      : weightedTotal(
          name,
          unit,
          layers.map((layer) => ({
            figure: of(layer),
            weight: given(
              `Part of the volume${layer.name}`,
              layer.part,
              'share',
              standard('prismatoid rule on the slice'),
            ),
          })),
        )
  const totalPorosity = ofAll('Total pores', 'share', ({ pores }) => pores)
  const containerCapacity = weightedTotal(
    'Water after draining',
    'share',
    layers.flatMap(({ waterIn, name, from, to, part }) =>
      levels(shape, from, to).map(({ heightCm, share }) => {
        const height = `${(heightCm * MM_PER_CM).toFixed(0)} mm above the base`
        return {
          figure: waterIn(heightCm, `Water ${height}${name}`, 'opened'),
          weight: given(
            `Share of the volume around ${height}`,
            share * part,
            'share',
            standard('Gauss–Legendre quadrature over the container’s taper'),
          ),
        }
      }),
    ),
    MILKS,
  )
  const dryBulkDensityGPerL = ofAll('Dry weight of the mix', 'g/L', ({ density }) => density)
  const volume = cellVolume(container)
  return {
    totalPorosity,
    containerCapacity,
    airSpace: derive(
      'Air after draining',
      'share',
      'max(0, p - c)',
      { p: totalPorosity, c: containerCapacity },
      ({ p, c }) => Math.max(0, p - c),
    ),
    easilyAvailableWater: derive(
      'Easily available water',
      'share',
      'a - b',
      {
        a: ofAll('Water at 10 cm', 'share', ({ waterIn }) => waterIn(10, 'Water at 10 cm', 'as measured')),
        b: ofAll('Water at 50 cm', 'share', ({ waterIn }) => waterIn(50, 'Water at 50 cm', 'as measured')),
      },
      ({ a, b }) => a - b,
      'De Boodt & Verdonck (1972): 20–30 % is ideal.',
    ),
    dryBulkDensityGPerL,
    wetWeightG: derive(
      `Weight of one ${container.kind === 'tray' ? 'tray' : cellWord(container)}, soaked and drained`,
      'g',
      'k * V / 1000 * (d + c * 1000)',
      {
        k: given('Cells in one', container.cells, '', container.sources.cells),
        V: volume,
        d: dryBulkDensityGPerL,
        c: containerCapacity,
      },
      ({ k, V, d, c }) => ((k * V) / 1000) * (d + c * 1000),
      'Mix and water, without the container. When it has lost half of its easily available water, water again.',
    ),
    airWanted: airWanted(columnDepthMm(shape)),
    pressing: pressing.litres,
  }
}

/** Fraction of the brim-full volume between two heights, mm. */
export function partOfVolume(shape: Shape, fromMm: number, toMm: number): number {
  const source = standard('prismatoid rule')
  const below = (mm: number) => volumeBelow(shape, given('Height', mm, 'mm', source), source).value
  return (below(toMm) - below(fromMm)) / below(shape.depthMm)
}

function traitsOfBlend({ ingredients, mixingLoss: loss, curve }: Blend, pressing: Pressing) {
  const opening = openingOf(ingredients)
  const overAll = (name: string, unit: string, of: (material: Material) => Figure) =>
    weightedTotal(
      name,
      unit,
      ingredients.map(({ material, share }) => ({ weight: share, figure: of(material) })),
    )
  const still = given('Suction', 0, 'cm', handbook('soaked through'))
  /** As the household measured it, where it did. */
  const measured = (book: Figure) =>
    curve
      ? derive(
          `${book.name}, as measured`,
          'share',
          'm * b',
          { m: curve.holds, b: book },
          ({ m, b }) => m * b,
        )
      : book
  const pores = pressing.pores(
    measured(overAll('Total pores', 'share', (material) => materialWater(material, still))),
  )
  const waterIn = (heightCm: number, name: string, how: 'opened' | 'as measured') => {
    const height = given('Suction', heightCm, 'cm', handbook('height above the drained base'))
    const opened =
      how === 'opened' && opening.value !== 1
        ? derive('Suction on an opened mix', 'cm', 'f * z', { f: opening, z: height }, ({ f, z }) => f * z)
        : height
    const suction = curve
      ? derive(
          'Suction on it, as measured',
          'cm',
          'k * z',
          { k: curve.drains, z: opened },
          ({ k, z }) => k * z,
        )
      : opened
    return pressing.water(
      measured(overAll(name, 'share', (material) => materialWater(material, suction))),
      pores,
    )
  }
  const density = derive(
    'Dry weight of the mix',
    'g/L',
    'q * d / (1 - s)',
    {
      q: pressing.litres,
      d: overAll('Dry weight of the materials', 'g/L', ({ name, dryBulkDensityGPerL, sources }) =>
        given(`${name}: dry bulk density`, dryBulkDensityGPerL, 'g/L', sources.dryBulkDensityGPerL),
      ),
      s: loss,
    },
    ({ q, d, s }) => (q * d) / (1 - s),
    'No grain is lost: what loose volumes lose on mixing and pressing makes a litre heavier.',
  )
  return { pores, waterIn, density }
}

/** Mix in one cell, mL: its volume, and more where it is pressed in. */
export const mixInCell = (container: Container, { pressing }: ContainerPhysics): Figure =>
  pressing.value === 1
    ? cellVolume(container)
    : derive(
        `Mix pressed into one ${cellWord(container)}`,
        'mL',
        'V * q',
        { V: cellVolume(container), q: pressing },
        ({ V, q }) => V * q,
      )

/** Mix that one of so many plants in a cell has to itself, mL. */
export const mixForOne = (container: Container, physics: ContainerPhysics, plants: number): Figure =>
  plants === 1
    ? mixInCell(container, physics)
    : derive(
        'Mix for one plant',
        'mL',
        'V / n',
        { V: mixInCell(container, physics), n: given('Plants in each', plants, '', yours()) },
        ({ V, n }) => V / n,
      )

/** The same container, deeper or shallower, for comparing. */
export function withDepth(container: Container, depthMm: number): Container {
  const { measuredVolumeMl: _, ...rest } = container
  return { ...rest, shape: { ...container.shape, depthMm } }
}

function materialWater(material: Material, suction: Figure): Figure {
  const curve = retentionOf(material)
  const fitted = (name: string, value: number, unit: string) =>
    given(`${material.name}: ${name}`, value, unit, {
      ...material.sources.theta10,
      cite: `fitted to ${material.sources.theta10.cite}`,
    })
  return derive(
    `${material.name}: water at ${suction.value.toFixed(1)} cm`,
    'share',
    'r + (t - r) * (1 + (a * h)^n)^(1 / n - 1)',
    {
      r: fitted('residual water', curve.thetaR, 'share'),
      t: fitted('saturated water', curve.thetaS, 'share'),
      a: fitted('α', curve.alphaPerCm, '1/cm'),
      n: fitted('n', curve.n, ''),
      h: suction,
    },
    ({ h }) => waterAt(curve, h),
    VAN_GENUCHTEN,
  )
}
