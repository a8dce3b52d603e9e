import type { Container } from '../containers/container'
import { cellVolume, cellWord } from '../containers/container'
import { planAreaMm2, volumeBelow, type Shape } from '../containers/shape'
import { gaussLegendre } from '../numeric/gauss-legendre'
import { derive, given, weightedTotal, type Figure } from '../working/figure'
import { handbook, standard } from '../working/source'
import type { Material } from './material'
import { mixingLoss } from './mixing-loss'
import { retentionOf, waterAt } from './retention'

/** A material with its share of the loose volume, a figure from 0 to 1; shares add up to 1. */
export interface Ingredient {
  readonly material: Material
  readonly share: Figure
}

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
}

/** Air a root wants in the actual container [handbook, from memory]. */
export interface AirWanted {
  readonly least: number
  readonly comfortable: number
}

/** @param cellMl volume of one cell, mL */
export function airWanted(cellMl: number): AirWanted {
  if (cellMl < 30) return { least: 0.04, comfortable: 0.08 }
  if (cellMl <= 150) return { least: 0.08, comfortable: 0.14 }
  return { least: 0.12, comfortable: 0.25 }
}

/**
 * Water held by a blend at a suction, a fraction of the mixed volume: the shares' water, with the pores that mixing
 * loses taken from the largest, which empty first.
 *
 * @param shares fractions 0–1 of loose volume, in the order of `materials`
 * @param loss fraction of loose volume lost on mixing
 */
export function blendWater(
  materials: readonly Material[],
  shares: readonly number[],
  loss: number,
  suctionCm: number,
): number {
  let water = 0
  let pores = 0
  materials.forEach((material, i) => {
    water += shares[i]! * waterAt(retentionOf(material), suctionCm)
    pores += shares[i]! * waterAt(retentionOf(material), 0)
  })
  return Math.min(water, pores - loss) / (1 - loss)
}

/** Heights above the base, cm, and the share of the slice's volume each stands for, summing to 1. */
export function levels(
  shape: Shape,
  fromMm = 0,
  toMm = shape.depthMm,
): { heightCm: number; share: number }[] {
  const raw = QUADRATURE.points.map((t, i) => {
    const heightMm = fromMm + t * (toMm - fromMm)
    return { heightCm: heightMm / MM_PER_CM, share: QUADRATURE.weights[i]! * planAreaMm2(shape, heightMm) }
  })
  const sum = raw.reduce((total, { share }) => total + share, 0)
  return raw.map(({ heightCm, share }) => ({ heightCm, share: share / sum }))
}

/** A mix, as far as air and water go. */
export interface Blend {
  readonly ingredients: readonly Ingredient[]
  readonly mixingLoss: Figure
}

/** The mix below, in a container filled in layers: it reaches from the base to this height. */
export interface LowerBlend extends Blend {
  readonly heightMm: number
}

/** Air and water of a mix in a container, over another one where it is filled in layers; with workings. */
export function physicsIn(
  container: Container,
  ingredients: readonly Ingredient[],
  loss = mixingLoss(ingredients),
  lower: LowerBlend | null = null,
): ContainerPhysics {
  const { shape } = container
  const layers = [
    ...(lower ? [{ ...traitsOfBlend(lower), name: ', lower mix', from: 0, to: lower.heightMm }] : []),
    {
      ...traitsOfBlend({ ingredients, mixingLoss: loss }),
      name: lower ? ', upper mix' : '',
      from: lower?.heightMm ?? 0,
      to: shape.depthMm,
    },
  ].map((layer) => ({ ...layer, part: partOfVolume(shape, layer.from, layer.to) }))
  const ofAll = (name: string, unit: string, of: (layer: (typeof layers)[number]) => Figure) =>
    layers.length === 1
      ? of(layers[0]!)
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
          figure: waterIn(heightCm, `Water ${height}${name}`),
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
      'p - c',
      { p: totalPorosity, c: containerCapacity },
      ({ p, c }) => p - c,
    ),
    easilyAvailableWater: derive(
      'Easily available water',
      'share',
      'a - b',
      {
        a: ofAll('Water at 10 cm', 'share', ({ waterIn }) => waterIn(10, 'Water at 10 cm')),
        b: ofAll('Water at 50 cm', 'share', ({ waterIn }) => waterIn(50, 'Water at 50 cm')),
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
    airWanted: airWanted(volume.value),
  }
}

