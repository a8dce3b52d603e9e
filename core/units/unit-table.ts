import type { Dimension, UnitSystem, Unit } from './unit'

const NIST44 = 'NIST Handbook 44, Appendix C'
const NIST811 = 'NIST SP 811'
const KITCHEN_METRIC = 'common practice: metric kitchen measures'
const AUSTRALIAN = 'common practice: Australian kitchen tablespoon of 20 mL'
const SI = 'SI Brochure, BIPM'

const US_GALLON_L = 3.785411784
const US_FLUID_OUNCE_L = US_GALLON_L / 128
const CUBIC_INCH_L = 0.016387064
const IMPERIAL_GALLON_L = 4.54609
const POUND_G = 453.59237

const TEASPOON = ['tsp', 'teaspoon', 'teaspoonful', 't']
const TABLESPOON = ['tbsp', 'tbs', 'tablespoon', 'tablespoonful', 'T']
const CUP = ['cup', 'cupful', 'c']
const GALLON = ['gal', 'gallon']
const QUART = ['qt', 'quart']
const PINT = ['pt', 'pint']
const FLUID_OUNCE = ['fl oz', 'floz', 'fluid ounce', 'oz', 'ounce']

const us = (spellings: readonly string[]): NonNullable<Unit['bare']> => ({ unitSystems: ['us'], spellings })
const imperial = (spellings: readonly string[]): NonNullable<Unit['bare']> => ({
  unitSystems: ['imperial'],
  spellings,
})
/** British kitchens measure spoons in metric today; only the pint and its kin stayed imperial. */
const metric = (spellings: readonly string[]): NonNullable<Unit['bare']> => ({
  unitSystems: ['metric', 'imperial'],
  spellings,
})

function volume(
  id: string,
  factor: number,
  symbol: string,
  spellings: readonly string[],
  source: string,
  more: Partial<Unit> = {},
): Unit {
  return { id, dimension: 'volume', factor, symbol, spellings, source, ...more }
}

