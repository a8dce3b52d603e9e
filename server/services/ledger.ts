import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { and, eq, inArray, isNull, sql } from 'drizzle-orm'
import { planDose } from '#core/feed/dose'
import { planBatch } from '#core/media/batch'
import type { Day } from '#core/calendar/day'
import { goodsName, goodsUnit, type Goods } from '#core/supplies/goods'
import { drawFrom } from '#core/supplies/draw'
import { addUp, needsOfBatch, type Need } from '#core/supplies/needs'
import { printNumber } from '#core/units/format'
import { totalOf } from '#core/trays/change'
import type { Bodies, Stored } from '#shared/records/collections'
import { learnedVessel } from '#shared/derived/calibrated-catalogues'
import { asBatchRequest } from '#shared/derived/batch-request'
import { saysTheSame, type EntryRecord } from '#shared/records/entry'
import { newEntry } from '#shared/records/new-entry'
import { keepsOnAfter } from '#shared/derived/sowing-request'
import { goodsOf, shelvesOf } from '#shared/derived/shelves'
import { hasSeason, seasonPlanner } from '#shared/derived/season'
import type { Transaction } from '../db/door'
import { entries, packets, sowings, stocks, trays } from '../db/schema'
import { measuredBy, usedFacts } from './measured'
import { contextFor, entriesAbout, find, list, SEASON_LISTS } from './read-records'
import { invalid, unknown } from './refusal'
import { asStored, current, type Row } from './rows'
import { noteChanged } from './transaction-changes'

/*
 * The ledger. Making a batch, giving a feed, sowing, filling a shelf: each is an entry that moves levels in the
 * transaction that writes it. A level is the sum of what the standing entries moved. The caller holds the household's
 * lock, so two who reach for the last bag come one after the other.
 */

type Moves = EntryRecord['moves']
interface Worked {
  readonly moves: Moves
  readonly facts: EntryRecord['facts']
}
const NOTHING: Worked = { moves: [], facts: [] }

/**
 * The entry as it is kept: what it moved is worked out here and has moved. What it says again of something that is
 * written down already is left out.
 *
 * @returns the entry that stands where this one says nothing new
 * @throws Refusal 422 where the supplies hold too little, or the batch is already made
 */
export async function workOut(
  tx: Transaction,
  householdId: string,
  said: EntryRecord,
): Promise<{ entry: EntryRecord } | { standing: Stored<EntryRecord> }> {
  if (said.kind === 'counted')
    throw invalid([
      { path: ['body', 'kind'], message: 'A level is counted by writing it on the pack or packet.' },
    ])
  const same = await sayingTheSame(tx, householdId, said)
  const isNew = (subjects: EntryRecord['subjects'][number]) =>
    !same.some(({ body }) => saysTheSame(body, said, subjects))
  const subjects = said.subjects.filter(isNew)
  if (same.length > 0 && subjects.length === 0) return { standing: first(same) }
  const entry = { ...said, subjects }
  const worked = await work(tx, householdId, entry)
  await move(tx, householdId, worked.moves)
  const carried = await carry(tx, householdId, entry)
  const facts = [...worked.facts, ...(await usedFacts(tx, householdId, entry))]
  const measured = await measuredBy(tx, householdId, entry)
  return { entry: { ...entry, ...worked, facts, carried, measured } }
}

async function sayingTheSame(tx: Transaction, householdId: string, said: EntryRecord) {
  // What is about nothing but the day is said as often as it is.
  if (said.subjects.length === 0) return []
  const subjects = said.subjects.map(
    ({ what, id, stage }) => sql`${entries.subjects} @> ${JSON.stringify([{ what, id, stage }])}::jsonb`,
  )
  const rows = await tx
    .select()
    .from(entries)
    .where(
      and(
        current('entries', householdId),
        eq(entries.kind, said.kind),
        isNull(entries.snoozedUntil),
        sql`(${sql.join(subjects, sql` or `)})`,
      ),
    )
    .orderBy(entries.number)
  const standing = (rows as unknown as Row[]).map(asStored<'entries'>)
  return standing.filter(({ body }) => said.subjects.some((one) => saysTheSame(body, said, one)))
}

