import { createHash } from 'node:crypto'
import { and, count, eq, inArray, lt, notExists, sql } from 'drizzle-orm'
import type { Day } from '#core/calendar/day'
import { MOST_PHOTO_FILES } from '#shared/records/bounds'
import { asHousekeeping, inHousehold, type Transaction } from '../db/door'
import { makeSmall } from '../pictures/pictures'
import type { Principal } from '../principal'
import { photoFiles, photos } from '../db/schema'
import { findHousehold } from './read-records'
import { invalid, unknown } from './refusal'
import { inHouseholdQueue } from './household-queue'
import { keptOnce, withFile, type Act } from './idempotency'

/* The pictures of a household, small and clean (server/pictures). */

/** A file no photo points at is forgotten after so many days. */
const KEPT_DAYS = 2

export interface PhotoFile {
  readonly id: string
  readonly width: number
  readonly height: number
  /** By the camera's clock; null where it does not say. */
  readonly takenOn: Day | null
}

/**
 * A picture as it was sent, kept small and clean. The same picture sent again is the same file.
 *
 * @throws Refusal 404, 422 where it is no picture, or there are too many
 */
export async function keepPhotoFile(
  principal: Principal,
  householdId: string,
  id: string,
  sent: Buffer,
  act: Act | null,
): Promise<PhotoFile> {
  const digest = createHash('sha256').update(sent).digest('base64')
  const own = withFile(act, digest)
  const once = (keep: (tx: Transaction) => Promise<PhotoFile>) =>
    inHousehold(
      principal,
      householdId,
      (tx) => keptOnce(tx, householdId, own, 'add picture', () => keep(tx)),
      { to: 'write' },
    )
  const known = await inHousehold(principal, householdId, async (tx) => {
    await findHousehold(householdId, tx)
    return sameFile(tx, householdId, digest)
  })
  if (known) return once(async () => known)
  return inHouseholdQueue(`photos ${householdId}`, async () => {
    await inHousehold(principal, householdId, (tx) => checkRoom(tx, householdId))
    const { takenOn, width, height, ...made } = await makeSmall(sent)
    const [image, thumbnail] = [Buffer.from(made.image), Buffer.from(made.thumbnail)]
    return once(async (tx) => {
      const [row] = await tx
        .insert(photoFiles)
        .values({ householdId, id, digest, takenOn, width, height, image, thumbnail })
        .onConflictDoNothing()
        .returning()
      const kept = row ? said(row) : await sameFile(tx, householdId, digest)
      if (!kept) throw refused('This picture could not be kept: send it again.')
      return kept
    })
  })
}

async function sameFile(tx: Transaction, householdId: string, digest: string): Promise<PhotoFile | null> {
  const [known] = await tx
    .select()
    .from(photoFiles)
    .where(and(eq(photoFiles.householdId, householdId), eq(photoFiles.digest, digest)))
  return known ? said(known) : null
}

/** @throws Refusal 422 where a household keeps as many as it may */
async function checkRoom(tx: Transaction, householdId: string): Promise<void> {
  const [{ kept } = { kept: 0 }] = await tx
    .select({ kept: count() })
    .from(photoFiles)
    .where(eq(photoFiles.householdId, householdId))
  if (kept >= MOST_PHOTO_FILES)
    throw refused(`${MOST_PHOTO_FILES} pictures are kept at most: remove some before you add another.`)
}
const refused = (message: string) => invalid([{ path: ['picture'], message }])
const said = ({ id, width, height, takenOn }: PhotoFile): PhotoFile => ({ id, width, height, takenOn })

/** The picture, or its thumbnail, as WebP. @throws Refusal 404 */
export async function photoFile(
  tx: Transaction,
  householdId: string,
  id: string,
  size: 'whole' | 'small',
): Promise<Buffer> {
  const [row] = await tx
    .select({ data: size === 'small' ? photoFiles.thumbnail : photoFiles.image })
    .from(photoFiles)
    .where(and(eq(photoFiles.householdId, householdId), eq(photoFiles.id, id)))
  if (!row) throw unknown('picture')
  return row.data
}

/** Those of these files that the household has. */
export async function photoFilesAmong(
  householdId: string,
  ids: readonly string[],
  tx: Transaction,
): Promise<ReadonlySet<string>> {
  const rows = await tx
    .select({ id: photoFiles.id })
    .from(photoFiles)
    .where(and(eq(photoFiles.householdId, householdId), inArray(photoFiles.id, [...ids])))
  return new Set(rows.map(({ id }) => id))
}

/** Files that were sent and never made a photo of, and those whose photo was removed longer ago than it can be brought back. */
export const forgetLostPhotoFiles = () =>
  asHousekeeping('forget lost photo files', (tx) =>
    tx.delete(photoFiles).where(
      and(
        lt(photoFiles.createdAt, sql`now() - make_interval(days => ${KEPT_DAYS})`),
        notExists(
          tx
            .select({ one: sql`1` })
            .from(photos)
            .where(
              and(
                eq(photos.householdId, photoFiles.householdId),
                eq(photos.fileId, photoFiles.id),
                sql`(${photos.deletedAt} is null or ${photos.deletedAt} > now() - interval '90 days')`,
              ),
            ),
        ),
      ),
    ),
  )
