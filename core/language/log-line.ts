import { present } from '../present'
import { at as elementAt, first } from '../numeric/at'
import { dayFrom, isDay, type Day } from '../calendar/day'
import { dayAtHead, type Calendar } from './day-words'
import type { NameBook } from './name-book'
import { plainName, plainWord, wordsOf, type Word } from '../text/words'
import { SEEN, seenName, UNCLEAR, type SeenId } from '../signs/seen'
import { FRACTION_GLYPHS } from '../units/fraction'
import { parseQuantity } from '../units/parse'
import type { UnitSystem } from '../units/unit'

/** What a line of the log can be of. */
export const LINE_KINDS = [
  {
    kind: 'look',
    name: 'Up',
    words: ['came up', 'come up', 'is up', 'are up', 'emerged', 'germinated', 'sprouted', 'up'],
  },
  { kind: 'thin', name: 'Thinned', words: ['thinned', 'thinned out'] },
  { kind: 'watered', name: 'Watered', words: ['watered', 'misted', 'soaked'] },
  { kind: 'feed', name: 'Fed', words: ['fed'] },
  { kind: 'sown', name: 'Sown', words: ['sown', 'sowed'] },
  { kind: 'moved', name: 'Moved on', words: ['pricked out', 'potted up', 'potted on', 'potted', 'repotted'] },
  {
    kind: 'carried',
    name: 'Carried',
    words: [
      'moved to',
      'moved into',
      'moved',
      'carried to',
      'carried',
      'put in',
      'put on',
      'now in',
      'now on',
    ],
  },
  { kind: 'out', name: 'Set out', words: ['planted out', 'set out', 'put out', 'transplanted'] },
  { kind: 'lost', name: 'Lost', words: ['lost', 'died', 'dead', 'gone'] },
  { kind: 'given', name: 'Given away', words: ['given away', 'gave away', 'swapped', 'gave'] },
  { kind: 'harvest', name: 'Picked', words: ['harvested', 'harvest', 'picked', 'first harvest'] },
  {
    kind: 'flower',
    name: 'In flower',
    words: ['in flower', 'flowering', 'flowered', 'in bloom', 'first flower', 'first flowers', 'bloomed'],
  },
  { kind: 'weighed', name: 'Weighed', words: ['weighs', 'weighed', 'on the scale'] },
  {
    kind: 'felt',
    name: 'Felt',
    words: [
      'light to lift',
      'light',
      'heavy',
      'surface pale',
      'surface dark',
      'dry beneath',
      'dry underneath',
    ],
  },
  { kind: 'cleaned', name: 'Cleaned', words: ['washed', 'cleaned', 'disinfected', 'scrubbed'] },
  {
    kind: 'damage',
    name: 'Damage',
    words: ['damage', 'damaged', 'knocked over', 'trampled', 'broken', 'frosted', 'frozen'],
  },
  { kind: 'seen', name: 'Seen', words: [] },
  {
    kind: 'weather',
    name: 'Weather',
    words: [
      'weather',
      'frost',
      'hail',
      'storm',
      'rain',
      'rained',
      'snow',
      'snowed',
      'heatwave',
      'cold night',
      'windy',
      'thunder',
      'fog',
      'sunny',
    ],
  },
  {
    kind: 'thought',
    name: 'Thought',
    words: ['note', 'idea', 'remember', 'next year', 'next time', 'thought'],
  },
] as const satisfies readonly {
  readonly kind: string
  readonly name: string
  readonly words: readonly string[]
}[]
export type LineKind = (typeof LINE_KINDS)[number]['kind']

/** A group of a tray, as far as a line can be about it. */
export interface LineGroup {
  readonly code: string
  readonly name: string
  readonly cropId: string
  readonly sowingId: string | null
}
export interface LineTray {
  readonly id: string
  readonly number: number
  readonly groups: readonly LineGroup[]
}
interface Called {
  readonly id: string
  readonly name: string
}
export interface LineSowing extends Called {
  readonly cropId: string
}

