import { counted } from '#core/text/plurals'
import { addDays, type Day } from '#core/calendar/day'
import { daysUp } from '#core/sowing/emergence'
import type { Crop } from '#core/sowing/crop'
import { isPack } from '#core/trays/layout'
import type { LabelText } from '#core/trays/label'
import type { LabelKind } from '#core/trays/label-sheet'
import type { GroupStands, TrayStands } from '#core/trays/standing'
import type { UnitSystem } from '#core/units/unit'
import { printNumber, printQuantity } from '#core/units/format'
import type { Bodies, Stored } from '../records/collections'
import type { PacketRecord } from '../records/packet'
import type { Context } from '../derived/context'

/** How many labels a group gets: one, one for each pack of it, or one for each cell or pot. */
export const LABEL_COPIES = ['group', 'pack', 'pot'] as const
export type LabelCopies = (typeof LABEL_COPIES)[number]

export interface LabelWish {
  readonly kind: LabelKind
  readonly copies: LabelCopies
  /** Whether it says where the seed came from. */
  readonly supplier: boolean
  /** Where the application answers, so that a code on the label opens the tray; null for no code. */
  readonly origin: string | null
}

/** What labels are made from. */
export interface LabelSources {
  readonly trays: readonly { readonly tray: Stored<Bodies['trays']>; readonly stands: TrayStands }[]
  readonly feedings: readonly Stored<Bodies['feedings']>[]
  readonly batches: readonly Stored<Bodies['batches']>[]
  readonly sowings: readonly Stored<Bodies['sowings']>[]
  readonly context: Context
  readonly today: Day
}

