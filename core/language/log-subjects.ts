import { capital } from '../text/capital'
import { at as elementAt, first as firstOf } from '../numeric/at'
import { present } from '../present'
import type { Piece } from './chart'
import { LINE_KINDS, type LineKind } from './line-said'
import { shownAs, type Named } from './name-book'
import type { Choice, Known, KnownGroup, KnownSowing, KnownTray } from './reading'
import type { Segment } from './segments'
import { SentenceReader } from './sentence-reader'
import { unreadRuns } from './unread'

export const OF_CELLS: readonly LineKind[] = ['look', 'thin', 'sown', 'moved', 'out', 'lost', 'given']
/** What is picked, in flower or thought of is of the crop, wherever it stands. */
const OF_THE_CROP: readonly LineKind[] = ['harvest', 'flower', 'weather', 'thought']
export const MAX_CHOICES = 12

/** One thing a line is about: a crop, a sowing, trays, or a crop in its trays. */
export interface Subject {
  readonly from: number
  readonly to: number
  readonly pieces: readonly Piece[]
}
export type Own = (...slots: readonly string[]) => readonly Piece[]
const isCrop = ({ slot }: Piece) => slot === 'crop' || slot === 'sowing'

/** What a line of the log is about: crops, sowings, trays, and those that stand for them. */
export abstract class LogSubjects extends SentenceReader {
  protected subjects(): Subject[] {
    const out: Subject[] = []
    const acts = this.of('act')
    const subjectPieces = this.of('crop', 'sowing', 'trays')
    subjectPieces.forEach((piece, i) => {
      const now = out.at(-1)
      const sameKind = now?.pieces.some((one) => isCrop(one) === isCrop(piece))
      const beside =
        now !== undefined && now.to === piece.from && !elementAt(this.sentence.tokens, piece.from).parted
      const between = now && acts.some(({ from }) => from >= now.to && from < piece.from)
      const next = subjectPieces[i + 1]?.from ?? Infinity
      const after = acts.some(({ from }) => from >= piece.to && from < next)
      const parted =
        now &&
        this.pieces.some(
          ({ from }) =>
            from > now.to - 1 && from <= piece.from && elementAt(this.sentence.tokens, from).parted,
        )
      if (now && sameKind && beside && isCrop(piece) && piece.slot === 'crop')
        // Of two names side by side the last is the crop.
        out[out.length - 1] = {
          from: now.from,
          to: piece.to,
          pieces: [...now.pieces.filter((one) => !isCrop(one)), piece],
        }
      else if (now && !sameKind && !(between && after && parted))
        out[out.length - 1] = { from: now.from, to: piece.to, pieces: [...now.pieces, piece] }
      else out.push({ from: piece.from, to: piece.to, pieces: [piece] })
    })
    return this.ledByTray(out)
  }

  /** `Tray 3: 20 chard up, 8 okra up`, `sowed tray 3 with chard and okra`: the tray at the head is that of every crop behind it. */
  protected ledByTray(subjects: Subject[]): Subject[] {
    const [first, ...others] = subjects
    const tray = first?.pieces.find(({ slot }) => slot === 'trays')
    const crop = first?.pieces.find(isCrop)
    const leads =
      first &&
      tray &&
      crop &&
      tray === first.pieces[0] &&
      /^\s*(?::|with\b)/i.test(this.sentence.text.slice(this.range(tray).to)) &&
      others.every(({ pieces }) => pieces.every(isCrop))
    if (!leads) return subjects
    return subjects.map((one) => {
      const of = one.pieces.filter(isCrop)
      return { from: firstOf(of).from, to: one.to, pieces: [tray, ...of] }
    })
  }

  /** What a line is about: its trays, its crop, and those that stand for it. */
  protected base(subject: Subject, own: Own, note: boolean) {
    const { known } = this
    const trays: KnownTray[] = []
    for (const piece of subject.pieces.filter(({ slot }) => slot === 'trays')) {
      const numbers = piece.value as readonly number[]
      const these = known.trays.filter(({ number }) => numbers.includes(number))
      const missing = numbers.filter((number) => !these.some((one) => one.number === number))
      trays.push(...these)
      if (missing.length && !note && known.trays.length)
        this.ask(
          `There is no tray ${missing.join(', ')} standing. Which one is it?`,
          known.trays.slice(0, MAX_CHOICES).map(({ number, groups }) => ({
            name: `${number}${groups.length ? ` · ${groups.map(({ name }) => name).join(', ')}` : ''}`,
            text: this.anew(piece, `tray ${number}`),
          })),
          piece,
        )
    }
    const named = subject.pieces.find(isCrop)
    let cropId: string | null = null
    let sowings: readonly KnownSowing[] = []
    if (named?.slot === 'sowing') {
      const one = named.value as KnownSowing
      cropId = one.cropId
      sowings = known.sowings.filter(({ name }) => name === one.name)
    } else if (named) {
      this.hear(
        named,
        'crop',
        shownAs(this.words(named), nameOf(known, (named.value as readonly Named[])[0]?.cropId ?? '')),
      )
      const could = named.value as readonly Named[]
      // Of several that are called so, the one that stands here.
      const here = could.filter(
        (one) =>
          known.trays.some(({ groups }) => groups.some((group) => group.cropId === one.cropId)) ||
          known.sowings.some((sowing) => sowing.cropId === one.cropId),
      )
      const ids = [...new Set((here.length ? here : could).map((one) => one.cropId))]
      cropId = firstOf(ids)
      if (ids.length > 1 && !note)
        this.ask(
          `${this.words(named)} is what more than one crop is called.`,
          could.map(({ name }) => ({
            name: firstOf(name.split(',')),
            text: this.anew(named, firstOf(name.split(','))),
          })),
          named,
        )
      sowings = known.sowings.filter((one) => one.cropId === cropId)
    }
    return { trays, cropId, sowings, named: named ?? null, batch: own('batch')[0] ?? null }
  }

