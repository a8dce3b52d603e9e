import { present } from '#core/present'
import { first as firstOf } from '#core/numeric/at'
import { goodsName, goodsUnit } from '#core/supplies/goods'
import { nextYear as yearOn } from '#core/language/line-said'
import { daysBetween, type Day } from '#core/calendar/day'
import { germinationNow, isBelowStandard } from '#core/sowing/seed-age'
import { printShare } from '#core/units/format'
import { wilson } from '#core/sowing/odds'
import { totalOf } from '#core/trays/change'
import type { Context, Kept } from './context'
import type { BatchRecord } from '../records/batch'
import type { EntryRecord } from '../records/entry'
import type { PacketRecord } from '../records/packet'
import type { SowingRecord } from '../records/sowing'
import { goodsOf } from './shelves'
import type { TrayRecord } from '../records/tray'
import { groupFacts, type GroupFacts } from './group-facts'

/*
 * A year told from what was written down in it: plans against what happened, seed, litres, money, and what it leaves for the
 * next.
 */

type Numbered<Body> = Kept<Body> & { readonly number: number }

export interface YearRecords {
  readonly entries: readonly Kept<EntryRecord>[]
  readonly sowings: readonly Kept<SowingRecord>[]
  readonly trays: readonly Numbered<TrayRecord>[]
  readonly batches: readonly Numbered<BatchRecord>[]
  readonly movedSince: readonly { readonly id: string; readonly by: number }[]
}

/** How something came up, with its 95 % interval. */
export interface Came {
  readonly up: number
  readonly of: number
  /** What of it came up: a cell with one plant from three seeds is a whole cell, and a third of its seeds. */
  readonly what: 'cells' | 'seeds' | 'cells and seeds'
  readonly low: number
  readonly high: number
}
/** `82 % (27 of 33 cells)`. */
export const cameWords = (one: Came | null): string =>
  one
    ? `${printShare(Math.round((one.up / one.of) * 100) / 100)} (${one.up} of ${one.of} ${one.what})`
    : 'not counted'
const came = (groups: readonly GroupFacts[]): Came | null => {
  const up = groups.reduce((sum, one) => sum + (one.up?.hits ?? 0), 0)
  const of = groups.reduce((sum, one) => sum + (one.up?.of ?? 0), 0)
  const kinds = new Set(groups.flatMap((one) => (one.up ? [one.up.what] : [])))
  const what = kinds.size === 1 ? firstOf([...kinds]) : 'cells and seeds'
  return of === 0 ? null : { up, of, what, ...wilson(up, of) }
}

export interface CropRow {
  readonly cropId: string
  readonly name: string
  readonly sowings: number
  readonly wanted: number
  readonly out: number
  readonly lost: number
  readonly given: number
  readonly came: Came | null
  /** Mean days from sowing until the first was up. */
  readonly daysUp: number | null
  readonly picked: number
  readonly pickedG: number
}

export interface MixRow {
  readonly id: string
  readonly name: string
  readonly litres: number
  readonly trays: number
  readonly came: Came | null
  readonly lost: number
}

export type PacketVerdict = 'keep' | 'use up first' | 'do not buy again' | 'used up' | 'not counted'
export interface PacketRow {
  readonly id: string
  readonly packet: PacketRecord
  readonly came: Came | null
  /** Expected to come up next year, a fraction. */
  readonly nextYear: number
  readonly verdict: PacketVerdict
  readonly why: string
}

export interface YearReport {
  readonly crops: readonly CropRow[]
  readonly mixes: readonly MixRow[]
  readonly packets: readonly PacketRow[]
  readonly plantsOut: number
  readonly mixL: number
  readonly waterL: number
  readonly feedL: number
  readonly nitrogenMg: number
  readonly money: number | null
  /** What was spent, by what it went for. */
  readonly spent: readonly { readonly name: string; readonly money: number }[]
  readonly ranOut: readonly { readonly name: string; readonly on: Day }[]
  readonly left: readonly {
    readonly id: string
    readonly name: string
    readonly packs: number
    readonly good: string
  }[]
  readonly thoughts: readonly Kept<EntryRecord>[]
  readonly facts: readonly GroupFacts[]
}

