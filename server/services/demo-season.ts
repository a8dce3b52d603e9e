import { addDays, type Day } from '#core/calendar/day'
import { placeOf } from '#core/places/place'
import { stage, type ScheduleStage } from '#core/season/schedule/schedules'
import type { JobKind } from '#core/season/today/job'
import type { Bodies } from '#shared/records/collections'
import { newEntry } from '#shared/records/entry'
import type { SowingRecord } from '#shared/records/sowing'
import type { HouseholdRecord } from '#shared/records/household'

/*
 * The Lamp Room's season, laid around the day it is first started: whenever that is, it is the middle of their spring,
 * with work behind them and ahead. Docs/demo.md tells what is going wrong.
 */

type Entries<C extends keyof Bodies> = [id: string, body: Bodies[C]][]

export function demoFrame(today: Day): NonNullable<HouseholdRecord['season']> {
  return {
    lastFrost: addDays(today, 24),
    firstFrost: addDays(today, 186),
    places: [
      {
        ...placeOf('shelf', 'racks', 'Lamp racks'),
        flats: 12,
        light: { kindId: 'led-bar-4ft', count: 2, heightCm: 40, measured: null },
      },
      { ...placeOf('mat', 'mat', 'Warm mat'), flats: 2 },
      { ...placeOf('windowsill', 'sill', 'Long sill'), flats: 2 },
      { ...placeOf('frame', 'frame', 'Cold frame'), flats: 8 },
    ],
    lightMethod: 'sixteen',
    feedingMethod: 'weak and often',
    feedId: 'balanced-20',
    tubL: 40,
    canL: 9,
    nightC: null,
    nightSaidOn: today,
  }
}

interface Ids {
  readonly id: (n: number) => string
  readonly sowingMix: string
  readonly pottingMix: string
  readonly ownTray: string
  readonly firstBatch: string
}

