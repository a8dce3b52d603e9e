import { first } from '../numeric/at'
import { density, type Feed } from '../feed/feed'
import { COIR_EXPANSION_L_PER_KG, loosenedPeat } from '../media/hydration'
import type { Material, Pack } from '../media/material'
import { densityAsBought } from '../media/moisture'
import { within, type Problem, type Wrong, wrongAt } from '../problem'
import { inFigures, parseNumber } from '../units/parse'
import { derive, given, type Figure } from '../working/figure'
import { byDefault, yours } from '../working/source'

/** Something the supplies hold, in the unit it is used by: loose litres of a medium, grams, or millilitres of a liquid. */
export type Goods =
  { readonly kind: 'material'; readonly material: Material } | { readonly kind: 'feed'; readonly feed: Feed }

export type GoodsUnit = 'L' | 'g' | 'mL'

/** How the pack says what is in it. A pressed bale is sold by its pressed volume, and loosens. */
export const PACK_MEASURES = ['loose', 'pressed', 'mass'] as const
export type PackMeasure = (typeof PACK_MEASURES)[number]

export interface PackSize {
  readonly measure: PackMeasure
  /** L for loose and pressed volumes, g for a mass. */
  readonly amount: number
}

/** What the goods are called. */
export const goodsName = (goods: Goods) => (goods.kind === 'material' ? goods.material.name : goods.feed.name)
/** The id of the material or feed. */
export const goodsId = (goods: Goods) => (goods.kind === 'material' ? goods.material.id : goods.feed.id)
/** What the goods are counted in: L of a medium, g of an extra or a powder, mL of a liquid. */
export function goodsUnit(goods: Goods): GoodsUnit {
  if (goods.kind === 'feed') return goods.feed.form === 'powder' ? 'g' : 'mL'
  return goods.material.kind === 'medium' ? 'L' : 'g'
}

/** Whether it comes pressed in bales: peat does. */
export const comesPressed = (goods: Goods) =>
  goods.kind === 'material' && goods.material.id.startsWith('peat')

/** What is wrong with the size of a pack. */
export function packProblems({ measure, amount }: PackSize, goods: Goods): Problem[] {
  return [
    ...(measure === 'mass'
      ? within(['amount'], amount, 0.1, 1_000_000, 'g')
      : within(['amount'], amount, 0.001, 5000, 'L')),
    ...(measure === 'pressed' && !comesPressed(goods) ? [wrongAt(['measure'], 'onlyPeatPressed')] : []),
  ]
}

/**
 * What a full pack holds, in the unit the goods are used by.
 *
 * @throws RangeError for a measure the goods are not sold by
 */
export function packHolds({ measure, amount }: PackSize, goods: Goods): Figure {
  const name = `In a pack of ${goodsName(goods).toLowerCase()}`
  const unit = goodsUnit(goods)
  const inL = given('The pack', amount, measure === 'mass' ? 'g' : 'L', yours('the pack'))
  if (measure === 'pressed') {
    if (!comesPressed(goods)) throw new RangeError(`measure: ${goodsName(goods)} is not sold pressed`)
    return { ...loosenedPeat(inL), name }
  }
  if (measure === 'mass') {
    if (unit === 'g') return { ...inL, name }
    return derive(name, unit, 'm / d', { m: inL, d: gramsPerUnit(goods) }, ({ m, d }) => m / d)
  }
  if (unit === 'L') return { ...inL, name }
  if (unit === 'mL') return derive(name, unit, 'V * 1000', { V: inL }, ({ V }) => V * 1000)
  return derive(name, unit, 'V * d * 1000', { V: inL, d: gramsPerMl(goods) }, ({ V, d }) => V * d * 1000)
}

/** Grams that make one unit (L or mL) of the goods. */
function gramsPerUnit(goods: Goods): Figure {
  if (goods.kind === 'feed') return density(goods.feed)
  const { material } = goods
  if (material.compressed)
    return derive(
      'Dry coir in a litre of moist fibre',
      'g/L',
      '1000 / e',
      {
        e: given(
          'Moist fibre per kg dry',
          COIR_EXPANSION_L_PER_KG,
          'L/kg',
          byDefault('12–15 L/kg in the trade; correct it with your own brick'),
        ),
      },
      ({ e }) => 1000 / e,
    )
  return densityAsBought(material)
}

function gramsPerMl(goods: Goods): Figure {
  if (goods.kind === 'feed') return density(goods.feed)
  return derive(
    'Weight of a millilitre',
    'g/mL',
    'd / 1000',
    { d: densityAsBought(goods.material) },
    ({ d }) => d / 1000,
  )
}

/** The size of a catalogue's pack. */
export const packSize = (pack: Pack): PackSize =>
  'dryMassG' in pack ? { measure: 'mass', amount: pack.dryMassG } : { measure: 'loose', amount: pack.volumeL }

/** Words for a pack, and what else it is called. */
const PACK_WORD = /^(.*?)\s*\b(bricks?|blocks?|bags?|bales?|discs?|disks?|pellets?|sacks?|packs?)$/i
const SAME: Readonly<Record<string, string>> = { disk: 'disc', sack: 'bag' }

/**
 * A number of packs as it is said, `1 brick`, `half a bale`, `2 bags`: in the unit the goods are used by. Undefined where
 * no pack is spoken of; a message where it is not clear which one.
 */
export function packsSaid(
  text: string,
  material: Material,
): { amount: number } | Wrong<'noSuchPack' | 'whichPack' | 'noCount'> | undefined {
  const [, said, word] = PACK_WORD.exec(inFigures(text.trim())) ?? []
  if (!word) return undefined
  const count = said ? parseNumber(said) : 1
  const singular = word.toLowerCase().replace(/s$/, '')
  const wanted = SAME[singular] ?? singular
  const goods: Goods = { kind: 'material', material }
  const called = material.packs.filter(
    ({ name }) => wanted === 'pack' || new RegExp(`\\b${wanted}`, 'i').test(name),
  )
  const names = material.packs.map(({ name }) => name).join(', ')
  if (called.length === 0) return { kind: 'noSuchPack', values: { names, wanted } }
  if (called.length > 1)
    return { kind: 'whichPack', values: { wanted, names: called.map(({ name }) => name).join(' or ') } }
  if (count === undefined) return { kind: 'noCount', values: { said: said ?? '', wanted } }
  return { amount: count * packHolds(packSize(first(called)), goods).value }
}
