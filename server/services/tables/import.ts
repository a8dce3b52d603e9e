import { present } from '#core/present'
import { at, first } from '#core/numeric/at'
import { randomUUID } from 'node:crypto'
import { dequal } from 'dequal'
import type { Bodies, Stored } from '#shared/records/collections'
import type { Collection } from '#shared/records/collection-names'
import {
  columnOf,
  meantAmong,
  NoTable,
  readTable,
  type LineProblem,
  type Reading,
  type ReadRecord,
  type ReadTable,
} from '#shared/tables/read'
import { tableById, type TableId } from '#shared/tables/tables'
import type { Table } from '#shared/tables/table'
import type { Transaction } from '../../db/door'
import type { Principal } from '../../principal'
import { UNTOLD, type Going } from '../../http/as-it-goes'
import { fromTable } from '#shared/commands/bring-in'
import { saveIn } from '../write-records'
import type { Act } from '../idempotency'
import { lookOrTake } from '../dry-run'
import { invalid, Refusal, unknown } from '../refusal'
import { readEverything } from '../read-records'
import { noteKept, within } from '../transaction-changes'
import { knownIn, standingIn } from './known'

/*
 * A table is taken in as an archive is: looked at first, which does all of it and leaves no trace, then written in one
 * transaction. Every record goes through the same rules as one that is typed.
 */

export interface TableTaken {
  readonly written: boolean
  /** The household’s count of writes when it was looked at: what is written has to name it. */
  readonly changes: number
  readonly separator: string
  readonly decimal: ReadTable['written']['decimal']
  readonly days: ReadTable['written']['days']
  readonly headings: { text: string; key: string | null; unit: string | null; sample: string }[]
  readonly missing: string[]
  readonly fresh: number
  readonly changed: number
  readonly same: number
  /** Records that cannot be taken in, whole. */
  readonly bad: number
  readonly problems: LineProblem[]
  /** The first records as they would stand. */
  readonly shown: { lines: number[]; name: string; state: State }[]
}
type State = 'new' | 'changed' | 'same' | 'bad'

export interface TableOrder extends Reading {
  /** Null only looks; else the `changes` that were looked at. */
  readonly seen: number | null
  /** Whether good lines go in alone where others are bad. */
  readonly goodAlone: boolean
}

const SHOWN = 200
const PROBLEMS = 500

/** @throws Refusal 404; 409 where something was written since; 422 where it is no table, or lines are bad and all were wanted */
export const takeTable = (
  principal: Principal,
  householdId: string,
  id: TableId,
  text: string,
  order: TableOrder,
  act: Act | null,
  going: Going = UNTOLD,
) =>
  lookOrTake(
    principal,
    householdId,
    { seen: order.seen, act, name: 'bring in table' },
    async (tx, looked) => {
      if (looked.isNew) throw unknown('household')
      noteKept(tx, await readEverything(tx, householdId))
      try {
        return await taken(tx, householdId, tableById(id), text, order, looked.changes, going)
      } catch (error) {
        throw error instanceof NoTable ? invalid([{ path: ['table'], message: error.message }]) : error
      }
    },
  )

async function taken(
  tx: Transaction,
  householdId: string,
  table: Table,
  text: string,
  order: TableOrder,
  changes: number,
  { went, signal }: Going,
): Promise<TableTaken> {
  const { names, units } = await knownIn(tx, householdId)
  const read = readTable(text, table, order, { names, units })
  const standing = await standingIn(tx, householdId, table, read)
  const facts = table.facts && new Set(standing.flatMap(({ body }) => present(table.facts)(body)))
  const tally = { new: 0, changed: 0, same: 0, bad: 0 }
  const problems: LineProblem[] = []
  const shown: TableTaken['shown'] = []
  const meantBy = meantAmong(table, standing, names)
  const meant = new Set<string>()
  // Written at one moment, they are listed by their ids: in the order of the lines.
  const ids = read.records.map(() => randomUUID()).sort()
  for (const [i, record] of read.records.entries()) {
    went(i / read.records.length)
    if (signal.aborted) throw invalid([{ path: ['table'], message: 'It was stopped. Nothing was imported.' }])
    const made = fromTable(record, table, meantBy, names, meant)
    let state: State = 'bad'
    let found = made.problems
    if (found.length === 0 && made.body) {
      const says = facts && present(table.facts)(made.body)
      if (says?.every((one) => present(facts).has(one)) || (made.stood && dequal(made.stood.body, made.body)))
        state = 'same'
      else {
        const kept = await keep(tx, householdId, table, made.stood ?? at(ids, i), made.body, record)
        if ('problems' in kept) found = kept.problems
        else {
          state = made.stood ? 'changed' : 'new'
        }
      }
    }
    tally[state]++
    problems.push(...found)
    if (shown.length < SHOWN) shown.push({ lines: [...record.lines], name: made.name, state })
  }
  if (order.seen !== null && tally.bad > 0 && !order.goodAlone)
    throw invalid(
      problems.slice(0, PROBLEMS).map(({ line, column, message }) => ({
        path: ['table', line, column],
        message: `Line ${line}${column ? `, ${column}` : ''}: ${message}`,
      })),
    )
  return {
    written: order.seen !== null,
    changes,
    separator: read.separator,
    decimal: read.written.decimal,
    days: read.written.days,
    headings: read.headings.map(({ text: said, key, unit, sample }) => ({
      text: said,
      key,
      unit: unit ?? null,
      sample: sample.slice(0, 80),
    })),
    missing: [...read.missing],
    fresh: tally.new,
    changed: tally.changed,
    same: tally.same,
    bad: tally.bad,
    problems: problems.slice(0, PROBLEMS),
    shown,
  }
}

/** Over what stands, or under a new id, in a savepoint of its own: what is refused leaves no trace, and the others go on. */
async function keep(
  tx: Transaction,
  householdId: string,
  table: Table,
  over: Stored<Bodies[Collection]> | string,
  body: Bodies[Collection],
  { lines }: ReadRecord,
): Promise<Stored<unknown> | { problems: LineProblem[] }> {
  try {
    const [id, version] = typeof over === 'string' ? [over, 0] : [over.id, over.version]
    return await within(tx, (inner) =>
      saveIn(inner, table.collection, householdId, id, version, body as never),
    )
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    const found = error.problems ?? []
    return {
      problems: (found.length ? found : [{ path: [], message: error.message }]).map((problem) => ({
        line: first(lines),
        ...columnOf(problem, table),
      })),
    }
  }
}