async function work(tx: Transaction, householdId: string, entry: EntryRecord): Promise<Worked> {
  if (entry.kind === 'batch made') return makeBatch(tx, householdId, entry)
  if (entry.kind === 'feed given') return giveFeed(tx, householdId, entry)
  if (entry.kind === 'stage' && entry.snoozedUntil === null) return sow(tx, householdId, entry)
  return NOTHING
}

/** An entry that was taken back and stands again moves the same, as far as it is there. */
export async function moveAgain(tx: Transaction, householdId: string, entry: EntryRecord): Promise<Moves> {
  const moves = await Promise.all(
    entry.moves.map(async (one) => {
      if (one.of !== 'packets' || one.by >= 0) return one
      const by = -Math.min(-one.by, (await seedsLeft(tx, householdId, [one.id])).get(one.id) ?? 0)
      return { ...one, by, amount: by }
    }),
  )
  await move(tx, householdId, moves)
  await carry(tx, householdId, entry)
  return moves
}

/** @throws Refusal 422 where what it put there has been taken since */
export async function moveBack(tx: Transaction, householdId: string, entry: EntryRecord) {
  await move(
    tx,
    householdId,
    entry.moves.map((one) => ({ ...one, by: -one.by })),
  )
  // A tray that was carried on since stays where it is now.
  for (const { trayId, from } of entry.carried) {
    const rows = await tx
      .update(trays)
      .set({ placeId: from, version: sql`${trays.version} + 1`, updatedAt: sql`now()` })
      .where(
        and(
          eq(trays.householdId, householdId),
          eq(trays.id, trayId),
          sql`${trays.placeId} is not distinct from ${entry.placeId}`,
        ),
      )
      .returning()
    noteTrays(tx, rows)
  }
}

const noteTrays = (tx: Transaction, rows: readonly object[]) =>
  (rows as unknown as Row[]).forEach((row) => noteChanged(tx, 'trays', row.id, asStored<'trays'>(row)))

/** Trays that are carried to another place stand there from now on. @returns where each stood before */
async function carry(
  tx: Transaction,
  householdId: string,
  { kind, subjects, placeId }: EntryRecord,
): Promise<EntryRecord['carried']> {
  if (kind !== 'carried') return []
  const ids = subjects.flatMap(({ what, id }) => (what === 'trays' ? [id] : []))
  if (ids.length === 0 || placeId === null)
    throw invalid([
      {
        path: ['body', placeId === null ? 'placeId' : 'subjects'],
        message: 'Say which trays were carried, and where to.',
      },
    ])
  const rows = await tx
    .select({ id: trays.id, placeId: trays.placeId })
    .from(trays)
    .where(and(eq(trays.householdId, householdId), inArray(trays.id, ids)))
  noteTrays(
    tx,
    await tx
      .update(trays)
      .set({ placeId, version: sql`${trays.version} + 1`, updatedAt: sql`now()` })
      .where(and(eq(trays.householdId, householdId), inArray(trays.id, ids)))
      .returning(),
  )
  return rows.map(({ id, placeId: from }) => ({ trayId: id, from }))
}

/** What a level was before and is now, as an entry; none where it stayed. */
export function countedEntry(
  of: Moves[number]['of'],
  stored: Stored<Bodies['stocks'] | Bodies['packets']>,
  before: number,
  day: Day,
): EntryRecord | null {
  const { body, id } = stored
  const by = round(levelOf(body) - before)
  if (by === 0) return null
  const unit = of === 'stocks' ? 'packs' : 'seeds'
  return newEntry({
    name: `${before === 0 ? 'Counted' : by > 0 ? 'Added' : 'Counted less'}: ${body.name}`.slice(0, 120),
    kind: 'counted',
    on: day,
    subjects: [{ what: of, id, stage: null }],
    moves: [{ of, id, name: body.name, by, amount: by, unit }],
  })
}
export const levelOf = (body: Bodies['stocks'] | Bodies['packets']): number =>
  'packs' in body ? body.packs : (body.seeds ?? 0)