/** Below so much next year it is not worth the cells [default]. */
const POOR = 0.4
/** A packet is used up first where next year takes a quarter off it [default]. */
const FADES = 0.75

const addTo = (to: Map<string, number>, key: string, n: number) => to.set(key, (to.get(key) ?? 0) + n)
const totalIn = (all: Iterable<number>) => [...all].reduce((a, b) => a + b, 0)

type Leaving = Readonly<Record<'out' | 'lost' | 'given', ReadonlyMap<string, number>>>

/** Plants that left, by their sowing; by `crop` and its id where no sowing is known. */
function leftBySowing({ trays, sowings, entries }: YearRecords): Leaving {
  const left = {
    out: new Map<string, number>(),
    lost: new Map<string, number>(),
    given: new Map<string, number>(),
  }
  const groups = new Map(
    trays.flatMap(({ id, body }) => body.groups.map((group) => [`${id} ${group.code}`, group] as const)),
  )
  for (const { body } of entries) {
    for (const change of body.cells) {
      const group = groups.get(`${change.trayId} ${change.group}`)
      const { what } = change
      if (group && (what === 'out' || what === 'lost' || what === 'given'))
        addTo(left[what], group.sowingId ?? `crop ${group.cropId}`, totalOf(change))
    }
    // Without trays the sowing itself is said to be out: as many as were counted, else as many as were wanted.
    if (body.kind !== 'out' || body.cells.length > 0 || body.snoozedUntil !== null) continue
    for (const { what, id } of body.subjects)
      if (what === 'sowings' && !left.out.has(id))
        addTo(left.out, id, body.count ?? sowings.find((one) => one.id === id)?.body.plants ?? 0)
  }
  return left
}

function cropRows(records: YearRecords, facts: readonly GroupFacts[], context: Context): CropRow[] {
  const left = leftBySowing(records)
  const ids = new Set([
    ...records.sowings.map(({ body }) => body.cropId),
    ...facts.map(({ cropId }) => cropId),
  ])
  return [...ids]
    .map((cropId): CropRow => {
      const sowings = records.sowings.filter(({ body }) => body.cropId === cropId)
      const groups = facts.filter((one) => one.cropId === cropId)
      const sum = (of: ReadonlyMap<string, number>) =>
        totalIn(sowings.map(({ id }) => of.get(id) ?? 0)) + (of.get(`crop ${cropId}`) ?? 0)
      const days = groups.flatMap(({ sownOn, firstUpOn }) =>
        sownOn && firstUpOn ? [daysBetween(sownOn, firstUpOn)] : [],
      )
      const ofCrop = new Set([...sowings.map(({ id }) => id), ...groups.map(({ trayId }) => trayId)])
      const picked = records.entries.filter(
        ({ body: { kind, subjects } }) => kind === 'harvest' && subjects.some(({ id }) => ofCrop.has(id)),
      )
      return {
        cropId,
        name: context.crops.get(cropId)?.name ?? cropId,
        sowings: sowings.length,
        wanted: totalIn(sowings.map(({ body }) => body.plants)),
        out: sum(left.out),
        lost: sum(left.lost),
        given: sum(left.given),
        came: came(groups),
        daysUp: days.length ? totalIn(days) / days.length : null,
        picked: picked.length,
        pickedG: totalIn(picked.map(({ body }) => body.grams ?? 0)),
      }
    })
    .sort((a, b) => (a.name < b.name ? -1 : 1))
}

