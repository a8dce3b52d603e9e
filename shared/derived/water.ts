import { present } from '#core/present'
import type { Container } from '#core/containers/container'
import { GROWTH_PER_DAY } from '#core/media/food'
import { blendOf, type Blend } from '#core/media/blend'
import { chemistryOf, dosed } from '#core/media/chemistry'
import { physicsIn, type ContainerPhysics } from '#core/media/container-physics'
import { recipeProblems } from '#core/media/recipe'
import { addDays, type Day } from '#core/calendar/day'
import { lightMethodById } from '#core/places/light'
import { OUTSIDE, type Place } from '#core/places/place'
import { withOutside } from '#core/season/schedule/stays'
import type { Crop } from '#core/sowing/crop'
import type { TrayStands } from '#core/trays/standing'
import { EC_PER_MG_N, type Conditions } from '#core/water/balance'
import { climateOf, mixAboveAir } from '#core/water/climate'
import { follow, type Followed } from '#core/water/follow'
import { dayOf, momentOf, type WateringEvent, type Moment } from '#core/water/watering-events'
import { outlookOf, type Outlook } from '#core/water/outlook'
import { storeOf, type TrayStore } from '#core/water/tray-store'
import type { Context, Kept } from './context'
import type { EntryRecord } from '../records/entry'
import { waterRow } from '../records/new-entry'
import type { HouseholdRecord } from '../records/household'
import type { TrayRecord } from '../records/tray'
import { hotAhead, NIGHT_HOLDS_DAYS } from './season'

/** What a tray is as a store of water. */
export interface WaterStore {
  readonly container: Container
  readonly blend: Blend
  readonly physics: ContainerPhysics
  readonly store: TrayStore
  readonly mixL: number
  /** Whether its mix is known, or taken to be the usual seed mix. */
  readonly mixKnown: boolean
}

/** Where nobody said what a tray was filled with [default]. */
const USUAL_MIX = 'lean-and-light'

/** A tray as a store of water; null where its container or mix cannot be computed with. */
export function waterStore(
  record: TrayRecord,
  context: Pick<Context, 'containers' | 'materials' | 'mixOf' | 'homeTests' | 'frame'>,
  tareG: number | null = null,
): WaterStore | null {
  const container = context.containers.get(record.containerId)
  if (!container) return null
  const said = [record.batchId, record.recipeId].flatMap((id) => (id && context.mixOf(id)) || [])[0]
  const mix = said ?? context.mixOf(USUAL_MIX)
  if (!mix || recipeProblems(mix.parts, context.materials).length) return null
  const blend = blendOf(mix.parts, context.materials, context.homeTests)
  const physics = physicsIn(container, blend)
  const cells = container.kind === 'open tray' ? 1 : filledCells(record, context.frame?.fillHabit === 'sown')
  const store = storeOf(container, cells, blend, physics, tareG)
  return {
    container,
    blend,
    physics,
    store,
    mixL: store.dryMixG.value / physics.dryBulkDensityGPerL.value,
    mixKnown: said !== undefined,
  }
}
/** A tray is filled whole; only what is sown where that is the habit, or it is carried in pots. */
function filledCells({ cells, groups }: TrayRecord, onlySown: boolean): number {
  const held = cells.filter((code) => code !== '').length
  const carried = groups.length > 0 && groups.every(({ stage }) => stage > 0)
  return Math.max(1, (onlySown || carried) && held > 0 ? held : cells.length)
}

/** What entries tell of the water of each tray, with the entry and its number beside. */
export type WaterEntry = WateringEvent & { readonly entryId: string }

/** What comes out of the tap where nobody measured, mS/cm [default]. */
const USUAL_WATER_EC = 0.4

/**
 * What was written down of the water of trays, by tray, in the order it was written. A feed that was ticked off is the water
 * of the trays its plants stand in.
 *
 * @param strength of the feed a sowing is given on a stage, mg/L of nitrogen
 */
