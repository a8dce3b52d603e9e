import { capital } from '#core/text/capital'

/** How a field of a record is called, what is said beside it, and how its choices are. */
export interface FieldWords {
  readonly label: string
  readonly hint?: string
  readonly choices?: Readonly<Record<string, string>>
}
type Said = string | FieldWords

/** Fields called alike in every record. */
const ANY: Readonly<Record<string, Said>> = {
  name: 'Name',
  kind: 'Kind',
  nPercent: 'Nitrogen, %',
  p2o5Percent: 'Phosphate, %',
  k2oPercent: 'Potash, %',
  cropId: 'Crop',
  feedId: 'Feed',
  recipeId: 'Recipe',
  packetId: 'Packet',
  batchId: 'Batch',
  toolId: 'Measured with',
  goodsId: 'What is in it',
  outOn: 'Out on',
  sowOn: 'Sown on',
  onDate: 'Filled on',
  nightC: 'Coldest night',
  targetNMgPerL: 'Strength, mg/L of nitrogen',
}

/** Names of fields, by record and by the path into it. */
export const FIELDS: Readonly<Record<string, Readonly<Record<string, Said>>>> = {
  tools: {
    name: 'What you call it',
    kind: {
      label: 'Kind',
      choices: {
        spoon: 'Spoon, for feed',
        cap: 'Bottle cap',
        syringe: 'Syringe',
        'kitchen scale': 'Kitchen scale',
        'pocket scale': 'Pocket scale',
        scoop: 'Scoop or bucket, for mix',
        jug: 'Jug or can, for water',
        'squeeze bottle': 'Squeeze bottle',
      },
    },
    capacityMl: 'It holds',
  },
  containers: {
    measuredVolumeMl: {
      label: 'Water it holds',
      hint: 'Weigh it empty and full of water: 1 g is 1 mL. Empty: estimated from its size.',
    },
    kind: {
      label: 'Kind',
      choices: {
        tray: 'Tray of cells',
        pot: 'Pot, cup or bag',
        'open tray': 'Open tray',
        block: 'Soil block',
      },
    },
    cells: 'Cells in one',
    'shape.form': { label: 'Shape', choices: { rectangular: 'Four-sided', round: 'Round' } },
    'shape.topLengthMm': 'Top length',
    'shape.topWidthMm': 'Top width',
    'shape.baseLengthMm': 'Base length',
    'shape.baseWidthMm': 'Base width',
    'shape.topDiameterMm': 'Top across',
    'shape.baseDiameterMm': 'Base across',
    'shape.depthMm': 'Depth',
  },
  materials: {
    'figures.theta0': 'All pores',
    'figures.theta10': 'Water at 1 kPa',
    'figures.theta50': 'Water at 5 kPa',
    'figures.theta100': 'Water at 10 kPa',
    'figures.dryBulkDensityGPerL': 'Dry weight',
    'figures.ph': 'pH',
    'figures.smeEcMsPerCm': 'Salts',
    'figures.organic': 'Organic',
    'figures.nitrogenPercent': 'Nitrogen',
    'figures.mineralised': 'of it in 8 weeks',
    'figures.bufferWeight': 'Hold on the pH',
    'figures.coarse': 'Coarseness, 0 to 1',
    'figures.settling': 'Settles by',
    'figures.moisture': 'Water as bought, by weight',
  },
  crops: {
    'figures.weeks[0]': 'Weeks, from',
    'figures.weeks[1]': { label: 'to', hint: 'before planting out' },
    'figures.weeksBeforeFrost': {
      label: 'Weeks outside',
      hint: 'before the first frost; empty for hardy',
    },
    'figures.outAfterFrostWeeks': { label: 'Out, weeks after frost', hint: 'negative: before it' },
    'figures.depthMm': 'Depth',
    'figures.warmthC': 'Warmth',
    'figures.lowestNightC': 'Lowest night',
    'figures.germination': 'Germination',
    'figures.seedsPerCell': 'Seeds in a cell',
    'figures.emergence.factor': 'Days, times those of',
    'figures.emergence.like': 'Comes up as',
    'figures.light': {
      label: 'Light',
      choices: { 'wants light': 'needs light', 'wants dark': 'needs dark', either: 'either' },
    },
    'figures.appetite': 'Appetite',
    'figures.scheduleId': 'Usual schedule',
    'figures.clump': 'stays together as a clump',
    'figures.buryStem': 'roots from a buried stem',
    'figures.autumn': 'also sown for autumn',
  },
  packets: {
    name: 'Variety',
    supplier: { label: 'From', hint: 'as you write it' },
    year: 'Year',
    seeds: { label: 'Seeds left', hint: 'if you counted' },
    'upDays.from': { label: 'Up after', hint: 'if the packet says' },
    'upDays.to': 'to',
    depthMm: { label: 'Depth', hint: 'if the packet says' },
    spacingMm: { label: 'Set out apart', hint: 'if the packet says' },
    germination: { label: 'Germination', hint: 'empty: by crop and age' },
  },
  feeds: {
    form: { label: 'It is a', choices: { powder: 'powder', liquid: 'liquid' } },
    organic: 'Organic: little of it is available at once',
    caPercent: 'Ca calcium',
    mgPercent: 'Mg magnesium',
    sPercent: 'S sulphur',
    fePercent: 'Fe iron',
    clPercent: 'Cl chloride',
    ecSlopeMsPerCm: { label: 'EC', hint: 'if it says one' },
  },
  stocks: {
    price: 'Price of a pack',
    name: 'What you call it',
  },
  devices: {
    name: 'What you call it',
    kind: { label: 'Kind', hint: 'what it measures is told by the units it sends' },
    placeId: 'Stands in',
  },
  season: {
    tubL: 'Mixing tub',
    canL: 'Watering can',
    fillHabit: {
      label: 'Part-filled trays',
      choices: { tray: 'fill the whole tray', sown: 'fill only sown cells' },
    },
    shareDays: 'Share a tray if sown within',
    lightMethod: 'Light',
    feedingMethod: 'Feeding',
    feedId: 'Usual feed',
    seedMixId: 'Seed mix',
    potMixId: 'Potting mix',
    lastFrost: { label: 'Last spring frost', hint: 'on average' },
    firstFrost: { label: 'First autumn frost', hint: 'on average' },
    frostSpreadDays: { label: 'Varies by', hint: 'in two springs of three' },
    frostRisk: { label: 'Accepted risk of a later frost', hint: 'for tender plants' },
  },
  sowings: {
    name: 'Name on the label',
    plants: 'Plants wanted',
    certainty: { label: 'Confidence', hint: 'of having that many' },
    packetId: 'Seed from',
    germination: 'Germination',
    seedsPerCell: 'Seeds per cell',
    depthMm: 'Depth',
    sowOn: 'Sow on',
    outOn: 'Plant out on',
    placeId: 'Place',
    season: {
      label: 'Season',
      choices: { spring: 'spring and summer', autumn: 'autumn, before the frost' },
    },
    scheduleId: 'Schedule',
    'stages.days': 'Days',
    'stages.containerId': 'Container',
    'stages.plantsEach': { label: 'Plants in each', hint: '1' },
    'stages.recipeId': 'Mix',
    'stages.nMgPerL': 'Strength, N',
    'stages.everyDays': 'Feed every',
    'stages.lightHours': 'Light',
    'stages.mixC': 'Warmth',
    'stages.placeId': 'Place',
    'stages.upPlaceId': 'Place until up',
  },
  programmes: {
    plants: 'Plants',
    appetite: 'Appetite',
    batchId: 'Sown in',
    startOn: 'Up on',
    method: 'Method',
    feedId: 'Feed',
    'stages.days': 'Lasts',
    'stages.containerId': 'Container',
    'stages.recipeId': 'Mix',
    'stages.nMgPerL': 'Strength',
    'stages.everyDays': { label: 'Feed every', hint: '0: at potting up' },
  },
  batches: {
    'scoop.volumeL': 'It holds',
    feel: 'Moisture: like a',
    dampness: 'How damp is the bag?',
    tubL: { label: 'Tub to stir in', hint: 'as large as needed' },
    'allowances.spare': 'Spare',
    'allowances.fill': 'Filled to',
    'allowances.fillUnderCover': 'Filled under a cover',
    'allowances.mixingLossK': 'Even mix loses',
    'allowances.blockCompression': 'Blocks are pressed',
  },
  places: {
    name: 'Place',
    flats: { label: 'Room for', hint: 'empty: no end of room' },
    dayC: 'Day temperature',
    nightC: 'Night temperature',
    heatC: { label: 'Mat heats mix to', hint: 'empty: not heated' },
    cover: {
      label: 'Over the seed',
      choices: { none: 'nothing', dome: 'a dome', film: 'film or glass' },
    },
    humidity: { label: 'Humidity', hint: 'empty: usual' },
    reservoirL: { label: 'Mat or reservoir', hint: 'empty: watered by hand' },
    'light.count': 'Number of lights',
    'light.measured.ppfd': { label: 'Light output', hint: 'µmol per m² and second' },
    'light.measured.atCm': 'Measured at height',
    'light.measured.radiusCm': { label: 'Half width', hint: '0 for a bulb' },
    'light.heightCm': 'Height above leaves',
  },
}

/** `tubL` → `Tub`: a field nobody named, by its key. */
function fromKey(key: string): string {
  const words = key
    .replace(/(Ml|Mm|MgPerL|GPerL|(?<=[a-z])L|Id)$/, '')
    .replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)
  return capital(words || key)
}

/**
 * How a field is called.
 *
 * @param record a collection, `places` or `season`; undefined for a field of any
 * @param path as problems name it, `figures.depthMm`
 */
export function fieldWords(record: string | undefined, path: string): FieldWords {
  const key = path.split('.').at(-1) ?? path
  const own = record ? FIELDS[record] : undefined
  // Every item of a list has the same fields.
  const found = own?.[path] ?? own?.[path.replaceAll(/\[\d+\]/g, '')] ?? ANY[key] ?? fromKey(key)
  return typeof found === 'string' ? { label: found } : found
}
