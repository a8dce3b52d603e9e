import { present } from '#core/present'
import { BUILT_IN_CONTAINERS } from '#core/containers/catalogue'
import { BUILT_IN_FEEDS } from '#core/feed/feeds'
import { MATERIAL_FIGURES } from '#core/media/material'
import { BUILT_IN } from '#core/media/materials'
import type { PackSize } from '#core/supplies/goods'
import { containerRecordOf } from '../records/as-container'
import { feedRecordOf } from '../records/as-feed'
import {
  column,
  named,
  NUMBER,
  oneOf,
  PACK,
  PERCENT,
  quantity,
  TEXT,
  WHOLE,
  YES,
  type Column,
} from './column'
import { folded, type Named } from './names'
import type { Said, Table } from './table'
import { WORDS } from './words'

export const ID = column('id', 'Id', TEXT, '', WORDS.id)
const NAME = column('name', 'Name', TEXT, 'name', WORDS.name, { required: true })

/** The row of the book a line starts from, and the one it stands in the place of. */
const fromBook = (kind: 'bookMaterials' | 'bookFeeds' | 'bookContainers' | 'bookCrops'): Column[] => [
  column('corrects', 'Stands in the place of', named(kind), 'basedOn', WORDS.corrects),
  column('like', 'As in the book', named(kind), '', WORDS.like),
]
/** What the book says where a line says nothing: by the row it names. */
export const bookId = ({ corrects, like }: Said): string | undefined =>
  (corrects as Named | undefined)?.id ?? (like as Named | undefined)?.id

/** A name of the book that nobody says what to do with is asked about. */
export const inBook =
  (book: ReadonlyMap<string, { readonly name: string }>) =>
  ({ name, corrects }: Said): string | null => {
    const same = [...book.values()].find((one) => folded(one.name) === folded(String(name)))
    return same && !corrects
      ? `${same.name} is a standard material. Name it under “corrects” too if this replaces it, or use another name.`
      : null
  }
export const sameName = ({ name }: { readonly name: string }): string => folded(name)
export const sameOwn = ({
  name,
  basedOn,
}: {
  readonly name: string
  readonly basedOn: string | null
}): string => basedOn ?? folded(name)

const FIGURE_COLUMNS: readonly Column[] = [
  column('pores_percent', 'All pores', PERCENT, 'figures.theta0'),
  column('water_10cm_percent', 'Water at 10 cm', PERCENT, 'figures.theta10'),
  column('water_50cm_percent', 'Water at 50 cm', PERCENT, 'figures.theta50'),
  column('water_100cm_percent', 'Water at 100 cm', PERCENT, 'figures.theta100'),
  column('dry_density_g_per_l', 'Dry, g/L', NUMBER, 'figures.dryBulkDensityGPerL', WORDS.density),
  column('ph', 'pH', NUMBER, 'figures.ph'),
  column('sme_ec_ms_per_cm', 'Salts, mS/cm', NUMBER, 'figures.smeEcMsPerCm', ['ec', 'sme']),
  column('organic_percent', 'Organic', PERCENT, 'figures.organic'),
  column('nitrogen_percent', 'Nitrogen, % of dry mass', NUMBER, 'figures.nitrogenPercent', WORDS.nitrogen),
  column('mineralised_percent', 'Nitrogen set free', PERCENT, 'figures.mineralised'),
  column('buffer_weight', 'Holds its pH, 0–1', NUMBER, 'figures.bufferWeight'),
  column('coarse', 'Coarse, 0–1', NUMBER, 'figures.coarse'),
  column('settling_percent', 'Settles', PERCENT, 'figures.settling'),
  column('moisture_percent', 'Water as bought', PERCENT, 'figures.moisture'),
]

