import * as z from 'zod'
import { sourcesOf } from '#core/catalogue'
import { CROP_FAMILIES, CROP_FIGURES, cropProblems, type Crop } from '#core/sowing/crop'
import { BUILT_IN_CROPS } from '#core/sowing/crops'
import { EMERGENCE_DAYS } from '#core/sowing/emergence'
import { AGEING_PER_YEAR, type SeedLife } from '#core/sowing/odds'
import { NO_LORE } from '#core/sowing/seed-standards'
import { SCHEDULES } from '#core/season/schedule/schedules'
import { under } from '#core/problem'
import { yours } from '#core/working/source'
import { amount, basedOn, basedOnProblems, name, ruled } from './rules'

const ids = <T extends string>(all: readonly T[]) => all as unknown as [T, ...T[]]

const figures = z.object({
  weeks: z.tuple([amount, amount]).describe('Weeks before planting out, from and to'),
  outAfterFrostWeeks: amount.describe('Weeks from the last frost to planting out; negative before it'),
  depthMm: amount.describe('mm; 0 on the surface'),
  light: z.enum(['wants light', 'wants dark', 'either']),
  warmthC: amount.describe('Best temperature of the mix, °C'),
  emergence: z.object({
    like: z.enum(ids(Object.keys(EMERGENCE_DAYS))).describe('Comes up as this crop does'),
    factor: amount.describe('times so many days'),
  }),
  treatment: z.object({ kind: z.enum(['soak', 'nick', 'chill']), days: amount.min(0).max(120) }).nullable(),
  seedsPerCell: amount,
  clump: z.boolean(),
  appetite: z.enum(['light', 'medium', 'heavy']),
  buryStem: z.boolean(),
  lowestNightC: amount.describe('°C'),
  germination: amount.describe('A fraction, 0–1'),
  seedLife: z.enum(ids(Object.keys(AGEING_PER_YEAR) as SeedLife[])),
  weeksBeforeFrost: amount.nullable().describe('Weeks it wants outside before the first frost'),
  autumn: z.boolean(),
  scheduleId: z.enum(ids(SCHEDULES.map(({ id }) => id))),
})

/** A household's own crop, or its corrections of one in the book. */
export const crop = ruled(
  z.object({
    name,
    basedOn,
    family: z.enum(CROP_FAMILIES),
    figures,
  }),
  (value) => [...under('figures', cropProblems(value.figures)), ...basedOnProblems(value, BUILT_IN_CROPS)],
)
export type CropRecord = z.output<typeof crop>

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