/** The sum of what the standing entries moved of a level. */
export async function movedSum(tx: Transaction, householdId: string, of: Moves[number]['of'], id: string) {
  const { rows } = await tx.execute<{ sum: number }>(sql`
    select coalesce(sum((m ->> 'by')::float8), 0) as sum from entry e, jsonb_array_elements(e.moves) m
    where e.household_id = ${householdId} and e.voided_at is null and e.moves @> ${JSON.stringify([{ of, id }])}::jsonb
      and m ->> 'of' = ${of} and m ->> 'id' = ${id}`)
  return first(rows).sum
}

/** Noise of halves and tenths added up must not leave a ten-millionth of a bag. */
const round = (packs: number) => Math.round(packs * 1e6) / 1e6

async function move(tx: Transaction, householdId: string, moves: Moves): Promise<void> {
  for (const { of, id, by, name } of moves) {
    if (by === 0) continue
    const table = of === 'stocks' ? stocks : packets
    const level = of === 'stocks' ? stocks.packs : packets.seeds
    const after = sql`round((${level} + ${by})::numeric, 6)`
    const moved = await tx
      .update(table)
      .set({
        ...(of === 'stocks' ? { packs: sql`greatest(0, ${after})` } : { seeds: after }),
        version: sql`${table.version} + 1`,
        updatedAt: sql`now()`,
      })
      .where(
        and(eq(table.householdId, householdId), eq(table.id, id), sql`coalesce(${level} + ${by}, 0) > -1e-6`),
      )
      .returning()
    const [row] = moved
    if (row) noteChanged(tx, of, id, asStored<typeof of>(row as unknown as Row))
    if (moved.length === 0)
      throw invalid([
        { path: ['body', 'moves'], message: `${name}: there is no longer as much as this moves.` },
      ])
  }
}

/**
 * Sowings that an entry ends, or no longer ends, carry the day, so that finished years need not be looked through. What
 * ends in a container of its own goes on after it is out, until its crop is ended.
 */
export async function markOver(tx: Transaction, householdId: string, { kind, subjects }: EntryRecord) {
  if (!ENDS.includes(kind)) return
  const ids = subjects.flatMap(({ what, id }) => (what === 'sowings' ? [id] : []))
  if (ids.length === 0) return
  const { crops } = await contextFor(householdId, ['crops'], tx)
  const rows = await tx
    .select()
    .from(sowings)
    .where(and(eq(sowings.householdId, householdId), inArray(sowings.id, ids)))
  for (const { id, body } of (rows as unknown as Row[]).map(asStored<'sowings'>)) {
    const ends = ENDS.filter((one) => one !== 'out' || !keepsOnAfter(body, crops))
    await tx.execute(sql`
      update sowing set over_on = (
        select min(e."on") from entry e
        where e.household_id = ${householdId} and e.kind in ${ends} and e.snoozed_until is null
          and e.voided_at is null and e.subjects @> ${JSON.stringify([{ what: 'sowings', id }])}::jsonb)
      where household_id = ${householdId} and id = ${id}`)
  }
}
const ENDS: EntryRecord['kind'][] = ['out', 'give up', 'end']

