import exifr from 'exifr'
import sharp, { type Metadata } from 'sharp'
import type { Day } from '#core/calendar/day'

/*
 * Pictures are made small and keep nothing of what a camera writes beside them: no place, no name, no serial number. It is done in
 * a process of its own (process.ts): what a picture takes of memory and threads is not taken from requests.
 */

/** The longer side of a picture, and of its thumbnail, pixels. */
const LONGEST = 1600
const THUMBNAIL = 320
/** As many as the cameras of phones usually write: a small file can unfold into gigabytes. */
const MAX_MEGAPIXELS = 52
const FORMATS: readonly (string | undefined)[] = ['jpeg', 'png', 'webp', 'heif', 'tiff']

// One picture at a time uses one core; the others wait.
sharp.concurrency(1)
sharp.cache(false)

/** Said to who sent the picture. */
export class NoPicture extends Error {}

export interface SmallPicture {
  readonly image: Uint8Array
  readonly thumbnail: Uint8Array
  readonly width: number
  readonly height: number
  /** By the camera's clock; null where it does not say. */
  readonly takenOn: Day | null
}

/** A picture as it was sent, small and clean. @throws NoPicture */
export async function madeSmall(sent: Uint8Array): Promise<SmallPicture> {
  await metadataOf(sent)
  const takenOn = await dayTaken(sent)
  return { ...(await resized(sent)), takenOn }
}

/** A picture of an archive: as it is where it is clean, with its thumbnail. @throws NoPicture where it is no WebP */
export async function madeClean(sent: Uint8Array): Promise<Pick<SmallPicture, 'image' | 'thumbnail'>> {
  const found = await metadataOf(sent)
  if (found.format !== 'webp') throw new NoPicture('This is no WebP picture.')
  const isClean = !(found.exif || found.xmp || found.iptc)
  const image = isClean ? sent : await sharp(sent).webp({ quality: 78 }).toBuffer()
  return { image, thumbnail: (await resized(sent)).thumbnail }
}

/** By what is inside, not by its name, and before anything is unfolded. @throws NoPicture */
async function metadataOf(sent: Uint8Array): Promise<Metadata> {
  let found: Metadata
  try {
    found = await sharp(sent, { limitInputPixels: false }).metadata()
  } catch {
    throw new NoPicture('This is no picture that can be read. Send a JPEG, PNG, WebP, AVIF or TIFF.')
  }
  if (!FORMATS.includes(found.format))
    throw new NoPicture(
      `Pictures are JPEG, PNG, WebP, AVIF or TIFF; this is ${found.format ?? 'something else'}.`,
    )
  if ((found.width ?? 0) * (found.height ?? 0) * (found.pages ?? 1) > MAX_MEGAPIXELS * 1e6)
    throw new NoPicture(
      `This picture unfolds to more than ${MAX_MEGAPIXELS} million pixels: make it smaller first.`,
    )
  return found
}

async function resized(sent: Uint8Array) {
  try {
    const upright = sharp(sent, { limitInputPixels: MAX_MEGAPIXELS * 1e6, failOn: 'error' }).autoOrient()
    const fit = (longest: number) =>
      upright
        .clone()
        .resize(longest, longest, { fit: 'inside', withoutEnlargement: true })
        // What a camera wrote beside the picture is not among what is written out.
        .webp({ quality: longest === THUMBNAIL ? 70 : 78 })
        .toBuffer({ resolveWithObject: true })
    const whole = await fit(LONGEST)
    const small = await fit(THUMBNAIL)
    return { image: whole.data, thumbnail: small.data, width: whole.info.width, height: whole.info.height }
  } catch {
    throw new NoPicture('This picture is damaged and cannot be read to its end.')
  }
}

/** The day by the camera's clock. */
async function dayTaken(sent: Uint8Array): Promise<Day | null> {
  const found = (await exifr
    .parse(sent, { pick: ['DateTimeOriginal'], reviveValues: false })
    .catch(() => null)) as { DateTimeOriginal?: string } | null
  const [, year, month, day] = /^(\d{4}):(\d{2}):(\d{2}) /.exec(String(found?.DateTimeOriginal ?? '')) ?? []
  const on = `${year}-${month}-${day}`
  const time = Date.parse(`${on}T00:00:00Z`)
  return Number.isNaN(time) || on < '1990' || time > Date.now() + 86_400_000 ? null : (on as Day)
}