/** A day as it stands on a label; of the place, so that it is the same on every screen and on paper. */
export const labelDay = (units: UnitSystem, day: Day): string =>
  new Intl.DateTimeFormat(units === 'us' ? 'en-US' : 'en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  }).format(new Date(`${day}T00:00Z`))

/** Mixed feed keeps so long in the dark, days: of salts, and of what was alive [common practice]. */
const KEEPS_DAYS = { salts: 14, organic: 1 } as const
/** Filled in by hand at the bench: before it is sown nobody knows the day. */
const BLANK = 'sown ____________'
/** On one label at most. */
const MAX_COPIES = 600

/** Labels in the order of the trays, their groups in the order of the tray. */
export function labelsOf(sources: LabelSources, wish: LabelWish): LabelText[] {
  const day = (on: Day) => labelDay(sources.context.units, on)
  if (wish.kind === 'bottle') return sources.feedings.map((one) => bottle(one, sources, day))
  if (wish.kind === 'tub') return sources.batches.map((one) => tub(one, day))
  if (wish.kind === 'row') return sources.trays.flatMap((one) => rows(one, wish))
  return sources.trays
    .flatMap(({ tray, stands }) =>
      stands.groups.flatMap((group) => {
        if (group.cells === 0) return []
        const text = forGroup(group, tray, sources, wish, day)
        return Array<LabelText>(copiesOf(group, tray, sources.context, wish)).fill(text)
      }),
    )
    .slice(0, MAX_COPIES)
}

function copiesOf(
  group: GroupStands,
  { body }: Stored<Bodies['trays']>,
  { containers }: Context,
  { copies }: LabelWish,
) {
  if (copies === 'group') return 1
  if (copies === 'pot') return group.cells
  const container = containers.get(body.containerId)
  return container && isPack(container) ? Math.ceil(group.cells / container.cells) : 1
}

const addressOf = (id: string, { origin }: LabelWish) => (origin ? `${origin}/trays/${id}` : null)

function forGroup(
  { group, sownOn, setOn }: GroupStands,
  tray: Stored<Bodies['trays']>,
  { context, sowings, batches }: LabelSources,
  wish: LabelWish,
  day: (on: Day) => string,
): LabelText {
  const crop = context.crops.get(group.cropId)
  const sowing = sowings.find(({ id }) => id === group.sowingId)?.body
  const packet = group.packetId ? context.packets.get(group.packetId) : undefined
  const sown = sownOn ?? sowing?.sowOn ?? null
  const batch = batches.find(({ id }) => id === tray.body.batchId)
  const sownText = sownOn ? `sown ${day(sownOn)}` : BLANK
  return {
    large: largeOf(group.name, crop),
    middle: setOn ? `moved ${day(setOn)}` : sownText,
    small: [
      whereIn(tray, group.code),
      ...(setOn ? [sownOn ? sownText : ''] : seedWords(crop, packet, sown, { context, day })),
      sowing?.outOn ? `out ${day(sowing.outOn)}` : '',
      batch ? `batch ${batch.number}` : '',
      wish.supplier && packet?.supplier ? packet.supplier : '',
    ].filter(Boolean),
    address: addressOf(tray.id, wish),
  }
}

/** A variety as it is grown, with its crop where its name does not say it. */
function largeOf(name: string, crop: Crop | undefined): string {
  const cropName = crop?.name.split(',')[0] ?? ''
  return name.toLowerCase().includes(cropName.toLowerCase()) ? name : `${name}, ${cropName}`
}

function whereIn({ number, body }: Stored<Bodies['trays']>, code: string): string {
  const cells = body.cells.filter((one) => one === code).length
  return `tray ${number}${body.groups.length > 1 ? `, ${code}` : ''}, ${counted(cells, 'cell')}`
}

/** How deep, in what light, and when it is to be up. */
function seedWords(
  crop: Crop | undefined,
  packet: PacketRecord | undefined,
  sown: Day | null,
  { context: { units }, day }: { readonly context: Context; readonly day: (on: Day) => string },
): string[] {
  const depthMm = packet?.depthMm ?? crop?.depthMm
  const upDays = crop && daysUp(crop, packet?.upDays ?? null, crop.warmthC)?.value
  return [
    depthMm === undefined
      ? ''
      : depthMm === 0
        ? 'on the surface'
        : `${printQuantity(depthMm, 'length', units)} deep`,
    crop && crop.light !== 'either' ? crop.light.replace('wants ', '') : '',
    sown && upDays ? `up ${day(addDays(sown, Math.round(upDays)))}` : '',
  ]
}

/** A strip for each row of a tray: its groups in the order of the row. */
function rows({ tray }: LabelSources['trays'][number], wish: LabelWish): LabelText[] {
  const { rows: many, columns, cells, groups } = tray.body
  return Array.from({ length: many }, (_, row) => {
    const parts: { code: string; n: number }[] = []
    for (const code of cells.slice(row * columns, (row + 1) * columns)) {
      const last = parts.at(-1)
      if (last?.code === code) last.n++
      else parts.push({ code, n: 1 })
    }
    const named = parts.filter(({ code }) => code !== '')
    const nameOf = (code: string) => groups.find((group) => group.code === code)?.name ?? code
    return {
      large: named.map(({ code, n }) => `${nameOf(code)} × ${n}`).join(' | ') || 'empty',
      middle: `tray ${tray.number}, row ${row + 1}`,
      small: [],
      address: addressOf(tray.id, wish),
    }
  }).filter(({ large }) => large !== 'empty')
}

function bottle(
  { body }: Stored<Bodies['feedings']>,
  { context, today }: LabelSources,
  day: (on: Day) => string,
): LabelText {
  const feed = context.feeds.get(body.feedId)
  return {
    large: body.name,
    middle: `${printNumber(body.targetNMgPerL)} mg/L of nitrogen`,
    small: [
      `mixed ${day(today)}`,
      `use until ${day(addDays(today, feed?.organic ? KEEPS_DAYS.organic : KEEPS_DAYS.salts))}`,
      feed ? feed.name : '',
      `for ${body.growthStageId.replaceAll('-', ' ')}`,
      'not for drinking; keep from children and pets',
    ].filter(Boolean),
    address: null,
  }
}

function tub({ number, body }: Stored<Bodies['batches']>, day: (on: Day) => string): LabelText {
  return {
    large: body.name,
    middle: `batch ${number}${body.onDate ? `, ${day(body.onDate)}` : ''}`,
    small: ['keep damp, covered and cool', 'wash hands; do not breathe its dust'],
    address: null,
  }
}