/** Every unit that can be typed or printed. Order matters nowhere. */
export const UNITS: readonly Unit[] = [
  volume('mL', 0.001, 'mL', ['ml', 'millilitre', 'milliliter', 'cc', 'cm3', 'cm³'], SI),
  volume('cL', 0.01, 'cL', ['cl', 'centilitre', 'centiliter'], SI),
  volume('dL', 0.1, 'dL', ['dl', 'decilitre', 'deciliter'], SI),
  volume('L', 1, 'L', ['l', 'litre', 'liter', 'ltr', 'dm3', 'dm³'], SI),
  volume('m3', 1000, 'm³', ['m3', 'm³', 'cubic metre', 'cubic meter'], SI),

  volume('us-tsp', US_FLUID_OUNCE_L / 6, 'US tsp', ['us tsp', 'us teaspoon'], NIST44, {
    fractions: true,
    bare: us(TEASPOON),
  }),
  volume('us-tbsp', US_FLUID_OUNCE_L / 2, 'US tbsp', ['us tbsp', 'us tablespoon'], NIST44, {
    fractions: true,
    bare: us(TABLESPOON),
  }),
  volume('us-floz', US_FLUID_OUNCE_L, 'US fl oz', ['us fl oz', 'us floz', 'us fluid ounce'], NIST44, {
    fractions: true,
    bare: us(FLUID_OUNCE),
  }),
  volume('us-cup', US_GALLON_L / 16, 'US cup', ['us cup'], NIST44, { fractions: true, bare: us(CUP) }),
  volume('us-pt', US_GALLON_L / 8, 'US pt', ['us pt', 'us pint', 'us liquid pint'], NIST44, {
    fractions: true,
    bare: us(PINT),
  }),
  volume(
    'us-qt',
    US_GALLON_L / 4,
    'US qt',
    ['us qt', 'us quart', 'us liquid qt', 'us liquid quart', 'liquid qt', 'liquid quart', 'liq qt'],
    NIST44,
    { fractions: true, bare: us(QUART) },
  ),
  volume('us-gal', US_GALLON_L, 'US gal', ['us gal', 'us gallon', 'us liquid gallon'], NIST44, {
    fractions: true,
    bare: us(GALLON),
  }),
  volume(
    'us-dry-qt',
    1.101220942715,
    'dry qt',
    ['dry qt', 'dry quart', 'us dry qt', 'us dry quart', 'dryqt'],
    NIST44,
  ),
  volume(
    'cu-in',
    CUBIC_INCH_L,
    'cu in',
    ['cu in', 'cubic inch', 'cubic inches', 'in3', 'in³', 'cuin'],
    NIST44,
  ),
  volume(
    'cu-ft',
    28.316846592,
    'cu ft',
    ['cu ft', 'cubic foot', 'cubic feet', 'ft3', 'ft³', 'cuft', 'cf'],
    NIST44,
  ),

  volume('cu-yd', 764.554857984, 'cu yd', ['cu yd', 'cubic yard', 'yd3', 'yd³', 'cuyd'], NIST44),
  volume('bushel', 35.23907016688, 'US bu', ['bushel', 'bu', 'us bushel', 'us bu'], NIST44),

  volume(
    'imp-floz',
    IMPERIAL_GALLON_L / 160,
    'imp fl oz',
    ['imp fl oz', 'imp floz', 'imperial fl oz', 'imperial fluid ounce', 'uk fl oz'],
    NIST811,
    { fractions: true, bare: imperial(FLUID_OUNCE) },
  ),
  volume(
    'imp-pt',
    IMPERIAL_GALLON_L / 8,
    'imp pt',
    ['imp pt', 'imp pint', 'imperial pint', 'uk pint'],
    NIST811,
    { fractions: true, bare: imperial(PINT) },
  ),
  volume(
    'imp-qt',
    IMPERIAL_GALLON_L / 4,
    'imp qt',
    ['imp qt', 'imp quart', 'imperial quart', 'uk quart'],
    NIST811,
    { fractions: true, bare: imperial(QUART) },
  ),
  volume(
    'imp-gal',
    IMPERIAL_GALLON_L,
    'imp gal',
    ['imp gal', 'imp gallon', 'imp. gal', 'imperial gallon', 'uk gallon', 'uk gal'],
    NIST811,
    { fractions: true, bare: imperial(GALLON) },
  ),

  volume('metric-tsp', 0.005, 'metric tsp', ['metric tsp', 'metric teaspoon'], KITCHEN_METRIC, {
    fractions: true,
    bare: metric(TEASPOON),
  }),
  volume('metric-tbsp', 0.015, 'metric tbsp', ['metric tbsp', 'metric tablespoon'], KITCHEN_METRIC, {
    fractions: true,
    bare: metric(TABLESPOON),
  }),
  volume('metric-cup', 0.25, 'metric cup', ['metric cup'], KITCHEN_METRIC, {
    fractions: true,
    bare: metric(CUP),
  }),
  volume(
    'australian-tbsp',
    0.02,
    'Australian tbsp',
    ['australian tbsp', 'australian tablespoon', 'au tbsp', 'aus tbsp'],
    AUSTRALIAN,
    { fractions: true },
  ),

  {
    id: 'mm',
    dimension: 'length',
    factor: 1,
    symbol: 'mm',
    spellings: ['mm', 'millimetre', 'millimeter'],
    source: SI,
  },
  {
    id: 'cm',
    dimension: 'length',
    factor: 10,
    symbol: 'cm',
    spellings: ['cm', 'centimetre', 'centimeter'],
    source: SI,
  },
  { id: 'm', dimension: 'length', factor: 1000, symbol: 'm', spellings: ['m', 'metre', 'meter'], source: SI },
  {
    id: 'in',
    dimension: 'length',
    factor: 25.4,
    symbol: 'in',
    spellings: ['in', 'inch', 'inches', '"', '″', '”'],
    fractions: true,
    source: NIST811,
  },
  {
    id: 'ft',
    dimension: 'length',
    factor: 304.8,
    symbol: 'ft',
    spellings: ['ft', 'foot', 'feet', "'", '′', '’'],
    fractions: true,
    source: NIST811,
  },

  {
    id: 'mg',
    dimension: 'mass',
    factor: 0.001,
    symbol: 'mg',
    spellings: ['mg', 'milligram', 'milligramme'],
    source: SI,
  },
  {
    id: 'g',
    dimension: 'mass',
    factor: 1,
    symbol: 'g',
    spellings: ['g', 'gr', 'gm', 'gram', 'gramme'],
    source: SI,
  },
  {
    id: 'kg',
    dimension: 'mass',
    factor: 1000,
    symbol: 'kg',
    spellings: ['kg', 'kilo', 'kilogram', 'kilogramme'],
    source: SI,
  },
  {
    id: 'oz',
    dimension: 'mass',
    factor: POUND_G / 16,
    symbol: 'oz',
    spellings: ['oz', 'ounce'],
    fractions: true,
    source: NIST44,
  },
  {
    id: 'lb',
    dimension: 'mass',
    factor: POUND_G,
    symbol: 'lb',
    spellings: ['lb', 'pound', '#'],
    fractions: true,
    source: NIST44,
  },

  {
    id: 'C',
    dimension: 'temperature',
    factor: 1,
    symbol: '°C',
    spellings: ['°c', 'c', 'deg c', 'celsius', 'degrees celsius', 'degrees c', '℃'],
    source: SI,
  },
  {
    id: 'F',
    dimension: 'temperature',
    factor: 5 / 9,
    offset: -160 / 9,
    symbol: '°F',
    spellings: ['°f', 'f', 'deg f', 'fahrenheit', 'degrees fahrenheit', 'degrees f', '℉'],
    source: NIST811,
  },
]

