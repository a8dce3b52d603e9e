import type { CautionId } from '../cautions/caution'
import { byDefault, handbook, type Source } from '../working/source'
import { builtIn } from '../catalogue'
import type { Material, MaterialFigure, MaterialLibrary, Pack, PerGram } from './material'

/*
 * Representative values. EN 13041-style measurements in the literature scatter by ±15 %, and a household's own material
 * can differ more: every figure can be corrected. Each row says what its retention points and its chemistry rest on.
 */
const MEASURED: Grounds = {
  retention: handbook('EN 13041-style measurements of it in the literature, which scatter by ±15 %'),
  chemistry: handbook('published analyses; differs by batch'),
}
const kin = (of: string): Grounds => ({
  retention: byDefault(`by likeness to ${of}; measure your own`),
  chemistry: byDefault(`by likeness to ${of}; differs by batch`),
})
/** Dosed by the gram: its pores do not count. */
const POWDER: Grounds = {
  retention: byDefault('a powder; it adds no pores worth counting'),
  chemistry: handbook('published analyses; differs by batch'),
}
interface Grounds {
  readonly retention: Source
  readonly chemistry: Source
}
const sourcesFrom = ({ retention, chemistry }: Grounds): Record<MaterialFigure, Source> => ({
  theta0: retention,
  theta10: retention,
  theta50: retention,
  theta100: retention,
  dryBulkDensityGPerL: retention,
  ph: chemistry,
  smeEcMsPerCm: chemistry,
  organic: chemistry,
  nitrogenPercent: chemistry,
  mineralised: handbook('share of nitrogen released in 8 weeks at 21 °C'),
  bufferWeight: byDefault('peat 1, compost and castings 0.8, loam 0.7, bark 0.6, coir 0.3, minerals 0.05'),
  coarse: byDefault('peat 0, coarse perlite 1; vermiculite and hulls half'),
  settling: byDefault('settling after tapping: 10 % for peat, coir and minerals, 15 % for compost and soil'),
  moisture: handbook(
    'compost, castings, manure 35–60 % by weight, bagged mix 40–60, peat 30–50, loam 10–20, minerals under 12',
  ),
})

const bag = (volumeL: number): Pack => ({ id: `bag-${volumeL}`, name: `${volumeL} L bag`, volumeL })
const brick = (dryMassG: number, name: string): Pack => ({ id: `dry-${dryMassG}`, name, dryMassG })

type Row = Omit<
  Material,
  'id' | 'name' | 'kind' | 'sources' | 'theta0' | 'theta10' | 'theta50' | 'theta100'
> & {
  /** θ at 0, 10, 50 and 100 cm. */
  readonly theta: readonly [number, number, number, number]
  readonly from: Grounds
}
type Traits = Pick<
  Material,
  'bufferWeight' | 'coarse' | 'settling' | 'organic' | 'nitrogenPercent' | 'mineralised' | 'moisture'
> & {
  readonly hazards: readonly CautionId[]
}

/** What materials of a family have in common unless a row says otherwise. */
const MINERAL: Traits = {
  bufferWeight: 0.05,
  coarse: 1,
  settling: 0.1,
  organic: 0,
  nitrogenPercent: 0,
  mineralised: 0,
  moisture: 0.05,
  hazards: ['dust'],
}
const FIBRE: Traits = {
  bufferWeight: 0.3,
  coarse: 0,
  settling: 0.1,
  organic: 0.93,
  nitrogenPercent: 0.5,
  mineralised: 0,
  moisture: 0.4,
  hazards: ['dust'],
}
const LIVING: Traits = {
  bufferWeight: 0.8,
  coarse: 0,
  settling: 0.15,
  organic: 0.4,
  nitrogenPercent: 1.2,
  mineralised: 0.08,
  moisture: 0.42,
  hazards: ['microbes'],
}
/** In a litre of mix, within some weeks: acid taken away as grams of dolomitic lime, salts added, and the most of them. */
const gram = (limeG: number, saltsMsPerCm: number, mostSaltsMsPerCm: number): PerGram => ({
  limeG,
  saltsMsPerCm,
  mostSaltsMsPerCm,
  source: handbook('neutralising values and what dissolves in a season; fineness changes it'),
})
const AMENDMENT = { ...MINERAL, theta: [0.45, 0.4, 0.2, 0.15] as const, coarse: 0, smeEcMsPerCm: 0 }

