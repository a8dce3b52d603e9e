import { at as elementAt, first as firstOf, last as lastOf } from '../numeric/at'
import { present } from '../present'
import { daysBetween, type Day } from '../calendar/day'
import { OUTSIDE } from '../places/place'
import type { AreaWanted } from '../trays/area'
import { gridOf } from '../trays/grid'
import type { Amount } from '../season/schedule/schedule-from-wish'
import type { Piece } from './chart'
import type { ReadDay } from './days'
import { shownAs, type Named } from './name-book'
import type { Choice, Known, Read } from './reading'
import { saidAnew } from './said-anew'
import { nearWords } from './near-words'
import { ownerOf, segmentsOf, type Segment } from './segments'
import { readBy, SentenceReader } from './sentence-reader'
import { unreadRuns } from './unread'
import type { Vessel } from './vessels'
import { GROUPS_EXAMPLE, WISH_EXAMPLE, type Wish } from './wish-said'
import { GROUPS, WISH, type AmountSaid, type DayPiece, type RepeatSaid } from './wish-grammar'

/** A day that just went by is hardly meant of next year [default]. */
const JUST_PAST_DAYS = 60
const FAR_AHEAD_DAYS = 250
/** More seeds are nobody's habit for one cell [common practice]. */
const MOST_A_CELL = 12
/** Of more than so many nobody chooses. */
const MOST_CHOICES = 8
const USUAL_TRAY = 'tray-72'
/** So long before the last frost little is planted out [default]. */
const COLD_DAYS = 35
const SPAN = /\b(?:day|week|fortnight|month)s?\b/i
/** Nothing says what happens on it. */
const BARE_DAY =
  /^(?:in|on|at|around|about|sometime|early|mid|late|the|\d|january|february|march|april|may|june|july|august|september|october|november|december|jan|feb|mar|apr|sept?|oct|nov|dec)\b/i

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

interface Crop {
  readonly from: number
  readonly to: number
  readonly named: readonly Named[]
  readonly text: string
}

class WishReader extends SentenceReader {
  read(): Read<Wish> {
    const crops = this.crops()
    const unread = unreadRuns(this.pieces, this.sentence)
    if (this.asksVarieties(crops, unread))
      return { meaning: [], heard: this.taking(), questions: this.questions }
    const named = crops.length ? crops : this.nameless(unread)
    const segments = segmentsOf(named, this.of('amount', 'area'), this.sentence.tokens.length)
    const meaning = named.map((crop, i) => this.one(crop, elementAt(segments, i), segments, i, unread))
    if (named.length === 0) {
      this.ask('Of what? Say it like: ' + WISH_EXAMPLE + '.')
    }
    for (const run of unread.filter((run) => !run.some((i) => this.taken.has(i)))) this.askUnread(run)
    return {
      meaning: named.length ? withoutTotal(meaning) : [],
      heard: this.taking(),
      questions: this.questions,
    }
  }

