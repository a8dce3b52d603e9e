import { capital } from '../text/capital'
import { at as elementAt } from '../numeric/at'
import type { SeenId } from '../signs/seen'
import { UNREAD, type Piece } from './chart'
import { LogCounts } from './log-counts'
import type { ActSaid, HowMany } from './log-grammar'
import type { LineKind, ReadLine } from './line-said'
import { OF_CELLS, type Own } from './log-subjects'

const OF_TRAY = /^(?:trays?|flats?|pots?|cells?|plants?|seedlings?)$/i
/** Who was given something, or that it is gone. */
const AWAY = /\baway\b|\bto (?:my|our|her|his|their|an?|some|one|every|all) |\bto \p{Lu}/u
/** Things about the trays that are no plants. */
const THINGS =
  /^(?:labels?|tags?|markers?|stakes?|lids?|domes?|packets?|envelopes?|notes?|lists?|books?|jugs?|cans?|spoons?|bags?|bottles?)\b/i
const COLD = /\b(?:fridge|freezer|refrigerator)\b/i
const SEEDS = /\bseeds?\b/i
const HOURS = /\b(?:hours?|hrs?|minutes?|mins?)\b/i
/** Weather that is still to come did not happen. */
const AHEAD = /\b(?:expected|forecast|coming|due|predicted|warning)\b/i
const FOR_A_WHILE =
  /\bfor (?:the|an?|a few|a couple of|some) (?:day|night|morning|afternoon|evening|hours?|minutes|bit|while|airing)\b/i
const LOWS = /^(?:overnight|min|max|minimum|maximum|low|high)$/

/** What a part of a line says beside its act. */
interface Beside {
  readonly vessel: Piece | undefined
  readonly place: Piece | undefined
  readonly signs: readonly SeenId[]
  readonly note: boolean
  readonly countPiece: Piece | null
  /** The entry of the part before. */
  readonly before: ReadLine | null
}

/** What happened, of what a line of the log says. */
export abstract class LogKinds extends LogCounts {
  /** What happened: as it was said, else by what it is about. */
  protected kindOf(act: ActSaid | undefined, piece: Piece | null, own: Own, beside: Beside): LineKind {
    const { vessel, note, countPiece } = beside
    if (note || (act?.denied && act.act !== 'look') || this.isOfNoPlant(act, piece, own, countPiece))
      return 'thought'
    if (!act || !piece) return this.kindWithoutAct(own, beside)
    const words = this.words(piece)
    // `Frost got 3 okra` is of the okra.
    if (act.act === 'weather' && own('crop', 'sowing').length) return 'damage'
    // `Put out for the day` is no planting out.
    if (
      (act.act === 'out' || act.act === 'shift') &&
      !/plant/i.test(words) &&
      FOR_A_WHILE.test(this.sentence.text)
    )
      return 'carried'
    if (act.act === 'weather' && AHEAD.test(this.sentence.text)) return 'thought'
    // Seed that is chilled or soaked is not sown, nor a tray watered.
    if (COLD.test(this.sentence.text) && (act.act === 'shift' || act.act === 'sown' || act.act === 'carried'))
      return 'tended'
    // `Removed 2 sick chard` takes them out; a dome that is removed is tended to.
    if (/^removed$/i.test(words) && countPiece && own('crop', 'sowing', 'trays').length) return 'lost'
    // `Topped up with 5 more seeds` is no water.
    const isOfSeeds = countPiece && SEEDS.test(this.words(countPiece))
    if (isOfSeeds && (act.act === 'watered' || act.act === 'tended')) return 'sown'
    if (act.act === 'watered' && /^soak/i.test(words) && !own('trays').length) return this.soaked(own)
    if (act.act === 'given') return this.given(piece, own, countPiece)
    const into = intoOf(vessel, this.words.bind(this))
    if (act.act === 'shift' || (act.act === 'carried' && into && !beside.place))
      return this.shifted(act, piece, own, beside)
    // Potted up out of doors is planted out only where no pot is named.
    return act.act === 'out' && vessel ? 'moved' : act.act
  }

  /** `Lost the label`, `no label`, `no time`: what is lost, or not there, is no plant. */
  private isOfNoPlant(
    act: ActSaid | undefined,
    piece: Piece | null,
    own: Own,
    countPiece: Piece | null,
  ): boolean {
    const named = own('crop', 'sowing').length > 0
    if ((countPiece?.value as HowMany | undefined)?.n === 0) {
      const behind = this.pieces.find(({ from }) => from === countPiece?.to)
      return (
        behind?.slot === UNREAD ||
        (!act && !named && own('trays').length === 0) ||
        act?.act === 'sown' ||
        act?.act === 'given'
      )
    }
    if (!act || !piece || named || !OF_CELLS.includes(act.act as LineKind)) return false
    const next = this.pieces.find(({ slot, from }) => from >= piece.to && slot !== 'filler')
    return next?.slot === UNREAD && THINGS.test(this.words(next))
  }

