import type { RefusalKind } from '#shared/messages/refusals'
import { first } from '#core/numeric/at'
import { stagesWith } from '#core/season/schedule/schedules'
import type { SeasonFrame } from '#core/season/frame'
import { seasonEnds } from '#core/calendar/frost'
import { keepsOn } from '#core/season/schedule/final-care'
import { stagesOf, sowingProblems } from '#core/season/schedule/sowing'
import type { SowingRequest } from '#core/season/schedule/sowing-request'
import { wrongAt, type Problem } from '#core/problem'
import { germinationNow, type Counted } from '#core/sowing/seed-age'
import type { Crop } from '#core/sowing/crop'
import type { Context } from './context'
import type { PacketRecord } from '../records/packet'
import type { SowingRecord } from '../records/sowing'

type Known = Pick<Context, 'crops' | 'packets' | 'book' | 'usualMixes'> &
  Partial<Pick<Context, 'calibrations'>> & { readonly frame: SeasonFrame }

/** The request core plans; undefined for a crop nobody knows. */
export function asSowingRequest(
  record: SowingRecord,
  known: Known,
  {
    done = {},
    notBefore = null,
    up,
    moved,
    roots,
    warmth,
  }: Partial<Pick<SowingRequest, 'done' | 'notBefore' | 'up' | 'moved' | 'roots' | 'warmth'>> = {},
): SowingRequest | undefined {
  const inBook = known.crops.get(record.cropId)
  if (!inBook) return undefined
  const seed = record.packetId === null ? undefined : known.packets.get(record.packetId)
  // What was said beats the packet, and the packet beats the book.
  const depthMm = record.depthMm ?? seed?.depthMm
  const crop = depthMm == null ? inBook : { ...inBook, depthMm }
  const year = Number((record.sowOn ?? record.outOn ?? seasonEnds(known.frame).last).slice(0, 4))
  const { plants, cells, season, outOn, sowOn, certainty, seedsPerCell, scheduleId, placeId, stages } = record
  return {
    crop,
    plants,
    cells,
    season,
    outOn,
    sowOn,
    certainty,
    seedsPerCell,
    scheduleId,
    placeId,
    stages: stages ?? stagesWith(scheduleId ?? crop.scheduleId, known.usualMixes),
    germination: record.germination ?? seed?.germination ?? null,
    seedYears: seed && record.germination === null ? Math.max(0, year - seed.year) : 0,
    counted: record.germination === null ? countedOf(record, crop, seed, year, known.calibrations) : null,
    losses: lossesOf(known.calibrations),
    warmth,
    seedsThere: seed?.seeds ?? null,
    upDays: seed?.upDays ?? null,
    done,
    notBefore,
    up,
    moved,
    roots,
  }
}

/** Spread of what a packet says of its seed, one standard deviation [default]. */
const PACKET_SD = 0.15

/** Germination by the counts of this packet, weighed against what it says; null where it was never counted. */
function countedOf(
  { packetId }: Pick<SowingRecord, 'packetId'>,
  crop: Crop,
  seed: PacketRecord | undefined,
  year: number,
  calibrations: Context['calibrations'] | undefined,
): Counted | null {
  if (packetId === null || !seed || !calibrations?.things('germination').includes(packetId)) return null
  const { measured } = calibrations.of('germination', packetId)
  const last = Number(
    measured.reduce((day, one) => (one.on > day ? one.on : day), first(measured).on).slice(0, 4),
  )
  const prior = germinationNow(crop, seed.germination, Math.max(0, last - seed.year)).value
  const { mean, n } = calibrations.of('germination', packetId, { mean: prior, sd: PACKET_SD })
  return { share: Math.min(1, Math.max(0.01, mean)), n, years: Math.max(0, year - last) }
}

function lossesOf(calibrations: Context['calibrations'] | undefined): SowingRequest['losses'] {
  const loss = calibrations?.of('potting loss')
  return loss?.n ? { share: Math.min(0.9, loss.mean), n: loss.n } : null
}

/** What is wrong with a sowing, each at its field. */
export function sowingRecordProblems(record: SowingRecord, known: Known): Problem<RefusalKind>[] {
  const request = asSowingRequest(record, known)
  if (!request) return [wrongAt(['cropId'], 'unknownCrop')]
  const mixes = (request.stages ?? []).flatMap(({ recipeId }, i) =>
    recipeId === null || known.book.knowsMix(recipeId)
      ? []
      : [wrongAt(['stages', i, 'recipeId'], 'unknown', { what: 'recipe' })],
  )
  return [
    ...(record.packetId === null || known.packets.has(record.packetId)
      ? []
      : [wrongAt(['packetId'], 'unknown', { what: 'packet' })]),
    ...sowingProblems(request, known.frame, known.book),
    ...mixes,
  ]
}

/** Whether a sowing goes on in a container of its own after it is out; not where nobody knows its crop. */
export function keepsOnAfter(
  { stages, scheduleId, cropId }: Pick<SowingRecord, 'stages' | 'scheduleId' | 'cropId'>,
  crops: Context['crops'],
): boolean {
  const crop = crops.get(cropId)
  return crop !== undefined && keepsOn(stagesOf({ stages, scheduleId, crop }))
}
