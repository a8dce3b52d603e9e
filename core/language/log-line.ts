import { capital } from '../text/capital'
import { at as elementAt, first as firstOf } from '../numeric/at'
import { seenName, type SeenId } from '../signs/seen'
import { UNREAD, type Piece } from './chart'
import { LOG, type Act, type ActSaid, type HowMany, type Measured } from './log-grammar'
import { LINE_EXAMPLE, nextYear, type LineKind, type ReadLine } from './line-said'
import { LogKinds } from './log-kinds'
import { OF_CELLS, type Own, type Subject } from './log-subjects'
import type { Said } from './quantities'
import type { Choice, Heard, Known, Read } from './reading'
import { ownerOf, segmentsOf, type Segment } from './segments'
import { readBy } from './sentence-reader'
import type { DaySaid } from './terms'
import { unreadRuns } from './unread'
import type { Vessel } from './vessels'

const DENIALS = new Set(
  'not no never none nor without except but only dont didnt wont isnt hasnt havent doesnt cant couldnt neither unless instead'.split(
    ' ',
  ),
)

/**
 * A line as it is typed at the bench, `basil tray 14 two leaves, pale below`: an entry for each crop or tray, and each thing
 * that happened. Every word is taken for something and shown, or stands in the note; a tray nobody knows, or a crop that
 * stands in several, is asked about.
 */
export const readLine = (text: string, known: Known): Read<ReadLine> =>
  readBy(text, known, LOG, LINE_EXAMPLE, (sentence, pieces) => new LineReader(sentence, known, pieces).read())

/** What is done to whole trays: a number beside it counts no plants. */
const OF_TRAYS: ReadonlySet<Act> = new Set(['watered', 'feed', 'weighed', 'felt', 'tended', 'cleaned'])
const isShare = ({ value }: Piece) => (value as HowMany).share !== null
/** Acts that change what grows where. */
const CHANGES: ReadonlySet<Act> = new Set([
  'look',
  'thin',
  'sown',
  'moved',
  'shift',
  'carried',
  'out',
  'lost',
  'given',
])
/** So few stand in a cell that was thinned [common practice]. */
const MOST_IN_A_CELL = 4
const MOVES = /^(?:bumped|moved|potted|stepped|pricked)$/i

class LineReader extends LogKinds {
  read(): Read<ReadLine> {
    const subjects = this.subjects()
    const all = subjects.length ? subjects : [{ from: 0, to: 0, pieces: [] }]
    const segments: readonly Segment[] = subjects.length
      ? segmentsOf(subjects.map(namedAt), this.of('count'), this.sentence.tokens.length)
      : [{ from: 0, to: this.sentence.tokens.length, amounts: this.of('count') }]
    if (this.of('asked').length)
      this.ask('That is a question: here is written what happened.', [
        { name: 'Keep it as a note', text: `note: ${this.sentence.text.replace(/\?/g, '').trim()}` },
      ])
    const denied = unreadRuns(this.pieces, this.sentence)
      .flat()
      .filter((i) => DENIALS.has(elementAt(this.sentence.tokens, i).lower))
    const noted = this.isNote()
    if (denied.length && !noted) {
      const i = firstOf(denied)
      this.ask(
        `What does ‘${elementAt(this.sentence.tokens, i).text}’ deny here? Say it in other words, or keep it as a note.`,
        [{ name: 'Keep it as a note', text: `note: ${this.sentence.text}` }],
        { from: i, to: i + 1 },
      )
    }
    // Words of which nothing is known are no entry by themselves.
    if (this.pieces.every(({ slot }) => slot === UNREAD || slot === 'filler' || slot === 'count'))
      this.ask(`Nothing of that is known here. Say it like: ${LINE_EXAMPLE}.`, [
        { name: 'Keep it as a note', text: `note: ${this.sentence.text.trim()}` },
      ])
    const meaning: ReadLine[] = []
    all.forEach((subject, i) => meaning.push(...this.lines(subject, segments, i, meaning.at(-1) ?? null)))
    return { meaning, heard: this.taking().map(keptAsWords), questions: this.questions }
  }

  /** It begins as a note, or says what is to be done: nothing of it happened. */
  private isNote(): boolean {
    const firstAct = this.of('act')[0]
    return firstAct !== undefined && (firstAct.value as ActSaid).act === 'thought'
  }

