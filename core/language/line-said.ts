import { dayFrom, isDay, type Day } from '../calendar/day'
import type { SeenId } from '../signs/seen'
import type { Measured } from './log-grammar'

export const LINE_EXAMPLE = 'chard tray 3, 28 up, one leggy'

/** What a line of the log can be of, and how it is said with a thumb. */
export const LINE_KINDS = [
  { kind: 'look', name: 'Up', word: 'up' },
  { kind: 'thin', name: 'Thinned', word: 'thinned' },
  { kind: 'watered', name: 'Watered', word: 'watered' },
  { kind: 'feed', name: 'Fed', word: 'fed' },
  { kind: 'sown', name: 'Sown', word: 'sown' },
  { kind: 'moved', name: 'Potted up', word: 'potted up' },
  { kind: 'carried', name: 'Carried', word: 'carried' },
  { kind: 'out', name: 'Planted out', word: 'planted out' },
  { kind: 'lost', name: 'Lost', word: 'lost' },
  { kind: 'given', name: 'Given away', word: 'given away' },
  { kind: 'harvest', name: 'Picked', word: 'picked' },
  { kind: 'flower', name: 'In flower', word: 'in flower' },
  { kind: 'weighed', name: 'Weighed', word: 'weighs' },
  { kind: 'felt', name: 'Felt', word: 'light' },
  { kind: 'cleaned', name: 'Cleaned', word: 'washed' },
  { kind: 'tended', name: 'Tended', word: 'trimmed' },
  { kind: 'measured', name: 'Measured', word: 'measured' },
  { kind: 'damage', name: 'Damage', word: 'damaged' },
  { kind: 'seen', name: 'Seen', word: 'looked' },
  { kind: 'weather', name: 'Weather', word: 'weather' },
  { kind: 'thought', name: 'Note', word: 'note' },
] as const satisfies readonly { readonly kind: string; readonly name: string; readonly word: string }[]
export type LineKind = (typeof LINE_KINDS)[number]['kind']

export interface ReadLine {
  readonly kind: LineKind
  /** Nobody said so: it follows from the rest. */
  readonly kindGuessed: boolean
  readonly trayIds: readonly string[]
  /** The group it is about; null where the tray has one alone, or it is about all. */
  readonly group: string | null
  readonly sowingIds: readonly string[]
  readonly cropId: string | null
  /** What it is about as it was called, and the numbers of its trays. */
  readonly called: string
  readonly trays: readonly number[]
  readonly batchId: string | null
  readonly placeId: string | null
  /** What it was potted into. */
  readonly containerId: string | null
  readonly on: Day
  readonly at: string | null
  readonly count: number | null
  /** Of so many, where it was said. */
  readonly of: number | null
  /** A part of what is there, where nobody knows how many that is; a fraction. */
  readonly share: number | null
  /** All but so many, where nobody knows how many there are. */
  readonly except: number | null
  readonly thinnedTo: number | null
  readonly grams: number | null
  readonly litres: number | null
  readonly how: 'below' | 'above' | null
  readonly measured: readonly Measured[]
  readonly treatment: string | null
  readonly signs: readonly SeenId[]
  readonly remindOn: Day | null
  /** The words this line was made of. */
  readonly said: string
  /** Words that stand as they are, as the note. */
  readonly rest: readonly string[]
}

/**
 * The same day a year on; of a leap day the day before.
 *
 * @example nextYear('2027-03-01') // '2028-03-01'
 */
export function nextYear(day: Day): Day {
  const later = `${Number(day.slice(0, 4)) + 1}${day.slice(4)}`
  return isDay(later) ? later : dayFrom(`${later.slice(0, 8)}28`)
}
