import { at as elementAt, last as lastOf } from '#core/numeric/at'
import { growthStageById } from '#core/feed/growth-stage'
import { blendOf } from '#core/media/blend'
import { chemistryOf, dosed } from '#core/media/chemistry'
import { insideOf } from '#core/media/inside'
import { isAlive } from '#core/media/material'
import { mulberry32 } from '#core/numeric/random'
import { LIGHT_WANTED, ppfdAt, dailyLight } from '#core/places/light'
import { placeOf, type Place } from '#core/places/place'
import { causesOf, SPEAKS, type Cause, type CauseId } from '#core/signs/causes'
import { CAUSE_WORDS } from '../messages/signs'
import { emptyRecord, type SignRecord } from '#core/signs/record'
import type { SignId } from '#core/signs/seen'
import { waterScenario, type ScenarioDay } from '#core/water/water-scenario'
import { EC_PER_MG_N } from '#core/water/balance'
import { WET_GONE } from '#core/water/tray-store'
import type { Context } from './context'
import { scenarioFor, type Tried } from './water-scenario'

/*
 * A made-up tray with something the matter with it: its water, salts, food and air run through the same model as a real
 * one, and the sign is one that such a tray shows. Nothing of it is anybody's.
 */

/** What can be asked of the tray: each answers with what a grower would read. */
export const PRACTICE_ASKS = [
  { id: 'weight', name: 'Lift or weigh it', of: ['waterGone'] },
  { id: 'week', name: 'How wet it was this week', of: ['wetDays', 'dryDays', 'fromAbove'] },
  { id: 'roots', name: 'Turn one out: roots and air', of: ['air', 'airLeast', 'roots', 'overstayed'] },
  { id: 'feed', name: 'The feeds recorded', of: ['lastNMgPerL', 'daysSinceFed', 'daysPastFood'] },
  { id: 'salts', name: 'EC of what drains off', of: ['ecMsPerCm', 'saltsMsPerCm'] },
  { id: 'water', name: 'Test the tap and the mix', of: ['alkalinityMgPerL', 'ph'] },
  { id: 'warmth', name: 'Read the thermometers', of: ['coldestC', 'warmestC', 'mixC', 'humidity'] },
  { id: 'light', name: 'Hold the light meter', of: ['lightMol'] },
  { id: 'mix', name: 'What the mix is made of', of: ['peat', 'perlite', 'living'] },
  {
    id: 'days',
    name: 'The days on the label',
    of: ['daysUp', 'daysOutside', 'lateness', 'covered', 'seedYears', 'depthMm'],
  },
] as const satisfies readonly {
  readonly id: string
  readonly name: string
  readonly of: readonly (keyof SignRecord)[]
}[]
export type PracticeAsk = (typeof PRACTICE_ASKS)[number]['id']

export interface PracticeTray {
  readonly seed: number
  readonly sign: SignId
  readonly crop: string
  readonly day: number
  readonly record: SignRecord
  readonly cause: CauseId
  /** What the record makes of it, the likeliest first. */
  readonly causes: readonly Cause[]
}

interface Fault {
  readonly cause: CauseId
  readonly signs: readonly SignId[]
  readonly how?: Partial<Pick<Tried, 'habit' | 'how' | 'recipeId' | 'containerId' | 'waterEc' | 'days'>> & {
    readonly feedMgPerL?: number | null
  }
  readonly place?: Partial<Place>
  readonly lampCm?: number
  readonly more?: (pick: (low: number, high: number) => number) => Partial<SignRecord>
}

/** Cool, still and damp: hardly anything dries. */
const DAMP: Partial<Place> = { dayC: 13, nightC: 11, humidity: 0.9 }