  /** The entries of one subject: one for each thing that happened to it. */
  private lines(
    subject: Subject,
    segments: readonly Segment[],
    index: number,
    before: ReadLine | null,
  ): ReadLine[] {
    const segment = elementAt(segments, index)
    const own: Own = (...slots) => {
      const all = this.of(...slots).filter((piece) => ownerOf(piece, segments, index))
      const inside = all.filter(({ from }) => from >= segment.from && from < segment.to)
      return inside.length ? inside : all
    }
    const all = own('act')
    // `Gave the leeks a haircut` gives nothing away.
    const trims = all.some((piece) =>
      /haircut|drink|feed|trim|soak|watering|misting|shower/i.test(this.words(piece)),
    )
    const said = all.filter(
      (piece) => !(trims && /^gave$/i.test(this.words(piece))) && !this.isPartOfVerb(piece),
    )
    const note = this.isNote()
    const firstThought = said.findIndex(({ value }) => (value as ActSaid).act === 'thought')
    const acts = note ? said.slice(0, 1) : firstThought > 0 ? said.slice(0, firstThought) : said
    const dayOf = this.dayOfEach(acts, own)
    if (!note) for (const act of acts) this.askBefore(act)
    const isOfTrays =
      !note && subject.pieces.length === 0 && acts.every(({ value }) => OF_TRAYS.has((value as ActSaid).act))
    if (isOfTrays && acts.length) this.askTrays(segment.amounts)
    const amounts = this.amounts(segment, segments, own)
    const counts = note || (isOfTrays && acts.length) ? amounts.filter(isShare) : amounts
    const base = this.base(subject, own, note)
    if (acts.length <= 1) {
      if (counts.length > 1) this.askCounts(counts)
      return [this.line(subject, segment, own, base, acts[0] ?? null, counts[0] ?? null, before)]
    }
    const distinct = acts.filter(
      (one, i) => acts.findIndex((other) => same(one.value as ActSaid, other.value as ActSaid)) === i,
    )
    if (distinct.length === 1)
      return [this.line(subject, segment, own, base, distinct[0] ?? null, counts[0] ?? null, before)]
    const nearest = (count: Piece) =>
      distinct.reduce((best, act) => (gap(act, count) < gap(best, count) ? act : best), firstOf(distinct))
    return distinct.map((act, i) => {
      const mine = counts.filter((count) => nearest(count) === act)
      if (mine.length > 1) this.askCounts(mine)
      return this.line(
        subject,
        segment,
        (...slots) => dayOf(act, own(...(i === 0 ? slots : slots.filter((slot) => !ONCE.has(slot))))),
        base,
        act,
        mine[0] ?? null,
        before,
      )
    })
  }

  /** How many of this one: as it was said, of each where it was said so; all but so many are not all. */
  private amounts(segment: Segment, segments: readonly Segment[], own: Own): readonly Piece[] {
    const [each] = own('each')
    const said = each && (segments.length > 1 || segment.amounts.length === 0) ? [each] : segment.amounts
    return said.some(({ value }) => (value as HowMany).but !== null)
      ? said.filter(({ value }) => (value as HowMany).share !== 1)
      : said
  }

  /**
   * Whose day it is, of several acts: nothing is up the day it was sown, so that one day is that of the act beside it; of as many
   * days as acts each has its own.
   */
  private dayOfEach(
    acts: readonly Piece[],
    own: Own,
  ): (act: Piece, pieces: readonly Piece[]) => readonly Piece[] {
    const days = own('day')
    const is = (act: Act) => acts.some(({ value }) => (value as ActSaid).act === act)
    const each =
      acts.length > 1 && (days.length === acts.length || (days.length === 1 && is('sown') && is('look')))
    if (!each) return (_, pieces) => pieces
    const sown = acts.find(({ value }) => (value as ActSaid).act === 'sown')
    const ownerOfDay = (day: Piece) =>
      days.length > 1 ? acts[days.indexOf(day)] : (acts.find(({ to }) => to === day.from) ?? sown)
    return (act, pieces) => pieces.filter((piece) => piece.slot !== 'day' || ownerOfDay(piece) === act)
  }

  /** `Meant to pot up`, `failed to sow`: a word before an act that nothing is made of may turn it round. */
  private askBefore(act: Piece) {
    const { tokens, text } = this.sentence
    const before = this.pieces.find(({ to }) => to === act.from)
    if (
      !CHANGES.has((act.value as ActSaid).act) ||
      before?.slot !== UNREAD ||
      elementAt(tokens, act.from).parted ||
      !/^\p{Ll}/u.test(elementAt(tokens, before.from).text)
    )
      return
    this.ask(
      `‘${this.words({ from: before.from, to: act.to })}’: did it happen?`,
      [
        { name: `Yes: ${this.words(act)}`, text: this.anew(before, '') },
        { name: 'Keep it as a note', text: `note: ${text.trim()}` },
      ],
      before,
    )
  }