/** Litres of each batch that was made. */
function litresByBatch({ entries }: YearRecords): Map<string, number> {
  const litresOf = new Map<string, number>()
  for (const { body } of entries) {
    if (body.kind !== 'batch made') continue
    const batch = body.subjects.find(({ what }) => what === 'batches')?.id
    const fact = (name: string) => body.facts.find(({ what }) => what === name)?.amount
    const litres = fact('Used') ?? fact('Loose mix')
    if (batch && litres) addTo(litresOf, batch, litres)
  }
  return litresOf
}

function mixRows(
  { batches }: YearRecords,
  facts: readonly GroupFacts[],
  litresOf: ReadonlyMap<string, number>,
  { recipes }: Context,
): MixRow[] {
  const mixOfGroup = (one: GroupFacts) =>
    batches.find(({ id }) => id === one.batchId)?.body.recipeId ?? one.recipeId
  const ids = new Set([
    ...batches.flatMap(({ body }) => body.recipeId ?? []),
    ...facts.flatMap((one) => mixOfGroup(one) ?? []),
  ])
  return [...ids].map((id): MixRow => {
    const groups = facts.filter((one) => mixOfGroup(one) === id)
    const own = batches.filter(({ body }) => body.recipeId === id)
    return {
      id,
      name: recipes.get(id)?.name ?? 'a mix no longer here',
      litres: totalIn(own.map((one) => litresOf.get(one.id) ?? 0)),
      trays: new Set(groups.map(({ trayId }) => trayId)).size,
      came: came(groups),
      lost: totalIn(groups.map(({ stands }) => stands.lost)),
    }
  })
}

/** Money by what it was spent on: only what was used is paid for here, a bag that is bought is still there. */
function spentOn({ entries }: YearRecords, context: Context): Map<string, number> {
  const spent = new Map<string, number>()
  for (const { body } of entries)
    for (const { of, id, by } of body.moves) {
      if (of !== 'stocks' || by >= 0 || body.kind === 'counted') continue
      const stock = context.stocks.find((one) => one.id === id)
      if (!stock || stock.body.price === null) continue
      const goods = goodsOf(stock.body, context)
      addTo(spent, goods ? goodsName(goods) : stock.body.name, -by * stock.body.price)
    }
  return spent
}

/** @param year the year that is told */
export function yearReport(records: YearRecords, context: Context, year: number): YearReport {
  const facts = groupFacts(records.trays, records.entries, context)
  const crops = cropRows(records, facts, context)
  const litresOf = litresByBatch(records)
  const spent = spentOn(records, context)
  const poured = records.entries.flatMap(({ body }) => body.water)
  return {
    crops,
    mixes: mixRows(records, facts, litresOf, context),
    packets: packetRows(facts, context, year),
    plantsOut: totalIn(crops.map(({ out, given }) => out + given)),
    mixL: totalIn(litresOf.values()),
    waterL: totalIn(poured.map(({ litres, backL }) => Math.max(0, (litres ?? 0) - (backL ?? 0)))),
    feedL: totalIn(poured.map(({ litres, nMgPerL }) => (nMgPerL ? (litres ?? 0) : 0))),
    nitrogenMg: totalIn(poured.map(({ litres, nMgPerL }) => (litres ?? 0) * (nMgPerL ?? 0))),
    money: spent.size ? totalIn(spent.values()) : null,
    spent: [...spent].map(([name, money]) => ({ name, money })).sort((a, b) => b.money - a.money),
    ranOut: ranOut(records, context),
    left: leftOver(records, context),
    thoughts: records.entries.filter(({ body }) => body.kind === 'thought' || body.remindOn !== null),
    facts,
  }
}

