import { heightFor, LIGHT_WANTED } from '#core/places/light'
import { lampOf } from '#core/places/place-light'
import type { CareKind, CareVisit } from '#core/season/schedule/final-care'
import type { PlannedSowing } from '#core/season/schedule/sowing'
import type { StageKind } from '#core/season/schedule/schedules'
import type { PlannedStage } from '#core/season/schedule/sowing-request'
import type { Danger, Job, TodayRow } from '#core/season/today/job'
import type { Crop } from '#core/sowing/crop'
import { sayContainers } from './containers'
import { messages, namesListed } from './message'
import type { Saying } from './saying'

/* Every job of Today, on screen, on paper and in the calendar: what to do, and how much with what. */

const TITLES = messages({
  soak: 'Soak the seed of {who}',
  nick: 'Nick the seed of {who}',
  chill: 'Chill the seed of {who}',
  treat: 'Treat the seed of {who}',
  'soak mix': 'Soak coir for {mix}',
  'make mix': 'Make {volume} of {mix}',
  sow: 'Sow {who}',
  broadcast: 'Scatter {who}',
  'prick out': 'Prick out {who}',
  'pot up': 'Pot up {who}',
  harden: 'Start hardening off {who}',
  'set in': 'Plant {who} in the final container',
  move: 'Move {who} on',
  look: 'Check {who} has come up',
  uncover: 'Cover off, light on: {who}',
  thin: 'Thin {who} to one per cell',
  fan: 'Moving air for {who}',
  roots: 'Check the roots of {who}',
  settle: 'Check {who} after the move',
  'first feed': 'First feed: {who}',
  feed: 'Feed {who}',
  overnight: 'Leave {who} out overnight',
  outside: '{who} outside for {hours, plural, one {# hour} other {# hours}}',
  shelter: 'Bring in or cover {who} tonight',
  out: 'Plant out {who}',
  care: 'Look after {who}',
  end: '{who}: crop finished',
  'give up': 'Give up on {who}',
})

const DETAILS = messages({
  chill:
    '{days, plural, one {# day} other {# days}} in the fridge at about {at}, between damp paper in a closed, labelled bag; check for mould each week',
  nick: 'scratch through the coat with a file or nail clipper, away from the scar',
  soakHours: 'a few hours in hand-warm water, about {at}',
  soakOvernight: 'overnight in hand-warm water, about {at} to start with; sow wet',
  soakDays:
    '{days, plural, one {# day} other {# days}} in hand-warm water, about {at} to start with; change it daily, sow wet',
  treat: 'before sowing',
  'soak mix': 'for {who}: {volume} of mix; the evening before, or half an hour before mixing',
  'make mix': 'for {who}{tubs, plural, one {} other {, in # tubs}}',
  sow: '{seeds, plural, one {# seed} other {# seeds}}{each, plural, one {} other {, # per cell}}, {depth}; {where}',
  labelFirst: '{how}. Label first.',
  ofEach: '{name}: {how}',
  surface: 'on the surface, pressed in',
  deep: '{depth} deep',
  underVermiculite: '{depth} deep, covered with vermiculite',
  partMoved: '{moved} of {plants, plural, one {# plant} other {# plants}} moved; the rest into {where}',
  harden: '{plants, plural, one {# plant} other {# plants}}, a little longer outside each day',
  into: '{plants, plural, one {# plant} other {# plants}} into {where}',
  look: 'count what came up',
  takeOff: 'take off the {cover}',
  toPlace: 'move from {from} to {to}',
  lampAt: 'lamp {height} above the leaves, {hours, plural, one {# hour} other {# hours}} a day',
  lampClose: 'lamp as close as is safe',
  thin: 'snip the weaker ones at the base, or keep both',
  fan: 'a fan on low, or brush them by hand twice a day: stems thicken and mould stays away',
  roots: 'lift one out: roots at the hole or holding the mix together, pot up now; circling, overdue',
  settle: 'upright again by the third day; until then no strong light and no feed',
  feed: '{volume} at {strength}{cans, plural, one {} other {, # cans}}',
  hardening: 'hardening off',
  shelter: 'in {place}',
  out: 'water well first; in the evening or on a dull day',
  apart: '{distance} apart (packet)',
  clumps: 'plant each clump of {n} whole, or pull it apart in water',
  wholeClumps: 'plant each clump of {n} whole',
  careEach: '{amount} of {what} each',
  careAll: '{amount} of {what} each, {all} in all',
  careWater: 'water about {amount} a day each in warm weather',
  end: 'no more jobs for it',
  'give up': 'no longer growing',
})

