import { sourcesOf } from '#core/catalogue'
import { CROP_FIGURES, type Crop } from '#core/sowing/crop'
import { BUILT_IN_CROPS } from '#core/sowing/crops'
import { NO_LORE } from '#core/sowing/seed-standards'
import { yours } from '#core/working/source'
import type { CropRecord } from './crop'

const OURS = yours('your own figure')

/** The household's own or corrected crop as core knows it. Figures left as they were keep their source. */
export function asCrop(
  id: string,
  { name: called, basedOn: corrects, family, figures: own }: CropRecord,
): Crop {
  const original = corrects === null ? undefined : BUILT_IN_CROPS.get(corrects)
  const sources = sourcesOf(CROP_FIGURES, own, original, OURS)
  const names = { botanical: original?.botanical ?? '', alsoCalled: original?.alsoCalled ?? [] }
  const { standardGermination, keepsYears, seedlings, countsClumps } = original ?? NO_LORE
  const lore = { standardGermination, keepsYears, seedlings, countsClumps }
  return { ...own, ...names, ...lore, id: original?.id ?? id, name: called, family, sources }
}

/** The record that would keep a crop as it is. */
export function cropRecordOf(one: Crop): CropRecord {
  const { name: called, family } = one
  const own = Object.fromEntries(CROP_FIGURES.map((key) => [key, one[key]]))
  // Plain figures: a copy that also takes what a page is watching.
  return JSON.parse(
    JSON.stringify({
      name: called,
      basedOn: BUILT_IN_CROPS.has(one.id) ? one.id : null,
      family,
      figures: own,
    }),
  ) as CropRecord
}
