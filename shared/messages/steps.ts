import type { Feel } from '#core/media/hydration'
import type { Measurement } from '#core/feed/measuring'
import { TOOL_HABITS } from '#core/feed/tool'
import type { HandTest } from '#core/jobs/hand-test'
import type { Ask, Fact, Facts, Step } from '#core/jobs/step'
import { packsOf } from '#core/supplies/pack-said'
import { present } from '#core/present'
import { capital } from '#core/text/capital'
import { inSentence, withArticle } from '#core/text/plurals'
import { printNumber } from '#core/units/format'
import { printFraction } from '#core/units/fraction'
import type { Figure } from '#core/working/figure'
import { IntlMessageFormat } from 'intl-messageformat'
import { pluralOf } from './message'
import { dayNamed } from './refusals'
import { FEEL_WORDS, PIECES, STEPS, TESTS, WHY_SO } from './step-words'

/* What is done at the bench, step by step: on a card, in a guided job, on paper. */

/** Words and figures that alternate, so that a screen shows each figure’s working and paper prints it plainly. */
export type Sentence = readonly (string | Figure | Spoken)[]
/** A figure said in words of its own: `13½ scoops`. */
export interface Spoken {
  readonly figure: Figure
  readonly words: string
}

/** A step in words. */
export interface SaidStep extends Step {
  readonly title: string
  readonly say: Sentence
  /** The amount of this step, in type that is read at arm’s length. */
  readonly amount?: Sentence
  /** What right looks like. */
  readonly right?: string
  /** What the timer of its wait is called: `Pour off tray 3`. */
  readonly waitFor?: string
  readonly test?: SaidTest
  readonly asks?: readonly SaidAsk[]
}
export interface SaidAsk extends Ask {
  readonly label: string
}
export interface SaidTest extends HandTest {
  readonly question: string
  readonly answers: readonly (HandTest['answers'][number] & {
    readonly name: string
    readonly say: Sentence
  })[]
}

/** A depth by the hand: a fingernail is about 12 mm, the first joint of a finger 25 mm [common practice]. */
export function byFinger(mm: number): string {
  if (mm <= 0) return 'on the surface'
  if (mm <= 3) return 'as deep as a match is thick'
  if (mm <= 8) return 'half a fingernail'
  if (mm <= 15) return 'a fingernail'
  return mm <= 30 ? 'to the first joint of a finger' : 'to the second joint of a finger'
}

/** What to do with one tool, in words: `1½ × teaspoon, level`, `12 g on the kitchen scale`. */
export function sayMeasurement({ tool, amount, fills }: Measurement): string {
  if (TOOL_HABITS[tool.kind].measures === 'mass')
    return `${printNumber(amount.value)} g on the ${inSentence(tool.name)}`
  if (tool.kind === 'syringe') return `${printNumber(amount.value)} mL with the ${inSentence(tool.name)}`
  return `${printFraction(present(fills).value, 0.25)} × ${inSentence(tool.name)}${tool.kind === 'spoon' ? ', level' : ''}`
}

/** Names that stand within a sentence, and what follows from a fact. */
const WITHIN = ['material', 'vessel', 'feed'] as const
const FOLLOWS: Readonly<
  Record<string, (value: never, values: Facts) => readonly [key: string, words: string]>
> = {
  container: (name: string) => ['aContainer', withArticle(name)],
  feel: (of: Feel) => ['feelWords', FEEL_WORDS[of]],
  why: (of: string) => ['whyWords', WHY_SO[of] ?? ''],
  fingerMm: (mm: number) => ['finger', byFinger(mm)],
  cellWord: (word: string, { n }) => ['cells', `${printNumber(Number(n))} ${pluralOf(Number(n), word)}`],
}

