import { byDefault, handbook } from '../working/source'
import type { Material, Pack } from './material'

/** EN 13041-style measurements in the literature scatter by ±15 %. */
const HANDBOOK = handbook('representative value; measurements in the literature scatter by ±15 %')
export const SETTLING_SOURCE = byDefault(
  'settling after tapping: 10 % for peat, coir and minerals, 15 % for compost and soil',
)
export const COARSE_SOURCE = byDefault('share that acts as coarse grains; vermiculite and hulls count half')

const FIBRE_SETTLING = 0.1
const HEAVY_SETTLING = 0.15

const bag = (volumeL: number): Pack => ({ id: `bag-${volumeL}`, name: `${volumeL} L bag`, volumeL })
const brick = (dryMassG: number, name: string): Pack => ({ id: `dry-${dryMassG}`, name, dryMassG })

/** Materials anybody may buy or make, by family of use. */
export const MATERIALS: readonly Material[] = [
  {
    id: 'coir',
    name: 'Coir, washed',
    retention: [0.94, 0.62, 0.36, 0.31],
    dryBulkDensityGPerL: 80,
    ph: 6.0,
    smeEcMsPerCm: 0.6,
    organic: 0.93,
    coarse: 0,
    settling: FIBRE_SETTLING,
    compressed: true,
    packs: [brick(650, '650 g brick'), brick(5000, '5 kg block')],
    hazards: ['dust'],
    source: HANDBOOK,
  },
  {
    id: 'peat',
    name: 'Sphagnum peat, medium',
    retention: [0.93, 0.73, 0.4, 0.34],
    dryBulkDensityGPerL: 100,
    ph: 3.9,
    smeEcMsPerCm: 0.1,
    organic: 0.97,
    coarse: 0,
    settling: FIBRE_SETTLING,
    packs: [bag(50), bag(100)],
    hazards: ['dust'],
    source: HANDBOOK,
  },
  {
    id: 'vermiculite',
    name: 'Vermiculite, medium',
    retention: [0.8, 0.55, 0.4, 0.36],
    dryBulkDensityGPerL: 110,
    ph: 7.2,
    smeEcMsPerCm: 0.1,
    organic: 0,
    coarse: 0.5,
    settling: FIBRE_SETTLING,
    packs: [bag(10), bag(100)],
    hazards: ['dust', 'asbestos'],
    source: HANDBOOK,
  },
  {
    id: 'perlite',
    name: 'Perlite, coarse',
    retention: [0.72, 0.32, 0.24, 0.21],
    dryBulkDensityGPerL: 100,
    ph: 7.1,
    smeEcMsPerCm: 0.05,
    organic: 0,
    coarse: 1,
    settling: FIBRE_SETTLING,
    packs: [bag(10), bag(100)],
    hazards: ['dust'],
    source: HANDBOOK,
  },
  {
    id: 'castings',
    name: 'Worm castings',
    retention: [0.78, 0.64, 0.48, 0.42],
    dryBulkDensityGPerL: 420,
    ph: 7.0,
    smeEcMsPerCm: 2.5,
    organic: 0.45,
    coarse: 0,
    settling: HEAVY_SETTLING,
    packs: [bag(5), bag(15)],
    hazards: ['microbes'],
    source: HANDBOOK,
  },
  {
    id: 'compost',
    name: 'Composted green waste',
    retention: [0.78, 0.6, 0.46, 0.41],
    dryBulkDensityGPerL: 450,
    ph: 7.6,
    smeEcMsPerCm: 3.5,
    organic: 0.4,
    coarse: 0,
    settling: HEAVY_SETTLING,
    packs: [bag(40)],
    hazards: ['microbes'],
    source: HANDBOOK,
  },
  {
    id: 'rice-hulls',
    name: 'Rice hulls, parboiled',
    retention: [0.87, 0.2, 0.13, 0.12],
    dryBulkDensityGPerL: 105,
    ph: 6.3,
    smeEcMsPerCm: 0.3,
    organic: 0.8,
    coarse: 0.5,
    settling: FIBRE_SETTLING,
    packs: [bag(50)],
    hazards: ['dust'],
    source: HANDBOOK,
  },
  {
    id: 'pumice',
    name: 'Pumice, 2–5 mm',
    retention: [0.66, 0.36, 0.27, 0.25],
    dryBulkDensityGPerL: 550,
    ph: 7.0,
    smeEcMsPerCm: 0.05,
    organic: 0,
    coarse: 1,
    settling: FIBRE_SETTLING,
    packs: [bag(15)],
    hazards: ['dust'],
    source: HANDBOOK,
  },
  {
    id: 'sand',
    name: 'Washed sand, coarse',
    retention: [0.4, 0.33, 0.09, 0.06],
    dryBulkDensityGPerL: 1550,
    ph: 7.0,
    smeEcMsPerCm: 0.05,
    organic: 0,
    coarse: 1,
    settling: FIBRE_SETTLING,
    packs: [bag(15)],
    hazards: ['dust'],
    source: HANDBOOK,
  },
  {
    id: 'bark',
    name: 'Composted bark fines',
    retention: [0.82, 0.48, 0.33, 0.3],
    dryBulkDensityGPerL: 220,
    ph: 5.2,
    smeEcMsPerCm: 0.4,
    organic: 0.9,
    coarse: 0.5,
    settling: FIBRE_SETTLING,
    packs: [bag(50)],
    hazards: ['microbes'],
    source: HANDBOOK,
  },
  {
    id: 'loam',
    name: 'Loam',
    retention: [0.52, 0.47, 0.4, 0.36],
    dryBulkDensityGPerL: 1150,
    ph: 6.5,
    smeEcMsPerCm: 0.4,
    organic: 0.05,
    coarse: 0,
    settling: HEAVY_SETTLING,
    packs: [bag(25)],
    hazards: ['microbes'],
    source: HANDBOOK,
  },
]

const byId = new Map(MATERIALS.map((material) => [material.id, material]))

export const isMaterial = (id: string): boolean => byId.has(id)

/** @throws RangeError for an unknown id. */
export function materialById(id: string): Material {
  const material = byId.get(id)
  if (!material) throw new RangeError(`material: '${id}' is not known`)
  return material
}