export const MATERIALS: Table<'materials'> = {
  name: 'Materials',
  what: 'media and amendments of your own, or your figures for those of the book',
  collection: 'materials',
  columns: [
    NAME,
    ...fromBook('bookMaterials'),
    column('pack_l', 'A pack, L', quantity('volume', 'L'), 'packL', WORDS.pack),
    ...FIGURE_COLUMNS,
    column('sustainability', 'Where it comes from', TEXT, 'sustainability', [
      'origin',
      'herkunft',
      'origine',
    ]),
    ID,
  ],
  begin: (said) => {
    const original = BUILT_IN.get(bookId(said) ?? '')
    const pack = original?.packs.find((one) => 'volumeL' in one)
    return {
      basedOn: null,
      figures: original ? Object.fromEntries(MATERIAL_FIGURES.map((key) => [key, original[key]])) : {},
      ...(pack && 'volumeL' in pack ? { packL: pack.volumeL } : {}),
    }
  },
  same: sameOwn,
  doubts: inBook(BUILT_IN),
}

export const CONTAINERS: Table<'containers'> = {
  name: 'Containers',
  what: 'trays, pots and blocks',
  collection: 'containers',
  columns: [
    NAME,
    ...fromBook('bookContainers'),
    column('kind', 'Kind', oneOf('tray', 'pot', 'block', 'open tray'), 'kind', WORDS.kind),
    column('cells', 'Cells', WHOLE, 'cells', WORDS.cells),
    column('shape', 'Shape of one', oneOf('rectangular', 'round'), 'shape.form', WORDS.shape),
    column('top_length_mm', 'Top, length', quantity('length', 'mm'), 'shape.topLengthMm'),
    column('top_width_mm', 'Top, width', quantity('length', 'mm'), 'shape.topWidthMm'),
    column('base_length_mm', 'Base, length', quantity('length', 'mm'), 'shape.baseLengthMm'),
    column('base_width_mm', 'Base, width', quantity('length', 'mm'), 'shape.baseWidthMm'),
    column('top_diameter_mm', 'Top, across', quantity('length', 'mm'), 'shape.topDiameterMm'),
    column('base_diameter_mm', 'Base, across', quantity('length', 'mm'), 'shape.baseDiameterMm'),
    column('depth_mm', 'Depth', quantity('length', 'mm'), 'shape.depthMm', ['tiefe', 'profondeur', 'diepte']),
    column('volume_ml', 'Water one holds', quantity('volume', 'mL', 1000), 'measuredVolumeMl', WORDS.volume),
    ID,
  ],
  begin: (said) => {
    const original = BUILT_IN_CONTAINERS.get(bookId(said) ?? '')
    const { name: _, ...rest } = original ? containerRecordOf(original) : { name: '', measuredVolumeMl: null }
    return { ...rest, basedOn: null }
  },
  same: sameOwn,
  doubts: inBook(BUILT_IN_CONTAINERS),
}

const element = (key: string, label: string, path: string, words: readonly string[] = []) =>
  column(key, label, NUMBER, path, words)

export const FEEDS: Table<'feeds'> = {
  name: 'Feeds',
  what: 'powders and liquids by their labels',
  collection: 'feeds',
  columns: [
    NAME,
    ...fromBook('bookFeeds'),
    column('form', 'Form', oneOf('powder', 'liquid'), 'form', WORDS.form),
    element('n_percent', 'N, %', 'nPercent', WORDS.nitrogen),
    element('p2o5_percent', 'P₂O₅, %', 'p2o5Percent', WORDS.phosphate),
    element('k2o_percent', 'K₂O, %', 'k2oPercent', WORDS.potash),
    column('density_g_per_ml', 'Density, g/mL', NUMBER, 'densityGPerMl', WORDS.density),
    column('label_rate_per_l', 'Label’s rate, g or mL a litre', NUMBER, 'labelRatePerL', WORDS.rate),
    column('organic', 'Organic', YES, 'organic', WORDS.organic),
    element('ca_percent', 'Ca, %', 'caPercent', ['ca', 'calcium', 'kalzium']),
    element('mg_percent', 'Mg, %', 'mgPercent', ['mg', 'magnesium']),
    element('s_percent', 'S, %', 'sPercent', ['s', 'sulphur', 'sulfur', 'schwefel']),
    element('fe_percent', 'Fe, %', 'fePercent', ['fe', 'iron', 'eisen']),
    element('cl_percent', 'Cl, %', 'clPercent', ['cl', 'chloride']),
    column('nitrate_percent', 'Nitrate, of the N', PERCENT, 'nForms.nitrate', ['nitrate']),
    column('ammonium_percent', 'Ammonium, of the N', PERCENT, 'nForms.ammonium', ['ammonium']),
    column('urea_percent', 'Urea, of the N', PERCENT, 'nForms.urea', ['urea', 'harnstoff']),
    column('ec_slope_ms_per_cm', 'mS/cm for 100 mg/L N', NUMBER, 'ecSlopeMsPerCm', ['ec']),
    column('use', 'Use', oneOf('dissolved', 'mixed in'), 'use'),
    column('strength_guessed', 'A guess', YES, 'strengthGuessed'),
    ID,
  ],
  begin: (said) => {
    const original = BUILT_IN_FEEDS.get(bookId(said) ?? '')
    if (!original) return { basedOn: null, densityGPerMl: null, labelRatePerL: null, organic: false }
    const { name: _, ...rest } = feedRecordOf(original)
    return { ...rest, basedOn: null }
  },
  same: sameOwn,
  doubts: inBook(BUILT_IN_FEEDS),
}