type Piece = string | number | Figure | Spoken | { readonly sentence: Sentence }
function piecesOf(values: Facts): Record<string, Piece> {
  const pieces: Record<string, Piece> = {}
  for (const [key, fact] of Object.entries(values)) {
    pieces[key] = pieceOf(key, fact)
    const [also, words] = FOLLOWS[key]?.(fact as never, values) ?? []
    if (also) pieces[also] = words ?? ''
  }
  if ('feel' in values) pieces.feelKind = values.feel === 'soil block' ? 'block' : 'other'
  return pieces
}
function pieceOf(key: string, fact: Fact): Piece {
  if (typeof fact === 'string') return (WITHIN as readonly string[]).includes(key) ? inSentence(fact) : fact
  if (typeof fact === 'number') return fact
  if ('measured' in fact) return { figure: fact.measured.amount, words: sayMeasurement(fact.measured) }
  if ('scoops' in fact)
    return {
      figure: fact.scoops,
      words: `${printFraction(fact.scoops.value, 0.25)} × ${inSentence(fact.of)}`,
    }
  if ('packs' in fact) return { figure: fact.packs, words: packsOf(fact.packs.value, fact.of) }
  if ('told' in fact) {
    const sentences = fact.told.map(({ kind, values }) => said(PIECES[kind], values))
    return { sentence: sentences.flatMap((one, i) => (i && fact.by ? [fact.by, ...one] : one)) }
  }
  return fact
}

const formats = new Map<string, IntlMessageFormat>()
/** A template with its facts: words and figures. */
function said(template: string, values: Facts = {}): Sentence {
  const format = formats.get(template) ?? new IntlMessageFormat(template, 'en-GB')
  formats.set(template, format)
  const made = format.format<Exclude<Piece, string | number>>(piecesOf(values))
  const list = (Array.isArray(made) ? made : [made]).flatMap((one): Sentence =>
    typeof one === 'object' && 'sentence' in one ? one.sentence : [one],
  )
  // Words beside words are one piece.
  return list.reduce<(string | Figure | Spoken)[]>((all, one) => {
    const last = all.at(-1)
    if (typeof last === 'string' && typeof one === 'string') all[all.length - 1] = last + one
    else all.push(one)
    return all
  }, [])
}

/** Whether a piece of a step is a figure that shows its working, not words. */
export const isFigure = (piece: string | Figure | Spoken): piece is Figure =>
  typeof piece === 'object' && 'working' in piece
/** A sentence as plain words, each figure as it is printed. */
export const plainWords = (say: Sentence, print: (figure: Figure) => string): string =>
  say
    .map((piece) => (typeof piece === 'string' ? piece : isFigure(piece) ? print(piece) : piece.words))
    .join('')

const words = (template: string | undefined, values?: Facts): string | undefined =>
  template && plainWords(said(template, values), ({ value }) => printNumber(value))

function sayTest(test: HandTest): SaidTest {
  const { question, answers } = TESTS[test.kind]
  return {
    ...test,
    question,
    answers: test.answers.map((one) => {
      const [name, say] = present(answers[one.id])
      return { ...one, name, say: said(say, test.values) }
    }),
  }
}

/** A step in words. */
export function sayStep({ picture, test, asks, ...step }: Step): SaidStep {
  const { values, waitMinutes } = step
  const of = STEPS[step.kind]
  const amount = of.amount ? said(of.amount, values) : []
  const right = words(of.right, values)
  const waitFor = waitMinutes && words(of.waitFor, values)
  return {
    ...step,
    title: capital(words(of.title, values) ?? ''),
    say: said(of.say, values),
    ...(amount.some((piece) => piece !== '') && { amount }),
    ...(right && { right }),
    ...(waitFor && { waitFor }),
    ...(picture && {
      picture: picture.kind === 'label' ? { ...picture, lines: picture.lines.map(daysNamed) } : picture,
    }),
    ...(test && { test: sayTest(test) }),
    ...(asks && {
      asks: asks.map((ask) => ({ ...ask, label: words(of.asks?.[ask.key], values) ?? ask.key })),
    }),
  }
}
const daysNamed = (line: string) => line.replace(/\d{4}-\d\d-\d\d/, dayNamed)
