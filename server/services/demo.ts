import { and, eq, sql } from 'drizzle-orm'
import { useStorage } from 'nitropack/runtime'
import { dayFrom } from '#core/calendar/day'
import { asHousekeeping, type Transaction } from '../db/door'
import { households } from '../db/schema'
import { fillFrom } from './archive/import'
import { readArchive } from './archive/unpack'

/*
 * The demo household is an archive like any other, read by the import that reads everybody's. To change it, change it in the
 * application, write it out and put the file in its place (docs/demo.md).
 */

/** The demo lives on a day of its own, so that its frosts and crops make sense whenever it is opened. */
const DEMO_DAY = dayFrom('2027-04-12')
const demoClock = () => ({ day: DEMO_DAY, since: new Date().toISOString(), speed: 1 })

const SEED_LOCK = 7_236_002
const HOUSEHOLD_ID = '0b1a5700-de30-4000-8000-000000000001'

/** The demo household, when there is no household at all. Copies that start together take turns. */
export async function seedDemoWhenEmpty(): Promise<void> {
  await asHousekeeping('begin the demo', async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(${SEED_LOCK})`)
    const [any] = await tx.select({ id: households.householdId }).from(households).limit(1)
    await (any ? beginDemoDayAgain(tx) : writeDemo(tx, HOUSEHOLD_ID, 'The Lamp Room'))
  })
}

/** Everything of the demo, in a household that is not there yet. */
export async function writeDemo(tx: Transaction, householdId: string, name: string): Promise<void> {
  const file = await useStorage('assets:demo').getItemRaw<Uint8Array>('the-lamp-room.zip')
  if (!file) throw new Error('The demo household is missing from this build: server/demo/the-lamp-room.zip.')
  const archive = await readArchive(Buffer.from(file))
  try {
    await fillFrom(tx, householdId, archive)
  } finally {
    archive.close()
  }
  await tx.update(households).set({ name, clock: demoClock() }).where(eq(households.householdId, householdId))
}
/** Started after its day is over the demo’s day begins anew; one that was set to another day or pace goes on. */
const beginDemoDayAgain = (tx: Transaction) =>
  tx
    .update(households)
    .set({ clock: demoClock(), changes: sql`${households.changes} + 1` })
    .where(
      and(
        eq(households.householdId, HOUSEHOLD_ID),
        sql`${households.clock} ->> 'day' = ${DEMO_DAY} and (${households.clock} ->> 'speed')::float8 = 1
          and (${households.clock} ->> 'since')::timestamptz < now() - interval '14 hours'`,
      ),
    )
