import { EventEmitter } from 'node:events'
import { sql } from 'drizzle-orm'
import type pg from 'pg'
import type { Reading } from '#core/readings/measured'
import { connectionForNotices, type Transaction } from '../db/door'
import { log, traceOf } from '../log'
import { Refusal } from './refusal'

/*
 * Readings as they come, to whoever listens, through the database: it does not matter which copy of the application a device
 * sent to, and which one a page listens at. A copy hears the households it has listeners for, each on a channel of its own,
 * all over one connection.
 */

export interface LiveReadings {
  readonly deviceId: string
  readonly readings: readonly Reading[]
}

/** So many pages listen at one copy. */
const MAX_LISTENERS = 1000
let listeners = 0

const channelOf = (householdId: string) => `readings_${householdId.replaceAll('-', '').toLowerCase()}`
const RETRY_MS = 2000
/** PostgreSQL carries 8000 bytes in one notice. */
const MAX_TOLD = 40

const heard = new EventEmitter()
heard.setMaxListeners(0)
let client: pg.Client | null = null
let connecting: Promise<void> | null = null

export async function tellLive(
  tx: Transaction,
  householdId: string,
  deviceId: string,
  readings: readonly Reading[],
) {
  const latest = [...readings].sort((a, b) => a.atMs - b.atMs)
  const said = JSON.stringify({ deviceId, readings: latest.slice(-MAX_TOLD) } satisfies LiveReadings)
  await tx.execute(sql`select pg_notify(${channelOf(householdId)}, ${said})`)
}

/** @returns what ends the listening, once. @throws Refusal 503 where too many listen */
export async function listenLive(
  householdId: string,
  hear: (readings: LiveReadings) => void,
): Promise<() => void> {
  if (listeners >= MAX_LISTENERS)
    throw new Refusal(
      503,
      `${MAX_LISTENERS} pages listen already. Readings can be asked for meanwhile.`,
      [],
      {
        afterS: 60,
      },
    )
  listeners++
  const channel = channelOf(householdId)
  const isFirst = heard.listenerCount(channel) === 0
  heard.on(channel, hear)
  if (!client) await (connecting ??= connect())
  else if (isFirst) await say(`listen ${channel}`)
  return () => {
    listeners--
    heard.off(channel, hear)
    if (heard.listenerCount(channel) === 0) void say(`unlisten ${channel}`)
  }
}

/** A connection that broke has been seen to already: it is made anew with all its channels. */
const say = (what: string) => client?.query(what).then(undefined, () => undefined)

async function connect(): Promise<void> {
  const own = connectionForNotices()
  own.on('notification', ({ channel, payload }) => heard.emit(channel, JSON.parse(payload ?? '{}')))
  const again = (error: unknown) => {
    if (client !== own && client !== null) return
    client = null
    log.warn(traceOf(error), 'live readings lost their connection')
    // Who listens goes on listening once the database is back.
    const timer = setTimeout(() => void (connecting = connect()), RETRY_MS)
    timer.unref()
  }
  try {
    await own.connect()
    own.on('error', again)
    client = own
    for (const channel of heard.eventNames()) await own.query(`listen ${String(channel)}`)
  } catch (error) {
    again(error)
  }
}

export async function closeLive(): Promise<void> {
  const own = client
  client = null
  connecting = null
  own?.removeAllListeners('error').on('error', () => undefined)
  await own?.end().catch(() => undefined)
}
