import { growthStageById } from '#core/feed/growth-stage'
import { chemistryOf, dosed } from '#core/media/chemistry'
import { insideOf } from '#core/media/inside'
import { isAlive } from '#core/media/material'
import { addDays, daysBetween, type Day } from '#core/calendar/day'
import { LIGHT_WANTED, lightMethodById } from '#core/places/light'
import { lightOfDay } from '#core/places/place-light'
import { isIndoors, mixWarmth, type Place } from '#core/places/place'
import { withOutside } from '#core/season/schedule/stays'
import { emptyRecord, type SignRecord } from '#core/signs/record'
import { daysToEmergence } from '#core/sowing/emergence'
import { daysByWarmth } from '#core/sowing/warmth'
import type { TrayStands } from '#core/trays/standing'
import type { Context, Kept } from './context'
import { mixByDay } from './measured'
import type { EntryRecord } from '../records/entry'
import type { HouseholdRecord } from '../records/household'
import type { TrayRecord } from '../records/tray'
import type { TrayWater } from './water'

/** Salts of the mix that seedlings, and plants that were potted on, still bear, mS/cm SME [handbook, from memory]. */
const SEEDLINGS_BEAR = 2
const POTTED_BEAR = 3.5
/** Days such plants stand in one container, where no plan says it [common practice: 3–6 weeks]. */
const USUAL_DAYS = 35
/** Of the easily available water so much gone is a dry day. */
const DRY_AT = 0.95

export interface AboutTray {
  readonly tray: Kept<TrayRecord>
  readonly stands: TrayStands
  /** Everything that was written down of it. */
  readonly entries: readonly Kept<EntryRecord>[]
  readonly water: TrayWater | null
  readonly tap: HouseholdRecord['water']
  readonly climate: readonly EntryRecord['climate'][number][]
  /** Days its plants are meant to stand in it, by the plan; null where none says it. */
  readonly stayDays: number | null
  /** How deep its sowing is sown, mm, where the plan says it. */
  readonly sownDepthMm?: number | undefined
  readonly today: Day
}

const earliest = (days: readonly (Day | null)[]): Day | null =>
  days.flatMap((day) => day ?? []).reduce<Day | null>((a, b) => (a && a < b ? a : b), null)

/** What stands in it, since when, and where. */
function plantsOf({ tray: { body }, stands, today }: AboutTray, context: Context) {
  const groups = stands.groups.filter(({ sown, set }) => sown + set > 0)
  const sownOn = earliest(groups.map(({ sownOn: day }) => day))
  const setOn = earliest(groups.map(({ setOn: day }) => day))
  const upOn = earliest(groups.map(({ firstUpOn }) => firstUpOn))
  const cropId = groups[0]?.group.cropId ?? body.groups[0]?.cropId
  return {
    crop: (cropId !== undefined && context.crops.get(cropId)) || null,
    place: withOutside(context.frame?.places ?? []).find(({ id }) => id === body.placeId) ?? null,
    ...{ sownOn, setOn, upOn },
    potted: groups.some(({ group }) => group.stage > 0),
    daysUp: upOn
      ? daysBetween(upOn, today)
      : setOn
        ? daysBetween(setOn, today) + USUAL_AGE
        : sownOn
          ? -1
          : null,
  }
}
type Plants = ReturnType<typeof plantsOf>

/** How old it is for where it stands, and what its roots looked like. */
function ageFacts(about: AboutTray, plants: Plants, context: Context): Partial<SignRecord> {
  const { tray, entries, today, stayDays } = about
  const { crop, place, sownOn, setOn, upOn } = plants
  const begun = setOn ?? sownOn
  return {
    daysUp: plants.daysUp,
    lateness: sownOn && !upOn && crop && place ? latenessOf(crop, place, sownOn, about) : null,
    daysOutside: daysOutside(tray.body, place, entries, context, today),
    overstayed: begun ? daysBetween(begun, today) / (stayDays ?? USUAL_DAYS) : null,
    roots: entries.findLast(({ body: { actual } }) => actual?.roots)?.body.actual?.roots ?? null,
    seedYears: seedYears(tray.body, context, today),
    depthMm: crop && sownOn ? (about.sownDepthMm ?? depthOf(tray.body, context)) : null,
  }
}