/** What a line is read against. */
export interface LineKnown {
  readonly trays: readonly LineTray[]
  readonly sowings: readonly LineSowing[]
  readonly batches: readonly { readonly id: string; readonly number: number }[]
  readonly places: readonly Called[]
  readonly names: NameBook
  readonly cropName: (cropId: string) => string
  readonly calendar: Calendar
  readonly units: UnitSystem
}

/** A part of the line and what it was taken for, as it is shown back. */
export interface Taken {
  readonly said: string
  readonly means: string
}

/** Something that has to be chosen before it can be written down. */
export interface LineAsk {
  readonly unclear: 'tray' | 'group' | 'what' | 'sign'
  readonly question: string
  readonly choices: readonly { readonly id: string; readonly name: string }[]
}

export interface ReadLine {
  readonly kind: LineKind
  /** Nobody said so: it follows from the rest. */
  readonly kindGuessed: boolean
  readonly trayIds: readonly string[]
  /** The run it is about; null where the tray has one alone, or it is about all. */
  readonly group: string | null
  readonly sowingIds: readonly string[]
  readonly cropId: string | null
  readonly batchId: string | null
  readonly placeId: string | null
  readonly on: Day
  readonly at: string | null
  readonly count: number | null
  readonly grams: number | null
  readonly litres: number | null
  readonly signs: readonly SeenId[]
  readonly remindOn: Day | null
  readonly taken: readonly Taken[]
  /** Words that stand as they are, as the note. */
  readonly rest: readonly string[]
  readonly asks: readonly LineAsk[]
}

