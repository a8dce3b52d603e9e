import { at as elementAt, first as firstOf, last as lastOf } from '../numeric/at'
import { present } from '../present'
import type { AreaWanted } from '../trays/area'
import type { Amount } from '../season/schedule/schedule-from-wish'
import { UNREAD, type Piece } from './chart'
import type { Known, Read } from './reading'
import { saidAnew } from './said-anew'
import { nearWords } from './near-words'
import { ownerOf, segmentsOf, type Segment } from './segments'
import { readBy } from './sentence-reader'
import { unreadRuns } from './unread'
import type { Vessel } from './vessels'
import { WishCrops, type Crop } from './wish-crops'
import { GROUPS_EXAMPLE, WISH_EXAMPLE, type Wish } from './wish-said'
import { GROUPS, WISH, type AmountSaid } from './wish-grammar'

/** More seeds are nobody's habit for one cell [common practice]. */
const MOST_A_CELL = 12
/** A text with more stretches that are not understood is no sentence of ours: nothing near is looked for. */
const MANY_UNREAD = 6

/**
 * Reads what somebody wants to raise, or has growing: one wish for each crop that is named. Every word is accounted for; what
 * could be two things, or nothing, is asked about.
 */
export const readWish = (text: string, known: Known): Read<Wish> =>
  readBy(text, known, WISH, WISH_EXAMPLE, (sentence, pieces) =>
    new WishReader(sentence, known, pieces).read(),
  )

/** Reads what is laid out in a tray: `16 chard, 4 kinds, 4 each`, `first two rows basil, the rest okra`. */
export const readGroups = (text: string, known: Known): Read<Wish> =>
  readBy(text, known, GROUPS, GROUPS_EXAMPLE, (sentence, pieces) =>
    new WishReader(sentence, known, pieces).read(),
  )

class WishReader extends WishCrops {
  read(): Read<Wish> {
    const crops = this.crops()
    const unread = unreadRuns(this.pieces, this.sentence)
    if (this.asksVarieties(crops, unread) || this.asksKindsBefore(crops, unread))
      return { meaning: [], heard: this.taking(), questions: this.questions }
    const named = crops.length ? crops : this.nameless(unread)
    const segments = segmentsOf(named, this.of('amount', 'area'), this.sentence.tokens.length)
    const meaning = named.map((crop, i) => this.one(crop, elementAt(segments, i), segments, i, unread))
    if (named.length === 0) {
      this.ask('Of what? Say it like: ' + WISH_EXAMPLE + '.')
    }
    const open = unread.map((run) => this.stillOpen(run)).filter((run) => run.length > 0)
    for (const run of open) this.askUnread(run, open.length <= MANY_UNREAD)
    return {
      meaning: named.length ? withoutTotal(meaning) : [],
      heard: this.taking(),
      questions: this.questions,
    }
  }

