import Fuse from 'fuse.js'
import type { Known } from './reading'
import VESSELS from './lexicon/vessels.json' with { type: 'json' }
import WORDS from './lexicon/words.json' with { type: 'json' }

const UNLIKE = 0.4
const SHORTEST = 4
const LONGEST = 30
const MOST = 3
const MONTHS = 'January February March April May June July August September October November December'.split(
  ' ',
)
const WEEKDAYS = 'Monday Tuesday Wednesday Thursday Friday Saturday Sunday'.split(' ')

const indexes = new WeakMap<Known, Fuse<string>>()

/** What words that were not understood may have been: containers, places, days and ways of sowing that are spelt nearly so. */
export function nearWords(words: string, known: Known): string[] {
  if (words.length < SHORTEST || words.length > LONGEST) return []
  let index = indexes.get(known)
  if (!index) {
    const all = [
      ...Object.values(VESSELS.named).flat(),
      ...Object.keys(VESSELS.asked),
      ...Object.keys(VESSELS.unknown),
      ...Object.values(WORDS.care).flat(),
      ...WORDS.direct,
      ...WORDS.sow,
      ...WORDS.out,
      ...known.places.map(({ name }) => name.toLowerCase()),
      ...[
        ...MONTHS,
        ...WEEKDAYS,
        'each',
        'autumn',
        'spring',
        'weeks',
        'every',
        'times',
        'plants',
        'seeds',
        'cells',
        'trays',
      ],
    ]
    indexes.set(
      known,
      (index = new Fuse(
        [
          ...new Set([
            ...all,
            ...all.flatMap((one) => one.split(' ').filter((word) => word.length >= SHORTEST)),
          ]),
        ],
        { threshold: UNLIKE, minMatchCharLength: 2 },
      )),
    )
  }
  const begins = words.slice(0, 1).toLowerCase()
  return index
    .search(words, { limit: 60 })
    .map(({ item }) => item)
    .filter((item) => item.slice(0, 1).toLowerCase() === begins && Math.abs(item.length - words.length) <= 2)
    .slice(0, MOST)
}