  private soaked(own: Own): LineKind {
    if (SEEDS.test(this.sentence.text)) return 'tended'
    return !own('crop', 'sowing').length && this.pieces.some(({ slot }) => slot === UNREAD)
      ? 'thought'
      : 'watered'
  }

  /** `Gave the peppers fish` feeds them; what was given to whom, or away, is asked where only `gave` says it. */
  private given(piece: Piece, own: Own, countPiece: Piece | null): LineKind {
    if (own('feed').length || own('strength').length) return 'feed'
    if (own('treatment').length) return 'tended'
    // `Gave a cup to each tray` is water.
    if (own('litres').length && !countPiece)
      return this.pieces.some((one) => one.slot === UNREAD && !OF_TRAY.test(this.words(one)))
        ? 'feed'
        : 'watered'
    if (/^(?:gave|give|given)$/i.test(this.words(piece)) && !countPiece && !AWAY.test(this.sentence.text))
      this.ask(
        'Given away, or given to them?',
        [
          { name: 'Given away', text: this.anew(piece, 'gave away') },
          { name: 'Fed', text: this.anew(piece, 'fed') },
          { name: 'Watered', text: this.anew(piece, 'watered') },
          { name: 'Keep it as a note', text: `note: ${this.sentence.text.trim()}` },
        ],
        piece,
      )
    return 'given'
  }

  /** Moved, put, transplanted: where it went says what it was. */
  private shifted({ act }: ActSaid, piece: Piece, own: Own, { vessel, place }: Beside): LineKind {
    const isOut = own('garden').length > 0
    const hours = own('kept').some((one) => HOURS.test(this.words(one)))
    // `Set four out`, `planted twelve seeds`.
    if (act === 'shift' && /^(?:set|put|planted)$/i.test(this.words(piece)) && !vessel && !place && !hours) {
      if (SEEDS.test(this.sentence.text)) return 'sown'
      if (isOut || /\bout\b/i.test(this.sentence.text)) return 'out'
    }
    // `Put out for an hour` is no planting out.
    if (act === 'shift' && hours && place) return 'carried'
    if (intoOf(vessel, this.words.bind(this))) return 'moved'
    if (isOut && !place) return 'out'
    if (place || own('inside', 'left').length) return 'carried'
    this.ask(
      `Where did they go?`,
      [
        { name: 'Potted up', text: this.anew(piece, 'potted up') },
        { name: 'Planted out', text: this.anew(piece, 'planted out') },
        { name: 'Carried to another place', text: this.anew(piece, 'carried') },
      ],
      piece,
    )
    return 'moved'
  }

  private kindWithoutAct(own: Own, { vessel, signs, countPiece, before }: Beside): LineKind {
    if (own('treatment').length) return 'tended'
    if (own('feed').length && own('litres', 'strength', 'kept').length) return 'feed'
    if (own('unclear').length || signs.length)
      return signs.includes('eaten') && !own('unclear').length ? 'damage' : 'seen'
    const count = countPiece?.value as HowMany | undefined
    if (count?.n === 0 || count?.missing || (count && count.but !== null)) return 'look'
    if (own('grams').length) return 'weighed'
    if (own('measured').length && !countPiece) return 'measured'
    if (own('no sign').length) return 'seen'
    const named = own('crop', 'sowing').length > 0
    if (intoOf(vessel, this.words.bind(this)) && (count || named)) return 'moved'
    if (count && before && OF_CELLS.includes(before.kind)) return before.kind
    // Without an act a note is made of words: a name or a number alone says nothing.
    if (((named || own('trays').length) && count) || !this.saysSomething())
      this.ask(
        'What happened to them?',
        (own('litres').length ? ['watered', 'fed'] : ['up', 'potted up', 'planted out', 'lost']).map(
          (word) => ({ name: capital(word), text: this.more(word) }),
        ),
        countPiece,
      )
    return 'thought'
  }

  private saysSomething(): boolean {
    return this.pieces.some(({ slot, from }) => {
      const { kind, lower } = elementAt(this.sentence.tokens, from)
      return (
        (slot === UNREAD && kind === 'word') ||
        slot === 'inside' ||
        slot === 'garden' ||
        (slot === 'kept' && LOWS.test(lower))
      )
    })
  }
}

/** `Moved the seed trays` goes into nothing; `into seed trays` does. */
const intoOf = (vessel: Piece | undefined, words: (piece: Piece) => string): Piece | undefined =>
  vessel && /^(?:in|into|to|onto|up)\b/i.test(words(vessel)) ? vessel : undefined