function packetRows(facts: readonly GroupFacts[], context: Context, year: number): PacketRow[] {
  return [...context.packets].map(([id, packet]): PacketRow => {
    const counted = came(facts.filter(({ packetId }) => packetId === id))
    const crop = context.crops.get(packet.cropId)
    const share = counted ? counted.up / counted.of : null
    const nextYear = crop
      ? germinationNow(
          crop,
          share ?? packet.germination,
          share === null ? Math.max(0, year + 1 - packet.year) : 1,
        ).value
      : 0
    const isEmpty = packet.seeds === 0
    const below = crop && counted !== null && isBelowStandard(crop, counted.high)
    const verdict: PacketVerdict = below
      ? 'do not buy again'
      : isEmpty
        ? 'used up'
        : nextYear < POOR
          ? 'do not buy again'
          : nextYear < FADES * (share ?? packet.germination ?? crop?.germination ?? 1) || nextYear < 0.6
            ? 'use up first'
            : counted || packet.germination
              ? 'keep'
              : 'not counted'
    const percent = (value: number) => `${Math.round(value * 100)} %`
    const why = below
      ? `even the best it can be, ${percent(counted.high)}, is below what seed on sale must reach`
      : counted
        ? `${counted.up} of ${counted.of} ${counted.what} came up (${percent(counted.low)} to ${percent(counted.high)}); next year about ${percent(nextYear)}`
        : `not counted this year; next year about ${percent(nextYear)} by its age`
    return { id, packet, came: counted, nextYear, verdict, why }
  })
}

/** Packs that came to nothing in the year, on the day their last was taken. */
function ranOut({ entries, movedSince }: YearRecords, { stocks }: Context): YearReport['ranOut'] {
  const later = new Map(movedSince.map(({ id, by }) => [id, by]))
  const moves = entries.flatMap(({ body }) =>
    body.moves.filter(({ of }) => of === 'stocks').map((one) => ({ ...one, on: body.on })),
  )
  return stocks
    .flatMap(({ id, body }) => {
      const own = moves
        .filter((one) => one.id === id)
        .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
      // Back from what is there now to what was there at the end of the year, then through it.
      let level = body.packs - (later.get(id) ?? 0) - own.reduce((sum, { by }) => sum + by, 0)
      const empty = own.find(({ by }) => {
        level += by
        return by < 0 && level < 1e-6
      })
      return empty ? [{ name: body.name, on: empty.on }] : []
    })
    .sort((a, b) => (a.on < b.on ? -1 : 1))
}

/** What is left on the shelf, and what that is still good for. */
function leftOver({ movedSince }: YearRecords, context: Context): YearReport['left'] {
  const later = new Map(movedSince.map(({ id, by }) => [id, by]))
  return context.stocks.flatMap(({ id, body }) => {
    const packs = body.packs - (later.get(id) ?? 0)
    const goods = goodsOf(body, context)
    if (!goods || packs < 1e-6) return []
    const unit = goodsUnit(goods)
    const mix = goods.kind === 'material'
    return [
      {
        id,
        name: body.name,
        packs,
        good: !mix
          ? unit === 'g'
            ? 'a powder keeps for years, dry and shut'
            : 'shake it; a liquid feed is best within two years, and what smells wrong is thrown away by its label'
          : goods.material.hazards.includes('microbes') && goods.material.kind === 'medium'
            ? 'it lives: use it up by spring, covered and out of the frost'
            : goods.material.compressed
              ? 'keeps for years while it is dry'
              : goods.material.bagged
                ? 'open, it settles and its charge fades: for potting on, not for seed'
                : 'keeps for years',
      },
    ]
  })
}