const medium = (id: string, name: string, { theta, from, ...row }: Row): Material => ({
  id,
  name,
  kind: 'medium',
  sources: sourcesFrom(from),
  theta0: theta[0],
  theta10: theta[1],
  theta50: theta[2],
  theta100: theta[3],
  ...row,
})
const amendment = (id: string, name: string, row: Row): Material => ({
  ...medium(id, name, row),
  kind: 'amendment',
})

// prettier-ignore
export const MATERIALS: readonly Material[] = [
  medium('coir', 'Coir, washed', { from: MEASURED, ...FIBRE, theta: [0.94, 0.62, 0.36, 0.31], dryBulkDensityGPerL: 80, ph: 6.0, smeEcMsPerCm: 0.6, compressed: true, moisture: 0.12, packs: [brick(650, '650 g brick'), brick(5000, '5 kg block')], sustainability: 'A by-product of coconuts; washed and shipped far.' }),
  medium('peat', 'Sphagnum peat, medium', { from: MEASURED, ...FIBRE, bufferWeight: 1, theta: [0.93, 0.73, 0.4, 0.34], dryBulkDensityGPerL: 100, ph: 3.9, smeEcMsPerCm: 0.1, organic: 0.97, nitrogenPercent: 1, packs: [bag(50), bag(100)], sustainability: 'Bogs store carbon and grow a millimetre a year: not renewable in our time.' }),
  medium('peat-fine', 'Sphagnum peat, fine', { from: kin('medium sphagnum peat'), ...FIBRE, bufferWeight: 1, theta: [0.92, 0.78, 0.46, 0.38], dryBulkDensityGPerL: 120, ph: 3.9, smeEcMsPerCm: 0.1, organic: 0.97, nitrogenPercent: 1, packs: [bag(50)], sustainability: 'As medium peat: not renewable in our time.' }),
  medium('wood-fibre', 'Wood fibre', { from: kin('coarse peat'), ...FIBRE, theta: [0.95, 0.48, 0.27, 0.24], dryBulkDensityGPerL: 90, ph: 5.0, smeEcMsPerCm: 0.15, organic: 0.98, nitrogenPercent: 0.2, moisture: 0.45, drawsNitrogenMgPerL: 100, packs: [bag(60)], sustainability: 'From sawmill chips, close to home; takes up some nitrogen as it rots.' }),
  medium('leaf-mould', 'Leaf mould', { from: kin('bark and compost'), ...LIVING, bufferWeight: 0.6, theta: [0.86, 0.62, 0.42, 0.36], dryBulkDensityGPerL: 200, ph: 6.0, smeEcMsPerCm: 0.5, organic: 0.75, nitrogenPercent: 0.9, mineralised: 0.03, moisture: 0.5, packs: [bag(20)], sustainability: 'Made at home from fallen leaves in two years.' }),
  medium('bark', 'Composted bark fines', { from: MEASURED, ...LIVING, bufferWeight: 0.6, theta: [0.82, 0.48, 0.33, 0.3], dryBulkDensityGPerL: 220, ph: 5.2, smeEcMsPerCm: 0.4, organic: 0.9, nitrogenPercent: 0.5, mineralised: 0, coarse: 0.5, settling: 0.1, moisture: 0.5, packs: [bag(50)], sustainability: 'A by-product of timber.' }),
  medium('vermiculite', 'Vermiculite, medium', { from: MEASURED, ...MINERAL, theta: [0.8, 0.55, 0.4, 0.36], dryBulkDensityGPerL: 110, ph: 7.2, smeEcMsPerCm: 0.1, coarse: 0.5, hazards: ['dust', 'asbestos'], packs: [bag(10), bag(100)], sustainability: 'Mined and expanded in a kiln; lasts a season or two.' }),
  medium('vermiculite-fine', 'Vermiculite, fine', { from: kin('medium vermiculite'), ...MINERAL, theta: [0.78, 0.62, 0.46, 0.4], dryBulkDensityGPerL: 130, ph: 7.2, smeEcMsPerCm: 0.1, coarse: 0.5, hazards: ['dust', 'asbestos'], packs: [bag(10)], sustainability: 'As medium vermiculite.' }),
  medium('perlite', 'Perlite, coarse', { from: MEASURED, ...MINERAL, theta: [0.72, 0.32, 0.24, 0.21], dryBulkDensityGPerL: 100, ph: 7.1, smeEcMsPerCm: 0.05, packs: [bag(10), bag(100)], sustainability: 'Mined and expanded in a kiln; can be sieved out and used again.' }),
  medium('perlite-fine', 'Perlite, fine', { from: kin('coarse perlite'), ...MINERAL, theta: [0.74, 0.45, 0.32, 0.28], dryBulkDensityGPerL: 110, ph: 7.1, smeEcMsPerCm: 0.05, coarse: 0.5, packs: [bag(10)], sustainability: 'As coarse perlite.' }),
  medium('rice-hulls', 'Rice hulls, parboiled', { from: MEASURED, ...FIBRE, theta: [0.87, 0.2, 0.13, 0.12], dryBulkDensityGPerL: 105, ph: 6.3, smeEcMsPerCm: 0.3, organic: 0.8, coarse: 0.5, moisture: 0.1, packs: [bag(50)], sustainability: 'A by-product of rice; in place of perlite.' }),
  medium('pumice', 'Pumice, 2–5 mm', { from: MEASURED, ...MINERAL, theta: [0.66, 0.36, 0.27, 0.25], dryBulkDensityGPerL: 550, ph: 7.0, smeEcMsPerCm: 0.05, packs: [bag(15)], sustainability: 'Quarried, not fired; lasts for ever.' }),
  medium('sand', 'Washed sand, coarse', { from: MEASURED, ...MINERAL, theta: [0.4, 0.33, 0.09, 0.06], dryBulkDensityGPerL: 1550, ph: 7.0, smeEcMsPerCm: 0.05, packs: [bag(15)], sustainability: 'Quarried near by; heavy to carry.' }),
  medium('biochar', 'Biochar', { from: kin('pumice'), ...MINERAL, theta: [0.8, 0.55, 0.38, 0.33], dryBulkDensityGPerL: 180, ph: 8.5, smeEcMsPerCm: 1.0, organic: 0.7, coarse: 0.5, bufferWeight: 0.3, moisture: 0.25, packs: [bag(10)], sustainability: 'Keeps carbon in the soil; soak it in feed first or it takes food up.' }),
  medium('coir-unwashed', 'Coir, unwashed', { from: kin('washed coir'), ...FIBRE, theta: [0.94, 0.62, 0.36, 0.31], dryBulkDensityGPerL: 80, ph: 6.2, smeEcMsPerCm: 2.5, compressed: true, moisture: 0.12, packs: [brick(650, '650 g brick'), brick(5000, '5 kg block')], sustainability: 'A by-product of coconuts; its salts are potassium and sodium: rinse until the drain runs clear.' }),
  medium('coir-disc', 'Coir discs', { from: kin('washed coir'), ...FIBRE, theta: [0.94, 0.62, 0.36, 0.31], dryBulkDensityGPerL: 80, ph: 6.0, smeEcMsPerCm: 0.6, compressed: true, moisture: 0.12, packs: [brick(55, '55 g disc')], sustainability: 'As washed coir, pressed small.' }),
  medium('coir-chips', 'Coir chips', { from: kin('bark'), ...FIBRE, theta: [0.92, 0.36, 0.27, 0.24], dryBulkDensityGPerL: 90, ph: 6.0, smeEcMsPerCm: 0.6, coarse: 0.75, moisture: 0.3, packs: [bag(25)], sustainability: 'Husk cut to chips; keeps big pots open for two seasons.' }),
  medium('bark-fresh', 'Fresh bark, fine', { from: kin('composted bark fines'), ...LIVING, bufferWeight: 0.6, theta: [0.85, 0.42, 0.3, 0.27], dryBulkDensityGPerL: 200, ph: 4.8, smeEcMsPerCm: 0.2, organic: 0.95, nitrogenPercent: 0.3, mineralised: 0, coarse: 0.5, settling: 0.1, moisture: 0.5, drawsNitrogenMgPerL: 80, packs: [bag(50)], sustainability: 'A by-product of timber; takes up nitrogen until it has rotted.' }),
  medium('grit', 'Horticultural grit, 2–6 mm', { from: kin('coarse washed sand'), ...MINERAL, theta: [0.42, 0.08, 0.05, 0.04], dryBulkDensityGPerL: 1500, ph: 7.0, smeEcMsPerCm: 0.05, packs: [bag(15)], sustainability: 'Quarried near by; heavy to carry.' }),
  medium('compost', 'Composted green waste', { from: MEASURED, ...LIVING, theta: [0.78, 0.6, 0.46, 0.41], dryBulkDensityGPerL: 450, ph: 7.6, smeEcMsPerCm: 3.5, packs: [bag(40)], sustainability: 'Local, renewable; look for plastic and weedkiller residues.' }),
  medium('home-compost', 'Home compost, sieved', { from: kin('composted green waste'), ...LIVING, theta: [0.76, 0.6, 0.47, 0.42], dryBulkDensityGPerL: 500, ph: 7.4, smeEcMsPerCm: 2.8, organic: 0.35, nitrogenPercent: 1.3, packs: [bag(20)], sustainability: 'Nothing bought, nothing carried.' }),
  medium('castings', 'Worm castings', { from: MEASURED, ...LIVING, theta: [0.78, 0.64, 0.48, 0.42], dryBulkDensityGPerL: 420, ph: 7.0, smeEcMsPerCm: 2.5, organic: 0.45, nitrogenPercent: 1.5, mineralised: 0.12, packs: [bag(5), bag(15)], sustainability: 'Made at home or near by.' }),
  medium('manure', 'Composted manure', { from: kin('composted green waste'), ...LIVING, theta: [0.78, 0.62, 0.48, 0.43], dryBulkDensityGPerL: 480, ph: 7.5, smeEcMsPerCm: 4.0, nitrogenPercent: 2, mineralised: 0.1, moisture: 0.5, packs: [bag(40)], sustainability: 'From local stables; must be well rotted.' }),
  medium('loam', 'Loam', { from: MEASURED, ...LIVING, bufferWeight: 0.7, theta: [0.52, 0.47, 0.4, 0.36], dryBulkDensityGPerL: 1150, ph: 6.5, smeEcMsPerCm: 0.4, organic: 0.05, nitrogenPercent: 0.15, mineralised: 0.02, moisture: 0.15, packs: [bag(25)], sustainability: 'From the garden; carries weeds and disease.' }),
  medium('seed-mix', 'Bagged seed mix', { starterNMgPerL: 70, from: kin('peat with a little sand'), ...FIBRE, bufferWeight: 0.8, theta: [0.88, 0.66, 0.4, 0.34], dryBulkDensityGPerL: 130, ph: 5.8, smeEcMsPerCm: 0.8, organic: 0.8, nitrogenPercent: 0.9, hazards: ['dust', 'microbes'], moisture: 0.5, bagged: true, packs: [bag(10), bag(40)], sustainability: 'Ask what is in the bag: often peat.' }),
  medium('potting-mix', 'Bagged potting mix', { starterNMgPerL: 150, from: kin('peat with bark and perlite'), ...FIBRE, bufferWeight: 0.8, theta: [0.86, 0.6, 0.38, 0.33], dryBulkDensityGPerL: 180, ph: 6.0, smeEcMsPerCm: 1.6, organic: 0.75, nitrogenPercent: 1, mineralised: 0.03, coarse: 0.25, settling: 0.15, hazards: ['dust', 'microbes'], moisture: 0.5, bagged: true, packs: [bag(25), bag(50)], sustainability: 'Ask what is in the bag: often peat.' }),
  medium('old-mix', 'Old mix, sieved', { starterNMgPerL: 15, from: kin('bagged potting mix'), ...FIBRE, bufferWeight: 0.8, theta: [0.82, 0.64, 0.44, 0.38], dryBulkDensityGPerL: 250, ph: 6.3, smeEcMsPerCm: 0.8, organic: 0.6, nitrogenPercent: 0.8, mineralised: 0.01, settling: 0.15, hazards: ['dust', 'microbes'], moisture: 0.45, bagged: true, packs: [bag(20)], sustainability: 'Used again, nothing bought; its structure has gone fine.' }),
  amendment('rock-dust', 'Rock dust', { from: POWDER, ...AMENDMENT, dryBulkDensityGPerL: 1500, ph: 8.0, perGram: gram(0.05, 0.01, 0.2), packs: [bag(5)], sustainability: 'A by-product of quarries.' }),
  amendment('dolomitic-lime', 'Dolomitic lime', { from: POWDER, ...AMENDMENT, dryBulkDensityGPerL: 1400, ph: 9.5, perGram: gram(1, 0.02, 0.2), packs: [bag(3)], sustainability: 'Quarried; brings calcium and magnesium.' }),
  amendment('calcitic-lime', 'Calcitic lime (ground limestone)', { from: POWDER, ...AMENDMENT, dryBulkDensityGPerL: 1300, ph: 9.0, perGram: gram(0.95, 0.02, 0.2), packs: [bag(3)], sustainability: 'Quarried; brings calcium only.' }),
  amendment('gypsum', 'Gypsum', { from: POWDER, ...AMENDMENT, dryBulkDensityGPerL: 1100, ph: 7.0, perGram: gram(0, 0.8, 2.2), packs: [bag(3)], sustainability: 'Quarried; brings calcium without changing the pH.' }),
  amendment('eggshell', 'Crushed eggshell', { from: POWDER, ...AMENDMENT, dryBulkDensityGPerL: 1000, ph: 8.5, perGram: gram(0.15, 0.01, 0.1), packs: [bag(1)], sustainability: 'From the kitchen; slow: little of it dissolves in a season unless it is ground to flour.' }),
  amendment('kelp-meal', 'Kelp meal', { from: POWDER, ...AMENDMENT, dryBulkDensityGPerL: 550, ph: 6.0, organic: 0.6, nitrogenPercent: 1, mineralised: 0.2, moisture: 0.1, perGram: gram(0, 0.12, 3), packs: [bag(2)], hazards: ['dust', 'fertiliser'], sustainability: 'Cut or washed ashore; ask how.' }),
  amendment('bone-meal', 'Bone meal', { from: POWDER, ...AMENDMENT, dryBulkDensityGPerL: 850, ph: 7.0, organic: 0.35, nitrogenPercent: 3.5, mineralised: 0.4, moisture: 0.06, perGram: gram(0.1, 0.03, 1), packs: [bag(2)], hazards: ['dust', 'fertiliser'], sustainability: 'From slaughter; slow phosphorus and calcium. Keep from dogs.' }),
  amendment('blood-meal', 'Blood meal', { from: POWDER, ...AMENDMENT, dryBulkDensityGPerL: 600, ph: 6.5, organic: 0.9, nitrogenPercent: 13, mineralised: 0.65, moisture: 0.08, perGram: gram(0, 0.08, 4), packs: [bag(2)], hazards: ['dust', 'fertiliser'], sustainability: 'From slaughter; quick and strong: it burns where there is much of it. Keep from dogs.' }),
  amendment('feather-meal', 'Feather meal', { from: POWDER, ...AMENDMENT, dryBulkDensityGPerL: 500, ph: 6.5, organic: 0.9, nitrogenPercent: 13, mineralised: 0.55, moisture: 0.08, perGram: gram(0, 0.05, 3), packs: [bag(2)], hazards: ['dust', 'fertiliser'], sustainability: 'From poultry; slower than blood.' }),
  amendment('wool-pellets', 'Sheep wool, pellets', { from: POWDER, ...AMENDMENT, dryBulkDensityGPerL: 500, ph: 7.5, organic: 0.9, nitrogenPercent: 9, mineralised: 0.3, moisture: 0.1, perGram: gram(0, 0.08, 3), packs: [bag(2)], hazards: ['dust', 'fertiliser'], sustainability: 'From waste fleece; swells and holds water, brings potassium.' }),
  amendment('granular-feed', 'Granular organic feed, 5 % N', { from: POWDER, ...AMENDMENT, dryBulkDensityGPerL: 750, ph: 6.5, organic: 0.7, nitrogenPercent: 5, mineralised: 0.5, moisture: 0.08, perGram: gram(0, 0.08, 4), packs: [bag(2)], hazards: ['dust', 'fertiliser'], sustainability: 'From farm and slaughter by-products.' }),
]

export const BUILT_IN: MaterialLibrary = builtIn(MATERIALS)