  protected where(base: ReturnType<LogSubjects['base']>, kind: LineKind, isNote: boolean) {
    const { known } = this
    const { cropId, named } = base
    const trays = [...base.trays]
    let sowings = base.sowings
    const group = named?.slot === 'sowing' ? (named.value as KnownSowing) : null
    const fits = (one: KnownGroup) =>
      group ? sowings.some(({ id }) => id === one.sowingId) || one.name === group.name : one.cropId === cropId
    // A crop without a tray: the tray it stands in, where that is one.
    if (trays.length === 0 && cropId && !isNote) {
      const holding = known.trays.filter(({ groups }) => groups.some(fits))
      if (holding.length === 1) trays.push(firstOf(holding))
      else if (holding.length > 1 && !OF_THE_CROP.includes(kind))
        this.ask(
          `${named ? capital(this.words(named)) : 'It'} stands in ${holding.length} trays. Which of them?`,
          [
            ...holding.slice(0, MAX_CHOICES).map(({ number, groups }) => ({
              name: `${number} · ${groups
                .filter(fits)
                .map(({ name }) => name)
                .join(', ')}`,
              text: this.more(`tray ${number}`),
            })),
            {
              name: 'all of them',
              text: this.more(`trays ${holding.map(({ number }) => number).join(', ')}`),
            },
          ],
        )
    }
    const groups = trays.flatMap((tray) => tray.groups)
    const whose = cropId ? groups.filter(fits) : groups
    if (trays.length && (sowings.length === 0 || whose.length))
      sowings = known.sowings.filter(({ id }) => whose.some((one) => one.sowingId === id))
    const ofCells = OF_CELLS.includes(kind)
    const [tray] = trays
    if (ofCells && !isNote && tray && trays.length === 1 && whose.length > 1)
      this.ask(
        `Several things stand in tray ${tray.number}. Of which?`,
        whose.map(({ name }) => ({
          name,
          text: named ? this.anew(named, name) : this.more(`“${name}”`).replace(/[“”]/g, ''),
        })),
      )
    if (cropId && trays.length && base.trays.length && whose.length === 0 && !isNote && named)
      this.ask(
        `There is no ${this.words(named)} in tray ${trays.map(({ number }) => number).join(', ')}. Which is right?`,
        [
          { name: `Tray ${trays.map(({ number }) => number).join(', ')}`, text: this.anew(named, '') },
          ...this.of('trays')
            .slice(0, 1)
            .map((piece) => ({ name: capital(this.words(named)), text: this.anew(piece, '') })),
        ],
      )
    const single = trays.length === 1 && whose.length === 1 ? firstOf(whose) : null
    return { trays, group: single?.code ?? null, sowings: isNote && !cropId ? [] : sowings }
  }

  /** Nothing is named that it may be of, or a name that nobody knows. */
  protected askWhose(kind: LineKind, segment: Segment) {
    const unknown = unreadRuns(this.pieces, this.sentence).filter(
      (run) => firstOf(run) >= segment.from && firstOf(run) < segment.to,
    )
    const [run] = unknown
    const here = this.known.trays.slice(0, MAX_CHOICES)
    if (!run && here.length === 0) return
    const about = run ? { from: firstOf(run), to: elementAt(run, run.length - 1) + 1 } : null
    const note: Choice = { name: 'Keep it as a note', text: `note: ${this.sentence.text}` }
    this.ask(
      about
        ? `‘${this.words(about)}’ is nothing that is known here. What is it of?`
        : `${present(LINE_KINDS.find((one) => one.kind === kind)).name}: of what?`,
      [
        ...here.map(({ number, groups }) => ({
          name: `Tray ${number}${groups.length ? ` · ${groups.map(({ name }) => name).join(', ')}` : ''}`,
          text: about ? this.anew(about, `tray ${number}`) : this.more(`tray ${number}`),
        })),
        note,
      ],
      about,
    )
  }
}

const nameOf = (known: Known, cropId: string): string =>
  (known.crops.find(({ id }) => id === cropId)?.name ?? cropId).split(',')[0] ?? cropId