  /** One wish: what is said of its crop, and what is said of all of them. */
  private one(
    crop: Crop,
    segment: Segment,
    segments: readonly Segment[],
    index: number,
    unread: readonly (readonly number[])[],
  ): Wish {
    const own = (...slots: readonly string[]) => {
      const all = this.of(...slots).filter((piece) => ownerOf(piece, segments, index))
      const inside = all.filter(({ from }) => from >= segment.from && from < segment.to)
      return inside.length || slots.some((slot) => OF_ONE.has(slot)) ? inside : all
    }
    const { cropId, packetId, variety, called } = this.name(crop, unread)
    const area = segment.amounts.find(({ slot }) => slot === 'area')?.value as AreaWanted | undefined
    const kindsPiece = own('kinds')[0]
    const each = own('each')[0]?.value as number | undefined
    const several = segments.length > 1
    let amount = this.amount(segment, own('per cell', 'rows').length > 0, crop, own('of a cell').length > 0)
    let seedsPerCell = (own('per cell')[0]?.value as number | undefined) ?? amount.perCell
    let kinds: Wish['kinds'] = null
    const vessels = this.vessels(own('container'), amount.said, own)
    if (kindsPiece) {
      const count = kindsPiece.value as number
      const said = amount.said
      if (each && said && said.of !== 'trays' && said.n !== count * each)
        this.ask(
          `${count} kinds, ${each} of each, are ${count * each}, not ${said.n}.`,
          [{ name: `${count * each}`, text: this.anew(present(amount.piece), `${count * each}`) }],
          amount.piece,
        )
      if (said && said.of !== 'trays' && said.n < count)
        this.ask(`${said.n} of ${count} kinds? Each needs one at the least.`, [], amount.piece)
      if (each && said?.of !== 'cells')
        amount = { ...amount, said: { n: count * each, of: said?.of === 'trays' ? 'cells' : 'plants' } }
      kinds = { count, each: each ?? null }
    } else if (each !== undefined) {
      if (several || !amount.said) amount = { ...amount, said: { n: each, of: 'plants' } }
      else seedsPerCell ??= each
    }
    const inCells = own('in cells')[0]
    if (inCells && amount.said?.of === 'plants') {
      const cells = inCells.value as number
      const each = amount.said.n / cells
      if (Number.isInteger(each)) {
        amount = { ...amount, said: { n: cells, of: 'cells' } }
        seedsPerCell ??= each
      } else this.ask(`${amount.said.n} in ${cells} cells: how many to a cell?`, [], inCells)
    }
    const trays = own('of each tray')[0]?.value as number | undefined
    if (trays && amount.said) amount = { ...amount, said: { ...amount.said, n: amount.said.n * trays } }
    if (several && index === 0) this.askTotal(segment, segments)
    const rows = own('rows')[0]
    if (rows) this.lengthOfRow(rows, vessels.containerId)
    const few = own('few')[0]
    if (few)
      this.ask(
        'How many? Say a number.',
        [3, 6, 12].map((n) => ({ name: `${n}`, text: this.anew(few, `${n}`) })),
        few,
      )
    const packet = own('packet')[0]
    if (packet && !amount.said)
      this.ask(
        'How many seeds of it?',
        [10, 25, 50, 100].map((n) => ({ name: `${n} seeds`, text: this.anew(packet, `${n} seeds of`) })),
        packet,
      )
    const up = this.up(own, amount.said && amount.said.of !== 'trays' ? amount.said.n : null)
    if (!amount.said && up !== null && up.of !== null)
      amount = { ...amount, said: { n: up.of, of: 'plants' } }
    if (!amount.said && up !== null) amount = { ...amount, said: { n: up.n, of: 'plants' } }
    // `Lettuce in a 128` is one of it.
    if (!amount.said && vessels.containers !== null)
      amount = { ...amount, said: { n: vessels.containers, of: 'trays' } }
    if (!amount.said && !rows && !few && !packet && !area)
      this.ask(this.howMany(own('container')[0], crop), [], null)
    if (amount.said && !(amount.said.n > 0))
      this.ask('How many? A wish is for more than 0.', [], amount.piece)
    if (own('seeds').length && amount.said?.of === 'plants' && amount.bare)
      amount = { ...amount, said: { ...amount.said, of: 'seeds' } }
    const when = this.days(own, cropId)
    const repeats = this.repeats(own, when)
    if (up !== null && !when.sown) this.askSown()
    if (up !== null && ((kinds?.count ?? 1) > 1 || repeats.times > 1))
      this.ask('So many up of which? Say each by itself.')
    const depth = own('depth')[0]?.value as { mm: number } | undefined
    const next = own('next')
    const direct = own('direct').length > 0
    if (direct && next.length) this.ask('Is it potted up, or does it stay in its cell?', [], next[0])
    const mix = own('mix')[0]?.value as { id: string } | undefined
    return {
      amount: amount.said,
      cropId,
      packetId,
      called,
      variety,
      ...{ outOn: when.outOn, sowOn: when.sowOn, sown: when.sown },
      up: up === null ? null : up.n,
      season: when.season,
      ...repeats,
      ...vessels,
      next: next[0]
        ? { containerId: this.vesselId(next[0], (next[0].value as { v: Vessel | null }).v) }
        : null,
      direct,
      recipeId: mix?.id ?? null,
      placeId: this.place(own('place')),
      seedsPerCell,
      depthMm: depth?.mm ?? null,
      notes: [
        ...own('care').map(({ value }) => value as string),
        ...own('for whom').map((piece) => this.words(piece)),
        ...own('place')
          .filter(({ value }) => !this.hasPlaces && (value as { id: string | null }).id === null)
          .map((piece) => this.words(piece)),
      ],
      kinds,
      area: area ?? null,
    }
  }