export function demoSeason(today: Day, { id, sowingMix, pottingMix, ownTray, firstBatch }: Ids) {
  const on = (days: number) => addDays(today, days)
  const harden = stage('harden', null, null)
  const cellThenPot = (tray: string, pot: string): ScheduleStage[] => [
    stage('sow', tray, sowingMix, 0.5),
    stage('pot up', pot, pottingMix, 0.5),
    harden,
  ]
  const oneCell = (tray: string): ScheduleStage[] => [stage('sow', tray, sowingMix, 1), harden]
  const plugThenCell: ScheduleStage[] = [
    stage('sow', 'tray-200', sowingMix, 0.45),
    stage('prick out', 'tray-50', sowingMix, 0.55),
    harden,
  ]

  const packet = (
    n: number,
    name: string,
    cropId: string,
    supplier: string,
    yearsOld: number,
    seeds: number | null,
    germination: number | null,
  ): Entries<'packets'>[number] => [
    id(n),
    {
      name,
      cropId,
      supplier,
      year: Number(today.slice(0, 4)) - yearsOld,
      seeds,
      germination,
      upDays: null,
      depthMm: null,
      spacingMm: null,
    },
  ]
  const sowing = (
    n: number,
    name: string,
    cropId: string,
    plants: number,
    sowOn: number,
    stages: ScheduleStage[],
    more: Partial<SowingRecord> = {},
  ): Entries<'sowings'>[number] => [
    id(n),
    {
      name,
      cropId,
      packetId: null,
      plants,
      cells: null,
      season: 'spring',
      outOn: null,
      sowOn: on(sowOn),
      germination: null,
      certainty: 0.9,
      seedsPerCell: null,
      scheduleId: null,
      placeId: null,
      stages,
      ...more,
    },
  ]
  let next = 301
  const did = (what: JobKind, sowingN: number, index: number, days: number): Entries<'entries'>[number] => [
    id(next++),
    newEntry({
      name: what,
      kind: what,
      subjects: [{ what: 'sowings', id: id(sowingN), stage: index }],
      on: on(days),
      by: days % 2 ? 'Wren' : 'Idris',
    }),
  ]

  const packets: Entries<'packets'> = [
    packet(121, 'Sweet basil', 'basil', 'the swap box', 1, 600, null),
    packet(122, 'Tomatillo, green', 'tomatillo', 'own, saved', 1, 140, 0.86),
    packet(123, 'Leek, long white', 'leek', 'the swap box', 3, 200, null),
    packet(124, 'Snapdragon, mixed', 'snapdragon', 'bought', 0, 800, 0.75),
    packet(125, 'Okra', 'okra', 'a neighbour', 2, 40, null),
    packet(126, 'Rainbow chard', 'chard', 'own, saved', 2, 90, 0.7),
  ]
  const sowings: Entries<'sowings'> = [
    sowing(201, 'Tomatillo', 'tomatillo', 48, -24, cellThenPot('tray-72', 'pot-10cm'), { packetId: id(122) }),
    sowing(202, 'Sweet basil', 'basil', 48, -15, oneCell('tray-72'), { packetId: id(121) }),
    sowing(203, 'Snapdragon', 'snapdragon', 90, -38, plugThenCell, { packetId: id(124) }),
    sowing(204, 'Physalis', 'physalis', 24, -30, cellThenPot(ownTray, 'pot-10cm')),
    sowing(205, 'Artichoke', 'artichoke', 12, -44, cellThenPot(ownTray, 'pot-11cm')),
    sowing(206, 'Leek, in clumps', 'leek', 120, -50, oneCell('tray-72'), { packetId: id(123) }),
    sowing(207, 'Rainbow chard', 'chard', 40, -27, oneCell('tray-50'), { packetId: id(126) }),
    sowing(208, 'Cosmos', 'cosmos', 60, 0, oneCell('tray-72')),
    sowing(209, 'Okra', 'okra', 16, 9, oneCell('pot-2.5in'), { packetId: id(125) }),
    sowing(210, 'Bulb fennel', 'bulb-fennel', 40, -2, oneCell('tray-128')),
    sowing(211, 'Lettuce, first', 'lettuce', 36, -22, oneCell('tray-72')),
    sowing(212, 'Lettuce, second', 'lettuce', 36, 1, oneCell('tray-72')),
    sowing(213, 'Lettuce, third', 'lettuce', 36, 22, oneCell('tray-72')),
    sowing(214, 'Delphinium', 'delphinium', 30, 3, plugThenCell),
  ]
  const entries: Entries<'entries'> = [
    [
      id(95),
      newEntry({
        name: 'Basil and tomatillo, first sowing',
        kind: 'batch made',
        on: on(-25),
        subjects: [{ what: 'batches', id: firstBatch, stage: null }],
        by: 'Wren',
        note: 'A little drier than a sponge; one more cup of water went in.',
      }),
    ],
    ...[201, 202, 203, 204, 205, 206, 207, 210, 211].flatMap((n) => {
      const sownOn = {
        201: -24,
        202: -15,
        203: -38,
        204: -30,
        205: -44,
        206: -50,
        207: -27,
        210: -2,
        211: -22,
      }[n]!
      return [did('make mix', n, 0, sownOn - 1), did('stage', n, 0, sownOn)]
    }),
    // Basil has not shown itself: it is what is going wrong.
    ...Object.entries({ 201: -17, 203: -26, 204: -18, 205: -33, 206: -40, 207: -21, 211: -19 }).map(
      ([n, day]) => did('look', Number(n), 0, day),
    ),
    did('make mix', 203, 1, -8),
    did('stage', 203, 1, -7),
    did('make mix', 205, 1, -13),
    did('stage', 205, 1, -12),
    did('treat', 214, 0, -11),
    did('stage', 207, 1, -2),
    did('feed', 206, 0, -2),
    did('make mix', 208, 0, -1),
    did('make mix', 212, 0, -1),
  ]
  return { packets, sowings, entries }
}
