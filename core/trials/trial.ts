import { at } from '../numeric/at'
import { counted } from '../text/plurals'
import { mulberry32 } from '../numeric/random'
import { wilson } from '../sowing/odds'
import { mean, median } from 'simple-statistics'
import { cellsToTell, fisherExact, rankTest, saidChance } from './chance'

/** What is compared. */
export const TRIAL_QUESTIONS = ['mix', 'seed', 'place', 'watering', 'method', 'other'] as const
export type TrialQuestion = (typeof TRIAL_QUESTIONS)[number]

/**
 * Cells dealt to sides by lot, as many to each as there are (the first get one more where it does not come out even): what a
 * corner, an edge or a draught does to a tray it then does to all sides alike.
 *
 * @param seed whole number; the same gives the same cells
 * @returns for each side its cells, in the order of the tray
 * @throws RangeError for fewer cells than sides
 */
export function dealt(cells: readonly number[], sides: number, seed: number): number[][] {
  if (cells.length < sides) throw new RangeError(`cells: ${cells.length} are too few for ${sides} sides`)
  const pick = mulberry32(seed)
  const shuffled = [...cells]
  // Fisher and Yates: every order is as likely as any other.
  for (let i = shuffled.length - 1; i > 0; i--) {
    const j = Math.floor(pick() * (i + 1))
    ;[shuffled[i], shuffled[j]] = [at(shuffled, j), at(shuffled, i)]
  }
  return Array.from({ length: sides }, (_, side) =>
    shuffled.filter((_cell, i) => i % sides === side).sort((a, b) => a - b),
  )
}

/** What was counted of one side. */
export interface Side {
  readonly code: string
  readonly name: string
  readonly hits: number
  readonly of: number
  /** Days to come up, of each cell that was seen coming up. */
  readonly days: readonly number[]
  /** The same by tray: what each of its trays counted, and its days. */
  readonly trays: readonly (Omit<Side, 'code' | 'name' | 'trays'> & { readonly trayId: string })[]
}

export interface Verdict {
  /** In plain words, what the counts say and how sure that is. */
  readonly words: string
  /** Chance of such a difference if both were the same; null where nothing was counted. */
  readonly p: number | null
  /** Cells a side for being sure; null where no number would tell them apart. */
  readonly cells: number | null
  readonly differs: boolean
}

/** Below this a difference is taken to be one [Fisher's one in twenty]. */
export const SURE_AT = 0.05
/** From this on nobody need wonder at it [default]. */
const MERE_CHANCE = 0.75
const MERELY = 'mere chance does that most of the time'

/** Whether whole trays were dealt: no tray has cells of both sides. */
export const isOfTrays = (one: Side, other: Side): boolean =>
  !one.trays.some(({ trayId }) => other.trays.some((each) => each.trayId === trayId))

/**
 * Of two sides of a trial which came up more, and whether that could be chance. Where cells were dealt each cell is a
 * witness; where whole trays were dealt each tray is one, however many cells it has, for whatever befell a tray befell
 * all of it [Hurlbert 1984, pseudoreplication].
 *
 * @param what they did: `came up`
 */
export function judged(one: Side, other: Side, what = 'came up'): Verdict {
  const verdict = isOfTrays(one, other) ? judgedByTrays(one, other, what) : judgedByCells(one, other, what)
  return verdict.differs ? { ...verdict, words: `${verdict.words} Take it as real.` } : verdict
}

const UNCOUNTED: Verdict = {
  words: 'Nothing has been counted on one of the sides yet.',
  p: null,
  cells: null,
  differs: false,
}

/** As few trays a side as a rank test can tell from chance: 2 of C(8, 4) orders is below one in twenty, 2 of C(6, 3) is not. */
export const MIN_TRAYS = 4

