import { derive, given, type Figure } from '../working/figure'
import { byDefault, handbook, learnedSource, practice } from '../working/source'

/** Litres of moist, loosened fibre from 1 kg of dry pressed coir; 12–15 [default]. */
export const COIR_EXPANSION_L_PER_KG = 13
/** Litres of water that 1 kg of dry coir takes up; 4–7 [default]. */
export const COIR_WATER_L_PER_KG = 5.5
/** A soaking tub holds at least this many times the block's own volume [common practice]. */
const TUB_PER_BLOCK = 5
/** A pressed block weighs about this much [from memory: 650 g bricks of about 20 × 10 × 5.5 cm]. */
const PRESSED_COIR_G_PER_L = 600
/** Loosened peat per litre of pressed bale; 1.8–2.0 [handbook]. */
export const PEAT_LOOSENING = 1.9

/** Fibre that a kilogram gives, as the household’s own soaks have it. */
export interface CoirYield {
  readonly lPerKg: number
  /** Soaks it was learned from. */
  readonly n: number
}
const expansion = (own?: CoirYield) =>
  given(
    'Moist fibre per kg dry',
    own?.lPerKg ?? COIR_EXPANSION_L_PER_KG,
    'L/kg',
    learnedSource(own?.n ?? 0, byDefault('12–15 L/kg in the trade; correct it with your own brick')),
  )
const UPTAKE = given(
  'Water per kg dry',
  COIR_WATER_L_PER_KG,
  'L/kg',
  byDefault('4–7 L/kg in the trade; correct it with your own brick'),
)

export interface CoirSoak {
  readonly dryMassG: Figure
  readonly waterL: Figure
  readonly fibreL: Figure
  readonly tubL: Figure
}

/** Dry coir, water and tub for a wanted volume of moist fibre, L. @param own what its bricks gave here */
export function soakForFibre(fibreL: Figure, own?: CoirYield): CoirSoak {
  const dryMassG = derive(
    'Dry coir',
    'g',
    'V / e * 1000',
    { V: fibreL, e: expansion(own) },
    ({ V, e }) => (V / e) * 1000,
  )
  return { dryMassG, fibreL, waterL: soakWater(dryMassG), tubL: soakTub(dryMassG) }
}

/** Moist fibre, water and tub for a given mass of dry coir, g: what a whole brick gives. @param own what its bricks gave here */
export function soakForMass(dryMassG: Figure, own?: CoirYield): CoirSoak {
  const fibreL = derive(
    'Moist fibre',
    'L',
    'm / 1000 * e',
    { m: dryMassG, e: expansion(own) },
    ({ m, e }) => (m / 1000) * e,
  )
  return { dryMassG, fibreL, waterL: soakWater(dryMassG), tubL: soakTub(dryMassG) }
}

function soakWater(dryMassG: Figure): Figure {
  return derive(
    'Water to soak it',
    'L',
    'm / 1000 * u',
    { m: dryMassG, u: UPTAKE },
    ({ m, u }) => (m / 1000) * u,
    'Pour most of it, wait, add the rest only if dry fibre is left.',
  )
}

function soakTub(dryMassG: Figure): Figure {
  return derive(
    'Tub at least',
    'L',
    'f * m / d',
    {
      f: given('Tub per block volume', TUB_PER_BLOCK, '', practice()),
      m: dryMassG,
      d: given(
        'Density of a pressed block',
        PRESSED_COIR_G_PER_L,
        'g/L',
        handbook('bricks of about 650 g, 20 × 10 × 5.5 cm'),
      ),
    },
    ({ f, m, d }) => (f * m) / d,
  )
}

/** Loose litres from a pressed peat bale of `compressedL` litres. */
export function loosenedPeat(compressedL: Figure): Figure {
  return derive(
    'Loosened peat',
    'L',
    'V * s',
    { V: compressedL, s: given('Loosened per pressed volume', PEAT_LOOSENING, '', handbook('1.8–2.0')) },
    ({ V, s }) => V * s,
  )
}

/** How wet a mix should feel, as a share of the water its container can hold [default]. */
export const WETNESS = {
  damp: 0.45,
  'wrung-out sponge': 0.6,
  cake: 0.75,
  'soil block': 0.95,
} as const

export type Feel = keyof typeof WETNESS
export const FEELS = Object.keys(WETNESS) as [Feel, ...Feel[]]

/**
 * Water that one kind of container's mix should hold, L, for a wanted feel.
 *
 * A block is mixed as wet as peanut butter: water in all its pores, of which a little runs out in pressing.
 *
 * @param looseL loose mix, L
 * @param physics of the mix in that container
 * @param compression loose litres in a pressed one, where it is a block
 */
export function waterWanted(
  looseL: Figure,
  {
    containerCapacity,
    totalPorosity,
  }: { readonly containerCapacity: Figure; readonly totalPorosity: Figure },
  feel: Feel,
  compression: number | null,
): Figure {
  const wet = given(`Wet as ${feel}, of what it can hold`, WETNESS[feel], 'share', byDefault('by feel'))
  if (compression === null)
    return derive(
      'Water it should hold',
      'L',
      'V * f * c',
      { V: looseL, f: wet, c: containerCapacity },
      ({ V, f, c }) => V * f * c,
    )
  const full = feel === 'soil block'
  return derive(
    'Water the blocks should hold',
    'L',
    full ? 'V / b * c' : 'V / b * f * c',
    {
      V: looseL,
      b: given('Block compression', compression, '', byDefault('1.5–3 by the press and the mix')),
      ...(full ? { c: totalPorosity } : { f: wet, c: containerCapacity }),
    },
    () => (looseL.value / compression) * (full ? totalPorosity.value : wet.value * containerCapacity.value),
    'A block holds no more than it has pores for.',
  )
}

/**
 * Water to stir in, L: what it should hold, less what its materials bring and what the coir was soaked in.
 * Never below 0: a mix that is already too wet takes none.
 */
export function waterToAdd(how: { wantedL: Figure; waterNowL: Figure; coirWaterL: Figure }): Figure {
  return derive(
    'Water to stir in',
    'L',
    'max(0, W - m - w)',
    { W: how.wantedL, m: how.waterNowL, w: how.coirWaterL },
    ({ W, m, w }) => Math.max(0, W - m - w),
    'Add it in small amounts and feel: materials vary in dampness.',
  )
}
