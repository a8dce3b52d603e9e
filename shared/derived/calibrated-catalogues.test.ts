import { describe, expect, it } from '@jest/globals'
import { planBatch } from '#core/media/batch'
import { DEFAULT_ALLOWANCES, plainBatch } from '#core/media/batch-request'
import type { Measurement } from '#core/learning/calibrations'
import { addDays, dayFrom, type Day } from '#core/calendar/day'
import type { Figure } from '#core/working/figure'
import { contextOf, type Context } from './context'
import { measuredByBatch, measuredByCount, measuredByLeaves, measuredByLeaving, computedL } from './measured'
import type { BatchRecord } from '../records/batch'
import { asBatchRequest } from './batch-request'
import type { EntryRecord } from '../records/entry'
import { sowing as sowingSchema } from '../records/sowing'
import { asSowingRequest } from './sowing-request'
import { tray as traySchema } from '../records/tray'
import { SEASON } from '../test/season'
import { seasonFrame } from '../records/season-frame'
import { trayStands } from './trays'
import type { SeasonContext } from './season'

const on = dayFrom('2027-03-01')
const batch = (kind: 'tray-72' | 'block-2in', over: Partial<BatchRecord> = {}): BatchRecord => ({
  name: 'Sowing mix',
  recipeId: null,
  lowerRecipeId: null,
  onDate: null,
  sowings: [],
  parts: [
    { materialId: 'coir', parts: 3 },
    { materialId: 'perlite', parts: 1 },
  ],
  fills: [{ containerId: kind, count: kind === 'tray-72' ? 3 : 100, coverMm: 0, coverMaterialId: 'mix' }],
  allowances: DEFAULT_ALLOWANCES,
  scoop: { name: 'Pot', volumeL: 0.5 },
  ...plainBatch(),
  ...over,
})
const ACTUAL: NonNullable<EntryRecord['actual']> = {
  share: null,
  usedL: null,
  leftL: null,
  waterL: null,
  filled: null,
  backL: null,
  minutes: null,
  roots: null,
}
const learnedBy = (measurements: Measurement[]) => contextOf({ measurements: [...measurements] })
const planOf = (record: BatchRecord, context: Context) => {
  const request = asBatchRequest(record, context)
  return { ...planBatch(request), blockCompression: request.allowances.blockCompression }
}

/** A bench whose trays take so much more than the book says, batch after batch, each put right by those before. */
function runs(
  kind: 'tray-72' | 'block-2in',
  times: number,
  truth: number,
  n: number,
  wobble: readonly number[],
) {
  const book = contextOf({})
  const record = batch(kind)
  const inBook = computedL(planOf(record, book), { ...ACTUAL, share: 1 }, 0.05)
  const measurements: Measurement[] = []
  const off: number[] = []
  for (let i = 0; i < n; i++) {
    const planned = planOf(record, learnedBy(measurements))
    const usedL = inBook * truth * (1 + wobble[i % wobble.length]!) * (i === times ? 10 : 1)
    const actual = { ...ACTUAL, share: 1, usedL }
    off.push((inBook * truth) / computedL(planned, actual, 0.05) - 1)
    measuredByBatch(record, `batch ${i}`, actual, book, planned).forEach((row) =>
      measurements.push({ ...row, entryId: `e${i}`, on: addDays(on, i) }),
    )
  }
  return { off, measurements }
}

describe('what a batch used', () => {
  const WOBBLE = [0.01, -0.015, 0.012, -0.006]
  it.each([
    ['tray-72', 1.08],
    ['tray-72', 0.96],
    ['block-2in', 1.25],
    ['block-2in', 0.85],
  ] as const)('%s that take %s of the book are predicted within 5 % after three runs', (kind, truth) => {
    const { off } = runs(kind, -1, truth, 4, WOBBLE)
    expect(Math.abs(off[0]!)).toBeGreaterThan(0.035)
    expect(Math.abs(off[3]!)).toBeLessThan(0.05)
  })
  it('one batch read ten times too large does not undo it', () => {
    const { off } = runs('tray-72', 3, 1.06, 6, WOBBLE)
    expect(Math.abs(off[5]!)).toBeLessThan(0.05)
  })
  it('is said in the working: learned from so many measurements of yours', () => {
    const { measurements } = runs('tray-72', -1, 1.08, 3, WOBBLE)
    const { fills } = planOf(batch('tray-72'), learnedBy(measurements))
    const sources: string[] = []
    const walk = ({ working }: Figure): void => {
      if (working.kind === 'given') sources.push(working.source.cite)
      else Object.values(working.inputs).forEach(walk)
    }
    walk(fills[0]!.looseL)
    expect(sources).toContain('learned from 3 measurements of yours')
  })
  it('a figure that was typed for the batch stands as it was typed', () => {
    const { measurements } = runs('block-2in', -1, 1.25, 3, WOBBLE)
    const typed = batch('block-2in', { allowances: { ...DEFAULT_ALLOWANCES, blockCompression: 1.7 } })
    expect(planOf(typed, learnedBy(measurements)).blockCompression).toBe(1.7)
    expect(planOf(batch('block-2in'), learnedBy(measurements)).blockCompression).toBeGreaterThan(2.1)
  })
  it('what stirring lost: 40 L of unlike grains that make 34 L lose more than the tenth of the book', () => {
    const record = batch('tray-72', {
      parts: [
        { materialId: 'peat', parts: 1 },
        { materialId: 'perlite', parts: 1 },
      ],
    })
    const planned = planOf(record, contextOf({}))
    const loose = planned.ingredientsL.value
    const rows = measuredByBatch(
      record,
      'b',
      { ...ACTUAL, share: 1, mixedL: loose * 0.85 },
      contextOf({}),
      planned,
    )
    expect(rows.find(({ what }) => what === 'mixing loss')!.value).toBeCloseTo(0.15, 2)
  })
})