const KIND_PHRASES = LINE_KINDS.flatMap(({ kind, words }) =>
  words.map((phrase) => ({ kind, words: phrase.split(' ') })),
).sort((a, b) => b.words.length - a.words.length)
const SIGN_PHRASES = SEEN.flatMap(({ id, words }) =>
  words.map((phrase) => ({ id, words: phrase.split(' ') })),
).sort((a, b) => b.words.length - a.words.length)
// `900 ml`, `1 1/2 pints`, `2½ l`, `4 lb 8 oz`: a number as people write it, its unit, and what is added to it.
const NUMBER = String.raw`(?:\d+\s+\d+\s*[/⁄]\s*\d+|\d+\s*[/⁄]\s*\d+|\d+(?:[.,]\d+)?\s?[${FRACTION_GLYPHS}]?|[${FRACTION_GLYPHS}])`
const UNIT = String.raw`(?:millilit(?:er|re)s?|ml|cl|lit(?:er|re)s?|l|cups?|gal(?:lons?)?|quarts?|qt|pints?|pt|(?:imp |us )?fl\.? ?oz|tbsp|tablespoons?|tsp|teaspoons?|kilograms?|kilos?|kg|grams?|g|ounces?|oz|pounds?|lbs?)`
const PART = String.raw`${NUMBER}\s*${UNIT}(?![\p{L}])`
const QUANTITY = new RegExp(String.raw`(?<![\d/.,])${PART}(?:\s*(?:\+|and)?\s*${PART})*`, 'iu')
// A number after a comma is a tray only where nothing is said of it: `trays 3, 4 and 5`, not `tray 3, 28 up`.
const TRAYS =
  /(?:\btrays?\s*|\btray\s+no\.?\s*|#)(\d{1,6}(?:\s*,\s*\d{1,6}(?=\s*(?:,|and\b|&|$))|\s*(?:and|&|\+)\s*\d{1,6}(?!\s*(?:up|lost|plants?|seedlings?|cells?)\b))*)(?!\d)/i
const TIME = /\b(?:at\s+)?([01]?\d|2[0-3]):([0-5]\d)\b/

/**
 * A line as it is typed at the bench: `basil tray 14 two leaves, pale below`. Every word is taken for something and shown, or
 * stands in the note; a tray nobody knows, or a crop that stands in several, is asked about.
 */
export function readLine(text: string, known: LineKnown): ReadLine {
  const taken: Taken[] = []
  const asks: LineAsk[] = []
  let left = text
  const cut = (piece: string, means: string) => {
    left = left.replace(piece, ' , ')
    taken.push({ said: piece.trim(), means })
  }

  const time = TIME.exec(left)
  const at = time ? `${elementAt(time, 1).padStart(2, '0')}:${time[2]}` : null
  if (time) cut(time[0], `at ${at}`)

  const trays: LineTray[] = []
  for (let found; (found = TRAYS.exec(left));) {
    const numbers = present(elementAt(found, 1).match(/\d+/g)).map(Number)
    const these = known.trays.filter(({ number }) => numbers.includes(number))
    const missing = numbers.filter((number) => !these.some((one) => one.number === number))
    trays.push(...these.filter((one) => !trays.includes(one)))
    cut(
      found[0],
      these.length ? `tray ${these.map(({ number }) => number).join(', ')}` : 'a tray nobody knows',
    )
    if (missing.length)
      asks.push({
        unclear: 'tray',
        question: `There is no tray ${missing.join(', ')} standing. Which one is it?`,
        choices: known.trays.slice(0, 12).map(({ id, number, groups }) => ({
          id,
          name: `${number}${groups.length ? ` · ${groups.map(({ name }) => name).join(', ')}` : ''}`,
        })),
      })
  }
  const batchSaid = /\bbatch\s*(?:no\.?\s*)?(\d{1,6})\b/i.exec(left)
  const batch = batchSaid && known.batches.find(({ number }) => number === Number(batchSaid[1]))
  if (batchSaid && batch) cut(batchSaid[0], `batch ${batch.number}`)

  let grams: number | null = null
  let litres: number | null = null
  for (let found; (found = QUANTITY.exec(left));) {
    const mass = parseQuantity(found[0], { dimension: 'mass', units: known.units })
    const volume = mass.ok ? null : parseQuantity(found[0], { dimension: 'volume', units: known.units })
    if (mass.ok) grams ??= mass.base
    else if (volume?.ok) litres ??= volume.base
    cut(found[0], mass.ok || volume?.ok ? found[0].trim() : 'an amount')
  }

  // From here on word by word.
  const words = wordsOf(left)
  const used = new Set<number>()
  const use = (from: number, length: number, means: string) => {
    taken.push({
      said: words
        .slice(from, from + length)
        .map((word) => word.text)
        .join(' '),
      means,
    })
    for (let i = from; i < from + length; i++) used.add(i)
  }

  let on: Day | null = null
  let remindOn: Day | null = null
  for (let i = 0; i < words.length; i++) {
    const plain = words.slice(i).map((word) => word.plain)
    if (plain[0] === 'next' && (plain[1] === 'year' || plain[1] === 'time' || plain[1] === 'spring')) {
      remindOn = nextYear(known.calendar.today)
      use(i, 2, `comes back ${remindOn}`)
      continue
    }
    if (
      on ||
      (/^\d+$/.test(first(plain)) &&
        !/^(?:day|week|month|fortnight|jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec|st|nd|rd|th)/.test(
          plain[1] ?? '',
        ))
    )
      continue
    const read = dayAtHead(plain.join(' '), known.calendar, true)
    if (!read?.day || read.day > known.calendar.today) continue
    on = read.day
    const before = i > 0 && elementAt(words, i - 1).plain === 'on' ? 1 : 0
    use(i - before, read.words + before, read.day)
  }

  const open = (from: number, length: number) =>
    Array.from({ length }, (_, i) => from + i).every((i) => i < words.length && !used.has(i))
  const stands = (phrase: readonly string[], from: number) =>
    open(from, phrase.length) &&
    phrase.every(
      (word, i) =>
        elementAt(words, from + i).plain === plainWord(word) &&
        (i === 0 || !elementAt(words, from + i).parted),
    )
  const isPhrase = (phrase: readonly string[]) => phrase.map(plainWord)

  const signs: SeenId[] = []
  for (const { id, words: phrase } of SIGN_PHRASES)
    for (let i = 0; i < words.length; i++)
      if (stands(isPhrase(phrase), i) && !signs.includes(id)) {
        signs.push(id)
        use(i, phrase.length, present(SEEN.find((one) => one.id === id)).name.toLowerCase())
      }

  const unclear = UNCLEAR.flatMap((one) =>
    one.words.map((phrase) => ({ ...one, phrase: phrase.split(' ') })),
  ).sort((a, b) => b.phrase.length - a.phrase.length)
  for (const { phrase, could } of unclear)
    for (let i = 0; i < words.length; i++)
      if (stands(isPhrase(phrase), i) && !could.some((id) => signs.includes(id))) {
        use(i, phrase.length, could.map((id) => seenName(id).toLowerCase()).join(' or '))
        asks.push({
          unclear: 'sign',
          question: `${first(phrase.join(' ')).toUpperCase()}${phrase.join(' ').slice(1)}: which is it?`,
          choices: could.map((id) => ({ id, name: seenName(id) })),
        })
      }

  let kind: LineKind | null = null
  for (const { kind: of, words: phrase } of KIND_PHRASES) {
    if (kind) break
    for (let i = 0; i < words.length; i++)
      if (stands(isPhrase(phrase), i)) {
        kind = of
        use(i, phrase.length, present(LINE_KINDS.find((one) => one.kind === of)).name.toLowerCase())
        break
      }
  }

  let count: number | null = null
  for (let i = 0; i < words.length && count === null; i++) {
    if (used.has(i) || !/^\d{1,6}$/.test(elementAt(words, i).plain)) continue
    count = Number(elementAt(words, i).plain)
    const of = words[i + 1]?.plain === 'of' && /^\d+$/.test(words[i + 2]?.plain ?? '') ? 3 : 1
    const unit = /^(?:plant|seedling|cell|fruit|flower|leaf|cutting|seed)$/.test(words[i + of]?.plain ?? '')
      ? 1
      : 0
    use(i, of + unit, `${count}`)
  }

  const placeId = placeIn(known.places, words, used, use)
  const sowings = sowingsIn(known, words, used, use)
  const cropId = sowings.cropId
  let found = sowings.found

  // A crop without a tray: the tray it stands in, where that is one.
  if (trays.length === 0 && cropId) {
    const holding = known.trays.filter(({ groups }) =>
      groups.some((group) =>
        found.length ? found.some(({ id }) => id === group.sowingId) : group.cropId === cropId,
      ),
    )
    if (holding.length === 1) trays.push(first(holding))
    // What is picked, in flower or thought of is of the crop, wherever it stands.
    else if (holding.length > 1 && !(kind && OF_THE_CROP.includes(kind)) && !remindOn)
      asks.push({
        unclear: 'tray',
        question: `${known.cropName(cropId)} stands in ${holding.length} trays. Which of them?`,
        choices: [
          ...holding.map(({ id, number, groups }) => ({
            id,
            name: `${number} · ${groups
              .filter((group) => group.cropId === cropId)
              .map(({ name }) => name)
              .join(', ')}`,
          })),
          { id: 'all', name: 'all of them' },
        ],
      })
  }
  const groups = trays.flatMap((tray) => tray.groups)
  const ofCrop = cropId ? groups.filter((group) => group.cropId === cropId) : groups
  const whose = found.length
    ? ofCrop.filter((group) => found.some(({ id }) => id === group.sowingId))
    : ofCrop
  if (trays.length && found.length === 0)
    found = known.sowings.filter(({ id }) => whose.some((group) => group.sowingId === id))
  const guess: LineKind = remindOn
    ? 'thought'
    : (kind ??
      (asks.some(({ unclear }) => unclear === 'sign')
        ? 'seen'
        : signs.includes('eaten')
          ? 'damage'
          : signs.length
            ? 'seen'
            : 'thought'))
  const ofCells = ['look', 'thin', 'sown', 'moved', 'out', 'lost', 'given'].includes(guess)
  const single = trays.length === 1 && whose.length === 1 ? first(whose) : null
  if (ofCells && trays.length === 1 && whose.length > 1)
    asks.push({
      unclear: 'group',
      question: `Several things stand in tray ${first(trays).number}. Of which?`,
      choices: whose.map(({ code, name }) => ({ id: code, name })),
    })
  if (cropId && trays.length && whose.length === 0)
    asks.push({
      unclear: 'what',
      question: `There is no ${known.cropName(cropId).toLowerCase()} in tray ${trays.map(({ number }) => number).join(', ')}. Which is right?`,
      choices: [
        { id: 'tray', name: `Tray ${trays.map(({ number }) => number).join(', ')}` },
        { id: 'crop', name: known.cropName(cropId) },
      ],
    })

  return {
    kind: guess,
    kindGuessed: kind === null,
    trayIds: trays.map(({ id }) => id),
    group: single?.code ?? null,
    sowingIds: found.map(({ id }) => id),
    cropId,
    batchId: batch?.id ?? null,
    placeId,
    on: on ?? known.calendar.today,
    at,
    count,
    grams,
    litres,
    signs,
    remindOn,
    taken,
    rest: words.flatMap(({ text: word }, i) => (used.has(i) ? [] : [word])),
    asks,
  }
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

const OF_THE_CROP: readonly LineKind[] = ['harvest', 'flower', 'weather', 'thought']

type Use = (from: number, length: number, means: string) => void

function placeIn(
  places: readonly Called[],
  words: readonly Word[],
  used: ReadonlySet<number>,
  use: Use,
): string | null {
  const byLength = places
    .map((place) => ({ ...place, words: plainName(place.name) }))
    .sort((a, b) => b.words.length - a.words.length)
  for (const { id, name, words: called } of byLength)
    for (let i = 0; i + called.length <= words.length; i++)
      if (called.every((word, j) => !used.has(i + j) && elementAt(words, i + j).plain === word)) {
        use(i, called.length, name)
        return id
      }
  return null
}

/** The crop, and the sowings of it, that a line names; the longest name first. */
function sowingsIn(
  { sowings, names, cropName, trays }: LineKnown,
  words: readonly Word[],
  used: ReadonlySet<number>,
  use: Use,
): { cropId: string | null; found: readonly LineSowing[] } {
  const open = words.flatMap((word, i) => (used.has(i) ? [] : [word.plain]))
  const standing = trays.flatMap(({ groups }) =>
    groups.map(({ sowingId, name, cropId }) => ({ id: sowingId ?? '', name, cropId })),
  )
  const called = [...sowings, ...standing]
    .map((one) => ({ ...one, words: plainName(one.name) }))
    .filter((one) => one.words.length && one.words.every((word) => open.includes(word)))
    .sort((a, b) => b.words.length - a.words.length)
  const best = called[0]
  if (best) {
    best.words.forEach((word) => {
      const i = words.findIndex((one, at) => !used.has(at) && one.plain === word)
      if (i >= 0) use(i, 1, best.name)
    })
    const same = sowings.filter(({ id, name }) =>
      called.some((one) => one.id === id && one.words.length === best.words.length && name === best.name),
    )
    return { cropId: best.cropId, found: same }
  }
  for (let i = 0; i < words.length; i++) {
    if (used.has(i)) continue
    const at = names.at(words, i)
    if (
      !at ||
      at.named.length === 0 ||
      Array.from({ length: at.length }, (_, j) => i + j).some((j) => used.has(j))
    )
      continue
    // Of several that are called so, the one that stands here.
    const here =
      at.named.find(({ cropId }) => standing.some((one) => one.cropId === cropId)) ?? first(at.named)
    use(i, at.length, cropName(here.cropId))
    return { cropId: here.cropId, found: sowings.filter(({ cropId }) => cropId === here.cropId) }
  }
  return { cropId: null, found: [] }
}
