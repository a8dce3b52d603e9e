import { present } from '../present'
import { at as elementAt, first as firstOf } from '../numeric/at'
import Fuse from 'fuse.js'
import type { Crop, CropFamily } from '../sowing/crop'
import { plainName, type Word } from '../text/words'
import { capital } from '../text/capital'
import WORDS_OF_ENGLISHES from './lexicon/englishes.json' with { type: 'json' }

/** A packet as it is asked for: by any word of its name. */
export interface NamedPacket {
  readonly id: string
  readonly name: string
  readonly cropId: string
}

/** A crop, or one of its packets, that a name may mean. */
export interface Named {
  readonly cropId: string
  readonly packetId: string | null
  readonly name: string
}

interface Entry extends Named {
  readonly words: readonly string[]
  readonly ornamental: boolean
}

const ORNAMENTAL: readonly CropFamily[] = ['cut flower', 'bedding']

/** How unlike a misspelt name may be: 0 the same, 1 anything. */
const UNLIKE = 0.34
const MAX_OFFERED = 4
/** No name is longer. */
const LONGEST_NAME = 40

/** Everything that crops and packets are called, for finding them in a sentence. */
export interface NameBook {
  /** The longest name that begins at a word: its length, and all that are called so. */
  readonly at: (words: readonly Word[], from: number) => { length: number; named: readonly Named[] } | null
  /** Packets and crops of one's own whose names hold these words. */
  readonly holding: (words: readonly string[], cropId: string | null) => readonly Named[]
  /** Names that are spelt nearly so; never a flower where something to eat is as near. */
  readonly like: (text: string) => readonly Named[]
}

/** A crop as it is asked for. */
export type NamedCrop = Pick<Crop, 'id' | 'name' | 'alsoCalled' | 'botanical' | 'family'>

export function nameBook(crops: readonly NamedCrop[], packets: readonly NamedPacket[]): NameBook {
  const entries: Entry[] = crops.flatMap((crop) => {
    const latin = crop.botanical.split(/, (?:[A-Z]\. )?/).filter((name) => name.includes(' '))
    return [firstOf(crop.name.split(',')).replace(/ from seed$/, ''), ...crop.alsoCalled, ...latin].map(
      (name) => ({
        cropId: crop.id,
        packetId: null,
        name,
        words: plainName(name),
        ornamental: ORNAMENTAL.includes(crop.family),
      }),
    )
  })
  const byFirst = new Map<string, Entry[]>()
  for (const entry of entries) {
    const first = firstOf(entry.words)
    byFirst.set(first, [...(byFirst.get(first) ?? []), entry])
  }
  const own = [
    ...packets.map((one) => ({ cropId: one.cropId, packetId: one.id, name: one.name })),
    ...crops
      .filter(({ botanical }) => !botanical)
      .map(({ id, name }) => ({ cropId: id, packetId: null, name })),
  ].map((one) => ({ ...one, words: plainName(one.name) }))
  const called = new Map(crops.map(({ id, name }) => [id, name]))
  let fuse: Fuse<Entry> | undefined

  return {
    at(words, from) {
      const fits = (byFirst.get(elementAt(words, from).plain) ?? []).filter((entry) =>
        entry.words.every(
          (word, i) => words[from + i]?.plain === word && (i === 0 || !elementAt(words, from + i).parted),
        ),
      )
      const length = Math.max(0, ...fits.map((entry) => entry.words.length))
      return length
        ? { length, named: onePerCrop(fits.filter((entry) => entry.words.length === length)) }
        : null
    },
    holding(words, cropId) {
      const said = new Set(words)
      const held = own
        .filter((one) => cropId === null || one.cropId === cropId)
        .map((one) => ({ ...one, shared: one.words.filter((word) => said.has(word)).length }))
        .filter(({ shared }) => shared > 0 && shared >= said.size)
      return held
    },
    like(text) {
      fuse ??= new Fuse(entries, {
        keys: ['name'],
        threshold: UNLIKE,
        includeScore: true,
        ignoreLocation: true,
      })
      // Who mistypes a name begins it right.
      const begins = plainName(text)[0]?.slice(0, 1)
      const found = fuse
        .search(text.slice(0, LONGEST_NAME))
        .filter(({ item }) => item.words[0]?.startsWith(begins ?? ''))
      const best = found[0]
      const offered = best && !best.item.ornamental ? found.filter(({ item }) => !item.ornamental) : found
      return onePerCrop(
        offered.map(({ item }) => ({ ...item, name: present(called.get(item.cropId)) })),
      ).slice(0, MAX_OFFERED)
    },
  }
}

/**
 * What a crop is shown as to somebody who called it so: by their own word where it is that very crop in another English, else by
 * its name in the book.
 */
export function shownAs(said: string, name: string): string {
  const words = plainName(said).join(' ')
  const own = ENGLISHES.has(words) ? words : (name.split(',')[0] ?? name)
  return capital(own)
}
const ENGLISHES = new Set((WORDS_OF_ENGLISHES as string[]).map((one) => plainName(one).join(' ')))

const onePerCrop = (all: readonly Named[]): Named[] =>
  [...new Map([...all].reverse().map((one) => [one.cropId, one])).values()].reverse()