/** Its feed against what its stage of growth likes. */
function feedFacts({ tray, entries, today }: AboutTray, { potted, daysUp }: Plants): Partial<SignRecord> {
  const feed = lastFeed(tray.id, entries, today)
  const stage = growthStageById(potted ? 'potted-up' : (daysUp ?? 0) < 10 ? 'seed-leaves' : 'true-leaves')
  return {
    lastNMgPerL: feed?.nMgPerL ?? null,
    daysSinceFed: feed ? daysBetween(feed.on, today) : null,
    band: [stage.lowNMgPerL, stage.highNMgPerL],
  }
}

/** What it was watered with and how, what is in it, and its salts. */
function waterFacts({ tray, entries, water, tap }: AboutTray, { potted }: Plants): Partial<SignRecord> {
  return {
    ecMsPerCm: water?.followed.now.ecMsPerCm ?? null,
    ecLimitMsPerCm: potted ? POTTED_BEAR : SEEDLINGS_BEAR,
    alkalinityMgPerL: tap?.alkalinityMgPerL ?? null,
    waterGone: water?.outlook.gone ?? null,
    wetDays: water?.outlook.wetDays ?? null,
    dryDays: water ? dryDaysOf(water) : null,
    fromAbove: fromAbove(tray.id, entries),
  }
}

/** Air and light where it stands: as measured in the last week, else as its place is. */
function airFacts({ climate, today }: AboutTray, plants: Plants, context: Context): Partial<SignRecord> {
  const { place, potted, daysUp, crop } = plants
  const latest = climate.filter(({ on }) => on > addDays(today, -8) && on <= today)
  const isUp = daysUp === null || daysUp >= 0
  return {
    ...warmthOf(latest, place),
    mixC: place ? mixWarmth(place, isUp ? null : (crop?.warmthC ?? null)) : null,
    lightMol: latest.find(({ lightMol }) => lightMol !== null)?.lightMol ?? lightOf(place, context),
    lightLeast: potted ? LIGHT_WANTED.transplant.low : LIGHT_WANTED.seedling.low,
    covered: place ? place.cover !== 'none' && !isUp : null,
    humidity: latest.find(({ humidity }) => humidity !== null)?.humidity ?? place?.humidity ?? null,
  }
}

/** The coldest and the warmest of the last days as measured, else of the place as it was described, °C. */
const warmthOf = (days: AboutTray['climate'], place: Plants['place']) =>
  days.length
    ? {
        coldestC: Math.min(...days.map(({ lowC }) => lowC)),
        warmestC: Math.max(...days.map(({ highC }) => highC)),
      }
    : { coldestC: place?.nightC ?? null, warmestC: place?.dayC ?? null }

/** What the record says of a tray, for weighing a sign. */
export function signRecordOf(about: AboutTray, context: Context): SignRecord {
  const plants = plantsOf(about, context)
  return {
    ...emptyRecord(),
    ...ageFacts(about, plants, context),
    ...feedFacts(about, plants),
    ...waterFacts(about, plants),
    ...mixFacts(about.tray.body, context, about.water, plants.daysUp),
    ...airFacts(about, plants, context),
    crop: plants.crop,
  }
}

/** Plants that were set came up about so long before [default]. */
const USUAL_AGE = 20

function lastFeed(trayId: string, entries: readonly Kept<EntryRecord>[], today: Day) {
  return entries
    .filter(({ body: { on } }) => on <= today)
    .flatMap(({ body }) =>
      body.water.flatMap((one) =>
        one.trayId === trayId && one.nMgPerL ? [{ on: body.on, nMgPerL: one.nMgPerL }] : [],
      ),
    )
    .reduce<{ on: Day; nMgPerL: number } | null>((a, b) => (a && a.on > b.on ? a : b), null)
}

