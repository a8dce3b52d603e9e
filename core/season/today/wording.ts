import { counted } from '../../text/plurals'
import { printNumber } from '../../units/format'
import { containersText } from '../schedule/containers-text'
import type { PlannedSowing } from '../schedule/sowing'
import type { PlannedStage } from '../schedule/sowing-request'
import type { Crop } from '../../sowing/crop'
import type { CareKind, CareVisit } from '../schedule/final-care'
import { heightFor, LIGHT_WANTED } from '../../places/light'
import { lampOf } from '../../places/place-light'
import type { Day } from '../../calendar/day'
import type { Danger, Job, TodayRow } from './job'

const DOING: Readonly<Record<PlannedStage['kind'], string>> = {
  sow: 'Sow',
  broadcast: 'Broadcast',
  'prick out': 'Prick out',
  'pot up': 'Pot up',
  harden: 'Begin to harden off',
  'set in': 'Set in its last container',
}

const names = (all: readonly string[]) =>
  all.length > 3 ? `${all.slice(0, 2).join(', ')} and ${all.length - 2} more` : [...new Set(all)].join(', ')

export interface JobWords {
  /** What is to be done, in one line. */
  readonly title: string
  /** How much, with what. */
  readonly detail: string
}

/** How the hand sows: seeds, cells, depth and cover, and what stands on the label first. */
function sowingText(
  { seeds, perCell }: PlannedSowing,
  stage: PlannedStage,
  name: string,
  length: (mm: number) => string,
): string {
  const { coverMm, coverMaterialId } = stage.fill
  const each = stage.kind === 'sow' && seeds > stage.cells ? `, ${perCell} in each cell` : ''
  const depth =
    coverMm === 0
      ? 'on the surface, pressed in'
      : `${length(coverMm)} deep${coverMaterialId === 'vermiculite' ? ', covered with vermiculite' : ''}`
  return `label it first: ${name}. ${counted(seeds, 'seed')}${each}, ${depth}; ${containersText(stage)}`
}

/** How a household says amounts. */
export interface Saying {
  readonly volume: (l: number) => string
  readonly length: (mm: number) => string
  readonly temperature: (celsius: number) => string
}

const treatmentTitle = (who: string, crop: Crop | undefined) => {
  const doing = { soak: 'Soak', nick: 'Nick', chill: 'Chill' }
  return crop?.treatment ? `${doing[crop.treatment.kind]} the seed of ${who}` : `Treat the seed of ${who}`
}

/** What is done to the seed, for how long, where, and with what water [common practice]. */
function treatmentText(crop: Crop | undefined, temperature: Saying['temperature']): string {
  if (!crop?.treatment) return 'before it is sown'
  const { kind, days } = crop.treatment
  if (kind === 'chill')
    return `${counted(days, 'day')} in the fridge, at about ${temperature(4)}: between damp paper in a closed bag, with its label; look for mould each week`
  if (kind === 'nick') return 'a scratch through the coat with a file or a nail clipper, away from the scar'
  return days < 1
    ? `a few hours in hand-warm water, about ${temperature(40)}`
    : `${days <= 1 ? 'overnight' : counted(days, 'day')} in hand-warm water, about ${temperature(40)} to begin with; change it each day, and sow wet`
}

/** Where the tray goes on the day of the first sprout, and how high its lamp hangs. */
function uncoverText({ where, care }: PlannedStage, length: Saying['length']): string {
  const { untilUp, place } = where
  const lamp = place.light && lampOf(place.light)
  const wanted = (LIGHT_WANTED.seedling.low + LIGHT_WANTED.seedling.high) / 2
  const height = lamp && care.lightHours > 0 ? heightFor(lamp, care.lightHours, wanted) : null
  return [
    ...(untilUp.cover === 'none' ? [] : [`take off the ${untilUp.cover} today`]),
    ...(untilUp === place ? [] : [`off ${untilUp.name}, to ${place.name}`]),
    ...(height
      ? [`lamp ${length(height.value * 10)} over the leaves, ${counted(care.lightHours, 'hour')} a day`]
      : lamp
        ? ['lamp as close as it may hang']
        : []),
  ].join('; ')
}

function outText(
  of: Pick<TodayRow, 'planned' | 'crop' | 'spacingMm'> | undefined,
  length: Saying['length'],
): string {
  if (!of) return ''
  const { planned, crop, spacingMm } = of
  const clumps =
    crop.clump && planned.perCell > 1
      ? `; clumps of ${planned.perCell} ${crop.countsClumps ? 'are set whole' : 'are set whole, or pulled apart in water'}`
      : ''
  return `${spacingMm ? `; ${length(spacingMm)} apart, by the packet` : ''}${clumps}`
}

const CARE: Readonly<Record<CareKind, string>> = {
  stake: 'a stake beside each',
  granular: 'granular feed',
  calcium: 'lime',
  'top-dress': 'castings on top',
}

/** What a plant in its last container is given, each and all, and its water. */
function careText({ parts, waterL, plants }: CareVisit, volume: Saying['volume']): string {
  const given = parts.map(({ kind, perPlantL, allL }) =>
    perPlantL === 0
      ? CARE[kind]
      : `${volume(perPlantL)} of ${CARE[kind]} each${plants > 1 ? `, ${volume(allL)} in all` : ''}`,
  )
  return `${given.join('; ')}. Water: about ${volume(waterL)} a day each in warm weather`
}

type Sowing = Pick<TodayRow, 'planned' | 'crop' | 'spacingMm'>
interface Told {
  readonly job: Job
  /** Its sowings by name. */
  readonly who: string
  /** Its first sowing, where one is known, and the stage of it. */
  readonly of: Sowing | undefined
  readonly stage: PlannedStage | undefined
  readonly nameOfMix: (recipeId: string) => string
  readonly say: Saying
}

