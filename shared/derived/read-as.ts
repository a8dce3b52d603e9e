import { dayFrom } from '#core/calendar/day'
import { readAway } from '#core/language/away'
import { readFrosts } from '#core/language/frosts'
import { readLine } from '#core/language/log-line'
import { readPalette } from '#core/language/palette'
import type { Heard, Known, Question, Read, Words } from '#core/language/reading'
import { readRecipe } from '#core/language/recipe'
import { readRule } from '#core/language/rule'
import { readStores } from '#core/language/stores'
import { readGroups, readWish } from '#core/language/wish'
import {
  longDay,
  tellAway,
  tellFrosts,
  tellLine,
  tellRate,
  tellRecipe,
  tellStore,
  tellWish,
  type Telling,
} from '../messages/said'

/** What is typed, wherever it is typed: one reader, a grammar for each kind. */
export const READ_KINDS = [
  'wish',
  'list',
  'log',
  'groups',
  'recipe',
  'rule',
  'frosts',
  'stores',
  'away',
  'palette',
] as const
export type ReadKind = (typeof READ_KINDS)[number]

/** A text as it was read: its meaning in a sentence and word by word, or what is still to be asked. */
export interface ReadText {
  readonly kind: ReadKind
  /** One where all of it is clear; none while something is asked. */
  readonly readings: readonly { readonly says: string; readonly meaning: readonly unknown[] }[]
  /** Every word with what it was taken for. */
  readonly words: readonly (Heard & { readonly line: number })[]
  /** Each line as it was read, and what is meant by it; one where it is no list. */
  readonly lines: readonly { readonly text: string; readonly meaning: readonly unknown[] }[]
  /** What was understood so far, in a sentence each. */
  readonly understood: readonly string[]
  readonly questions: readonly (Question & { readonly line: number })[]
}

const MAX_LINES = 60

/** Reads a text of a kind; a list line by line. */
export function readAs(kind: ReadKind, text: string, known: Known): ReadText {
  const lines = kind === 'list' ? linesOf(text) : [text]
  if (lines.length > MAX_LINES)
    return {
      ...{ kind, readings: [], words: [], understood: [], lines: [] },
      questions: [
        { question: `At most ${MAX_LINES} lines at a time.`, about: null, choices: [], line: MAX_LINES },
      ],
    }
  const telling = tellingOf(known)
  const read = lines.map((line) => oneOf(kind, line, known, telling))
  const questions = read.flatMap((one, line) =>
    one.questions.map((question) => ({ ...inWords(question, telling), line })),
  )
  const says = read.flatMap((one) => one.says)
  return {
    kind,
    readings: questions.length
      ? []
      : [{ says: says.join('; '), meaning: read.flatMap(({ meaning }) => meaning) }],
    words: read.flatMap((one, line) => one.heard.map((word) => ({ ...word, line }))),
    understood: says,
    lines: lines.map((line, i) => ({ text: line, meaning: read[i]?.meaning ?? [] })),
    questions,
  }
}

/** A question with its days as they are written where it is read; what an answer puts into the text stays as it is. */
function inWords({ question, choices, ...rest }: Question, { printDay }: Telling): Question {
  const withDays = (said: string) => said.replace(ISO_DAY, (day) => printDay(dayFrom(day)))
  return {
    ...rest,
    question: withDays(question),
    choices: choices.map((choice) => ({ ...choice, name: withDays(choice.name) })),
  }
}
const ISO_DAY = /\b\d{4}-\d{2}-\d{2}\b/g

/** The lines of a list that was typed or pasted: tabs of a spreadsheet part what commas part, marks in front say nothing. */
export const linesOf = (text: string): string[] => {
  const lines = text
    .split(/\r?\n/)
    .map((line) =>
      line
        .trim()
        .replace(/^(?:[-*•·]|\d+[.)])\s+/, '')
        .replace(/\t+/g, ', '),
    )
    .filter(Boolean)
  return lines.length ? lines : ['']
}

function oneOf(
  kind: ReadKind,
  text: string,
  known: Known,
  telling: Telling,
): Read<unknown> & { says: readonly string[] } {
  const told = <Meaning>(read: Read<Meaning>, tell: (one: Meaning, telling: Telling) => string) => ({
    ...read,
    says: read.meaning.map((one) => tell(one, telling)),
  })
  switch (kind) {
    case 'wish':
    case 'list':
      return told(readWish(text, known), tellWish)
    case 'groups':
      return told(readGroups(text, known), tellWish)
    case 'log':
      return told(readLine(text, known), tellLine)
    case 'frosts':
      return told(readFrosts(text, known), tellFrosts)
    case 'away':
      return told(readAway(text, known), tellAway)
    case 'recipe':
      return told(readRecipe(text, known), tellRecipe)
    case 'rule':
      return told(readRule(text, known), tellRate)
    case 'stores':
      return told(readStores(text, known), tellStore)
    case 'palette':
      return { ...readPalette(text, known), says: [] }
  }
}

/** What a household calls things by, for telling what was read. */
export function tellingOf(words: Words): Telling {
  let telling = tellings.get(words)
  if (!telling) tellings.set(words, (telling = tellingFrom(words)))
  return telling
}
const tellings = new WeakMap<Words, Telling>()

function tellingFrom(words: Words): Telling {
  const nameIn = (all: readonly { readonly id: string; readonly name: string }[]) => {
    const names = new Map(all.map(({ id, name }) => [id, name]))
    return (id: string) => names.get(id)
  }
  const trays = new Map(words.trays.map(({ id, number }) => [id, number]))
  const places = new Map(
    words.places
      .flatMap(({ id, name, shown }) => (id === null ? [] : [[id, shown ?? name] as const]))
      .reverse(),
  )
  return {
    units: words.units,
    printDay: longDay(words.order),
    crop: nameIn(words.crops),
    container: nameIn(words.vessels),
    place: (id) => places.get(id),
    recipe: nameIn(words.recipes),
    material: nameIn(words.materials),
    feed: nameIn(words.feeds),
    tray: (id) => trays.get(id),
  }
}