function judgedByTrays(one: Side, other: Side, what: string): Verdict {
  const shares = ({ trays }: Side) => trays.filter(({ of }) => of > 0).map(({ hits, of }) => hits / of)
  const [a, b] = [shares(one), shares(other)]
  if (a.length === 0 || b.length === 0) return UNCOUNTED
  const { p } = rankTest(a, b)
  const said = ({ name }: Side, each: readonly number[]) =>
    `${Math.round(mean([...each]) * 100)} % ${what} in ${name} (${counted(each.length, 'tray')})`
  const few = Math.min(a.length, b.length) < MIN_TRAYS
  const differs = p < SURE_AT
  const could = p >= MERE_CHANCE ? MERELY : `chance would do that ${saidChance(p)}`
  return {
    words: `${said(one, a)}, ${said(other, b)}. Whole trays were dealt, so each tray counts once: ${could}${
      few ? `; what is only one tray’s luck takes ${MIN_TRAYS} trays a side to tell` : ''
    }.`,
    p,
    cells: null,
    differs,
  }
}

/** As if each cell had been dealt. */
export function judgedByCells(one: Side, other: Side, what = 'came up'): Verdict {
  if (one.of === 0 || other.of === 0) return UNCOUNTED
  const [p, q] = [one.hits / one.of, other.hits / other.of]
  const chance = fisherExact(one, other)
  const cells = cellsToTell(p, q)
  const [more, less] = p >= q ? [one, other] : [other, one]
  if (p === q)
    return {
      words: `${one.hits} of ${one.of} ${what} in ${one.name}, ${other.hits} of ${other.of} in ${other.name}: no difference to see.`,
      p: chance,
      cells: null,
      differs: false,
    }
  const extra =
    more.of === less.of
      ? `${more.hits - less.hits} more of ${more.of} ${what} in ${more.name}`
      : `${Math.round((more.hits / more.of) * 100)} % ${what} in ${more.name}, ${Math.round((less.hits / less.of) * 100)} % in ${less.name}`
  const differs = chance < SURE_AT
  const could = chance >= MERE_CHANCE ? MERELY : `could be chance ${saidChance(chance)}`
  return {
    words: differs
      ? `${extra}: if they were alike, chance would do that ${saidChance(chance)}.`
      : `${extra}: ${could}${cells && cells > Math.max(one.of, other.of) ? `; for sure you would need about ${tidy(cells)} cells a side` : ''}.`,
    p: chance,
    cells,
    differs,
  }
}

/** Whether one side was up sooner; of whole trays each counts with its middle day. */
export function judgedDays(one: Side, other: Side, byTrays = isOfTrays(one, other)): Verdict | null {
  const daysOf = ({ days, trays }: Side) =>
    byTrays ? trays.flatMap((tray) => (tray.days.length ? [median([...tray.days])] : [])) : [...days]
  const [mine, others] = [daysOf(one), daysOf(other)]
  if (mine.length < 3 || others.length < 3) return null
  const { p } = rankTest(mine, others)
  const [a, b] = [median(mine), median(others)]
  const [sooner, later] = a <= b ? [one, other] : [other, one]
  const apart = Math.abs(a - b)
  const differs = p < SURE_AT && apart > 0
  return {
    words:
      apart === 0
        ? `Half of both were up after ${tidyDays(a)}.`
        : `${sooner.name} was up ${tidyDays(apart)} sooner than ${later.name} (half of it after ${tidyDays(Math.min(a, b))}): ${
            differs ? `chance would do that ${saidChance(p)}.` : `could be chance ${saidChance(p)}.`
          }`,
    p,
    cells: null,
    differs,
  }
}

/**
 * The share of a side with its 95 % interval; null where nothing was counted.
 *
 * @example shareOf({ hits: 3, of: 4 }).share // 0.75
 */
export const shareOf = ({ hits, of }: Side) => (of === 0 ? null : { share: hits / of, ...wilson(hits, of) })

const tidy = (n: number) => (n < 30 ? n : n < 300 ? Math.round(n / 10) * 10 : Math.round(n / 100) * 100)
const tidyDays = (n: number) => `${Math.round(n * 2) / 2} ${n === 1 ? 'day' : 'days'}`
