import * as z from 'zod'
import { CROP_FAMILIES, CROP_FIGURES, cropProblems, type Crop, type CropFigure } from '#core/sowing/crop'
import { CROPS } from '#core/sowing/crops'
import { EMERGENCE_DAYS } from '#core/sowing/emergence'
import { AGEING_PER_YEAR, type SeedLife } from '#core/sowing/odds'
import { LADDERS } from '#core/season/ladder'
import { under } from '#core/problem'
import { yours, type Source } from '#core/working/source'
import { amount, name, reference, ruled } from '../rules'

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
  ladderId: z.enum(ids(LADDERS.map(({ id }) => id))),
})

/** A household's own crop, or its corrections of one in the book. */
export const crop = ruled(
  z.object({
    name,
    basedOn: reference.nullable().describe('The crop of the book it corrects, or null for one of its own'),
    family: z.enum(CROP_FAMILIES),
    figures,
  }),
  (value) => [
    ...under('figures', cropProblems(value.figures)),
    ...(value.basedOn === null || CROPS.some(({ id }) => id === value.basedOn)
      ? []
      : [{ path: ['basedOn'], message: 'This crop is not in the book.' }]),
  ],
)
export type CropRecord = z.output<typeof crop>

const OURS = yours('your own figure')

/** The household's own or corrected crop as core knows it. Figures left as they were keep their source. */
export function asCrop(id: string, { name: called, basedOn, family, figures: own }: CropRecord): Crop {
  const original = basedOn === null ? undefined : CROPS.find((one) => one.id === basedOn)
  const sources = Object.fromEntries(
    CROP_FIGURES.map((key): [CropFigure, Source] => [
      key,
      original && JSON.stringify(original[key]) === JSON.stringify(own[key]) ? original.sources[key] : OURS,
    ]),
  ) as Record<CropFigure, Source>
  return { ...own, id: original?.id ?? id, name: called, family, sources }
}

/** The record that would keep a crop as it is. */
export function cropRecordOf(one: Crop): CropRecord {
  const { name: called, family } = one
  const own = Object.fromEntries(CROP_FIGURES.map((key) => [key, one[key]]))
  return JSON.parse(
    JSON.stringify({
      name: called,
      basedOn: CROPS.some(({ id }) => id === one.id) ? one.id : null,
      family,
      figures: own,
    }),
  ) as CropRecord
}

/** The book with the household's corrections over it, and its own crops beside it. */
export function cropsWith(own: readonly Crop[]): readonly Crop[] {
  if (own.length === 0) return CROPS
  const mine = new Map(own.map((one) => [one.id, one]))
  return [
    ...CROPS.map((one) => mine.get(one.id) ?? one),
    ...own.filter(({ id }) => !CROPS.some((one) => one.id === id)),
  ]
}

/** Which figures a household changed. */
export function changedCropFigures(one: Crop): CropFigure[] {
  const original = CROPS.find(({ id }) => id === one.id)
  if (!original) return []
  return CROP_FIGURES.filter((key) => JSON.stringify(original[key]) !== JSON.stringify(one[key]))
}
