import { and, eq, isNull, sql } from 'drizzle-orm'
import { planDose } from '#core/feed/dose'
import { planBatch } from '#core/media/batch'
import { goodsName, goodsUnit, type Goods } from '#core/stores/goods'
import { drawFrom } from '#core/stores/draw'
import { addUp, needsOfBatch, type Need } from '#core/stores/needs'
import { printNumber } from '#core/units/format'
import { asBatchRequest } from '#shared/records/batch'
import { findFeed } from '#shared/records/feeding'
import { goodsOf, shelvesOf } from '#shared/records/stock'
import type { UseRecord } from '#shared/records/use'
import type { Transaction } from '../db/client'
import { stocks, uses } from '../db/schema'
import { find, list } from './reading'
import { invalid, unknown } from './refusal'
import { feedsOf, shedOf, toolsOf } from './shed'

/*
 * Making a batch or giving a feed takes from the stores, in the transaction that writes it down; taking it back puts
 * all of it back. The caller holds the household's lock, so two who reach for the last bag come one after the other.
 */

interface Taken {
  readonly needs: readonly Need[]
  readonly facts: UseRecord['facts']
}

/** The use as it is kept: what it takes has left the stores. @throws Refusal 422 where they hold too little */
export async function drawDown(tx: Transaction, householdId: string, use: UseRecord): Promise<UseRecord> {
  const { needs, facts } =
    use.kind === 'batch made' ? await ofBatch(tx, householdId, use) : await ofFeed(tx, householdId, use)
  const shelves = await list('stocks', householdId, tx)
  const known = {
    materials: (await shedOf(householdId, tx)).materials,
    feeds: await feedsOf(householdId, tx),
  }
  const drawn: UseRecord['drawn'] = []
  const short: string[] = []
  for (const { kind, id, amount } of addUp(needs)) {
    const goods = goodsOf({ kind, goodsId: id }, known)
    if (!goods) continue
    const here = shelvesOf(shelves, goods)
    // What the household keeps no record of is not counted.
    if (here.length === 0) continue
    const draw = drawFrom(here, amount)
    if (draw.short > 0) short.push(saidShort(goods, amount, amount - draw.short))
    for (const one of draw.drawn)
      drawn.push({
        stockId: one.id,
        name: here.find((shelf) => shelf.id === one.id)!.name,
        packs: one.packs,
        amount: one.amount,
        unit: goodsUnit(goods),
      })
  }
  if (short.length && !use.evenIfShort)
    throw invalid(short.map((message) => ({ path: ['body', 'evenIfShort'], message })))
  for (const { stockId, packs } of drawn) await move(tx, householdId, stockId, -packs)
  return { ...use, drawn, facts }
}

/** The same packs again, for a use that was taken back and is wanted after all. */
export async function drawAgain(tx: Transaction, householdId: string, use: UseRecord): Promise<void> {
  for (const { stockId, packs, name } of use.drawn)
    if (!(await move(tx, householdId, stockId, -packs)))
      throw invalid([
        { path: ['body', 'drawn'], message: `${name}: the stores no longer hold what this took.` },
      ])
}

export async function putBack(tx: Transaction, householdId: string, use: UseRecord): Promise<void> {
  for (const { stockId, packs } of use.drawn) await move(tx, householdId, stockId, packs)
}

/** A batch is made once. */
export async function alreadyMade(tx: Transaction, householdId: string, batchId: string): Promise<boolean> {
  const rows = await tx
    .select({ id: uses.id })
    .from(uses)
    .where(
      and(
        eq(uses.householdId, householdId),
        eq(uses.batchId, batchId),
        eq(uses.kind, 'batch made'),
        isNull(uses.deletedAt),
      ),
    )
  return rows.length > 0
}

/** Noise of halves and tenths added up must not leave a ten-millionth of a bag. */
const STEP = 1e-6

async function move(tx: Transaction, householdId: string, stockId: string, packs: number): Promise<boolean> {
  const left = sql`round(((${stocks.packs} + ${packs}) / ${STEP})::numeric) * ${STEP}`
  const rows = await tx
    .update(stocks)
    .set({ packs: left, version: sql`${stocks.version} + 1`, updatedAt: sql`now()` })
    .where(
      and(
        eq(stocks.householdId, householdId),
        eq(stocks.id, stockId),
        sql`${stocks.packs} + ${packs} > ${-STEP}`,
      ),
    )
    .returning({ id: stocks.id })
  return rows.length > 0
}

const saidShort = (goods: Goods, wanted: number, there: number) =>
  `${goodsName(goods)}: ${printNumber(wanted)} ${goodsUnit(goods)} wanted, ${printNumber(there)} ${goodsUnit(goods)} in the stores.`

async function ofBatch(tx: Transaction, householdId: string, { batchId }: UseRecord): Promise<Taken> {
  if (!batchId) throw invalid([{ path: ['body', 'batchId'], message: 'Say which batch was made.' }])
  const batch = await find('batches', householdId, batchId, tx)
  if (await alreadyMade(tx, householdId, batchId))
    throw invalid([{ path: ['body', 'batchId'], message: `Batch ${batch.number} is already made.` }])
  const plan = planBatch(asBatchRequest(batch.body, await shedOf(householdId, tx)))
  const needs = needsOfBatch(plan)
  return {
    needs,
    facts: [
      { what: 'Loose mix', amount: plan.mixL.value, unit: 'L' },
      ...(plan.lower ? [{ what: 'Loose mix for below', amount: plan.lower.mixL.value, unit: 'L' }] : []),
      ...plan.lines.map(({ material, looseL }) => ({
        what: material.name,
        amount: looseL.value,
        unit: 'L',
      })),
      ...plan.extras.map(({ material, massG }) => ({ what: material.name, amount: massG.value, unit: 'g' })),
    ],
  }
}

async function ofFeed(tx: Transaction, householdId: string, use: UseRecord): Promise<Taken> {
  if (!use.feedingId) throw invalid([{ path: ['body', 'feedingId'], message: 'Say which feed was given.' }])
  const { body } = await find('feedings', householdId, use.feedingId, tx)
  const feed = findFeed(body.feedId, await feedsOf(householdId, tx))
  if (!feed) throw unknown('feed')
  const plan = planDose({ ...body, feed, tools: await toolsOf(householdId, tx) })
  const each = feed.form === 'powder' ? plan.massG : plan.volumeMl
  const amount = { ...each, value: each.value * use.times }
  return {
    needs: [{ kind: 'feed', id: feed.id, amount }],
    facts: [
      { what: feed.name, amount: amount.value, unit: amount.unit },
      { what: 'Solution', amount: body.vessel.volumeL * use.times, unit: 'L' },
      { what: 'Nitrogen', amount: body.targetNMgPerL, unit: 'mg/L' },
    ],
  }
}
