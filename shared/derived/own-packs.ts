import { packHolds } from '#core/supplies/goods'
import { catalogueOf, type Catalogue } from '#core/catalogue'
import type { Material, Pack } from '#core/media/material'
import type { StockRecord } from '../records/stock'

/**
 * The materials with the packs that stand on the shelf before those of the trade: a batch opens what is there.
 *
 * @param stocks the household's packs; a kind that is used up is left out
 */
export function withOwnPacks(
  materials: Catalogue<Material>,
  stocks: readonly { id: string; body: StockRecord }[],
): Catalogue<Material> {
  const there = stocks.filter(({ body }) => body.kind === 'material' && body.packs > 0)
  if (there.length === 0) return materials
  const stocked = [...new Set(there.map(({ body }) => body.goodsId))].flatMap((id) => {
    const material = materials.get(id)
    return material?.kind === 'medium' ? [material] : []
  })
  return catalogueOf(
    materials,
    stocked.map((material) => {
      const own = there
        .filter(({ body }) => body.goodsId === material.id)
        .sort((a, b) => b.body.packs - a.body.packs)
        .map(({ id, body }) => packOf(id, body, material))
      return {
        ...material,
        packs: [...own, ...material.packs.filter(({ id }) => !own.some((it) => it.id === id))],
      }
    }),
  )
}

/** A pack of one's own; where it is one of the usual ones, that. */
function packOf(id: string, { name, size }: StockRecord, material: Material): Pack {
  if (size.measure === 'mass' && material.compressed) {
    const usual = material.packs.find((pack) => 'dryMassG' in pack && pack.dryMassG === size.amount)
    return usual ?? { id, name, dryMassG: size.amount }
  }
  const volumeL = packHolds(size, { kind: 'material', material }).value
  const usual = material.packs.find((pack) => 'volumeL' in pack && Math.abs(pack.volumeL - volumeL) < 1e-9)
  return usual ?? { id, name, volumeL }
}