  /** `Tomatoes: 10 cherry, 6 plum`: numbers behind one crop, each with a word that is no crop, are asked about as its varieties. */
  private asksVarieties(crops: readonly Crop[], unread: readonly (readonly number[])[]): boolean {
    const [crop] = crops
    if (!crop || crops.length > 1 || !/^\s*[:(]/.test(this.sentence.text.slice(this.range(crop).to)))
      return false
    const kinds = this.of('amount')
      .filter(({ from }) => from >= crop.to)
      .map((piece) => ({ piece, run: unread.find((run) => firstOf(run) === piece.to) }))
    if (kinds.length < 2 || kinds.some(({ run }) => !run?.every((i) => this.canName(i)))) return false
    const names = kinds.map(({ piece, run }) => {
      const range = { from: firstOf(present(run)), to: lastOf(present(run)) + 1 }
      return `${this.words(piece)} ${this.words(range)} ${crop.text}`
    })
    const end = this.range({ from: lastOf(kinds).piece.from, to: lastOf(present(lastOf(kinds).run)) + 1 }).to
    const text = this.sentence.text
    this.ask(`Are these kinds of ${crop.text}?`, [
      { name: names.join(', '), text: `${names.join(', ')}${text.slice(end).replace(/^\s*\)/, '')}` },
    ])
    return true
  }

  /** Crops that are named; of two names side by side the last is the crop, the first tells which: strawberry popcorn. */
  private crops(): Crop[] {
    const out: Crop[] = []
    for (const piece of this.of('crop')) {
      const before = out.at(-1)
      const beside = before?.to === piece.from && !elementAt(this.sentence.tokens, piece.from).parted
      const crop = { from: piece.from, to: piece.to, named: piece.value as Named[], text: this.words(piece) }
      if (beside) out.pop()
      out.push(
        beside
          ? {
              ...crop,
              from: present(before).from,
              text: this.words({ from: present(before).from, to: piece.to }),
            }
          : crop,
      )
    }
    return out.length ? out : this.alsoAWord()
  }

  /** `24 sprouts`, and nothing else named: the word for young plants is that of a crop. */
  private alsoAWord(): Crop[] {
    const { tokens } = this.sentence
    for (const { from, to } of this.of('amount', 'filler'))
      for (let i = from; i < to; i++)
        for (const found of this.sentence.term('crop', i))
          if (found.to <= to && !/^\d/.test(elementAt(tokens, i).text))
            return [
              {
                from: i,
                to: found.to,
                named: found.value as Named[],
                text: this.words({ from: i, to: found.to }),
              },
            ]
    return []
  }

  /** Where no crop is named: what may be its name is asked about, or is that of a packet. */
  private nameless(unread: readonly (readonly number[])[]): Crop[] {
    const run = unread.find((run) => run.every((i) => this.canName(i)))
    if (!run) return []
    const [from, to] = [firstOf(run), lastOf(run) + 1]
    const words = run.flatMap((i) => elementAt(this.sentence.tokens, i).plain.split(' '))
    const held = this.known.names.holding(words, null)
    run.forEach((i) => this.taken.add(i))
    const text = this.words({ from, to })
    this.heard.push({
      text,
      ...this.range({ from, to }),
      as: held.length ? 'variety' : 'unread',
      means: held.length === 1 ? firstOf(held).name : 'not understood',
    })
    if (held.length === 1) return [{ from, to, named: held, text }]
    if (held.length > 1)
      this.ask(
        'Which of them?',
        held.map(({ name }) => ({ name, text: this.anew({ from, to }, name) })),
        { from, to },
      )
    else {
      const like = this.known.names.like(text)
      this.ask(
        like.length
          ? `‘${text}’ is no crop that is known here. Did you mean one of these?`
          : `‘${text}’ is no crop that is known here. Add it under Crops and seed, or call it by a crop it is like.`,
        like.map(({ name }) => ({ name, text: this.anew({ from, to }, firstOf(name.split(','))) })),
        { from, to },
      )
    }
    return [{ from, to, named: [], text }]
  }

  private canName(i: number): boolean {
    const { plain, quoted, kind } = elementAt(this.sentence.tokens, i)
    return quoted || (kind === 'word' && /^\p{L}/u.test(plain) && !NO_NAMES.has(plain))
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

  private askSown() {
    this.ask('When was it sown? Say it like: sown 13 March.', [
      { name: 'a week ago', text: `${this.sentence.text}, sown a week ago` },
      { name: 'two weeks ago', text: `${this.sentence.text}, sown 2 weeks ago` },
      { name: 'four weeks ago', text: `${this.sentence.text}, sown 4 weeks ago` },
    ])
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

  private name(
    crop: Crop,
    unread: readonly (readonly number[])[],
  ): Pick<Wish, 'cropId' | 'packetId' | 'variety' | 'called'> {
    const { tokens } = this.sentence
    const loose = new Set(unread.flat())
    const beside: number[] = []
    for (let i = crop.from - 1; loose.has(i) && !elementAt(tokens, i + 1).parted && this.canName(i); i--)
      beside.unshift(i)
    for (
      let i = crop.to;
      loose.has(i) && (elementAt(tokens, i).quoted || (!elementAt(tokens, i).parted && this.canName(i)));
      i++
    )
      beside.push(i)
    let ids = [...new Set(crop.named.map(({ cropId }) => cropId))]
    this.hear(
      cropWords(crop, this.of('crop')),
      'crop',
      ids.length === 1
        ? shownAs(this.words(cropWords(crop, this.of('crop'))), nameOf(this.known, firstOf(ids)))
        : 'one of several',
    )
    let packetId = crop.named.length === 1 ? firstOf(crop.named).packetId : null
    // Of two crops side by side the first is the variety.
    const lead = this.of('crop').filter(({ from, to }) => from >= crop.from && to < crop.to)
    const words = [
      ...lead.flatMap(({ from, to }) => Array.from({ length: to - from }, (_, i) => from + i)),
      ...beside,
    ].sort((a, b) => a - b)
    let variety = words.map((i) => unquoted(elementAt(tokens, i).text)).join(' ')
    if (words.length && ids.length <= 1) {
      const held = this.known.names.holding(
        words.flatMap((i) => elementAt(tokens, i).plain.split(' ')),
        ids[0] ?? null,
      )
      if (held.length === 1) {
        const one = firstOf(held)
        ids = [one.cropId]
        packetId = one.packetId
        variety = one.packetId ? one.name : ''
      } else if (held.length > 1)
        this.ask(
          'Which of them?',
          held.map(({ name }) => ({
            name,
            text: this.anew({ from: firstOf(words), to: lastOf(words) + 1 }, name),
          })),
        )
    } else if (packetId !== null) variety = firstOf(crop.named).name
    beside.forEach((i) => this.taken.add(i))
    if (beside.length && ids.length) {
      const range = { from: firstOf(beside), to: lastOf(beside) + 1 }
      this.heard.push({
        text: this.words(range),
        ...this.range(range),
        as: 'variety',
        means: packetId ? variety : 'variety',
      })
    }
    if (ids.length > 1)
      this.ask(
        `${crop.text} is what more than one crop is called.`,
        crop.named.map(({ name }) => ({ name, text: this.anew(crop, firstOf(name.split(','))) })),
        crop,
      )
    return {
      cropId: ids.length === 1 ? firstOf(ids) : null,
      packetId,
      variety,
      called: lead.length ? this.words({ from: lastOf(lead).to, to: crop.to }) : crop.text,
    }
  }

  /** `3 trays: 2 kale, 1 chard`: trays of each, or plants in them. */
  private askTotal({ amounts }: Segment, segments: readonly Segment[]) {
    const isOf = (of: AmountSaid['of']) => (piece: Piece) =>
      piece.slot === 'amount' && (piece.value as AmountSaid).of === of
    const total = amounts.find(isOf('trays'))
    const parts = segments.flatMap((one) => one.amounts.filter(isOf('plants')))
    if (
      !total ||
      parts.length < segments.length ||
      !/^\s*:/.test(this.sentence.text.slice(this.range(total).to))
    )
      return
    const numbers = parts.map((piece) => (piece.value as AmountSaid).n)
    const inTrays = parts.reduceRight(
      (text, piece) => saidAnew(text, this.range(piece), `${(piece.value as AmountSaid).n} trays of`),
      this.sentence.text,
    )
    this.ask(
      `${numbers.join(', ')}: trays, or plants?`,
      [
        { name: 'Trays', text: saidAnew(inTrays, this.range(total), '').replace(/^[\s:]+/, '') },
        { name: 'Plants', text: this.anew(total, '').replace(/^[\s:]+/, '') },
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
    const [piece, second] = rest
    if (piece && second) {
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

  /** The container it is sown in; several that exclude each other are asked about. */
  private vessels(
    pieces: readonly Piece[],
    amount: Amount | null,
    own: (...slots: readonly string[]) => readonly Piece[],
  ): Pick<Wish, 'containerId' | 'containers' | 'broadcast'> {
    const amounts = own('amount').flatMap((piece) => {
      const { vessel, n } = piece.value as AmountSaid
      return vessel ? [{ piece, v: vessel, count: n as number | null, broadcast: false }] : []
    })
    const said = pieces.map((piece) => {
      const {
        v,
        count,
        broadcast = false,
      } = piece.value as { v: Vessel; count: number | null; broadcast?: boolean }
      return { piece, v, count, broadcast }
    })
    const all = [...amounts, ...said]
    const ids = new Set(all.map(({ v }) => v.id ?? v.name))
    if (ids.size > 1)
      this.ask(
        `In ${all.map(({ v }) => v.name.toLowerCase()).join(' or ')}?`,
        (all.length > MOST_CHOICES ? [] : all).map(({ v, piece }) => ({
          name: v.name,
          text: all
            .filter((one) => one.piece !== piece)
            .reduceRight((text, one) => saidAnew(text, this.range(one.piece), ''), this.sentence.text),
        })),
      )
    const [one] = all
    if (!one) return { containerId: null, containers: null, broadcast: false }
    const containerId = this.vesselId(one.piece, one.v)
    const vessel = this.known.vessels.find(({ id }) => id === containerId)
    // An open tray holds as much as is scattered over it.
    const open = vessel?.kind === 'open tray'
    const cells = open ? null : (vessel?.cells ?? null)
    const room = one.count !== null && cells !== null && !one.broadcast ? Math.round(one.count * cells) : null
    if (
      room !== null &&
      amount &&
      (amount.of === 'plants' || amount.of === 'cells') &&
      amount.n > room &&
      said.includes(one as (typeof said)[number])
    )
      this.ask(
        `${one.count} × ${one.v.name} ${room === 1 ? 'holds' : 'hold'} ${room}, not ${amount.n}. Which is meant?`,
        [
          { name: `${room} plants`, text: this.anew(present(own('amount')[0]), `${room}`) },
          { name: 'As many as are needed', text: this.anew(one.piece, `in ${one.v.name}`) },
        ],
      )
    return {
      containerId,
      containers: one.count,
      broadcast: one.broadcast || (open && amount?.of !== 'trays'),
    }
  }

  /** The id of a container that was said; what it may be is asked. */
  private vesselId(piece: Piece, v: Vessel | null): string | null {
    if (!v || v.id !== null) return v?.id ?? null
    const named = v.could.flatMap((id) => this.known.vessels.find((one) => one.id === id) ?? [])
    const lead =
      /^(?:in|into|on|using|with|inside) (?:an? |the |my |our )?/i.exec(this.words(piece))?.[0] ?? ''
    const counted = /^(?:(?:in|into|across) )?[\d.,/½¼¾]+|^(?:an?|half an?)\b/i.exec(this.words(piece))?.[0]
    const choices: Choice[] = named.map(({ name }) => ({
      name,
      text: this.anew(piece, `${counted ?? lead.trim()} ${name}`),
    }))
    if (v.lacks)
      choices.push({
        name: `A new one: ${v.lacks.name}, ${v.lacks.volumeMl >= 1000 ? `${Number((v.lacks.volumeMl / 1000).toPrecision(2))} L` : `${Number(v.lacks.volumeMl.toPrecision(2))} mL`}`,
        text: this.sentence.text,
        makes: v.lacks,
      })
    this.ask(
      v.lacks
        ? `‘${v.name}’ is not among the containers here. What is nearest?`
        : `Which ${v.name.replace(/s$/, '')}?`,
      choices,
      piece,
    )
    return null
  }

  /** Where no place was set up yet, one that is named is kept as it was said. */
  private get hasPlaces(): boolean {
    return this.known.places.some(({ id }) => id !== null && id !== OUTSIDE.id)
  }

  private place(pieces: readonly Piece[]): string | null {
    const [piece] = pieces
    if (!piece) return null
    const { id, name } = piece.value as { id: string | null; name: string }
    if (id === null && this.hasPlaces)
      this.ask(
        `There is no ${name.toLowerCase()} here yet: add it under Frosts and places, or leave it out.`,
        [{ name: 'Leave it out', text: this.anew(piece, '') }],
        piece,
      )
    return id
  }

  private up(
    own: (...slots: readonly string[]) => readonly Piece[],
    n: number | null,
  ): { n: number; of: number | null } | null {
    const share = own('up share')[0]?.value as 'all' | 'half' | undefined
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

  /** The days it is sown and goes out; a verb says which a bare day is of. */
  private days(own: (...slots: readonly string[]) => readonly Piece[], cropId: string | null) {
    const verb = own('verb')[0]?.value as 'sow' | 'sown' | 'out' | undefined
    const out: {
      outOn: Day | null
      sowOn: Day | null
      sown: boolean
      season: Wish['season']
      untilOn: Day | null
    } = {
      outOn: null,
      sowOn: null,
      sown: false,
      season: (own('season')[0]?.value as Wish['season']) ?? null,
      untilOn: null,
    }
    if (own('frost').length) {
      out.season = 'autumn'
      if (!this.known.frosts) this.ask('It never freezes here: say a day instead.')
      else if (cropId && !this.known.autumnCrops.includes(cropId))
        this.ask(
          'It is not usually sown for autumn. Before which frost: the last frost of spring, or the first of autumn?',
        )
    }
    for (const piece of own('day')) {
      const { role: said, day } = piece.value as DayPiece
      const counted = (day.ahead ?? day.was)?.counted && /\bbefore\b|ahead of/i.test(this.words(piece))
      const role =
        said !== 'by'
          ? said
          : verb === 'sown'
            ? 'sown'
            : verb === 'out'
              ? 'out'
              : verb === 'sow' || (counted && (day.ahead ?? day.was)?.frost === 'last')
                ? 'sow'
                : 'by'
      const on = this.dayOf(piece, role, role === 'sown' ? day.was : day.ahead)
      if (role === 'by' && on && !day.ahead?.frost) this.askWhichDay(piece, on, day.ahead?.counted === true)
      if ((day.ahead ?? day.was)?.frost === 'first') out.season = 'autumn'
      if (!on) continue
      if (role === 'until') out.untilOn = on
      else if (role === 'sow' || role === 'sown') {
        out.sowOn = on
        out.sown = role === 'sown'
      } else out.outOn = on
      this.hear(piece, 'day', on)
    }
    if (verb === 'sown' && !out.sowOn && own('day').length === 0) {
      this.askSown()
      out.sown = true
    }
    return out
  }

  /** A bare day in the cold, `12 leeks in January`, may be that of sowing as well as that of planting out. */
  private askWhichDay(piece: Piece, on: Day, counted: boolean) {
    const { frosts } = this.known
    const words = this.words(piece)
    // `Six weeks before 15 May` is as often the one as the other.
    const before = counted && /\b(?:before|ahead of)\b/i.test(words)
    if (!before && (!frosts || !BARE_DAY.test(words) || SPAN.test(words))) return
    const inYear = (day: Day) => `${on.slice(0, 4)}${day.slice(4)}` as Day
    const isCold = frosts && (daysBetween(on, inYear(frosts.last)) >= COLD_DAYS || on > inYear(frosts.first))
    if (!before && !isCold) return
    this.ask(
      `‘${words}’: sown then, or planted out?`,
      [
        { name: 'Sown then', text: this.anew(piece, `sow ${on}`) },
        { name: 'Planted out then', text: this.anew(piece, `out ${on}`) },
      ],
      piece,
    )
  }

  private dayOf(piece: Piece, role: DayPiece['role'], read: ReadDay | null): Day | null {
    if (!read) {
      this.ask(`‘${this.words(piece)}’ is no day for what is sown already.`, [], piece)
      return null
    }
    if (read.choices) {
      this.ask(
        present(read.problem),
        read.choices.map(({ name, day }) => ({ name, text: this.anew(piece, `${LEAD_OF[role]} ${day}`) })),
        piece,
      )
      return null
    }
    if (!read.day) {
      this.ask(
        read.problem ??
          `There is no ${this.words(piece).replace(/^(?:by|on|for|in|before|after) /i, '')}. Write it like 20 May.`,
        [],
        piece,
      )
      return null
    }
    const { today } = this.known
    const day = read.day
    if (role === 'sown' && day > today) {
      const before = lastYear(day)
      this.ask(
        `${day} is still to come. Was it sown a year before, or is it to be sown then?`,
        [
          { name: `It was sown on ${before}`, text: this.anew(piece, `sown ${before}`) },
          { name: `It is to be sown on ${day}`, text: this.anew(piece, `sow ${day}`) },
        ],
        piece,
      )
    }
    if (role !== 'sown' && role !== 'until' && day < today)
      this.ask(
        `${day} is past. Was it sown then?`,
        [
          { name: `It was sown on ${day}`, text: this.anew(piece, `sown ${day}`) },
          { name: 'Leave the day out', text: this.anew(piece, '') },
        ],
        piece,
      )
    const year = /\d{4}/.test(this.words(piece))
    if (
      (role === 'sow' || role === 'by' || role === 'out') &&
      !year &&
      daysBetween(today, day) > FAR_AHEAD_DAYS
    ) {
      const before = lastYear(day)
      if (daysBetween(before, today) <= JUST_PAST_DAYS && daysBetween(before, today) > 0)
        this.ask(
          `${before} is past. Which is meant?`,
          [
            ...(role === 'sow'
              ? [{ name: `It was sown on ${before}`, text: this.anew(piece, `sown ${before}`) }]
              : []),
            { name: `${day}`, text: this.anew(piece, `${LEAD_OF[role]} ${day}`) },
          ],
          piece,
        )
    }
    return day
  }

  private repeats(
    own: (...slots: readonly string[]) => readonly Piece[],
    { outOn, sowOn, untilOn }: { outOn: Day | null; sowOn: Day | null; untilOn: Day | null },
  ): Pick<Wish, 'times' | 'everyDays'> {
    const all = own('repeats').map(({ value }) => value as RepeatSaid)
    const everyDays = all.map((one) => one.everyDays).find((n) => n !== null) ?? 0
    const said = all.map((one) => one.times).find((n) => n !== null) ?? null
    const from = outOn ?? sowOn
    const counted =
      untilOn && everyDays
        ? Math.max(
            1,
            Math.floor(
              daysBetween(from ?? this.known.frosts?.last ?? this.known.today, untilOn) / everyDays,
            ) + 1,
          )
        : null
    if (everyDays && said === null && counted === null)
      this.ask(
        'How many times?',
        [3, 4, 6].map((n) => ({ name: `${n} times`, text: `${this.sentence.text}, ${n} times` })),
      )
    if (said && said > 1 && !everyDays)
      this.ask(
        'How far apart?',
        ['1 week', '2 weeks', '3 weeks'].map((span) => ({
          name: span,
          text: `${this.sentence.text}, ${span} apart`,
        })),
      )
    return { times: said ?? counted ?? 1, everyDays }
  }

  /** A row lies along a tray or across it: both are offered, in the tray that was named, or the usual one. */
  private lengthOfRow(rows: Piece, containerId: string | null) {
    const tray = this.known.vessels.find(({ id, cells }) => id === (containerId ?? USUAL_TRAY) && cells > 1)
    const question = 'How long is a row?'
    if (!tray) return this.ask(`${question} Say it in cells or trays: 24 cells, 1 tray.`, [], rows)
    const grid = gridOf({ id: tray.id, cells: tray.cells })
    const n = rows.value as number
    const [along, across] = [n * grid.columns, n * grid.rows]
    this.ask(
      `${question} In a ${tray.name} ${grid.columns} cells lie along it and ${grid.rows} across: ${along} or ${across} in all.`,
      [...new Set([along, across])].map((cells) => ({
        name: `${cells} cells of`,
        text: this.anew(rows, `${cells} cells of`),
      })),
      rows,
    )
  }

  private askUnread(run: readonly number[]) {
    const range = { from: firstOf(run), to: lastOf(run) + 1 }
    const words = this.words(range)
    const denies = run.some((i) => NEGATIONS.has(elementAt(this.sentence.tokens, i).lower))
    // The last word is the one that says what it is; the others lead to it.
    const word = { from: range.to - 1, to: range.to }
    const near = denies ? [] : nearWords(this.words(word), this.known)
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

/** The words of the crop itself, without a variety before it. */
const cropWords = (crop: Crop, pieces: readonly Piece[]) => pieces.find(({ to }) => to === crop.to) ?? crop
const nameOf = (known: Known, cropId: string): string =>
  (known.crops.find(({ id }) => id === cropId)?.name ?? cropId).split(',')[0] ?? cropId

const LEAD_OF: Readonly<Record<DayPiece['role'], string>> = {
  out: 'out',
  sow: 'sow',
  sown: 'sown',
  by: 'by',
  until: 'until',
}
const unquoted = (word: string) => word.replace(/^["“'‘]|["”'’]$/g, '')

const NEGATIONS = new Set(
  'no not never none nor without except but only neither dont doesnt didnt wont cant hasnt havent'.split(' '),
)

const lastYear = (day: Day): Day => {
  const year = Number(day.slice(0, 4)) - 1
  return (day.endsWith('02-29') ? `${year}-02-28` : `${year}${day.slice(4)}`) as Day
}

/** Words that are no part of a variety's name: they say something that was not understood. */
const NO_NAMES = new Set(
  `apiece fewer lesser minus within kind kinds cutting cuttings set sets tuber tubers crown crowns slip slips division divisions for on in with by at from to until before after near under like without next because if into than no not never none nor
   nothing dont doesnt didnt wont cant except but only maybe asap soon now quickly again too my our his her their your everyone
   someone or either neither and then also hopefully probably perhaps would could should will shall can may might must
   is are was were be been being have has had do does did am it its they them he she we i you me us this that these those there
   here when where why how what which who very really quite about over per each every all both half some any many much more
   less most least few other another such same own so as ago yet still already always often usually upstairs downstairs
   inside early late later today tomorrow yesterday day week month year time please thank
   lost died dead sow sown seed seeded start started plant planted pot potted prick move moved water watered feed fed thin thinned
   give gave given kill killed eat ate eaten throw threw sell sold buy bought stop stopped cancel delete remove undo`.split(
    /\s+/,
  ),
)