  /** `3 in pots` alone: three of them, or pots of three inches. */
  private howMany(container: Piece | undefined, crop: Crop): string {
    const inches = container && /^(\d+) in (.+)$/i.exec(this.words(container))
    if (container && inches) {
      const [, n, rest] = inches
      this.ask(`‘${this.words(container)}’: ${n} plants, or of ${n} inches?`, [
        { name: `${n} plants in ${rest}`, text: this.anew(container, `${n} plants in ${rest}`) },
        { name: `${rest} of ${n} in`, text: `${this.anew(container, `in ${n}-inch ${rest}`)}, 12 plants` },
      ])
    }
    return `How many ${crop.text || 'plants'}? Say it like: ${WISH_EXAMPLE}.`
  }

  /** `3 trays: 2 kale, 1 chard`: trays of each, or plants in them. */
  private askTotal({ amounts }: Segment, segments: readonly Segment[]) {
    const isOf = (of: AmountSaid['of']) => (piece: Piece) =>
      piece.slot === 'amount' && (piece.value as AmountSaid).of === of
    const total = amounts.find(isOf('trays'))
    const parts = segments.flatMap((one) => one.amounts.filter(isOf('plants')))
    if (!total || parts.length < segments.length) return
    const numbers = parts.map((piece) => (piece.value as AmountSaid).n)
    const sum = numbers.reduce((all, n) => all + n, 0)
    // `Two trays, one kale one chard` adds up.
    if (
      !/^\s*:/.test(this.sentence.text.slice(this.range(total).to)) &&
      sum !== (total.value as AmountSaid).n
    )
      return
    const inTrays = parts.reduceRight(
      (text, piece) => saidAnew(text, this.range(piece), `${(piece.value as AmountSaid).n} trays of`),
      this.sentence.text,
    )
    this.ask(
      `${numbers.join(', ')}: trays, or plants?`,
      [
        { name: 'Trays', text: saidAnew(inTrays, this.range(total), '').replace(/^[\s:,]+/, '') },
        { name: 'Plants', text: this.anew(total, '').replace(/^[\s:,]+/, '') },
      ],
      total,
    )
  }

  /** How much of it: what was said first, with the seeds for a cell where they were said as seeds. */
  private amount(segment: Segment, other: boolean, crop: Crop, ofCell: boolean) {
    const all = segment.amounts.filter(({ slot }) => slot === 'amount')
    const value = (piece: Piece) => piece.value as AmountSaid
    const seeds = all.find((piece) =>
      ofCell
        ? value(piece).bare && piece.to === crop.from && value(piece).n <= MOST_A_CELL
        : value(piece).of === 'seeds' && value(piece).n <= MOST_A_CELL && all.length > 1 && !other,
    )
    if (ofCell && !seeds) this.ask('How many to a cell? Say it like: 2 per cell.')
    const rest = all.filter((piece) => piece !== seeds)
    const [piece, second, third] = rest
    if (third) this.ask(`${rest.map((one) => this.words(one)).join(', ')}: which is the number?`, [], third)
    else if (piece && second) {
      const [a, b] = [value(piece), value(second)]
      const cells = (one: AmountSaid) => one.vessel !== null || one.of === 'trays'
      // `24 plants, 2 trays`: so many plants, in so many trays.
      if (cells(a) === cells(b))
        this.ask(`${this.words(piece)}, or ${this.words(second)}?`, [
          { name: this.words(piece), text: this.anew(second, '') },
          { name: this.words(second), text: this.anew(piece, '') },
        ])
    }
    const main = rest.find((one) => value(one).vessel === null && value(one).of !== 'trays') ?? piece ?? null
    return {
      said: main ? ({ n: value(main).n, of: value(main).of } satisfies Amount) : null,
      bare: main !== null && value(main).bare,
      piece: main,
      vessel: rest.map((one) => value(one).vessel).find((one) => one !== null) ?? null,
      perCell: seeds ? value(seeds).n : null,
    }
  }