function latenessOf(
  crop: NonNullable<ReturnType<Context['crops']['get']>>,
  place: Place,
  sownOn: Day,
  { climate, today }: AboutTray,
): number | null {
  const planned = daysToEmergence(crop.emergence, mixWarmth(place, crop.warmthC))
  if (!planned) return 3
  const days = daysByWarmth(crop, planned, sownOn, mixByDay(place, crop.warmthC, climate))
  return daysBetween(sownOn, today) / days.value
}

/** Since when it stands outside; null under a roof. */
function daysOutside(
  body: TrayRecord,
  place: Place | null,
  entries: readonly Kept<EntryRecord>[],
  { frame }: Context,
  today: Day,
): number | null {
  const places = withOutside(frame?.places ?? [])
  const isOut = (id: string | null) => {
    const found = places.find((one) => one.id === id)
    return found ? !isIndoors(found) : false
  }
  const days = entries.flatMap(({ body: { kind, on, placeId, subjects } }) =>
    (kind === 'carried' && isOut(placeId)) ||
    (kind === 'harden' && subjects.some(({ id }) => body.groups.some(({ sowingId }) => sowingId === id)))
      ? [on]
      : [],
  )
  if (days.length)
    return daysBetween(
      days.reduce((a, b) => (a < b ? a : b)),
      today,
    )
  return place && isOut(body.placeId) ? 30 : null
}

function fromAbove(trayId: string, entries: readonly Kept<EntryRecord>[]): boolean | null {
  const ways = entries.flatMap(({ body }) =>
    body.water.flatMap(({ trayId: id, how }) => (id === trayId && how ? [how] : [])),
  )
  return ways.length ? ways.filter((how) => how !== 'below').length * 2 > ways.length : null
}

function dryDaysOf({ followed, store }: TrayWater): number {
  const since = followed.now.at - 7 * 24
  const easy = store.easyL.value
  const dry = new Set(
    followed.path
      .filter(
        ({ at, waterL }) =>
          at >= since && at <= followed.now.at && (store.capacityL.value - waterL) / easy > DRY_AT,
      )
      .map(({ at }) => Math.floor(at / 24)),
  )
  return dry.size
}

function lightOf(place: Place | null, { frame }: Context): number | null {
  return place?.light
    ? lightOfDay(place.light, lightMethodById(frame?.lightMethod ?? 'sixteen').hours).value
    : null
}

function seedYears(body: TrayRecord, { packets }: Context, today: Day): number | null {
  const packet = body.groups.flatMap(({ packetId }) => (packetId ? (packets.get(packetId) ?? []) : []))[0]
  return packet ? Math.max(0, Number(today.slice(0, 4)) - packet.year) : null
}
function depthOf(body: TrayRecord, { packets, crops }: Context): number | null {
  const packet = body.groups.flatMap(({ packetId }) => (packetId ? (packets.get(packetId) ?? []) : []))[0]
  return packet?.depthMm ?? crops.get(body.groups[0]?.cropId ?? '')?.depthMm ?? null
}

/** What its mix is: air, acidity, salts, food, and what it is made of. */
function mixFacts(
  body: TrayRecord,
  context: Context,
  water: TrayWater | null,
  daysUp: number | null,
): Partial<SignRecord> {
  const mix = context.mixOf(body.batchId ?? '') ?? context.mixOf(body.recipeId ?? '')
  if (!mix || !water || !water.mixKnown) return {}
  const { blend, container } = water
  const chemistry = chemistryOf(blend.ingredients, blend.mixingLoss, dosed(mix.extras, context.materials))
  const { physics, daysOfFood } = insideOf(container, blend, chemistry)
  const shareOf = (is: (id: string) => boolean) =>
    blend.ingredients.reduce((sum, { material, share }) => sum + (is(material.id) ? share.value : 0), 0)
  return {
    daysPastFood: daysUp === null ? null : daysUp - daysOfFood.value,
    air: physics.airSpace.value,
    airLeast: physics.airWanted.least,
    ph: chemistry.ph.value,
    saltsMsPerCm: chemistry.saltsMsPerCm.value,
    living: blend.ingredients.reduce(
      (sum, { material, share }) => sum + (isAlive(material) ? share.value : 0),
      0,
    ),
    peat: shareOf((id) => id.includes('peat')),
    perlite: shareOf((id) => id.includes('perlite')),
  }
}
