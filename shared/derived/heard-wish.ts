import { readWish } from '#core/language/wish'
import type { Known, Read } from '#core/language/reading'
import type { Wish } from '#core/language/wish-said'
import type { SowingRecord } from '../records/sowing'
import { sowingsFrom, type PlannedWith } from './wish'

/** A wish as it was read, and the sowings it comes to. */
export interface HeardWish extends Read<Wish> {
  readonly sowings: readonly (readonly SowingRecord[])[]
}

/** Wishes in one sentence, and what they come to. */
export function heardWish(text: string, words: Known, known: PlannedWith): HeardWish {
  const read = readWish(text, words)
  return { ...read, sowings: sowingsFrom(read, known) }
}
