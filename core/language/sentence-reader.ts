import { at as elementAt, first, last } from '../numeric/at'
import { tilings, type Grammar, type Piece } from './chart'
import type { Sentence } from './pattern'
import { MAX_LETTERS, type Choice, type Heard, type Known, type Question, type Read } from './reading'
import { saidAnew } from './said-anew'
import { sentenceFor } from './terms'
import { unreadRuns, wordsTaken } from './unread'

/** Words that stand side by side. */
export interface Stretch {
  readonly from: number
  readonly to: number
}

/** A sentence in its pieces, with what was heard and what is to be asked: what every kind of reading begins with. */
export abstract class SentenceReader<With = Known> {
  protected readonly questions: Question[] = []
  protected readonly heard: Heard[] = []
  /** Words nothing was made of, that became something all the same: a variety. */
  protected readonly taken = new Set<number>()

  constructor(
    protected readonly sentence: Sentence,
    protected readonly known: With,
    protected readonly pieces: readonly Piece[],
  ) {}

  protected of(...slots: readonly string[]): Piece[] {
    return this.pieces.filter(({ slot }) => slots.includes(slot))
  }

  protected ask(question: string, choices: readonly Choice[] = [], about: Stretch | null = null) {
    if (this.questions.some((one) => one.question === question)) return
    this.questions.push({ question, choices, about: about && this.range(about) })
  }

  /** Asks about the words nothing was made of, those that stand together as one. */
  protected askUnreadRuns(say: string, canLeaveOut = false) {
    for (const run of unreadRuns(this.pieces, this.sentence)) {
      const about = { from: first(run), to: last(run) + 1 }
      this.ask(
        `What does ‘${this.words(about)}’ mean here? ${say}.`,
        canLeaveOut ? [{ name: 'Leave it out', text: this.anew(about, '') }] : [],
        about,
      )
    }
  }

  /** Where words stand in the text. */
  protected range({ from, to }: Stretch) {
    const { tokens } = this.sentence
    return { from: elementAt(tokens, from).from, to: elementAt(tokens, to - 1).to }
  }

  protected words(stretch: Stretch): string {
    const { from, to } = this.range(stretch)
    return this.sentence.text.slice(from, to)
  }

  /** The text with some of its words replaced. */
  protected anew(stretch: Stretch, words: string): string {
    return saidAnew(this.sentence.text, this.range(stretch), words)
  }

  /** The text with something said at its end. */
  protected more(words: string): string {
    return `${this.sentence.text.trim().replace(/[.,;]$/, '')}, ${words}`
  }

  /** A piece whose meaning came out in the whole. */
  protected hear(stretch: Stretch, as: string, means: string) {
    this.heard.push({ text: this.words(stretch), ...this.range(stretch), as, means })
  }

  protected taking(): Heard[] {
    return wordsTaken(this.pieces, this.sentence, this.heard, this.taken)
  }
}

const asked = <Meaning>(question: string): Read<Meaning> => ({
  meaning: [],
  heard: [],
  questions: [{ question, about: null, choices: [] }],
})

/**
 * Reads a text by a grammar.
 *
 * @param example how it may be said, for whom says nothing
 */
export function readBy<Meaning>(
  text: string,
  known: Known,
  grammar: Grammar,
  example: string,
  read: (sentence: Sentence, pieces: readonly Piece[]) => Read<Meaning>,
): Read<Meaning> {
  if (text.length > MAX_LETTERS) return asked(`That is long: at most ${MAX_LETTERS} letters at a time.`)
  const sentence = sentenceFor(text, known)
  if (sentence.tokens.length === 0) return asked(`Say it like: ${example}.`)
  const ways = tilings(sentence, grammar).map(({ pieces }) => ({ pieces, made: read(sentence, pieces) }))
  const one = elementAt(ways, 0)
  const others = ways.filter(
    ({ made }, i) => i > 0 && JSON.stringify(made.meaning) !== JSON.stringify(one.made.meaning),
  )
  return others.length ? asksWhich(sentence, [one, ...others]) : one.made
}

interface Way<Meaning> {
  readonly pieces: readonly Piece[]
  readonly made: Read<Meaning>
}

/** Several ways to read a sentence that do not come to the same: which is meant, in words of which there is one way. */
function asksWhich<Meaning>({ text, tokens }: Sentence, ways: readonly Way<Meaning>[]): Read<Meaning> {
  const { pieces, made } = elementAt(ways, 0)
  const isIn =
    (piece: Piece) =>
    ({ pieces: those }: Way<Meaning>) =>
      those.some(
        (one) =>
          one.slot === piece.slot &&
          one.from === piece.from &&
          one.to === piece.to &&
          one.means === piece.means,
      )
  const rangeOf = ({ from, to }: Stretch) => ({
    from: elementAt(tokens, from).from,
    to: elementAt(tokens, to - 1).to,
  })
  const choices = ways.flatMap((way): Choice[] => {
    const own = way.pieces.find((piece) => piece.means !== '' && !ways.every(isIn(piece)))
    return own ? [{ name: own.means, text: saidAnew(text, rangeOf(own), own.means) }] : []
  })
  // What is shown the same is meant the same.
  if (choices.length < 2) return made
  const about = pieces.find((piece) => !ways.every(isIn(piece)))
  const words = about ? text.slice(rangeOf(about).from, rangeOf(about).to) : text
  return {
    ...made,
    questions: [
      {
        question: `‘${words}’ could be two things. Which is meant?`,
        about: about ? rangeOf(about) : null,
        choices,
      },
      ...made.questions,
    ],
  }
}