/** A batch leaves the shelf. @throws Refusal 422 where it is made already, or the supplies hold too little */
async function makeBatch(tx: Transaction, householdId: string, entry: EntryRecord): Promise<Worked> {
  const batchId = entry.subjects.find(({ what }) => what === 'batches')?.id
  if (!batchId) throw invalid([{ path: ['body', 'subjects'], message: 'Say which batch was made.' }])
  const batch = await find('batches', householdId, batchId, tx)
  const context = await contextFor(householdId, ['containers', 'materials', 'feeds', 'stocks'], tx)
  const plan = planBatch(asBatchRequest(batch.body, context))
  // Who stopped half way, or measured more, takes so much of it.
  const share = entry.actual?.share ?? 1
  const needs = needsOfBatch(plan).map((need) => ({
    ...need,
    amount: { ...need.amount, value: need.amount.value * share },
  }))
  const fact = (what: string, figure: { value: number }, unit: string) => ({
    what,
    amount: figure.value * share,
    unit,
  })
  return {
    moves: await take(tx, householdId, needs, entry.evenIfShort),
    facts: [
      fact('Loose mix', plan.mixL, 'L'),
      ...(plan.lower ? [fact('Loose mix for below', plan.lower.mixL, 'L')] : []),
      ...plan.lines.map(({ material, looseL }) => fact(material.name, looseL, 'L')),
      ...plan.extras.map(({ material, massG }) => fact(material.name, massG, 'g')),
    ],
  }
}

/** A feed leaves its pack. @throws Refusal 422 where the supplies hold too little */
async function giveFeed(tx: Transaction, householdId: string, entry: EntryRecord): Promise<Worked> {
  const feedingId = entry.subjects.find(({ what }) => what === 'feedings')?.id
  if (!feedingId) throw invalid([{ path: ['body', 'subjects'], message: 'Say which feed was given.' }])
  const { body } = await find('feedings', householdId, feedingId, tx)
  const { feeds, tools, calibrations } = await contextFor(householdId, ['feeds', 'tools'], tx)
  const feed = feeds.get(body.feedId)
  if (!feed) throw unknown('feed')
  const vessel = learnedVessel(body.vessel, calibrations)
  const plan = planDose({ ...body, vessel, feed, tools })
  const each = feed.form === 'powder' ? plan.massG : plan.volumeMl
  const amount = { ...each, value: each.value * entry.times }
  return {
    moves: await take(tx, householdId, [{ kind: 'feed', id: feed.id, amount }], entry.evenIfShort),
    facts: [
      { what: feed.name, amount: amount.value, unit: amount.unit },
      { what: 'Solution', amount: vessel.volumeL * entry.times, unit: 'L' },
      { what: 'Nitrogen', amount: body.targetNMgPerL, unit: 'mg/L' },
    ],
  }
}

async function take(
  tx: Transaction,
  householdId: string,
  needs: readonly Need[],
  evenIfShort: boolean,
): Promise<Moves> {
  const context = await contextFor(householdId, ['materials', 'feeds'], tx)
  const shelves = await list('stocks', householdId, tx)
  const moves: Moves = []
  const short: string[] = []
  for (const { kind, id, amount } of addUp(needs)) {
    const goods = goodsOf({ kind, goodsId: id }, context)
    if (!goods) continue
    const here = shelvesOf(shelves, goods)
    // What the household keeps no record of is not counted.
    if (here.length === 0) continue
    const draw = drawFrom(here, amount)
    if (draw.short > 0) short.push(saidShort(goods, amount, amount - draw.short))
    for (const one of draw.drawn)
      moves.push({
        of: 'stocks',
        id: one.id,
        name: present(here.find((shelf) => shelf.id === one.id)).name,
        by: -round(one.packs),
        amount: -one.amount,
        unit: goodsUnit(goods),
      })
  }
  if (short.length && !evenIfShort)
    throw invalid(short.map((message) => ({ path: ['body', 'evenIfShort'], message })))
  return moves
}

const saidShort = (goods: Goods, wanted: number, there: number) =>
  `${goodsName(goods)}: ${printNumber(wanted)} ${goodsUnit(goods)} wanted, ${printNumber(there)} ${goodsUnit(goods)} in the supplies.`