export function waterByTray(
  entries: readonly Kept<EntryRecord>[],
  water: HouseholdRecord['water'] | undefined,
  trays: readonly Kept<TrayRecord>[] = [],
  strength: (sowingId: string, stage: number) => number = () => 0,
): Map<string, WaterEntry[]> {
  const byTray = new Map<string, WaterEntry[]>()
  for (const { id, body } of entries)
    for (const one of [...body.water, ...fedBy(body, trays, strength)]) {
      const own = byTray.get(one.trayId) ?? []
      const at = momentOf(body.on, body.at)
      if (one.how)
        own.push({
          entryId: id,
          kind: 'watered',
          at,
          how: one.how,
          litres: one.litres,
          backL: one.backL,
          // A feed brings its salts beside those of the tap.
          ecMsPerCm: one.ecMsPerCm ?? (water?.ecMsPerCm ?? USUAL_WATER_EC) + (one.nMgPerL ?? 0) * EC_PER_MG_N,
          nMgPerL: one.nMgPerL ?? 0,
        })
      // Watered and weighed in one go: the weight is that of after.
      const after = one.how ? 0.01 : 0
      if (one.grams !== null)
        own.push({
          entryId: id,
          kind: 'weighed',
          at: at + after,
          grams: one.grams,
          moment: one.moment ?? 'now',
          sdG: one.sdG ?? SCALE_SD_G,
        })
      if (one.feels) own.push({ entryId: id, kind: 'felt', at: at + after, feels: one.feels })
      byTray.set(one.trayId, own)
    }
  return byTray
}
/** A feed of the season says no trays: it went to those its plants stand in, until they took no more. */
function fedBy(
  { kind, subjects, snoozedUntil }: EntryRecord,
  trays: readonly Kept<TrayRecord>[],
  strength: (sowingId: string, stage: number) => number,
): EntryRecord['water'] {
  // Who fed step by step has said of each tray how much: that stands in an entry of its own.
  if (kind !== 'feed' || snoozedUntil !== null || subjects.some(({ what }) => what === 'trays')) return []
  return subjects.flatMap(({ what, id, stage }) =>
    what === 'sowings' && stage !== null
      ? trays
          .filter(({ body }) => body.groups.some((group) => group.sowingId === id && group.stage === stage))
          .map((tray) => waterRow({ trayId: tray.id, how: 'below', nMgPerL: strength(id, stage) }))
      : [],
  )
}

/** A kitchen scale and drops on the saucer, g [default]. */
export const SCALE_SD_G = 5

/** A tray with its water followed to now, and what it wants. */
export interface TrayWater extends WaterStore {
  readonly followed: Followed
  readonly outlook: Outlook
  readonly conditionsAt: (at: Moment, factor: number) => Conditions
  readonly place: Place
  readonly crop: Crop | undefined
  readonly daysUp: number
  readonly wateringEvents: readonly WaterEntry[]
}

/** Clocks of two devices lie this near, hours. */
const AHEAD_OF_CLOCK_H = 1
/** Days a tray is followed back, and ahead. */
const BACK_DAYS = 28
const AHEAD_DAYS = 10
/** Plants that were set came up so many days before [default]. */
const AGE_WHEN_SET = 20
/** From so large a container on water is poured from above, mL. */
const LARGE_ML = 3000

/**
 * The water of a tray; null where nothing is sown or set in it, or it cannot be computed with.
 *
 * @param now the hour by the household's clock
 */
