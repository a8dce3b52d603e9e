import { createHash } from 'node:crypto'
import { and, count, eq, inArray, lt, notExists, sql } from 'drizzle-orm'
import exifr from 'exifr'
import sharp, { type Metadata } from 'sharp'
import type { Day } from '#core/calendar/day'
import { asHousekeeping, inHousehold, type Transaction } from '../db/door'
import type { Principal } from '../principal'
import { photoFiles, photos } from '../db/schema'
import { findHousehold } from './read-records'
import { invalid, unknown } from './refusal'
import { inHouseholdQueue } from './household-queue'

/*
 * Pictures are made small here and keep nothing of what a camera writes beside them: no place, no name, no serial number.
 */

/** The longer side of a picture, and of its thumbnail, pixels. */
const LONGEST = 1600
const THUMBNAIL = 320
/** A picture of more pixels is none of a phone's: a small file can unfold into gigabytes. */
const MAX_PIXELS = 100_000_000
/** Of one household so many are kept. */
export const MAX_PHOTOS = 5000
const FORMATS: readonly (string | undefined)[] = ['jpeg', 'png', 'webp', 'heif', 'tiff']
/** A file no photo points at is forgotten after so many days. */
const KEPT_DAYS = 2

// One picture at a time uses one core; the others wait.
sharp.concurrency(1)
sharp.cache(false)

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
): Promise<PhotoFile> {
  const digest = createHash('sha256').update(sent).digest('base64')
  const known = await inHousehold(principal, householdId, async (tx) => {
    await findHousehold(householdId, tx)
    return sameFile(tx, householdId, digest)
  })
  if (known) return known
  return inHouseholdQueue(`photos ${householdId}`, async () => {
    await inHousehold(principal, householdId, (tx) => checkRoom(tx, householdId))
    await checkPicture(sent)
    const takenOn = await dayTaken(sent)
    const { image, thumbnail, width, height } = await madeSmall(sent)
    return inHousehold(
      principal,
      householdId,
      async (tx) => {
        const [row] = await tx
          .insert(photoFiles)
          .values({ householdId, id, digest, takenOn, width, height, image, thumbnail })
          .onConflictDoNothing()
          .returning()
        const kept = row ? said(row) : await sameFile(tx, householdId, digest)
        if (!kept) throw refused('This picture could not be kept: send it again.')
        return kept
      },
      { to: 'write' },
    )
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
  if (kept >= MAX_PHOTOS)
    throw refused(`${MAX_PHOTOS} pictures are kept at most: remove some before you add another.`)
}
const refused = (message: string) => invalid([{ path: ['picture'], message }])
const said = ({ id, width, height, takenOn }: PhotoFile): PhotoFile => ({ id, width, height, takenOn })

/** By what is inside, not by its name. @throws Refusal 422 */
async function checkPicture(sent: Buffer): Promise<void> {
  let found: Metadata
  try {
    found = await sharp(sent, { limitInputPixels: false }).metadata()
  } catch {
    throw refused('This is no picture that can be read. Send a JPEG, PNG, WebP, AVIF or TIFF.')
  }
  if (!FORMATS.includes(found.format))
    throw refused(`Pictures are JPEG, PNG, WebP, AVIF or TIFF; this is ${found.format ?? 'something else'}.`)
  if ((found.width ?? 0) * (found.height ?? 0) > MAX_PIXELS)
    throw refused('This picture unfolds to more than 100 million pixels: make it smaller first.')
}

async function madeSmall(sent: Buffer) {
  try {
    const upright = sharp(sent, { limitInputPixels: MAX_PIXELS, failOn: 'error' }).autoOrient()
    const fit = (longest: number) =>
      upright
        .clone()
        .resize(longest, longest, { fit: 'inside', withoutEnlargement: true })
        // What a camera wrote beside the picture is not among what is written out.
        .webp({ quality: longest === THUMBNAIL ? 70 : 78 })
        .toBuffer({ resolveWithObject: true })
    const whole = await fit(LONGEST)
    const small = await fit(THUMBNAIL)
    return {
      image: whole.data,
      thumbnail: small.data,
      width: whole.info.width,
      height: whole.info.height,
    }
  } catch {
    throw refused('This picture is damaged and cannot be read to its end.')
  }
}

/** The thumbnail of a picture that is kept already. @throws Refusal 422 where it is damaged */
export const madeThumbnail = async (sent: Buffer): Promise<Buffer> => (await madeSmall(sent)).thumbnail

/** The day by the camera's clock. */
async function dayTaken(sent: Buffer): Promise<Day | null> {
  const found = (await exifr
    .parse(sent, { pick: ['DateTimeOriginal'], reviveValues: false })
    .catch(() => null)) as { DateTimeOriginal?: string } | null
  const [, year, month, day] = /^(\d{4}):(\d{2}):(\d{2}) /.exec(String(found?.DateTimeOriginal ?? '')) ?? []
  const on = `${year}-${month}-${day}`
  const time = Date.parse(`${on}T00:00:00Z`)
  return Number.isNaN(time) || on < '1990' || time > Date.now() + 86_400_000 ? null : (on as Day)
}

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
