import { present } from '../../present'
import { at as elementAt, first as firstOf, last as lastOf } from '../../numeric/at'
import type { Container } from '../../containers/container'
import { under, wholeWithin, within, type Problem, refuse, wrongAt } from '../../problem'
import { countsSeedlings, type Crop } from '../../sowing/crop'
import { daysUp, LATE_AT, RESOW_AT } from '../../sowing/emergence'
import { daysByWarmth } from '../../sowing/warmth'
import { MAX_CELLS } from '../../sowing/odds'
import type { Figure } from '../../working/figure'
import type { SeasonBook } from '../book'
import { careFor } from './care'
import { flatsOf } from '../../containers/flat'
import { addDays, daysBetween, isDay, type Day } from '../../calendar/day'
import type { SeasonFrame } from '../frame'
import { earliestOut, latestOut, seasonEnds } from '../../calendar/frost'
import { staysOf, whereOf, type Where } from './stays'
import { noticesOf, type Notice } from './notices'
import { daysByRoots, rootsKey } from './roots'
import { stageDays } from './stage-days'
import { ballOf, fillOf } from './stage-fill'
import { startOf } from './start'
import { scheduleById, scheduleProblems, type ScheduleStage } from './schedules'
import type { PlannedStage, SowingRequest } from './sowing-request'

export interface PlannedSowing {
  readonly stages: readonly PlannedStage[]
  readonly germination: Figure
  /** Of what comes up, lost on the way. */
  readonly lost: Figure
  readonly perCell: number
  /** Chance that a cell gives a plant that can go out; for broadcast seed, that a seed does. */
  readonly chance: Figure
  /** Cells to sow; open trays where it is broadcast. */
  readonly cells: number
  readonly seeds: number
  readonly sowOn: Day
  readonly outOn: Day
  /** The day it was to go out; `outOn` is later where it is late. */
  readonly outDueOn: Day
  /** Earliest and latest day to sow for that planting day. */
  readonly sowRange: readonly [Day, Day]
  readonly treatOn: Day | null
  /** null where the mix is too cold for it ever to come up. */
  readonly emergence: Figure | null
  readonly emergeOn: Day | null
  readonly lateOn: Day | null
  readonly resowOn: Day | null
  readonly notices: readonly Notice[]
}

/** Potted on beside the plants wanted [default]. */
export const SPARE_PLANTS = 0.05
/** A sowing lies within a year and a half of its frosts. */
const FARTHEST_DAYS = 550

/** The stages a sowing climbs: its own, those of its schedule, or of the crop's usual one. */
export const stagesOf = (
  request: Pick<SowingRequest, 'stages' | 'scheduleId' | 'crop'>,
): readonly ScheduleStage[] =>
  request.stages ?? scheduleById(request.scheduleId ?? request.crop.scheduleId).stages

/** What is wrong with a sowing, each at its field; none where it can be planned. */
export function sowingProblems(request: SowingRequest, frame: SeasonFrame, book: SeasonBook): Problem[] {
  const { plants, outOn, sowOn, germination, certainty, seedsPerCell } = request
  const each = [
    ...wholeWithin(['plants'], plants, 1, 20_000),
    ...dayProblems('outOn', outOn, frame),
    ...dayProblems('sowOn', sowOn, frame),
    ...(outOn && sowOn && isDay(outOn) && isDay(sowOn) && sowOn >= outOn
      ? [wrongAt(['sowOn'], 'sownAfterOut')]
      : []),
    ...(germination === null ? [] : within(['germination'], germination, 0.01, 1, 'share')),
    ...(request.cells == null ? [] : wholeWithin(['cells'], request.cells, 1, MAX_CELLS)),
    ...within(['certainty'], certainty, 0.5, 0.999, 'share'),
    ...within(['seedYears'], request.seedYears, 0, 30, 'years'),
    ...(seedsPerCell === null ? [] : wholeWithin(['seedsPerCell'], seedsPerCell, 1, 50)),
    ...(request.season === 'autumn' && !request.crop.autumn && outOn === null && sowOn === null
      ? [wrongAt(['season'], 'noAutumnDate', { crop: request.crop.name })]
      : []),
    ...under('stages', scheduleProblems(stagesOf(request), book.findContainer)),
  ]
  return each.length ? each : tooMany(request, book)
}