export function trayWater(
  { body }: Kept<TrayRecord>,
  stands: TrayStands,
  wateringEvents: readonly WaterEntry[],
  context: Context,
  clock: Moment,
): TrayWater | null {
  // What another device has just written, by a clock a little ahead, has happened.
  const now = Math.max(
    clock,
    ...wateringEvents.flatMap(({ at }) => (at <= clock + AHEAD_OF_CLOCK_H ? [at] : [])),
  )
  const { frame } = context
  const begun = stands.groups.flatMap(({ sownOn, setOn }) => [sownOn, setOn].flatMap((day) => day ?? []))
  if (body.emptiedOn !== null || begun.length === 0) return null
  const dry = wateringEvents.findLast((one) => one.kind === 'weighed' && one.moment === 'dry')
  const first = waterStore(body, context)
  if (!first) return null
  // A dry weight says what tray and saucer weigh, beside the mix.
  const tare = dry?.kind === 'weighed' ? dry.grams - first.store.dryMixG.value : null
  const own = tare !== null && tare > 0 ? present(waterStore(body, context, tare)) : first
  const today = dayOf(now)
  const place =
    withOutside(frame?.places ?? []).find(({ id }) => id === body.placeId) ?? frame?.places[0] ?? OUTSIDE
  const crops = stands.groups.flatMap(({ group }) => context.crops.get(group.cropId) ?? [])
  const crop = crops[0]
  const upOn = upDay(stands)
  const upAt = upOn ? momentOf(upOn) : Infinity
  const hours = lightMethodById(frame?.lightMethod ?? 'sixteen').hours
  const heated = { mixAboveC: place.heatC === null ? 0 : mixAboveAir(place, crop?.warmthC ?? null) }
  const usual = { ...climateOf(place, hours), ...heated }
  const hotC = frame ? hotAhead(frame, today) : null
  const hot = hotC === null ? usual : { ...climateOf(place, hours, hotC), ...heated }
  const hotUntil = momentOf(addDays(today, NIGHT_HOLDS_DAYS), '24:00')
  const plants = stands.groups.reduce((sum, { standing }) => sum + standing, 0)
  const stand = {
    plants,
    mixL: own.mixL,
    growthPerDay: GROWTH_PER_DAY[crop?.appetite ?? 'medium'],
    areaM2: own.store.areaM2,
  }
  const conditionsAt = (at: Moment, factor: number): Conditions => ({
    climate: at >= now - 12 && at < hotUntil ? hot : usual,
    covered: place.cover !== 'none' && at < upAt,
    stand,
    daysUp: (at - upAt) / 24,
    appetite: crop?.appetite ?? 'medium',
    factor,
  })
  const began = begun.reduce((least, day) => (day < least ? day : least))
  const earliest = momentOf(began, '00:00')
  const from = Math.max(earliest, now - BACK_DAYS * 24)
  const capacityL = own.store.capacityL.value
  const followed = follow(
    own.store,
    {
      at: from,
      // Soaked once it was sown or set, as is common practice; farther back nobody knows.
      contents: { waterL: capacityL, salts: capacityL * saltsOf(body, context), nitrogenMg: 0 },
      sdL: (from === earliest ? 0.1 : 0.3) * own.store.easyL.value,
    },
    conditionsAt,
    wateringEvents,
    now,
    now + AHEAD_DAYS * 24,
  )
  const daysUp = (now - upAt) / 24
  return {
    ...own,
    followed,
    conditionsAt,
    place,
    crop,
    daysUp,
    wateringEvents,
    outlook: outlookOf(followed, conditionsAt(now, followed.factor.mean), {
      endOfDay: momentOf(today, '24:00'),
      large: (own.mixL * 1000) / Math.max(1, body.cells.length) > LARGE_ML,
    }),
  }
}

/** The day the first of it was up; plants that were set are older. */
function upDay({ groups }: TrayStands): Day | null {
  const days = groups.flatMap(({ firstUpOn, setOn }) =>
    firstUpOn ? [firstUpOn] : setOn ? [addDays(setOn, -AGE_WHEN_SET)] : [],
  )
  return days.length ? days.reduce((least, day) => (day < least ? day : least)) : null
}

/** Salts of the mix when it was filled in, mS/cm. */
function saltsOf({ batchId, recipeId }: TrayRecord, { mixOf, materials }: Context): number {
  const mix = mixOf(batchId ?? '') ?? mixOf(recipeId ?? '') ?? mixOf(USUAL_MIX)
  if (!mix) return 0
  const { ingredients, mixingLoss } = blendOf(mix.parts, materials)
  return chemistryOf(ingredients, mixingLoss, dosed(mix.extras, materials)).saltsMsPerCm.value
}