/** What happens at the start of a stage: how many, into what. */
function stageText({ job, of, stage, say }: Told): string {
  if (!stage || !of) return ''
  const plants = counted(stage.plants, 'plant')
  if (job.moved > 0)
    return `${printNumber(job.moved)} of ${plants} are moved; the rest into ${containersText(stage)}`
  if (job.stageKind === 'sow' || job.stageKind === 'broadcast')
    return sowingText(of.planned, stage, job.names[0] ?? '', say.length)
  return job.stageKind === 'harden'
    ? `${plants}, a little longer outside each day`
    : `${plants} into ${containersText(stage)}`
}

const WORDS: Readonly<Record<Job['kind'], (told: Told) => JobWords>> = {
  treat: ({ who, of, say }) => ({
    title: treatmentTitle(who, of?.crop),
    detail: treatmentText(of?.crop, say.temperature),
  }),
  'soak mix': ({ job: { mix }, who, nameOfMix, say }) => ({
    title: `Soak coir for ${mix ? nameOfMix(mix.recipeId) : who}`,
    detail: `${mix ? `for ${say.volume(mix.looseL)} of mix ` : ''}for ${who}: the evening before, or half an hour before mixing`,
  }),
  'make mix': ({ job: { mix }, who, nameOfMix, say }) => ({
    title: mix ? `Make ${say.volume(mix.looseL)} of ${nameOfMix(mix.recipeId)}` : 'Make the mix',
    detail: `for ${who}${mix && mix.tubs > 1 ? `, in ${mix.tubs} tubs` : ''}`,
  }),
  stage: (told) => ({
    title: `${told.job.stageKind ? DOING[told.job.stageKind] : 'Move on'} ${told.who}`,
    detail: stageText(told),
  }),
  look: ({ who }) => ({ title: `See whether ${who} is up`, detail: 'count what came up' }),
  uncover: ({ who, stage, say }) => ({
    title: `Cover off, light on: ${who}`,
    detail: stage ? uncoverText(stage, say.length) : '',
  }),
  thin: ({ who }) => ({
    title: `Thin ${who} to one in each cell`,
    detail: 'snip the weaker ones at the foot; or keep them together, if they are planted as a pair',
  }),
  fan: ({ who }) => ({
    title: `Moving air for ${who}`,
    detail: 'a fan on low, or a hand over them twice a day: stems thicken, mould does not settle',
  }),
  roots: ({ who }) => ({
    title: `Look at the roots of ${who}`,
    detail: 'lift one: at the hole or holding the mix, it is time to pot up; circling, it is late',
  }),
  settle: ({ who }) => ({
    title: `See how ${who} stands after the move`,
    detail: 'upright again by the third day; out of strong light until then, and no feed',
  }),
  feed: ({ job: { first, feed }, who, say }) => ({
    title: `${first ? 'First feed: ' : 'Feed '}${who}`,
    detail: feed
      ? `${say.volume(feed.solutionL)} at ${printNumber(feed.nMgPerL)} mg/L of nitrogen${feed.cans > 1 ? `, ${feed.cans} cans` : ''}`
      : '',
  }),
  harden: ({ job: { hours }, who }) => ({
    title: hours === 24 ? `Leave ${who} out overnight` : `${who} outside for ${counted(hours ?? 0, 'hour')}`,
    detail: 'hardening off',
  }),
  shelter: ({ who, stage }) => ({
    title: `Bring in or cover ${who} tonight`,
    detail: stage ? `it stands in ${stage.where.place.name}` : '',
  }),
  out: ({ who, of, say }) => ({
    title: `Plant out ${who}`,
    detail: `well watered, in the evening or under a grey sky${outText(of, say.length)}`,
  }),
  care: ({ job: { care }, who, say }) => ({
    title: `Look after ${who}`,
    detail: care ? careText(care, say.volume) : '',
  }),
  end: ({ who }) => ({ title: `The crop of ${who} is over`, detail: 'nothing more is asked for it' }),
  'give up': ({ who }) => ({ title: `Give up on ${who}`, detail: 'it no longer stands on the shelf' }),
}

/**
 * A job in words.
 *
 * @param of the job's first sowing, as it is planned, and its crop
 * @param nameOfMix the name of a recipe
 * @param say how the household says a volume, a length and a temperature
 */
export function jobWords(
  job: Job,
  of: Sowing | undefined,
  nameOfMix: (recipeId: string) => string,
  say: Saying,
): JobWords {
  const stage = of?.planned.stages[job.of[0]?.stage ?? -1]
  return WORDS[job.kind]({ job, who: names(job.names), of, stage, nameOfMix, say })
}

/** What is wrong where a job is in danger, and what to do. */
export function dangerWords(
  danger: Danger,
  { day, temperature }: Pick<Saying, 'temperature'> & { readonly day: (day: Day) => string },
): string {
  switch (danger.kind) {
    case 'no-show':
      return danger.verdict === 'sow again'
        ? `Expected ${day(danger.expected)}; twice the days are over. Sow again.`
        : `Expected ${day(danger.expected)} and not up: too cold, too deep, too old, or light and dark wrong.`
    case 'nights too cold':
      return `A night of ${temperature(danger.nightC)} is ahead; below ${temperature(danger.lowestC)} it suffers. Keep it in.`
    case 'shelf full':
      return `${danger.place} is full from ${day(danger.on)}: ${printNumber(danger.flats)} flats.`
  }
}