/** Seed that comes up so poorly that no bench holds the cells for it. */
function tooMany(request: SowingRequest, book: SeasonBook): Problem[] {
  const germination = request.germination ?? request.crop.germination
  // Far from the limit it is not worth the search.
  if (request.plants * 2 < MAX_CELLS * germination * 0.5 ** request.seedYears) return []
  try {
    startOf(request, firstOf(stagesOf(request)), book.findContainer)
    return []
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
    return [wrongAt(['plants'], 'tooManyCells', { most: MAX_CELLS })]
  }
}

function dayProblems(key: 'outOn' | 'sowOn', day: Day | null, frame: SeasonFrame): Problem[] {
  if (day === null) return []
  if (!isDay(day)) return [wrongAt([key], 'notADay')]
  const { last } = seasonEnds(frame)
  return Math.abs(daysBetween(last, day)) > FARTHEST_DAYS
    ? [
        {
          path: [key],
          ...(frame.lastFrost === null
            ? { kind: 'farFromSeason' as const }
            : { kind: 'outsideSeason' as const, values: { lastFrost: last } }),
        },
      ]
    : []
}

/**
 * From "so many plants by then" to cells, seed, and the schedule's dates back from planting out.
 *
 * @throws RangeError naming the field, for anything `sowingProblems` finds, or more plants than a bench can raise
 */
export function planSowing(request: SowingRequest, frame: SeasonFrame, book: SeasonBook): PlannedSowing {
  refuse(sowingProblems(request, frame, book))
  const { crop } = request
  const stages = stagesOf(request)
  const start = startOf(request, firstOf(stages), book.findContainer)

  const methods = { light: frame.lightMethod, feeding: frame.feedingMethod }
  const wheres = stages.map((stage) => whereOf(stage, crop, frame, request.placeId ?? null))
  const cares = stages.map((stage, i) => careFor(stage, crop, methods, elementAt(wheres, i)))
  const { days, shifted } = daysByRoots(stageDays(request, stages), stages, (id) =>
    request.roots?.get(rootsKey(crop.id, id)),
  )
  const whole = days.reduce((sum, n) => sum + n, 0) - (lastOf(stages).kind === 'set in' ? lastOf(days) : 0)
  const outBy = request.outOn ?? defaultOut(crop, request.season, frame)
  const plannedSow = request.sowOn ?? addDays(outBy, -whole)
  const held = (key: string, due: Day) =>
    request.done[key] ?? (request.notBefore && due < request.notBefore ? request.notBefore : due)
  const sowOn = held('stage-0', plannedSow)

  const emergence = emergenceOf(request, sowOn, firstOf(wheres), firstOf(cares).mixC)
  // What is still within the packet's own days is not late.
  const latest = request.upDays?.to ?? 0
  const after = (factor: number) =>
    emergence
      ? addDays(
          sowOn,
          Math.ceil(Math.max(emergence.value * factor, factor > 1 ? latest * (factor / LATE_AT) : 0) - 1e-9),
        )
      : null
  const expected = after(1)
  // What came up late climbs late.
  const heldUp = request.done.up && expected ? daysBetween(expected, request.done.up) : 0

  const outIndex = lastOf(stages).kind === 'set in' ? stages.length - 1 : stages.length
  const dues: Day[] = [plannedSow]
  const froms: Day[] = [sowOn]
  days.forEach((n, i) => {
    const due = addDays(elementAt(froms, i), i === 0 ? Math.max(1, n + heldUp) : n)
    dues.push(due)
    froms.push(held(i + 1 === outIndex ? 'out' : `stage-${i + 1}`, due))
  })
  const outOn = elementAt(froms, outIndex)
  const until = (i: number) => elementAt(froms, i + 1)

  const wanted = Math.ceil(request.plants * (1 + SPARE_PLANTS))
  // No more are carried on than came up, once it is late for the rest: until then more may come.
  const lateOn = after(LATE_AT)
  const up = request.up && lateOn && request.up.on >= lateOn ? request.up.up : null
  const carried = countsSeedlings(crop) ? start.cells : Math.max(1, Math.min(wanted, up ?? wanted))
  const upOn = request.done.up ?? expected
  let container: Container | undefined
  let each = 1
  const planned = stages.map((stage, index): PlannedStage => {
    const before = container && { container, each }
    // Where they stay in what they stand in, they stay as many.
    each = index === 0 ? 1 : (stage.plantsEach ?? (stage.containerId ? 1 : each))
    container = stage.containerId ? present(book.findContainer(stage.containerId)) : present(before).container
    const places =
      index === 0 ? start.cells : stage.kind === 'set in' ? Math.min(request.plants, carried) : carried
    const parts = request.done[`stage-${index}`]
      ? []
      : (request.moved ?? []).filter((part) => part.stage === index && index > 0)
    const moved = Math.min(
      places - 1,
      parts.reduce((sum, part) => sum + part.plants, 0),
    )
    const filled = (plants: number) => ({
      ...fillOf(stage, present(container), Math.ceil(plants / each), crop),
      ...(each > 1 && { plants: each }),
      ...ballOf(stage, before, present(container), each),
    })
    const fill = filled(places - moved)
    const where = elementAt(wheres, index)
    const flatsFor = (plants: number) => flatsOf(present(container)) * filled(plants).count
    const flats = flatsFor(places)
    const span = { from: elementAt(froms, index), until: until(index), flats }
    return {
      index,
      kind: stage.kind,
      dueOn: elementAt(dues, index),
      from: elementAt(froms, index),
      until: until(index),
      fill,
      container,
      recipeId: stage.recipeId,
      looseL: stage.recipeId === null ? 0 : book.looseL(stage.recipeId, fill),
      cells: Math.ceil((places - moved) / each),
      flats: stage.kind === 'harden' || stage.kind === 'set in' ? 0 : flats,
      where,
      stays: [
        ...parts.flatMap((part) =>
          staysOf(where, { from: part.on, until: span.from, flats: flatsFor(part.plants) }, upOn),
        ),
        ...staysOf(where, span, upOn),
      ],
      moved,
      plants: index === 0 ? start.cells : places,
      care: elementAt(cares, index),
    }
  })
  const slack = Math.round(((crop.weeks[1] - crop.weeks[0]) / 2) * 7)
  const sown = { sowOn, outOn }
  return {
    ...start,
    ...sown,
    stages: planned,
    sowRange: [addDays(plannedSow, -slack), addDays(plannedSow, slack)],
    outDueOn: elementAt(dues, outIndex),
    treatOn: crop.treatment ? addDays(sowOn, -crop.treatment.days) : null,
    emergence,
    emergeOn: upOn,
    lateOn,
    resowOn: after(RESOW_AT),
    notices: noticesOf(
      request,
      frame,
      { ...sown, planned, shifted },
      { ...start, up },
      firstOf(cares).mixC,
      emergence !== null,
    ),
  }
}