const byId = new Map(UNITS.map((unit) => [unit.id, unit]))

/**
 * @throws RangeError for an unknown id.
 * @example unitById('L').id // 'L'
 * @example unitById('x') // throws RangeError
 */
export function unitById(id: string): Unit {
  const unit = byId.get(id)
  if (!unit) throw new RangeError(`unit: '${id}' is not known`)
  return unit
}

/** An amount in the base unit of its dimension. */
export function toBase(amount: number, unit: Unit): number {
  return amount * unit.factor + (unit.offset ?? 0)
}

/** An amount in this unit, from the base unit of its dimension. */
export function fromBase(base: number, unit: Unit): number {
  return (base - (unit.offset ?? 0)) / unit.factor
}

/**
 * Convert between units of one dimension.
 *
 * @throws RangeError when the dimensions differ.
 * @example convert(1, 'us-gal', 'L') // ≈ 3.785411784
 */
export function convert(amount: number, fromId: string, toId: string): number {
  const from = unitById(fromId)
  const to = unitById(toId)
  if (from.dimension !== to.dimension)
    throw new RangeError(`unit: ${from.symbol} is a ${from.dimension}, ${to.symbol} a ${to.dimension}`)
  return fromBase(toBase(amount, from), to)
}

/**
 * The unit a spelling names in a dimension and kitchen, or undefined.
 * Plurals and a trailing full stop are accepted; only `T` and `t` depend on case.
 */
export function unitSpelled(spelling: string, dimension: Dimension, units: UnitSystem): Unit | undefined {
  const index = spellingIndex(dimension, units)
  const written = spelling.trim().replace(/\.$/, '').replace(/\s+/g, ' ')
  const lower = written.toLowerCase()
  return (
    index.get(written) ??
    index.get(lower) ??
    index.get(lower.replace(/s$/, '')) ??
    index.get(lower.replace(/\./g, ''))
  )
}

/** How the units of a dimension can be written in a kitchen, as they stand in the table. */
export const unitSpellings = (dimension: Dimension, units: UnitSystem): Iterable<string> =>
  spellingIndex(dimension, units).keys()

const indexes = new Map<string, Map<string, Unit>>()

function spellingIndex(dimension: Dimension, units: UnitSystem): Map<string, Unit> {
  const key = `${dimension}/${units}`
  let index = indexes.get(key)
  if (!index) {
    index = new Map()
    for (const unit of UNITS) {
      if (unit.dimension !== dimension) continue
      for (const spelling of unit.spellings) index.set(spelling, unit)
    }
    for (const unit of UNITS) {
      if (unit.dimension !== dimension || !unit.bare) continue
      const names = unit.bare.unitSystems.includes(units)
      // A bare name that belongs to no unit of this kitchen is still read, in its US meaning.
      for (const spelling of unit.bare.spellings)
        if (names || (unit.id.startsWith('us-') && !index.has(spelling))) index.set(spelling, unit)
    }
    indexes.set(key, index)
  }
  return index
}