describe('what a tray measures', () => {
  const packetId = '0b1a5700-0000-4000-8000-0000000000aa'
  const season = seasonFrame.parse(SEASON)
  const household = { body: { units: 'metric' as const, season } }
  const context = contextOf({
    household,
    packets: [
      {
        id: packetId,
        body: {
          name: 'Okra',
          cropId: 'okra',
          supplier: '',
          year: 2026,
          seeds: 500,
          germination: 0.8,
          upDays: null,
          depthMm: null,
          spacingMm: null,
        },
      },
    ],
  })
  const tray = {
    id: 't',
    body: traySchema.parse({
      name: 'Tray',
      containerId: 'tray-24',
      rows: 4,
      columns: 6,
      placeId: season.places[0]!.id,
      groups: [{ code: 'A', name: 'Okra', cropId: 'okra', packetId, seedsPerCell: 1 }],
      cells: Array(24).fill('A'),
    }),
  }
  const change = (
    what: 'sown' | 'up' | 'set' | 'lost' | 'out',
    n: number,
    day: Day,
    count: number | null = null,
  ) => ({
    trayId: 't',
    group: 'A',
    what,
    on: day,
    entryId: `${what}${day}`,
    count,
    cells: count === null ? Array.from({ length: n }, (_, cell): [number, number] => [cell, 1]) : [],
  })
  const stands = (changes: ReturnType<typeof change>[]) =>
    trayStands(tray.body, changes, context.crops).groups[0]!

  it('12 of 24 up after 14 days is half of the packet’s seed, and so many days of the book’s', () => {
    const sown = change('sown', 24, on)
    const up = change('up', 12, addDays(on, 14))
    const rows = measuredByCount(tray, stands([sown]), stands([sown, up]), context, new Map())
    expect(rows.find(({ what }) => what === 'germination')).toMatchObject({ of: packetId, value: 0.5, n: 24 })
    expect(rows.find(({ what }) => what === 'days up')!.value).toBeGreaterThan(0.5)
    // The second count has nothing new to say of the day.
    const later = change('up', 20, addDays(on, 20))
    expect(
      measuredByCount(tray, stands([sown, up]), stands([sown, up, later]), context, new Map()).map(
        ({ what }) => what,
      ),
    ).toEqual(['germination'])
  })
  it('twelve that were set and of which three were lost say a quarter, once none stands', () => {
    const set = change('set', 12, on)
    const lost = change('lost', 3, addDays(on, 5), 3)
    expect(measuredByLeaving(tray, stands([set, lost]))).toEqual([])
    const out = change('out', 9, addDays(on, 20), 9)
    expect(measuredByLeaving(tray, stands([set, lost, out]))[0]).toMatchObject({
      what: 'potting loss',
      value: 0.25,
      n: 12,
    })
  })
  it('burnt after 150 mg/L says: weaker; pale after 30: stronger; well: so', () => {
    const of = (sign: 'burnt' | 'pale old' | 'well', mg: number) =>
      measuredByLeaves([sign], 'okra', mg, 'true-leaves', 'k')[0]!.value
    // The middle of 50 to 75 is 62.5.
    expect(of('burnt', 150)).toBeCloseTo((150 / 62.5) * 0.75, 9)
    expect(of('pale old', 30)).toBeCloseTo((30 / 62.5) * 1.25, 9)
    expect(of('well', 62.5)).toBeCloseTo(1, 9)
    expect(measuredByLeaves(['flies'], 'okra', 60, 'true-leaves', 'k')).toEqual([])
  })
  it('plans use it at once: poor counts ask for more cells, and the working says whose figure it is', () => {
    const request = (measurements: Measurement[]) => {
      const known = contextOf({
        household,
        packets: [{ id: packetId, body: context.packets.get(packetId)! }],
        measurements,
      }) as SeasonContext
      return asSowingRequest(
        sowingSchema.parse({ name: 'Okra', cropId: 'okra', packetId, plants: 24, sowOn: '2027-04-01' }),
        known,
      )!
    }
    const poor: Measurement[] = [
      { entryId: 'a', on, what: 'germination', of: packetId, value: 0.4, n: 60, key: 't A' },
    ]
    expect(request([]).counted).toBeNull()
    expect(request(poor).counted!.share).toBeLessThan(0.55)
    expect(request(poor).counted!.n).toBe(1)
    const losses: Measurement[] = [
      { entryId: 'a', on, what: 'potting loss', of: '', value: 0.14, n: 120, key: 't A' },
    ]
    expect(request(losses).losses!.share).toBeGreaterThan(0.07)
  })
})