const DANGERS = messages({
  resow: 'Expected {expected}, long overdue. Resow.',
  late: 'Expected {expected}, not up yet. Check it is warm enough, not too deep, and has the right light.',
  cold: 'A night of {night} is forecast; below {lowest} it suffers. Keep it in.',
  full: '{place}: full from {on} ({flats, plural, one {# flat} other {# flats}} needed, room for {room}).',
})

const CARE: Readonly<Record<CareKind, string>> = {
  stake: 'a stake for each',
  granular: 'granular feed',
  calcium: 'lime',
  'top-dress': 'castings on top',
}

export interface JobWords {
  /** What to do, in one line. */
  readonly title: string
  /** How much, with what. */
  readonly detail: string
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
const detailIn =
  (say: Saying) => (kind: Parameters<typeof DETAILS>[0], values?: Parameters<typeof DETAILS>[1]) =>
    DETAILS(kind, values, say.english)
const both = (...parts: readonly (string | false | null)[]) => parts.filter(Boolean).join('; ')

/** What is done to the seed, for how long, where, and with what water [common practice]. */
function treatment(crop: Crop | undefined, say: Saying): string {
  const tell = detailIn(say)
  if (!crop?.treatment) return tell('treat')
  const { kind, days } = crop.treatment
  if (kind === 'chill') return tell('chill', { days, at: say.temperature(4) })
  if (kind === 'nick') return tell('nick')
  const at = say.temperature(40)
  return days < 1 ? tell('soakHours', { at }) : tell(days === 1 ? 'soakOvernight' : 'soakDays', { at, days })
}

/** How to sow: seeds, cells, depth and cover. */
function sowing({ seeds, perCell }: PlannedSowing, stage: PlannedStage, say: Saying): string {
  const { coverMm, coverMaterialId } = stage.fill
  const tell = detailIn(say)
  const depth =
    coverMm === 0
      ? tell('surface')
      : tell(coverMaterialId === 'vermiculite' ? 'underVermiculite' : 'deep', { depth: say.length(coverMm) })
  const each = stage.kind === 'sow' && seeds > stage.cells ? perCell : 1
  return tell('sow', { seeds, each, depth, where: sayContainers(stage, say.said) })
}

/** What happens at the start of a stage: how many, into what. */
function ofStage({ job, of, stage, say }: Told): string {
  if (!stage || !of) return ''
  const tell = detailIn(say)
  const { plants } = stage
  const where = sayContainers(stage, say.said)
  if (job.moved > 0) return tell('partMoved', { moved: job.moved, plants, where })
  if (job.stageKind === 'sow' || job.stageKind === 'broadcast') return sowing(of.planned, stage, say)
  return job.stageKind === 'harden' ? tell('harden', { plants }) : tell('into', { plants, where })
}

/** Where the tray goes on the day of the first sprout, and how high its lamp hangs. */
function uncovering({ where, care }: PlannedStage, say: Saying): string {
  const { untilUp, place } = where
  const lamp = place.light && lampOf(place.light)
  const wanted = (LIGHT_WANTED.seedling.low + LIGHT_WANTED.seedling.high) / 2
  const height = lamp && care.lightHours > 0 ? heightFor(lamp, care.lightHours, wanted) : null
  const tell = detailIn(say)
  return both(
    untilUp.cover !== 'none' && tell('takeOff', { cover: untilUp.cover }),
    untilUp !== place && tell('toPlace', { from: untilUp.name, to: place.name }),
    height
      ? tell('lampAt', { height: say.length(height.value * 10), hours: care.lightHours })
      : !!lamp && tell('lampClose'),
  )
}

function plantingOut(of: Sowing | undefined, say: Saying): string {
  const tell = detailIn(say)
  if (!of) return tell('out')
  const { planned, crop, spacingMm } = of
  const clump = crop.clump && planned.perCell > 1
  return both(
    tell('out'),
    !!spacingMm && tell('apart', { distance: say.length(spacingMm) }),
    !!clump && tell(crop.countsClumps ? 'wholeClumps' : 'clumps', { n: planned.perCell }),
  )
}

/** What a plant in its last container is given, each and all, and its water. */
function caring({ parts, waterL, plants }: CareVisit, say: Saying): string {
  const tell = detailIn(say)
  const given = parts.map(({ kind, perPlantL, allL }) =>
    perPlantL === 0
      ? CARE[kind]
      : tell(plants > 1 ? 'careAll' : 'careEach', {
          amount: say.volume(perPlantL),
          what: CARE[kind],
          all: say.volume(allL),
        }),
  )
  return both(...given, tell('careWater', { amount: say.volume(waterL) }))
}

type Words = Readonly<{ title: Parameters<typeof TITLES>[0]; values?: object; detail: string }>
const WORDS: Readonly<Record<Job['kind'], (told: Told) => Words>> = {
  treat: ({ of, say }) => ({
    title: of?.crop.treatment?.kind ?? 'treat',
    detail: treatment(of?.crop, say),
  }),
  'soak mix': ({ job: { mix }, who, nameOfMix, say }) => ({
    title: 'soak mix',
    values: { mix: mix ? nameOfMix(mix.recipeId) : who },
    detail: mix ? detailIn(say)('soak mix', { who, volume: say.volume(mix.looseL) }) : '',
  }),
  'make mix': ({ job: { mix }, who, nameOfMix, say }) => ({
    title: 'make mix',
    values: { volume: mix ? say.volume(mix.looseL) : '', mix: mix ? nameOfMix(mix.recipeId) : who },
    detail: detailIn(say)('make mix', { who, tubs: mix?.tubs ?? 1 }),
  }),
  stage: (told) => ({ title: told.job.stageKind ?? 'move', detail: ofStage(told) }),
  look: ({ say }) => ({ title: 'look', detail: detailIn(say)('look') }),
  uncover: ({ stage, say }) => ({ title: 'uncover', detail: stage ? uncovering(stage, say) : '' }),
  thin: ({ say }) => ({ title: 'thin', detail: detailIn(say)('thin') }),
  fan: ({ say }) => ({ title: 'fan', detail: detailIn(say)('fan') }),
  roots: ({ say }) => ({ title: 'roots', detail: detailIn(say)('roots') }),
  settle: ({ say }) => ({ title: 'settle', detail: detailIn(say)('settle') }),
  feed: ({ job: { first, feed }, say }) => ({
    title: first ? 'first feed' : 'feed',
    detail: feed
      ? detailIn(say)('feed', {
          volume: say.volume(feed.solutionL),
          strength: say.strength(feed.nMgPerL),
          cans: feed.cans,
        })
      : '',
  }),
  harden: ({ job: { hours }, say }) => ({
    title: hours === 24 ? 'overnight' : 'outside',
    values: { hours: hours ?? 0 },
    detail: detailIn(say)('hardening'),
  }),
  shelter: ({ stage, say }) => ({
    title: 'shelter',
    detail: stage ? detailIn(say)('shelter', { place: stage.where.place.name }) : '',
  }),
  out: ({ of, say }) => ({ title: 'out', detail: plantingOut(of, say) }),
  care: ({ job: { care }, say }) => ({ title: 'care', detail: care ? caring(care, say) : '' }),
  end: ({ say }) => ({ title: 'end', detail: detailIn(say)('end') }),
  'give up': ({ say }) => ({ title: 'give up', detail: detailIn(say)('give up') }),
}

/**
 * A job in words.
 *
 * @param find a sowing as it is planned, and its crop
 * @param nameOfMix the name of a recipe
 * @param say how the household says amounts
 */
export function jobWords(
  job: Job,
  find: (sowingId: string) => Sowing | undefined,
  nameOfMix: (recipeId: string) => string,
  say: Saying,
): JobWords {
  const who = namesListed(job.names)
  const each = (job.kind === 'stage' ? job.of : job.of.slice(0, 1)).map((target) => {
    const of = find(target.sowingId)
    const stage = of?.planned.stages[target.stage]
    return WORDS[job.kind]({ job, who, of, stage, nameOfMix, say })
  })
  const [first = WORDS[job.kind]({ job, who, of: undefined, stage: undefined, nameOfMix, say })] = each
  const tell = detailIn(say)
  // Sowings that share a tray are sown together, each in its own way.
  const how =
    each.length > 1
      ? each.map(({ detail }, i) => tell('ofEach', { name: job.names[i] ?? '', how: detail })).join('. ')
      : first.detail
  const isSown = job.stageKind === 'sow' || job.stageKind === 'broadcast'
  return {
    title: TITLES(first.title, { who, ...first.values }, say.english),
    detail: isSown && how && job.moved === 0 ? tell('labelFirst', { how }) : how,
  }
}

/** A stage that is still ahead: `Pot up okra`. */
export const sayStage = (kind: StageKind, who: string, say: Saying): string =>
  TITLES(kind, { who }, say.english)

/** What is wrong where a job is in danger, and what to do. */
export function dangerWords(danger: Danger, say: Saying): string {
  switch (danger.kind) {
    case 'no-show':
      return DANGERS(
        danger.verdict === 'sow again' ? 'resow' : 'late',
        { expected: say.day(danger.expected) },
        say.english,
      )
    case 'nights too cold':
      return DANGERS('cold', {
        night: say.temperature(danger.nightC),
        lowest: say.temperature(danger.lowestC),
      })
    case 'shelf full':
      return DANGERS('full', {
        place: danger.place,
        on: say.day(danger.on),
        flats: Math.ceil(danger.flats - 1e-6),
        room: danger.room,
      })
  }
}