/** What goes wrong, and how it is brought about in the model. */
const FAULTS: readonly Fault[] = [
  {
    cause: 'drowned',
    signs: ['pale old'],
    how: { habit: 'every day', containerId: 'tray-72', recipeId: 'peat-and-mineral', feedMgPerL: 60 },
    place: DAMP,
  },
  {
    cause: 'rotting',
    signs: ['wilting wet'],
    how: { habit: 'every day', containerId: 'tray-72', feedMgPerL: 60 },
    place: DAMP,
  },
  { cause: 'gnats', signs: ['flies'], how: { habit: 'every day', recipeId: 'living-coir' }, place: DAMP },
  { cause: 'algae', signs: ['green crust'], how: { habit: 'every day', how: 'above' }, place: DAMP },
  {
    cause: 'thirsty',
    signs: ['wilting dry'],
    how: { habit: 'every third day', containerId: 'tray-128', feedMgPerL: 60 },
    place: { dayC: 27, nightC: 20, humidity: 0.35 },
  },
  {
    cause: 'hungry',
    signs: ['pale old'],
    how: { habit: 'when light', feedMgPerL: null, recipeId: 'peat-and-mineral', days: 34 },
  },
  { cause: 'strongFeed', signs: ['burnt'], how: { habit: 'when light', feedMgPerL: 260 } },
  {
    cause: 'salts',
    signs: ['burnt', 'white crust'],
    how: { habit: 'every second day', feedMgPerL: 75, waterEc: 1.6, days: 40 },
    more: () => ({ lastNMgPerL: 75, alkalinityMgPerL: 60 }),
  },
  {
    cause: 'hardWater',
    signs: ['white crust'],
    how: { habit: 'when light', feedMgPerL: 60 },
    more: (pick) => ({ alkalinityMgPerL: Math.round(pick(260, 340)) }),
  },
  {
    cause: 'alkaline',
    signs: ['pale new'],
    how: { habit: 'when light', feedMgPerL: 60 },
    more: (pick) => ({ ph: Number(pick(7.3, 7.8).toFixed(1)), alkalinityMgPerL: Math.round(pick(250, 320)) }),
  },
  {
    cause: 'cold',
    signs: ['purple'],
    how: { habit: 'when light', feedMgPerL: 60 },
    place: { dayC: 14, nightC: 6 },
  },
  {
    cause: 'dim',
    signs: ['leggy'],
    how: { habit: 'when light', feedMgPerL: 60 },
    lampCm: 90,
    place: { dayC: 20, nightC: 16 },
  },
  {
    cause: 'tooWarm',
    signs: ['leggy'],
    how: { habit: 'when light', feedMgPerL: 60 },
    lampCm: 22,
    place: { dayC: 31, nightC: 25 },
  },
  {
    cause: 'movedOut',
    signs: ['pale new'],
    how: { habit: 'when light', feedMgPerL: 60 },
    more: (pick) => ({ daysOutside: Math.round(pick(1, 3)) }),
  },
  { cause: 'seedLeavesDone', signs: ['pale old'], how: { habit: 'when light', feedMgPerL: 60, days: 40 } },
  {
    cause: 'outgrown',
    signs: ['circling'],
    how: { habit: 'when light', feedMgPerL: 60, days: 56 },
    more: () => ({ roots: 'circling', overstayed: 1.4 }),
  },
  {
    cause: 'dryMix',
    signs: ['sheds water'],
    how: { habit: 'every third day', containerId: 'tray-200', recipeId: 'peat-and-mineral' },
    place: { dayC: 30, nightC: 22, humidity: 0.25 },
  },
  {
    cause: 'floats',
    signs: ['floating'],
    how: { habit: 'every second day', how: 'above', recipeId: 'lean-and-light', feedMgPerL: 60 },
  },
]
const CROPS = ['tomato', 'lettuce', 'basil', 'pepper', 'cabbage', 'snapdragon'] as const
const LAMP = { ppfd: 220, atCm: 30, radiusCm: 25 }
const HOURS = 16
const TRIES = 60
/** So likely the cause has to be by the record: a puzzle has an answer. */
const CLEAR = 0.6

/**
 * A made-up tray.
 *
 * @param seed the same gives the same tray
 * @throws RangeError where no tray can be made up, which the catalogue never leads to
 */
export function practiceTray(seed: number, context: Context): PracticeTray {
  for (let i = 0; i < TRIES; i++) {
    const made = attempt(seed, seed * TRIES + i, context)
    // The record must say what is the matter: else nobody could find out.
    if (
      made &&
      made.causes[0]?.id === made.cause &&
      (made.causes[1]?.weight ?? 0) < made.causes[0].weight - 0.05 &&
      made.causes[0].weight > CLEAR
    )
      return made
  }
  throw new RangeError(`seed: no tray can be made up of ${seed}`)
}

/** How a tray with a fault was kept: as the fault has it, else as it is usually done. */
function careUnder(
  { place, how = {} }: Fault,
  pick: (low: number, high: number) => number,
  one: <Item>(list: readonly Item[]) => Item,
) {
  return {
    place: { ...placeOf('shelf', 'made-up'), dayC: pick(19, 22), nightC: pick(15, 18), ...place },
    days: how.days ?? Math.round(pick(20, 26)),
    feedMgPerL: how.feedMgPerL ?? null,
    recipeId: how.recipeId ?? one(['lean-and-light', 'peat-and-mineral']),
    containerId: how.containerId ?? one(['tray-72', 'tray-50']),
    waterEc: how.waterEc ?? 0.4,
    habit: how.habit ?? ('when light' as const),
    how: how.how ?? ('below' as const),
  }
}