  private up(
    own: (...slots: readonly string[]) => readonly Piece[],
    n: number | null,
  ): { n: number; of: number | null } | null {
    const share = own('up share')[0]?.value as 'all' | 'half' | undefined
    const standing = own('up share', 'standing')[0]
    if (n === null && standing && !own('up', 'up of each').length)
      this.ask('How many of them are up?', [], standing)
    const piece = own('up')[0] ?? own('up of each')[0]
    if (!piece && !share && own('standing').length && n !== null) return { n, of: n }
    if (share && n !== null) return { n: share === 'all' ? n : Math.round(n / 2), of: n }
    if (!piece) return null
    const said = piece.value as { n: number; of: number | null }
    const whole = said.of ?? n
    if (whole !== null && said.n > whole)
      this.ask(
        `${said.n} up of ${whole} cannot be. Which is right?`,
        [{ name: `${whole} up`, text: this.anew(piece, `${whole} up`) }],
        piece,
      )
    return said
  }

  /** The words of a run that became nothing: of `red and green lettuce` the green is a variety, the red is not. */
  private stillOpen(run: readonly number[]): readonly number[] {
    const own = run.filter((i) => this.pieces.some(({ slot, from }) => slot === UNREAD && from === i))
    const open = own.filter((i) => !this.taken.has(i))
    return open.length === own.length ? run : open
  }

  private askUnread(run: readonly number[], withNear: boolean) {
    const range = { from: firstOf(run), to: lastOf(run) + 1 }
    const words = this.words(range)
    const denies = run.some((i) => NEGATIONS.has(elementAt(this.sentence.tokens, i).lower))
    // The last word is the one that says what it is; the others lead to it.
    const word = { from: range.to - 1, to: range.to }
    const near = denies || !withNear ? [] : nearWords(this.words(word), this.known)
    this.ask(
      `What does ‘${words}’ mean here? Say it in other words${denies ? '.' : ', or leave it out.'}`,
      [
        ...near.map((one) => ({ name: one, text: this.anew(word, one) })),
        ...(denies ? [] : [{ name: 'Leave it out', text: this.anew(range, '') }]),
      ],
      range,
    )
  }
}

/** `16 tomatoes: 8 cherry tomatoes, 8 plum tomatoes`: a number that the others of its crop come to is their total. */
function withoutTotal(wishes: Wish[]): Wish[] {
  const [all, ...parts] = wishes
  const of = ({ amount }: Wish) => (amount?.of === 'plants' ? amount.n : NaN)
  const isTotal =
    all !== undefined &&
    parts.length > 1 &&
    !all.variety &&
    parts.every(({ cropId }) => cropId === all.cropId) &&
    parts.reduce((sum, one) => sum + of(one), 0) === of(all)
  return isTotal ? parts : wishes
}

/** What is said of one crop alone: the kinds of the last are not those of the others. */
const OF_ONE: ReadonlySet<string> = new Set([
  'kinds',
  'up',
  'rows',
  'few',
  'packet',
  'of each tray',
  'of a cell',
])

const NEGATIONS = new Set(
  'no not never none nor without except but only neither dont doesnt didnt wont cant hasnt havent'.split(' '),
)
