import { at } from '../numeric/at'
import { mulberry32 } from '../numeric/random'
import { wilson } from '../sowing/odds'
import { mean, median } from 'simple-statistics'
import { cellsToTell, fisherExact, rankTest } from './chance'

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

/** What is counted of the sides: what came up, or what are good plants. */
export type Counted = 'came up' | 'are good plants'
interface OfTrays {
  readonly name: string
  readonly share: number
  readonly trays: number
}
/** What the counts say; `shared/messages/trials.ts` puts it in words. */
export type Says =
  | { readonly kind: 'uncounted' }
  | {
      readonly kind: 'trays'
      readonly what: Counted
      readonly sides: readonly [OfTrays, OfTrays]
      /** Fewer trays a side than could tell. */
      readonly few: boolean
    }
  | { readonly kind: 'alike' | 'cells'; readonly what: Counted; readonly more: Side; readonly less: Side }
  | { readonly kind: 'same days'; readonly days: number }
  | {
      readonly kind: 'days'
      readonly sooner: string
      readonly later: string
      readonly apart: number
      readonly days: number
    }

export interface Verdict {
  readonly says: Says
  /** Chance of such a difference if both were the same; null where nothing was counted. */
  readonly p: number | null
  /** Cells a side for being sure, where there are fewer; null where no number would tell them apart. */
  readonly cells: number | null
  readonly differs: boolean
}

/** Below this a difference is taken to be one [Fisher's one in twenty]. */
export const SURE_AT = 0.05
/** Whether whole trays were dealt: no tray has cells of both sides. */
export const isOfTrays = (one: Side, other: Side): boolean =>
  !one.trays.some(({ trayId }) => other.trays.some((each) => each.trayId === trayId))

/**
 * Of two sides of a trial which came up more, and whether that could be chance. Where cells were dealt each cell is a
 * witness; where whole trays were dealt each tray is one, however many cells it has, for whatever befell a tray befell
 * all of it [Hurlbert 1984, pseudoreplication].
 *
 * @param what they did
 */
export const judged = (one: Side, other: Side, what: Counted = 'came up'): Verdict =>
  isOfTrays(one, other) ? judgedByTrays(one, other, what) : judgedByCells(one, other, what)

const UNCOUNTED: Verdict = {
  says: { kind: 'uncounted' },
  p: null,
  cells: null,
  differs: false,
}

/** As few trays a side as a rank test can tell from chance: 2 of C(8, 4) orders is below one in twenty, 2 of C(6, 3) is not. */
export const MIN_TRAYS = 4

function judgedByTrays(one: Side, other: Side, what: Counted): Verdict {
  const shares = ({ trays }: Side) => trays.filter(({ of }) => of > 0).map(({ hits, of }) => hits / of)
  const [a, b] = [shares(one), shares(other)]
  if (a.length === 0 || b.length === 0) return UNCOUNTED
  const { p } = rankTest(a, b)
  const of = ({ name }: Side, each: readonly number[]): OfTrays => ({
    name,
    share: mean([...each]),
    trays: each.length,
  })
  const few = Math.min(a.length, b.length) < MIN_TRAYS
  return {
    says: { kind: 'trays', what, sides: [of(one, a), of(other, b)], few },
    p,
    cells: null,
    differs: p < SURE_AT,
  }
}

/** As if each cell had been dealt. */
export function judgedByCells(one: Side, other: Side, what: Counted = 'came up'): Verdict {
  if (one.of === 0 || other.of === 0) return UNCOUNTED
  const [a, b] = [one.hits / one.of, other.hits / other.of]
  const p = fisherExact(one, other)
  if (a === b)
    return { says: { kind: 'alike', what, more: one, less: other }, p, cells: null, differs: false }
  const [more, less] = a > b ? [one, other] : [other, one]
  return { says: { kind: 'cells', what, more, less }, p, cells: cellsToTell(a, b), differs: p < SURE_AT }
}

/** Whether one side was up sooner; of whole trays each counts with its middle day. */
export function judgedDays(one: Side, other: Side, byTrays = isOfTrays(one, other)): Verdict | null {
  const daysOf = ({ days, trays }: Side) =>
    byTrays ? trays.flatMap((tray) => (tray.days.length ? [median([...tray.days])] : [])) : [...days]
  const [mine, others] = [daysOf(one), daysOf(other)]
  if (mine.length < 3 || others.length < 3) return null
  const { p } = rankTest(mine, others)
  const [a, b] = [median(mine), median(others)]
  const [sooner, later] = a <= b ? [one.name, other.name] : [other.name, one.name]
  const apart = Math.abs(a - b)
  return {
    says:
      apart === 0
        ? { kind: 'same days', days: a }
        : { kind: 'days', sooner, later, apart, days: Math.min(a, b) },
    p,
    cells: null,
    differs: p < SURE_AT && apart > 0,
  }
}

/**
 * The share of a side with its 95 % interval; null where nothing was counted.
 *
 * @example shareOf({ hits: 3, of: 4 }).share // 0.75
 */
export const shareOf = ({ hits, of }: Side) => (of === 0 ? null : { share: hits / of, ...wilson(hits, of) })