/** Days to emergence: what the place was really like says when it is late, not what it was meant to be like. */
function emergenceOf({ crop, upDays, done, warmth }: SowingRequest, sowOn: Day, where: Where, mixC: number) {
  const expected = daysUp(crop, upDays ?? null, mixC)
  if (!expected || !done['stage-0'] || !warmth) return expected
  return daysByWarmth(crop, expected, sowOn, warmth(where.untilUp, mixC))
}

function defaultOut(crop: Crop, season: SowingRequest['season'], frame: SeasonFrame): Day {
  const { last, first } = seasonEnds(frame)
  if (season === 'autumn') return latestOut(crop, frame) ?? addDays(first, -(crop.weeksBeforeFrost ?? 0) * 7)
  const earliest = earliestOut(crop, frame)
  // Where nights never matter, or are never warm enough, the middle of spring is as good as any day.
  return earliest === null || earliest === 'never' ? addDays(last, crop.outAfterFrostWeeks * 7) : earliest
}

/**
 * How a sowing stands that is not up yet.
 *
 * @example emergenceVerdict({ emergeOn: '2027-03-08', lateOn: '2027-03-12', resowOn: '2027-03-15' }, '2027-03-12') // 'late'
 */
export function emergenceVerdict(
  sowing: Pick<PlannedSowing, 'emergeOn' | 'lateOn' | 'resowOn'>,
  today: Day,
): 'too cold' | 'sow again' | 'late' | 'due' | 'waiting' {
  const { emergeOn, lateOn, resowOn } = sowing
  if (!emergeOn || !lateOn || !resowOn) return 'too cold'
  if (today >= resowOn) return 'sow again'
  if (today >= lateOn) return 'late'
  return today >= emergeOn ? 'due' : 'waiting'
}
