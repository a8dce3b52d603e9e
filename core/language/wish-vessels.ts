import { OUTSIDE } from '../places/place'
import { present } from '../present'
import { counted } from '../text/plurals'
import { printQuantity } from '../units/format'
import { gridOf } from '../trays/grid'
import type { Piece } from './chart'
import type { Amount } from '../season/schedule/schedule-from-wish'
import type { Choice } from './reading'
import { saidAnew } from './said-anew'
import { SentenceReader } from './sentence-reader'
import type { Vessel } from './vessels'
import type { Wish } from './wish-said'
import type { AmountSaid } from './wish-grammar'

/** Of more than so many nobody chooses. */
const MOST_CHOICES = 8
const USUAL_TRAY = 'tray-72'

/** What a wish says of its container, its place and the rows it fills. */
export abstract class WishVessels extends SentenceReader {
  /** The container it is sown in; several that exclude each other are asked about. */
  protected vessels(
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
    const scattered = own('broadcast')[0]
    if (!one && scattered)
      this.ask(
        'Scattered over what?',
        ['an open tray', 'a half seed tray'].map((tray) => ({
          name: tray,
          text: `${this.sentence.text}, in ${tray}`,
        })),
        scattered,
      )
    if (!one) return { containerId: null, containers: null, broadcast: scattered !== undefined }
    const containerId = this.vesselId(one.piece, one.v)
    const vessel = this.known.vessels.find(({ id }) => id === containerId)
    // An open tray holds as much as is scattered over it.
    const open = vessel?.kind === 'open tray'
    const cells = open ? null : (vessel?.cells ?? null)
    const room =
      one.count !== null && cells !== null && !one.broadcast && !scattered
        ? Math.round(one.count * cells)
        : null
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
          { name: counted(present(room), 'plant'), text: this.anew(present(own('amount')[0]), `${room}`) },
          { name: 'As many as are needed', text: this.anew(one.piece, `in ${one.v.name}`) },
        ],
      )
    return {
      containerId,
      containers: one.count,
      broadcast: one.broadcast || scattered !== undefined || (open && amount?.of !== 'trays'),
    }
  }

  /** The id of a container that was said; what it may be is asked. */
  protected vesselId(piece: Piece, v: Vessel | null): string | null {
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
        name: `A new one: ${v.lacks.name}, ${printQuantity(v.lacks.volumeMl / 1000, 'volume', this.known.units)}`,
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
  protected get hasPlaces(): boolean {
    return this.known.places.some(({ id }) => id !== null && id !== OUTSIDE.id)
  }

  protected place(pieces: readonly Piece[]): string | null {
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

  /** A row lies along a tray or across it: both are offered, in the tray that was named, or the usual one. */
  protected lengthOfRow(rows: Piece, containerId: string | null) {
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
}