function attempt(seed: number, draw: number, context: Context): PracticeTray | null {
  const random = mulberry32(draw)
  const pick = (low: number, high: number) => low + random() * (high - low)
  const one = <Item>(list: readonly Item[]): Item => elementAt(list, Math.floor(random() * list.length))
  const fault = one(FAULTS)
  const crop = context.crops.get(one(CROPS))
  const sign = one(fault.signs)
  if (!crop) return null
  const { place, days, feedMgPerL, recipeId, containerId, how, ...care } = careUnder(fault, pick, one)
  const request = scenarioFor(context, {
    ...{ recipeId, containerId, place, how, days, ...care },
    lampHours: HOURS,
    feed:
      feedMgPerL === null
        ? null
        : { nMgPerL: feedMgPerL, ecMsPerCm: feedMgPerL * EC_PER_MG_N, everyDays: 7, fromDaysUp: 7 },
  })
  const container = context.containers.get(containerId)
  const mix = context.mixOf(recipeId)
  if (!request || !container || !mix) return null
  const group = waterScenario(request)
  const blend = blendOf(mix.parts, context.materials)
  const chemistry = chemistryOf(blend.ingredients, blend.mixingLoss, dosed(mix.extras, context.materials))
  const { physics, daysOfFood } = insideOf(container, blend, chemistry)
  const daysUp = days - request.upAfterDays
  const growthStage = growthStageById(daysUp < 10 ? 'seed-leaves' : 'true-leaves')
  const last = lastOf(group.days)
  const week = group.days.slice(-7)
  const fedAgo = agoOf(group.days)
  const ppfd = ppfdAt(LAMP, fault.lampCm ?? pick(22, 28))
  const shareOf = (is: (id: string) => boolean) =>
    blend.ingredients.reduce((sum, { material, share }) => sum + (is(material.id) ? share.value : 0), 0)
  const record: SignRecord = {
    ...emptyRecord(),
    daysUp,
    lateness: null,
    overstayed: Number((days / 42).toFixed(2)),
    roots: 'holding',
    lastNMgPerL: feedMgPerL,
    daysSinceFed: feedMgPerL === null ? null : fedAgo,
    band: [growthStage.lowNMgPerL, growthStage.highNMgPerL],
    ecMsPerCm: last.ecMsPerCm,
    ecLimitMsPerCm: 2,
    daysPastFood: feedMgPerL === null ? daysUp - daysOfFood.value : -3,
    air: physics.airSpace.value,
    airLeast: physics.airWanted.least,
    ph: chemistry.ph.value,
    alkalinityMgPerL: Math.round(pick(40, 90)),
    saltsMsPerCm: chemistry.saltsMsPerCm.value,
    waterGone: last.gone,
    wetDays: week.filter(({ gone }) => gone < WET_GONE).length,
    dryDays: week.filter(({ gone }) => gone > 0.95).length,
    fromAbove: how === 'above',
    coldestC: place.nightC,
    warmestC: place.dayC,
    mixC: (place.dayC + place.nightC) / 2,
    lightMol: dailyLight(ppfd, HOURS).value,
    lightLeast: LIGHT_WANTED.seedling.low,
    covered: false,
    living: blend.ingredients.reduce(
      (sum, { material, share }) => sum + (isAlive(material) ? share.value : 0),
      0,
    ),
    peat: shareOf((id) => id.includes('peat')),
    perlite: shareOf((id) => id.includes('perlite')),
    humidity: place.humidity ?? 0.5,
    seedYears: 1,
    depthMm: crop.depthMm,
    crop,
    ...fault.more?.(pick),
  }
  return {
    seed,
    sign,
    crop: crop.name,
    day: days,
    record,
    cause: fault.cause,
    causes: causesOf(sign, record),
  }
}

/** Days since it was last fed. */
function agoOf(days: readonly ScenarioDay[]): number {
  const at = days.findLastIndex(({ fed }) => fed)
  return at < 0 ? days.length : days.length - 1 - at
}

/** What one would think of besides, where a sign has few causes of its own. */
const BESIDES: readonly CauseId[] = ['drowned', 'thirsty', 'hungry', 'cold']
const MIN_CHOICES = 4

/** What can be decided on: everything that can be behind the sign, and what one would think of, in the order of the letters. */
export const practiceChoices = (sign: SignId) => {
  const own = Object.keys(SPEAKS[sign]) as CauseId[]
  const others = BESIDES.filter((id) => !own.includes(id)).slice(0, Math.max(0, MIN_CHOICES - own.length))
  return [...own, ...others]
    .map((id) => ({ id, name: CAUSE_WORDS[id].name }))
    .sort((a, b) => (a.name < b.name ? -1 : 1))
}

/** The measurements that would have told: those whose numbers the record's own reason is made of. */
export function tellingAsks({ record, sign, cause }: PracticeTray): PracticeAsk[] {
  // Without them the record would not say it: each measurement is taken away in turn.
  const weightWithout = (keys: readonly (keyof SignRecord)[]) => {
    const blind = {
      ...record,
      ...Object.fromEntries(keys.map((key) => [key, key === 'airLeast' ? record.airLeast : null])),
    }
    return causesOf(sign, blind).find(({ id }) => id === cause)?.weight ?? 0
  }
  const whole = causesOf(sign, record).find(({ id }) => id === cause)?.weight ?? 0
  return PRACTICE_ASKS.filter(({ of }) => weightWithout(of) < whole - 0.02).map(({ id }) => id)
}