/** Seed leaves its packet; one nobody counted stays uncounted, one that holds too little is emptied: it is sown already. */
async function sow(tx: Transaction, householdId: string, entry: EntryRecord): Promise<Worked> {
  const ids = entry.subjects.flatMap(({ what, id, stage }) => (what === 'sowings' && stage === 0 ? [id] : []))
  if (ids.length === 0) return NOTHING
  const rows = await tx
    .select()
    .from(sowings)
    .where(and(eq(sowings.householdId, householdId), inArray(sowings.id, ids)))
  const sown = (rows as unknown as Row[])
    .map(asStored<'sowings'>)
    .filter(({ body }) => body.packetId !== null)
  if (sown.length === 0) return NOTHING
  const context = await contextFor(householdId, SEASON_LISTS, tx)
  if (!hasSeason(context)) return NOTHING
  const { plan } = seasonPlanner(context, entry.on)
  const left = await seedsLeft(tx, householdId, [...new Set(sown.map(({ body }) => present(body.packetId)))])
  const trayGroups = await groupsOf(tx, householdId, entry)
  const before = await sownBefore(
    tx,
    householdId,
    sown.map(({ id }) => id),
  )
  const moves = new Map<string, Moves[number]>()
  for (const one of sown) {
    const outcome = plan(one)
    const id = present(one.body.packetId)
    const there = left.get(id) ?? 0
    // What went into trays before has left the packet already.
    const rest = 'row' in outcome ? Math.max(0, outcome.row.planned.seeds - (before.get(one.id) ?? 0)) : 0
    const seeds = Math.min(seedsOf(entry, one.id, trayGroups) ?? rest, there)
    if (seeds === 0) continue
    left.set(id, there - seeds)
    const by = (moves.get(id)?.by ?? 0) - seeds
    moves.set(id, {
      of: 'packets',
      id,
      name: present(context.packets.get(id)).name,
      by,
      amount: by,
      unit: 'seeds',
    })
  }
  return { moves: [...moves.values()], facts: [] }
}

type TrayGroup = Bodies['trays']['groups'][number]

/** Groups of the trays an entry is about, by tray and code. */
async function groupsOf(
  tx: Transaction,
  householdId: string,
  { cells }: EntryRecord,
): Promise<Map<string, TrayGroup>> {
  if (cells.length === 0) return new Map()
  const rows = await tx
    .select({ id: trays.id, groups: trays.groups })
    .from(trays)
    .where(
      and(
        eq(trays.householdId, householdId),
        inArray(trays.id, [...new Set(cells.map(({ trayId }) => trayId))]),
      ),
    )
  return new Map(
    rows.flatMap(({ id, groups }) => groups.map((group) => [`${id} ${group.code}`, group] as const)),
  )
}

/** Seeds of sowings that went into cells of trays before. */
async function sownBefore(tx: Transaction, householdId: string, ids: readonly string[]) {
  const seeds = new Map<string, number>()
  for (const { body } of await entriesAbout(householdId, ids, tx))
    for (const { what, id } of body.subjects)
      if (what === 'sowings' && ids.includes(id))
        seeds.set(
          id,
          (seeds.get(id) ?? 0) +
            body.cells.reduce((sum, one) => sum + (one.what === 'sown' ? totalOf(one) : 0), 0),
        )
  return seeds
}

/** Seeds of a sowing that went into cells, where the entry says them; undefined where it names no cells. */
function seedsOf({ cells }: EntryRecord, sowingId: string, groups: ReadonlyMap<string, TrayGroup>) {
  const own = cells.filter(
    ({ what, trayId, group }) => what === 'sown' && groups.get(`${trayId} ${group}`)?.sowingId === sowingId,
  )
  return own.length ? own.reduce((sum, one) => sum + totalOf(one), 0) : undefined
}

async function seedsLeft(tx: Transaction, householdId: string, ids: readonly string[]) {
  const rows = await tx
    .select({ id: packets.id, seeds: packets.seeds })
    .from(packets)
    .where(and(eq(packets.householdId, householdId), inArray(packets.id, [...ids])))
  return new Map(rows.map(({ id, seeds }) => [id, seeds ?? 0]))
}
