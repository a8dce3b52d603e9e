import { EventEmitter } from 'node:events'
import { sql } from 'drizzle-orm'
import pg from 'pg'
import type { Reading } from '#core/readings/measured'
import { db } from '../db/client'
import { log, traceOf } from '../log'

/*
 * Readings as they come, to whoever listens, through the database: it does not matter which copy of the application a device
 * sent to, and which one a page listens at. One connection a copy listens, from the first listener on.
 */

export interface LiveReadings {
  readonly householdId: string
  readonly deviceId: string
  readonly readings: readonly Reading[]
}

const CHANNEL = 'readings'
const RETRY_MS = 2000
/** PostgreSQL carries 8000 bytes in one notice. */
const MOST_TOLD = 40

const heard = new EventEmitter()
heard.setMaxListeners(0)
let listening: Promise<void> | null = null
let client: pg.Client | null = null

export async function tellLive(householdId: string, deviceId: string, readings: readonly Reading[]) {
  const latest = [...readings].sort((a, b) => a.atMs - b.atMs)
  const said = JSON.stringify({
    householdId,
    deviceId,
    readings: latest.slice(-MOST_TOLD),
  } satisfies LiveReadings)
  await db().execute(sql`select pg_notify(${CHANNEL}, ${said})`)
}

/** @returns what ends the listening */
export async function listenLive(
  householdId: string,
  hear: (readings: LiveReadings) => void,
): Promise<() => void> {
  heard.on(householdId, hear)
  await (listening ??= listen())
  return () => void heard.off(householdId, hear)
}

async function listen(): Promise<void> {
  const own = (client = new pg.Client({ connectionString: process.env.DATABASE_URL, keepAlive: true }))
  own.on('notification', ({ payload }) => {
    const said = JSON.parse(payload ?? '{}') as LiveReadings
    heard.emit(said.householdId, said)
  })
  const again = (error: unknown) => {
    if (client !== own) return
    client = null
    log.warn(traceOf(error), 'live readings lost their connection')
    // Who listens goes on listening once the database is back.
    const timer = setTimeout(() => (listening = listen().catch(again)), RETRY_MS)
    timer.unref()
  }
  own.on('error', again)
  try {
    await own.connect()
    await own.query(`listen ${CHANNEL}`)
  } catch (error) {
    again(error)
  }
}

export async function closeLive(): Promise<void> {
  const own = client
  client = null
  listening = null
  await own?.end().catch(() => undefined)
}
