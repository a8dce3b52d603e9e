import { FILLER_RULE, grammarOf, rule, sentenceOf, tilings, UNREAD } from './chart'
import type { MaterialSaid } from './material-term'
import { goodsTerm, isFeed, withoutKind } from './stores'
import type { Named } from './name-book'
import { patterns, phraseList, type Term } from './pattern'
import type { Said } from './quantities'
import { MAX_LETTERS, type Known, type Read } from './reading'
import { SentenceReader } from './sentence-reader'
import { termsOf, type DaySaid } from './terms'
import { tokensOf } from './token'

/** What somebody looks for: the things and days that are named, what is asked of them, and every word as it was typed. */
export interface Sought {
  readonly cropIds: readonly string[]
  readonly materialIds: readonly string[]
  readonly feedIds: readonly string[]
  readonly trays: readonly number[]
  readonly placeId: string | null
  readonly day: DaySaid | null
  readonly volumeL: number | null
  /** What is asked: when, how much, how deep, to take something back. */
  readonly asks: readonly Asked[]
  /** Words that name nothing known here, and the whole as it was typed. */
  readonly words: readonly string[]
  readonly text: string
}
export const ASKED = {
  undo: ['undo', 'take back', 'oops', 'take it back', 'mistake'],
  redo: ['redo', 'do again', 'again'],
  frost: ['frost', 'frost tonight', 'cold tonight', 'tonight', 'freeze', 'freezing'],
  'how deep': ['how deep', 'depth', 'sowing depth', 'deep'],
  'how much': ['how much', 'how many', 'need', 'enough', 'left', 'how much left'],
  when: ['when', 'what day', 'date', 'which day'],
  'last year': ['last year', 'last season', 'a year ago', 'year before'],
  'pot up': [
    'pot up',
    'pot on',
    'prick out',
    'bump up',
    'up pot',
    'transplant',
    'repot',
    'move up',
    'potting up',
  ],
  'plant out': ['plant out', 'set out', 'put out', 'planting out'],
  sow: ['sow', 'start', 'seed', 'sowing'],
  water: ['water', 'watering', 'thirsty', 'dry'],
  feed: ['feed', 'feeding', 'fertilise', 'fertilize', 'fertiliser', 'fertilizer'],
} as const satisfies Record<string, readonly string[]>
export type Asked = keyof typeof ASKED

const SOUGHT = grammarOf(
  [
    ...Object.entries(ASKED).map(([asked]) =>
      rule<Asked>(
        'asks',
        `<${asked.replace(/ /g, '-')}>`,
        () => asked as Asked,
        (one) => one,
      ),
    ),
    rule<readonly Named[]>(
      'crop',
      '{c:crop}',
      ({ c }: { c: readonly Named[] }) => c,
      () => 'crop',
    ),
    rule<MaterialSaid>(
      'material',
      '{m:goods}',
      ({ m }: { m: MaterialSaid }) => m,
      ({ name }) => name,
    ),
    rule<readonly number[]>(
      'trays',
      '{t:trays}',
      ({ t }: { t: number[] }) => t,
      (t) => `tray ${t.join(', ')}`,
      0.8,
    ),
    rule<{ id: string | null }>(
      'place',
      '{p:place}',
      ({ p }: { p: { id: string | null } }) => p,
      () => 'place',
      1.05,
    ),
    rule<DaySaid>(
      'day',
      '{d:day}',
      ({ d }: { d: DaySaid }) => d,
      ({ ahead, was }) => (ahead ?? was)?.means ?? '',
      1.02,
    ),
    rule<Said>(
      'volume',
      '( for )? {v:volume}',
      ({ v }: { v: Said }) => v,
      ({ text }) => text,
    ),
    FILLER_RULE,
  ],
  patterns({
    ...Object.fromEntries(
      Object.entries(ASKED).map(([asked, words]) => [asked.replace(/ /g, '-'), phraseList(words)]),
    ),
    filler: phraseList(
      'the a an of for to my our is do i should can in on go show me find what where'.split(' '),
    ),
  }),
)

const ready = new WeakMap<Known, Record<string, Term>>()

/** What is looked for, word by word; nothing is asked: what was not understood is searched for as it stands. */
export function readPalette(text: string, known: Known): Read<Sought> {
  let terms = ready.get(known)
  if (!terms) ready.set(known, (terms = { ...termsOf(known), goods: goodsTerm(known) }))
  const sentence = sentenceOf(text, tokensOf(text.slice(0, MAX_LETTERS)), terms)
  if (sentence.tokens.length === 0) return { meaning: [], heard: [], questions: [] }
  return new PaletteReader(sentence, known, tilings(sentence, SOUGHT)[0]?.pieces ?? []).read()
}

class PaletteReader extends SentenceReader {
  read(): Read<Sought> {
    const goods = [...new Set(this.of('material').flatMap(({ value }) => (value as MaterialSaid).ids))]
    const place = this.of('place')[0]?.value as { id: string | null } | undefined
    return {
      meaning: [
        {
          cropIds: [
            ...new Set(
              this.of('crop').flatMap(({ value }) => (value as readonly Named[]).map(({ cropId }) => cropId)),
            ),
          ],
          materialIds: goods.filter((id) => !isFeed(id)),
          feedIds: goods.filter(isFeed).map(withoutKind),
          trays: this.of('trays').flatMap(({ value }) => value as readonly number[]),
          placeId: place?.id ?? null,
          day: (this.of('day')[0]?.value as DaySaid | undefined) ?? null,
          volumeL: (this.of('volume')[0]?.value as Said | undefined)?.base ?? null,
          asks: this.of('asks').map(({ value }) => value as Asked),
          words: this.of(UNREAD).map((piece) => this.words(piece)),
          text: this.sentence.text.trim(),
        },
      ],
      heard: this.taking().map((one) =>
        one.as === UNREAD ? { ...one, as: 'words', means: 'searched for' } : one,
      ),
      questions: [],
    }
  }
}
