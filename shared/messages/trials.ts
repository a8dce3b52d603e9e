import type { Day } from '#core/calendar/day'
import { MIN_TRAYS, type Verdict } from '#core/trials/trial'
import { printShare } from '#core/units/format'
import type { Against } from '../derived/group-facts'
import { messages } from './message'

/* What the counts of a trial or a comparison say, and how sure that is. */

const say = messages({
  uncounted: 'Nothing has been counted on one of the sides yet.',
  trays:
    '{one}, {other}. Whole trays were dealt, so each tray counts once: {could}{few, select, yes {; what is only one tray’s luck takes {least} trays a side to tell} other {}}.{real}',
  ofTrays: '{share} {what} in {name} ({trays, plural, one {# tray} other {# trays}})',
  alike: '{hits} of {of} {what} in {name}, {otherHits} of {otherOf} in {other}: no difference to see.',
  more: '{n} more of {of} {what} in {name}',
  shares: '{share} {what} in {name}, {otherShare} in {other}',
  differs: '{more}: if they were alike, chance would do that {chance}.{real}',
  unsure: '{more}: {could}{cells, plural, =0 {} other {; for sure you would need about # cells a side}}.',
  sameDays: 'Half of both were up after {days}.',
  days: '{sooner} was up {apart} sooner than {later} (half of it after {days}): {differs, select, yes {chance would do that {chance}} other {could be chance {chance}}}.',
  halfDays: '{n, plural, one {# day} other {# days}}',
  merely: 'mere chance does that most of the time',
  chanceWould: 'chance would do that {chance}',
  couldBe: 'could be chance {chance}',
  real: ' Take it as real.',
  weeks: 'Not the same weeks: {one} about {oneOn}, {other} about {otherOn}.',
  places: 'Not the same places: {one} against {other}.',
  crops: 'Not the same crops: {one} against {other}.',
  packets: 'Not the same packets of seed.',
  mix: 'Not the same mix.',
  few: 'Few trays: what befell one of them counts for much.',
  'no trial': 'Not a trial: something else that differs may be the cause. A trial would tell.',
  notRecorded: 'not recorded',
})

/** From this on nobody need wonder at it [default]. */
const MERE_CHANCE = 0.75
const WORDS = ['', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten']
/** A chance in words a person would say: `one time in four`. */
export function sayChance(p: number): string {
  if (p >= MERE_CHANCE) return 'nearly always'
  if (p >= 0.4) return 'one time in two'
  const n = Math.round(1 / p)
  if (n > 1000) return 'hardly ever'
  const rounded = n > 30 ? Math.round(n / 10) * 10 : n
  return `one time in ${WORDS[rounded] ?? rounded}`
}

/**
 * What the counts say, for people who have to decide by it.
 *
 * @param isTrial what was compared was dealt; else something else may be the cause, and nothing is taken as real
 */
export function sayTrial({ says, p, cells, differs }: Verdict, isTrial = true): string {
  const chance = p === null ? '' : sayChance(p)
  const real = differs && isTrial ? say('real') : ''
  const could = (kind: 'chanceWould' | 'couldBe') =>
    p !== null && p >= MERE_CHANCE ? say('merely') : say(kind, { chance })
  switch (says.kind) {
    case 'uncounted':
      return say('uncounted')
    case 'trays': {
      const [one, other] = says.sides.map(({ name, share, trays }) =>
        say('ofTrays', { share: percent(share), what: says.what, name, trays }),
      ) as [string, string]
      const few = says.few ? 'yes' : 'no'
      return say('trays', { one, other, could: could('chanceWould'), few, least: MIN_TRAYS, real })
    }
    case 'alike': {
      const { more, less, what } = says
      const of = { hits: more.hits, of: more.of, name: more.name }
      return say('alike', { ...of, what, otherHits: less.hits, otherOf: less.of, other: less.name })
    }
    case 'cells': {
      const { more, less, what } = says
      const by =
        more.of === less.of
          ? say('more', { n: more.hits - less.hits, of: more.of, what, name: more.name })
          : say('shares', {
              share: percent(more.hits / more.of),
              what,
              name: more.name,
              otherShare: percent(less.hits / less.of),
              other: less.name,
            })
      if (differs) return say('differs', { more: by, chance, real })
      const needed = cells !== null && cells > Math.max(more.of, less.of) ? tidy(cells) : 0
      return say('unsure', { more: by, could: could('couldBe'), cells: needed })
    }
    case 'same days':
      return say('sameDays', { days: halfDays(says.days) })
    case 'days': {
      const { sooner, later, apart, days } = says
      const by = { sooner, later, apart: halfDays(apart), days: halfDays(days) }
      return say('days', { ...by, differs: differs ? 'yes' : 'no', chance })
    }
  }
}

/** @param printDay a day as the reader writes it */
export function sayAgainst(one: Against, printDay: (day: Day) => string): string {
  if (one.kind === 'weeks')
    return say('weeks', { ...one, oneOn: printDay(one.oneOn), otherOn: printDay(one.otherOn) })
  if (one.kind === 'places' || one.kind === 'crops') {
    const list = (names: readonly string[]) => names.join(', ') || say('notRecorded')
    return say(one.kind, { one: list(one.one), other: list(one.other) })
  }
  return say(one.kind)
}

const percent = (share: number) => printShare(Math.round(share * 100) / 100)
const tidy = (n: number) => (n < 30 ? n : n < 300 ? Math.round(n / 10) * 10 : Math.round(n / 100) * 100)
const halfDays = (n: number) => say('halfDays', { n: Math.round(n * 2) / 2 })