/** Fraction of the brim-full volume between two heights, mm. */
function partOfVolume(shape: Shape, fromMm: number, toMm: number): number {
  const source = standard('prismatoid rule')
  const below = (mm: number) => volumeBelow(shape, given('Height', mm, 'mm', source), source).value
  return (below(toMm) - below(fromMm)) / below(shape.depthMm)
}

function traitsOfBlend({ ingredients, mixingLoss: loss }: Blend) {
  const loosePores = weightedTotal(
    'Pores of the loose materials',
    'share',
    ingredients.map(({ material, share }) => ({ weight: share, figure: materialWater(material, 0) })),
  )
  const pores = derive(
    'Total pores',
    'share',
    '(p - s) / (1 - s)',
    { p: loosePores, s: loss },
    ({ p, s }) => (p - s) / (1 - s),
    'Mixing loses pores, never solids.',
  )
  const waterIn = (suctionCm: number, name: string) => {
    const loose = weightedTotal(
      `${name}, loose`,
      'share',
      ingredients.map(({ material, share }) => ({
        weight: share,
        figure: materialWater(material, suctionCm),
      })),
    )
    return derive(
      name,
      'share',
      'min(w, p - s) / (1 - s)',
      { w: loose, p: loosePores, s: loss },
      ({ w, p, s }) => Math.min(w, p - s) / (1 - s),
      'The pores lost on mixing are the large ones, which empty first.',
    )
  }
  const density = derive(
    'Dry weight of the mix',
    'g/L',
    'd / (1 - s)',
    {
      d: weightedTotal(
        'Dry weight, loose',
        'g/L',
        ingredients.map(({ material, share }) => ({
          weight: share,
          figure: given(
            `${material.name}: dry bulk density`,
            material.dryBulkDensityGPerL,
            'g/L',
            material.sources.dryBulkDensityGPerL,
          ),
        })),
      ),
      s: loss,
    },
    ({ d, s }) => d / (1 - s),
  )
  return { pores, waterIn, density }
}

/** The same container, deeper or shallower, for comparing. */
export function withDepth(container: Container, depthMm: number): Container {
  const { measuredVolumeMl: _, ...rest } = container
  return { ...rest, shape: { ...container.shape, depthMm } }
}

function materialWater(material: Material, suctionCm: number): Figure {
  const curve = retentionOf(material)
  const fitted = (name: string, value: number, unit: string) =>
    given(`${material.name}: ${name}`, value, unit, {
      ...material.sources.theta10,
      cite: `fitted to ${material.sources.theta10.cite}`,
    })
  return derive(
    `${material.name}: water at ${suctionCm.toFixed(1)} cm`,
    'share',
    'r + (t - r) * (1 + (a * h)^n)^(1 / n - 1)',
    {
      r: fitted('residual water', curve.thetaR, 'share'),
      t: fitted('saturated water', curve.thetaS, 'share'),
      a: fitted('α', curve.alphaPerCm, '1/cm'),
      n: fitted('n', curve.n, ''),
      h: given('Suction', suctionCm, 'cm', handbook('height above the drained base')),
    },
    () => waterAt(curve, suctionCm),
    VAN_GENUCHTEN,
  )
}

/**
 * Total pore space from dry bulk density and ash, a fraction: 1 − DBD / PD with
 * PD = 1 / (W_om / 1550 + W_ash / 2650) kg/m³.
 *
 * @param organic organic matter as a fraction of dry mass; the rest is ash
 * @returns particle density in kg/m³ and pores as a fraction. Source: EN 13041.
 */
export function porosityFromDensity(
  dryBulkDensityKgPerM3: number,
  organic: number,
): { particleDensityKgPerM3: number; pores: number } {
  const particleDensityKgPerM3 = 1 / (organic / 1550 + (1 - organic) / 2650)
  return { particleDensityKgPerM3, pores: 1 - dryBulkDensityKgPerM3 / particleDensityKgPerM3 }
}