export const STOCKS: Table<'stocks'> = {
  name: 'Supplies',
  what: 'bags and bottles on the shelf',
  collection: 'stocks',
  columns: [
    NAME,
    column('holds', 'Holds', named('materials', 'feeds'), '', WORDS.holdsGoods, { required: true }),
    column('pack', 'A pack', PACK, '', WORDS.pack, { required: true }),
    column('pressed', 'Pressed', YES, '', ['compressed', 'gepresst', 'comprimé', 'comprimido', 'geperst']),
    column('price', 'Price of one', NUMBER, 'price', WORDS.price),
    column('packs', 'Packs there', NUMBER, 'packs', WORDS.packs, { required: true }),
    ID,
  ],
  begin: () => ({ price: null }),
  make: ([said], body) => {
    const goods = present(said).holds as Named
    const size = present(said).pack as PackSize
    return {
      ...body,
      kind: goods.kind === 'feeds' ? 'feed' : 'material',
      goodsId: goods.id,
      size:
        present(said).pressed === true && size.measure === 'loose' ? { ...size, measure: 'pressed' } : size,
    }
  },
  same: sameName,
  lines: ({ id, body }) => [
    { ...body, id, holds: body.goodsId, pack: body.size, pressed: body.size.measure === 'pressed' },
  ],
}

export const PACKETS: Table<'packets'> = {
  name: 'Packets',
  what: 'packets of seed',
  collection: 'packets',
  columns: [
    column('variety', 'Variety', TEXT, 'name', [...WORDS.variety, ...WORDS.name, 'name'], { required: true }),
    column('crop', 'Crop', named('crops'), 'cropId', WORDS.crop, { required: true }),
    column('supplier', 'From', TEXT, 'supplier', WORDS.supplier),
    column('year', 'Year', WHOLE, 'year', WORDS.year, { required: true }),
    column('seeds', 'Seeds left', WHOLE, 'seeds', WORDS.seeds),
    column('germination_percent', 'Germination', PERCENT, 'germination', WORDS.germination),
    column('up_from_days', 'Up after, days', WHOLE, 'upDays.from', WORDS.upFrom),
    column('up_to_days', 'Up within, days', WHOLE, 'upDays.to', WORDS.upTo),
    column('depth_mm', 'Depth', quantity('length', 'mm'), 'depthMm', WORDS.depth),
    column('spacing_mm', 'Apart', quantity('length', 'mm'), 'spacingMm', WORDS.spacing),
    ID,
  ],
  make: (_, body) => {
    // One figure is a day, not a span.
    const days = body.upDays as { from?: number; to?: number } | null | undefined
    if (!days) return body
    return { ...body, upDays: { from: days.from ?? days.to, to: days.to ?? days.from } }
  },
  same: ({ name, cropId, year }) => `${cropId} ${folded(name)} ${year}`,
}
