import type { StoreSaid } from '#core/language/stores'
import { comesPressed, goodsName, packSize, type PackSize } from '#core/supplies/goods'
import { inSentence } from '#core/text/plurals'
import { printQuantity } from '#core/units/format'
import type { UnitSystem } from '#core/units/unit'
import type { StockRecord } from '../records/stock'
import type { Context } from './context'
import { goodsOf } from './shelves'

/** Nothing is kept of a pack whose size nobody said and no catalogue knows. */
export function stockFrom(
  said: StoreSaid,
  context: Pick<Context, 'materials' | 'feeds'>,
  units: UnitSystem,
): StockRecord | null {
  const goods = goodsOf({ kind: said.kind, goodsId: said.id }, context)
  if (!goods) return null
  const size = sizeOf(said, goods.kind === 'material' ? goods.material.packs : [], comesPressed(goods))
  if (!size) return null
  const packs = (said.packs ?? 1) * (said.left ?? 1)
  const of = inSentence(goodsName(goods))
  const each = printQuantity(size.amount, size.measure === 'mass' ? 'mass' : 'volume', units)
  return {
    name: `${each} ${said.pack ?? 'pack'} of ${of}`.slice(0, 120),
    kind: said.kind,
    goodsId: said.id,
    size,
    price: null,
    packs,
  }
}

function sizeOf(
  { size, pack }: StoreSaid,
  known: readonly Parameters<typeof packSize>[0][],
  pressed: boolean,
): PackSize | null {
  if (size)
    return size.of === 'mass'
      ? { measure: 'mass', amount: size.base }
      : { measure: pressed && pack === 'bale' ? 'pressed' : 'loose', amount: size.base }
  const one = known.find(({ name }) => pack !== null && name.toLowerCase().includes(pack))
  return one ? packSize(one) : null
}
