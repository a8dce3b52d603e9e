import { derive, given, type Figure } from '../working/figure'
import { byDefault, type Source } from '../working/source'
import type { Material } from './material'
import type { Preparation } from './recipe'

/** Width of the mesh, mm: a quarter and an eighth of an inch. */
export const MESH_MM = { sieve: 6, 'fine sieve': 3 } as const
export type Mesh = keyof typeof MESH_MM
/** Both ways a sieve is sold. */
export const MESH_NAMES: Readonly<Record<number, string>> = { 6: '6 mm (¼ in)', 3: '3 mm (⅛ in)' }

interface Sieving {
  /** Fraction of the loose volume that passes. */
  readonly passes: Readonly<Record<Mesh, number>>
  /** Perlite in it as bought, a fraction of its volume. */
  readonly perlite: number
}

const SOURCE: Source = byDefault('bags differ: sieve one and measure')
/** Of the perlite in a bag so much stays on the mesh [default; "most of it" in common practice]. */
const PERLITE_STAYS: Readonly<Record<Mesh, number>> = { sieve: 0.6, 'fine sieve': 0.9 }

/** What passes, by material [default]; a material that is not listed is not sieved. */
const SIEVED: Readonly<Record<string, Sieving>> = {
  'potting-mix': { passes: { sieve: 0.8, 'fine sieve': 0.6 }, perlite: 0.15 },
  'seed-mix': { passes: { sieve: 0.95, 'fine sieve': 0.8 }, perlite: 0.08 },
  'old-mix': { passes: { sieve: 0.85, 'fine sieve': 0.65 }, perlite: 0.1 },
  compost: { passes: { sieve: 0.85, 'fine sieve': 0.65 }, perlite: 0 },
  'home-compost': { passes: { sieve: 0.75, 'fine sieve': 0.55 }, perlite: 0 },
  manure: { passes: { sieve: 0.8, 'fine sieve': 0.6 }, perlite: 0 },
  'leaf-mould': { passes: { sieve: 0.7, 'fine sieve': 0.5 }, perlite: 0 },
  loam: { passes: { sieve: 0.85, 'fine sieve': 0.7 }, perlite: 0 },
  bark: { passes: { sieve: 0.9, 'fine sieve': 0.6 }, perlite: 0 },
}

export interface SieveYield {
  readonly meshMm: number
  /** What has to come out of the bag, L. */
  readonly bagL: Figure
  /** What stays on the mesh: it fills the foot of big pots, L. */
  readonly staysL: Figure
  /** Perlite among it; so much vermiculite or perlite puts the air back, L. Null where the bag holds none. */
  readonly perliteLostL: Figure | null
}

/** The mesh a batch is sieved through; the finer one where both were asked for. */
export function meshOf(preparations: readonly Preparation[]): Mesh | null {
  if (preparations.includes('fine sieve')) return 'fine sieve'
  return preparations.includes('sieve') ? 'sieve' : null
}

/**
 * What must be sieved to get a wanted volume, and what stays behind.
 *
 * @param sievedL what is wanted after sieving, L
 * @returns null for a material that is not sieved
 */
export function sieveYield(material: Material, mesh: Mesh, sievedL: Figure): SieveYield | null {
  const sieving = SIEVED[material.id]
  if (!sieving) return null
  const passes = given(`${material.name}: passes ${MESH_MM[mesh]} mm`, sieving.passes[mesh], 'share', SOURCE)
  const bagL = derive(
    `${material.name} to sieve`,
    'L',
    'V / p',
    { V: sievedL, p: passes },
    ({ V, p }) => V / p,
  )
  return {
    meshMm: MESH_MM[mesh],
    bagL,
    staysL: derive('Stays on the sieve', 'L', 'b - V', { b: bagL, V: sievedL }, ({ b, V }) => b - V),
    perliteLostL:
      sieving.perlite === 0
        ? null
        : derive(
            'Perlite left on the sieve',
            'L',
            'b * w * k',
            {
              b: bagL,
              w: given(`Perlite in ${material.name.toLowerCase()}`, sieving.perlite, 'share', SOURCE),
              k: given('Of it stays on the mesh', PERLITE_STAYS[mesh], 'share', SOURCE),
            },
            ({ b, w, k }) => b * w * k,
          ),
  }
}