  /** `Greened up`, `perked up`: the up of another verb says nothing of seed. */
  private isPartOfVerb(piece: Piece): boolean {
    if (!/^(?:up|through)$/i.test(this.words(piece))) return false
    const before = this.pieces.find(({ to }) => to === piece.from)
    // `Bumped the chard up`: the verb and its up, what was bumped between them.
    const verb = this.of('act').findLast(({ to }) => to <= piece.from)
    if (
      verb &&
      MOVES.test(this.words(verb)) &&
      before &&
      before.slot !== 'count' &&
      !this.sentence.tokens.slice(verb.to, piece.to).some(({ parted }) => parted)
    )
      return true
    return (
      before?.slot === UNREAD &&
      !elementAt(this.sentence.tokens, piece.from).parted &&
      !/ly$/i.test(this.words(before))
    )
  }

  private line(
    subject: Subject,
    segment: Segment,
    own: Own,
    base: ReturnType<LogKinds['base']>,
    actPiece: Piece | null,
    countPiece: Piece | null,
    before: ReadLine | null,
  ): ReadLine {
    const { known } = this
    const act = actPiece?.value as ActSaid | undefined
    const signs = own('sign').map(({ value }) => value as SeenId)
    const vessel = own('vessel')[0]
    const place = own('place')[0]
    const next = own('next year').length > 0
    const note = act?.act === 'thought' || next
    let kind = this.kindOf(act, actPiece, own, { vessel, place, signs, note, countPiece, before })
    const isNote = kind === 'thought'
    const when = this.day(own, isNote, act?.denied === true)
    const { trays, group, sowings } = this.where(base, kind, isNote)
    const ofCell = own('of a cell').length > 0
    const how = isNote || ofCell ? null : ((countPiece?.value as HowMany | undefined) ?? null)
    const groups = trays.flatMap((tray) =>
      tray.groups.filter(
        (one) =>
          (base.cropId === null || one.cropId === base.cropId) && (group === null || one.code === group),
      ),
    )
    const number = this.number(
      how,
      kind,
      act?.denied === true && kind === 'look',
      groups,
      sowings,
      countPiece,
    )
    const thinTo = kind === 'thin' ? own('thin to')[0] : undefined
    const thinnedTo = (thinTo?.value as number | undefined) ?? null
    if (
      thinTo &&
      thinnedTo !== null &&
      thinnedTo > MOST_IN_A_CELL &&
      !/\b(?:each|per|a|in)\b/i.test(this.words(thinTo))
    )
      this.ask(
        `${thinnedTo} in each cell, or ${thinnedTo} left in all?`,
        [
          { name: `${thinnedTo} in each cell`, text: this.anew(thinTo, `to ${thinnedTo} each`) },
          { name: 'Keep it as a note', text: `note: ${this.sentence.text.trim()}` },
        ],
        thinTo,
      )
    const unclear = own('unclear')[0]
    if (unclear && !isNote && !(unclear.value as readonly SeenId[]).some((id) => signs.includes(id)))
      this.ask(
        `${capital(this.words(unclear))}: which is it?`,
        (unclear.value as readonly SeenId[]).map((id) => ({
          name: seenName(id),
          text: this.anew(unclear, SAID_OF[id] ?? seenName(id).toLowerCase()),
        })),
        unclear,
      )
    if (number.count !== null && number.of !== null && number.count > number.of && countPiece)
      this.ask(
        `${number.count} of ${number.of} cannot be. Which is right?`,
        [
          {
            name: `${number.of} of ${number.of}`,
            text: this.anew(countPiece, `${number.of} of ${number.of}`),
          },
        ],
        countPiece,
      )
    if (OF_CELLS.includes(kind) && subject.pieces.length === 0) this.askWhose(kind, segment)
    // `Lost half a tray of leeks`: of cells nobody said how many.
    const vague = own('kept').find((one) => /\b(?:trays?|flats?|rows?|packs?)\b/i.test(this.words(one)))
    if (OF_CELLS.includes(kind) && kind !== 'sown' && vague && number.count === null)
      this.ask(`‘${this.words(vague)}’: how many plants is that? Say a number.`, [], vague)
    const litres = own('litres')[0]?.value as (Said & { each: boolean }) | undefined
    const grams = own('grams')[0]?.value as Said | undefined
    const measured = own('measured').map(({ value }) => value as Measured)
    const batch = base.batch && known.batches.find(({ number }) => number === (base.batch?.value as number))
    if (kind === 'seen' && signs.includes('eaten')) kind = 'damage'
    return {
      kind,
      kindGuessed: actPiece === null,
      trayIds: trays.map(({ id }) => id),
      group,
      sowingIds: sowings.map(({ id }) => id),
      cropId: base.cropId,
      called: base.named ? this.words(base.named) : '',
      trays: subject.pieces
        .filter(({ slot }) => slot === 'trays')
        .flatMap(({ value }) => value as readonly number[]),
      batchId: batch ? batch.id : null,
      placeId: isNote ? null : this.place(place, kind),
      containerId: vessel && kind === 'moved' ? this.vesselId(vessel) : null,
      ...when,
      ...number,
      except: number.count === null ? (how?.but ?? null) : null,
      thinnedTo,
      grams: grams?.base ?? null,
      litres: litres ? litres.base * (litres.each ? Math.max(1, trays.length) : 1) : null,
      how: (own('how')[0]?.value as 'below' | 'above' | undefined) ?? null,
      measured,
      treatment: (own('treatment')[0]?.value as string | undefined) ?? null,
      signs: isNote ? [] : signs,
      said:
        segment.from === 0 && segment.to === this.sentence.tokens.length
          ? this.sentence.text.trim()
          : this.words(segment),
      rest: this.pieces
        .filter(({ slot, from }) => slot === UNREAD && from >= segment.from && from < segment.to)
        .map((piece) => this.words(piece)),
    }
  }

