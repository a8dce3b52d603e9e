import { sayProblemOf, inWords } from '#shared/messages/refusals'
import { present } from '#core/present'
import { createHash } from 'node:crypto'
import { under } from '#core/problem'
import { ownInstant, timeOf, todayOf } from '#core/calendar/clock'
import { decidedBy, type Understood } from '#shared/commands/commands'
import { idsOf, isRefusal, type Acting, type Change, type Refusal as Refused } from '#shared/commands/command'
import { oppositeOf, type Found, type UndoIntent } from '#shared/commands/undo'
import type { Performed, WrittenRecord } from '#shared/commands/written'
import type { Bodies, Everything, Stored } from '#shared/records/collections'
import type { Collection } from '#shared/records/collection-names'
import { benchOf, type Bench } from '#shared/derived/bench'
import type { Day } from '#core/calendar/day'
import type { HouseholdRecord } from '#shared/records/household'
import type { Head, Locked, Transaction } from '../db/door'
import type { Principal } from '../principal'
import { once, findAct, type Act } from './idempotency'
import { bringBackIn, removeIn, replaceIn, saveHouseholdIn, saveIn, updateIn } from './write-records'
import {
  entriesAbout,
  everythingBefore,
  findHousehold,
  history,
  readEverything,
  cacheEverything,
} from './read-records'
import { invalid, Refusal, stale, unknown } from './refusal'
import { rowAsItStands } from './rows'
import { keptIn, noteChanged, noteKept, writingOf } from './transaction-changes'

/*
 * What people do, done: each command is decided by its pure function in shared/commands, and what it decides is written, all in
 * one transaction inside the household's lock.
 */

/** One press: its commands, who acts, and when by the clock they look at. */
export interface Press {
  readonly commands: readonly Understood[]
  readonly by?: string
  readonly today?: Day | null
  readonly time?: string | null
}

/** A checksum of what is asked, so that no other request borrows the key of an act. */
export const checksum = (of: unknown) => createHash('sha256').update(JSON.stringify(of)).digest('base64')

/**
 * All of a press or nothing of it.
 *
 * @throws Refusal 404, 409, 422 saying which of its commands failed, and what stands instead
 */
export async function perform(
  principal: Principal,
  householdId: string,
  act: Act | null,
  press: Press,
): Promise<Performed> {
  const names = press.commands.map(({ name }) => name)
  const undoing = press.commands.find((one): one is UndoIntent => one.name === 'undo' || one.name === 'redo')
  const doing = { by: press.by ?? '', commands: names, undoes: undoing?.act ?? null }
  let left: { head: Head; kept: Everything } | undefined
  const performed = await once(principal, householdId, act, doing, async (tx, household, actId) => {
    if (!mayWrite(household, press.commands)) throw unknown('household')
    const before = household && everythingBefore(householdId, household)
    if (before) noteKept(tx, before)
    const done = new Performance(tx, householdId, press, household, actId)
    for (const [i, one] of press.commands.entries())
      await done.guidedJob(one).catch((error: unknown) => {
        throw press.commands.length > 1 ? memberFailed(error, i, one.name) : error
      })
    const { wrote, changed, household: own } = writingOf(tx)
    const kept = keptIn(tx)
    if (household && kept) left = { head: household, kept }
    return {
      act: actId,
      wrote: wrote.map(({ collection, id, after }) => ({ collection, id, after })),
      changed: [...changed.values()],
      household: own,
    }
  })
  if (left) cacheEverything(householdId, left.head, left.kept)
  return performed
}

/** A household that is not there is only begun, one that was removed is not written to. */
const mayWrite = (household: Locked, commands: readonly Understood[]) =>
  household ? !household.isRemoved : commands[0]?.name === 'begin household' || isNew(commands[0])
const isNew = (first: Understood | undefined) => first?.name === 'save household' && first.version === 0

function memberFailed(error: unknown, index: number, name: string): unknown {
  if (!(error instanceof Refusal)) return error
  return new Refusal(error.status, error.message, under('commands', under(index, error.problems)), {
    ...error.details,
    failed: { index, name },
  })
}

/** A press under way: what it looks at is read once, and again after it has changed something. */
class Performance {
  private looked: Everything | null = null
  private made: Bench | null = null
  private readonly acting: Acting
  constructor(
    private readonly tx: Transaction,
    private readonly householdId: string,
    press: Press,
    private readonly household: Locked,
    act: string,
  ) {
    const now = new Date()
    const { clock = null, timeZone = null } = household ?? {}
    // Where nobody said whose midnight counts, the farthest east has the latest day.
    const latest = todayOf({ clock, timeZone: timeZone ?? 'Pacific/Kiritimati' }, now)
    const today = press.today ?? todayOf({ clock, timeZone }, now)
    this.acting = {
      act,
      by: press.by ?? '',
      today,
      time: press.time ?? timeOf(clock ? 'UTC' : timeZone, ownInstant(clock, now)),
      // The clock a person looks at is believed.
      latest: today > latest ? today : latest,
      newId: idsOf(act),
    }
  }

  async guidedJob(intent: Understood): Promise<void> {
    if (intent.name === 'undo' || intent.name === 'redo') return this.undo(intent as UndoIntent)
    const command = present(decidedBy(intent.name))
    const bench = command.looks ? await this.bench(intent) : (null as unknown as Bench)
    const decision = command.decide(bench, intent, this.acting)
    if (isRefusal(decision)) throw refusalOf(decision)
    for (const change of decision) await this.write(change)
    if (decision.length) this.looked = null
  }

  private async bench(intent: Understood): Promise<Bench> {
    const kept = await this.withNamed(this.looked ?? (await this.look()), intent)
    if (kept !== this.looked) this.made = null
    this.looked = kept
    return (this.made ??= benchOf(kept, this.acting.today, this.acting.time))
  }