/** How a sowing of this year is sown again next year: the same wishes, a year on; what was learned comes by itself. */
export function nextYears(sowing: SowingRecord, year: number): SowingRecord {
  const on = (day: Day | null) => (day ? yearOn(day) : null)
  return {
    ...sowing,
    name: sowing.name.replace(new RegExp(`\\b${year}\\b`), String(year + 1)),
    outOn: on(sowing.outOn),
    sowOn: on(sowing.sowOn),
    // Days that were moved by hand stand for that spring alone.
    packetId: sowing.packetId,
    germination: null,
  }
}
/** Share up by days since sowing, of groups of one packet or crop. */
export interface Curve {
  readonly name: string
  readonly of: number
  readonly points: readonly {
    readonly day: number
    readonly up: number
    readonly low: number
    readonly high: number
  }[]
}
export function germinationCurves(
  facts: readonly GroupFacts[],
  by: (one: GroupFacts) => { readonly id: string; readonly name: string } | null,
): Curve[] {
  const groups = new Map<string, { name: string; groups: GroupFacts[] }>()
  for (const one of facts) {
    const group = one.up && one.days.length ? by(one) : null
    if (!group) continue
    const known = groups.get(group.id) ?? { name: group.name, groups: [] }
    known.groups.push(one)
    groups.set(group.id, known)
  }
  return [...groups.values()].map(({ name, groups }) => {
    const of = groups.reduce((sum, { up }) => sum + present(up).of, 0)
    const days = groups.flatMap((one) => one.days).sort((a, b) => a - b)
    const marks = [...new Set(days)]
    return {
      name,
      of,
      points: [
        { day: 0, up: 0, low: 0, high: 0 },
        ...marks.map((day) => {
          const hits = Math.min(of, days.filter((one) => one <= day).length)
          return { day, up: hits / of, ...wilson(hits, of) }
        }),
      ],
    }
  })
}

/** From sowing to planting out, of each group. */
export interface Line {
  readonly id: string
  readonly name: string
  readonly sownOn: Day
  readonly upOn: Day | null
  readonly movedOn: Day | null
  readonly outOn: Day | null
}
export function timelines(facts: readonly GroupFacts[], entries: readonly Kept<EntryRecord>[]): Line[] {
  const first = (trayId: string, group: string, what: 'moved' | 'out') =>
    entries
      .flatMap(({ body }) =>
        body.cells.some((one) => one.trayId === trayId && one.group === group && one.what === what)
          ? [body.on]
          : [],
      )
      .sort()[0] ?? null
  return facts
    .flatMap((one): Line[] => {
      const { trayId, group, sownOn } = one
      if (!sownOn) return []
      const outSaid = entries
        .filter(({ body }) => body.kind === 'out' && body.subjects.some(({ id }) => id === one.sowingId))
        .map(({ body }) => body.on)
        .sort()[0]
      return [
        {
          id: `${trayId} ${group}`,
          name: `${one.name}, tray ${one.trayNumber}`,
          sownOn,
          upOn: one.firstUpOn,
          movedOn: first(trayId, group, 'moved'),
          outOn: first(trayId, group, 'out') ?? outSaid ?? null,
        },
      ]
    })
    .sort((a, b) => (a.sownOn < b.sownOn ? -1 : a.sownOn > b.sownOn ? 1 : 0))
}

/** Water and feed that plants of a tray had, a plant. */
export function perPlant(facts: readonly GroupFacts[], entries: readonly Kept<EntryRecord>[]) {
  const byTray = new Map<string, GroupFacts[]>()
  for (const one of facts) byTray.set(one.trayId, [...(byTray.get(one.trayId) ?? []), one])
  return [...byTray].flatMap(([trayId, groups]) => {
    const rows = entries.flatMap(({ body }) => body.water.filter((one) => one.trayId === trayId))
    const litres = rows.reduce((sum, one) => sum + Math.max(0, (one.litres ?? 0) - (one.backL ?? 0)), 0)
    const mg = rows.reduce((sum, one) => sum + (one.litres ?? 0) * (one.nMgPerL ?? 0), 0)
    const plants = groups.reduce((sum, { stands }) => sum + Math.max(stands.up, stands.set), 0)
    return plants > 0 && litres > 0
      ? [
          {
            trayId,
            name: `Tray ${firstOf(groups).trayNumber}, ${firstOf(groups).name}`,
            plants,
            litres,
            mlEach: (litres * 1000) / plants,
            mgEach: mg / plants,
          },
        ]
      : []
  })
}