  private day(own: Own, isNote: boolean, denied: boolean): Pick<ReadLine, 'on' | 'at' | 'remindOn'> {
    const { today } = this.known
    const at = (own('time')[0]?.value as string | undefined) ?? null
    const next = own('next year')[0]
    const [piece, second] = own('day')
    if (piece && second && !isNote)
      this.ask(`${this.words(piece)}, or ${this.words(second)}?`, [
        { name: this.words(piece), text: this.anew(second, '') },
        { name: this.words(second), text: this.anew(piece, '') },
      ])
    const said = piece?.value as DaySaid | undefined
    const read = said && (isNote ? (said.ahead ?? said.was) : (said.was ?? said.ahead))
    if (piece && read && !read.day && !isNote)
      this.ask(
        read.problem ?? `There is no ${this.words(piece)}. Write it like 20 May.`,
        (read.choices ?? []).map(({ name, day }) => ({ name, text: this.anew(piece, day) })),
        piece,
      )
    const day = read?.day ?? null
    if (piece && day)
      this.heard.push({ text: this.words(piece), ...this.range(piece), as: 'day', means: day })
    if (piece && day && day > today && !isNote)
      this.ask(
        `${this.words(piece)} is still to come: what happened cannot lie there.`,
        [
          { name: 'It was today', text: this.anew(piece, 'today') },
          { name: 'Keep it as a note for that day', text: `note: ${this.sentence.text}` },
        ],
        piece,
      )
    if (isNote)
      return {
        on: today,
        at,
        remindOn: next ? nextYear(today) : day !== null && day > today && !denied ? day : null,
      }
    return { on: day ?? today, at, remindOn: null }
  }

  private place(piece: Piece | undefined, kind: LineKind): string | null {
    if (!piece) return null
    const { id, name } = piece.value as { id: string | null; name: string }
    if (id === null && kind === 'carried')
      this.ask(
        `There is no ${name.toLowerCase()} here yet: add it under Frosts and places, or leave it out.`,
        [{ name: 'Leave it out', text: this.anew(piece, '') }],
        piece,
      )
    return id
  }

  private vesselId(piece: Piece): string | null {
    const { v } = piece.value as { v: Vessel }
    // `Into pots` says enough of what happened.
    if (v.id !== null || /^(?:pot|cup|pack)s?$/i.test(v.name)) return v.id
    const named = v.could.flatMap((id) => this.known.vessels.find((one) => one.id === id) ?? [])
    const choices: Choice[] = named.map(({ name }) => ({ name, text: this.anew(piece, `into ${name}`) }))
    if (v.lacks)
      choices.push({ name: `A new one: ${v.lacks.name}`, text: this.sentence.text, makes: v.lacks })
    this.ask(
      v.lacks ? `‘${v.name}’ is not among the containers here. What is nearest?` : `Which ${v.name}?`,
      choices,
      piece,
    )
    return null
  }
}

/** Where a subject is named: a number stands before its crop, `tray 2 with 24 okra`, not before its tray. */
const namedAt = ({ from, to, pieces }: Subject) => ({
  from: pieces.findLast(({ slot }) => slot !== 'trays')?.from ?? from,
  to,
})

/** Said once of a line with several acts: the first of them has it. */
const ONCE = new Set(['sign', 'no sign', 'unclear', 'measured', 'litres', 'grams', 'treatment', 'vessel'])
const same = (a: ActSaid, b: ActSaid) => a.act === b.act && a.denied === b.denied
const gap = (a: Piece, b: Piece) => (a.to <= b.from ? b.from - a.to + 0.5 : a.from - b.to)
/** Words that a sign is surely read by. */
const SAID_OF: Partial<Record<SeenId, string>> = {
  'pale old': 'pale below',
  'pale new': 'pale on top',
  'wilting dry': 'wilting dry',
  'wilting wet': 'wilting wet',
  'green crust': 'green crust',
  'white crust': 'white crust',
}
const keptAsWords = (one: Heard): Heard =>
  one.as === 'unread' ? { ...one, as: 'words', means: 'kept as words' } : one