  /** What is in sight by now. */
  private async look(): Promise<Everything> {
    if (!keptIn(this.tx)) noteKept(this.tx, await readEverything(this.tx, this.householdId))
    return present(keptIn(this.tx))
  }

  /** With it what the command names and what lies too far back to be in sight. */
  private async withNamed(kept: Everything, intent: Understood): Promise<Everything> {
    const { tx, householdId } = this
    let next = kept
    for (const [collection, ids] of namedBy(intent))
      for (const id of ids) {
        if (next[collection].some((one) => one.id === id)) continue
        const record = await rowAsItStands(tx, collection, householdId, id)
        if (!record) continue
        const seen = new Set(next.entries.map((one) => one.id))
        const subjects = (await entriesAbout(householdId, [id], tx)).filter((one) => !seen.has(one.id))
        next = {
          ...next,
          [collection]: [...next[collection], record],
          entries: [...next.entries, ...subjects].sort((a, b) => a.number - b.number),
        }
      }
    return next
  }

  private async write(change: Change): Promise<void> {
    const { tx, householdId } = this
    switch (change.do) {
      case 'put': {
        const stored = await saveIn(
          tx,
          change.collection,
          householdId,
          change.id,
          change.version,
          change.body as never,
        )
        if (stored.id !== change.id && 'onlyNew' in change && change.onlyNew) throw saidAlready(stored)
        // What stands already is the answer, though nothing was written.
        if (!writingOf(tx).changed.has(`${change.collection} ${stored.id}`))
          noteChanged(tx, change.collection, stored.id, stored)
        return
      }
      case 'update':
        return void (await updateIn(tx, change.collection, householdId, change.id, (stood) => {
          const made = (change.make as (one: Stored<unknown>) => object)(stood)
          if (isRefusal(made)) throw refusalOf(made)
          return made as Bodies[Collection] as never
        }))
      case 'remove':
        return void (await removeIn(
          tx,
          change.collection,
          householdId,
          change.id,
          change.version,
          change.anyway,
        ))
      case 'restore':
        return void (await bringBackIn(tx, change.collection, householdId, change.id, change.version))
      case 'replace':
        return void (await replaceIn(
          tx,
          change.collection,
          householdId,
          change.id,
          change.version,
          change.with,
        ))
      case 'household':
        return void (await saveHouseholdIn(tx, householdId, change.version, change.body))
    }
  }

  /** Everything an act wrote as it was before, the last first. */
  private async undo({ act, seen }: UndoIntent): Promise<void> {
    const { wrote } = await findAct(this.tx, this.householdId, act)
    if (wrote.length === 0) throw invalid([{ path: ['act'], message: 'There is nothing of it to undo.' }])
    for (const one of [...wrote].reverse()) {
      const known = seen.find(({ collection, id }) => collection === one.collection && id === one.id)
      const opposite = oppositeOf(one, { ...(await this.found(one)), seen: known?.version })
      if ('stale' in opposite) throw stale(opposite.stale)
      if (isRefusal(opposite)) throw refusalOf(opposite)
      await this.write(opposite)
    }
  }

  private async found({ collection, id, before, was, stood }: WrittenRecord): Promise<Found> {
    const { tx, householdId } = this
    if (collection === 'household') return { now: await findHousehold(householdId, tx), past: was }
    const now = await rowAsItStands(tx, collection, householdId, id)
    if (!now || !stood) return { now }
    if (was) return { now, past: { ...now.body, ...was } }
    const revisions = await history(collection, householdId, id, tx)
    return { now, past: revisions.find(({ version }) => version === before)?.body }
  }
}

/** Trays, sowings and runs a command names by their ids, wherever it names them. */
function namedBy(
  intent: Understood,
): [collection: 'trays' | 'sowings' | 'guidedJobs', ids: ReadonlySet<string>][] {
  const trays = new Set<string>()
  const sowings = new Set<string>()
  const walk = (of: unknown): void => {
    if (typeof of !== 'object' || of === null) return
    for (const [key, one] of Object.entries(of)) {
      if (key === 'trayId' && typeof one === 'string') trays.add(one)
      else if (key === 'sowingId' && typeof one === 'string') sowings.add(one)
      else if (key === 'trayIds') for (const id of one as string[]) trays.add(id)
      else walk(one)
    }
  }
  walk(intent)
  const guidedJob = intent.name === 'end job' ? (intent as { id: string }).id : null
  return [
    ['trays', trays],
    ['sowings', sowings],
    ['guidedJobs', new Set(guidedJob ? [guidedJob] : [])],
  ]
}

const refusalOf = ({ refused, stands }: Refused) =>
  new Refusal(
    422,
    refused[0] ? sayProblemOf(refused[0]) : 'This cannot be done as it stands.',
    refused.map(inWords),
    stands === undefined ? {} : { stands },
  )
const saidAlready = ({ body }: Stored<unknown>) => {
  const { name, on } = body as { name: string; on: string }
  return invalid([{ path: ['title'], message: `Already logged: “${name}”, ${on}.` }])
}

/** One command of a script: answered with the record it is about. */
export async function performOne(
  principal: Principal,
  householdId: string,
  act: Act | null,
  command: Understood,
): Promise<{
  performed: Performed
  record: Stored<unknown> | null
  household: Stored<HouseholdRecord> | null
  version: number
}> {
  const performed = await perform(principal, householdId, act, { commands: [command] })
  const [first] = performed.wrote
  const one = first
    ? performed.changed.find(({ collection, id }) => collection === first.collection && id === first.id)
    : performed.changed[0]
  return {
    performed,
    record: one?.record ?? null,
    household: performed.household,
    version: first?.after ?? 0,
  }
}
