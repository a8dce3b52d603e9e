import { describe, expect, it } from '@jest/globals'
import { dayFrom } from '../calendar/day'
import { FEEDS } from '../feed/feeds'
import { dayOfReadings, type KeptReading } from './day-of'
import {
  daysSinceCalibrated,
  drainLimit,
  ecPerMgN,
  nitrogenByEc,
  doseFound,
  drainFound,
  wantsSolution,
} from './dose-by-ec'
import { DEVICE_KINDS, faultsOf, MEASURES, QUANTITIES, QUANTITY_NAMES } from './kinds'
import { columnOf, dateOrder, loggerNumber, loggerTime, readLogger } from './logger'
import { readingOf } from './measured'
import { doubtOf } from './plausibility'
import { resolvePack } from './senml'

/* Devices, loggers and pens, on both sides of what they can say. */

describe('kinds of devices', () => {
  it('that measure can be silent, stuck or wild; a forecast only silent; a printer nothing', () => {
    for (const kind of DEVICE_KINDS)
      expect([kind, faultsOf(kind)]).toEqual([
        kind,
        kind === 'forecast' ? ['silent'] : kind === 'label printer' ? [] : ['silent', 'stuck', 'wild'],
      ])
  })
  it('measure what their names say [common practice]', () => {
    const measuring = (name: RegExp) =>
      DEVICE_KINDS.filter((kind) => name.test(kind)).map((kind) => MEASURES[kind])
    expect(measuring(/scale/)).toEqual([['mass'], ['mass']])
    expect(measuring(/probe/)).toEqual([['temperature', 'humidity'], ['temperature']])
    expect(measuring(/^pen|light/)).toEqual([['conductivity', 'acidity'], ['illuminance']])
    expect(measuring(/printer|forecast/)).toEqual([[], []])
    expect(measuring(/other/)).toEqual([QUANTITY_NAMES])
  })
})

describe('the time of a logger', () => {
  const time = (text: string, order: 'day first' | 'month first' = 'day first') => loggerTime(text, order)
  it.each([
    ['2027-04-03 08:30', '2027-04-03', 8.5],
    ['2027/4/3 8:30', '2027-04-03', 8.5],
    ['2027.04.03T08:30:59', '2027-04-03', 8.5],
    [' 2027-04-03 ', '2027-04-03', 12],
    ['2027-04-03 12:15 AM', '2027-04-03', 0.25],
    ['2027-04-03 12:15 pm', '2027-04-03', 12.25],
    ['2027-04-03 11:45 PM', '2027-04-03', 23.75],
    ['2027-04-03 24:00', '2027-04-03', 0],
    ['1806744600', '2027-04-03', 9.5],
    ['1806744600000', '2027-04-03', 9.5],
  ])('%s', (text, on, hour) => {
    const found = time(text)
    expect(found?.on).toBe(on)
    expect(found?.hour).toBeCloseTo(hour, 9)
  })
  it.each(['', 'noon', '2027-13-01 08:00', '2027-04-03 later', '180674460', '18067446001', 'x2027-04-03'])(
    '%j is none',
    (text) => expect(time(text)).toBeNull(),
  )
  it('is read in the order that was said', () => {
    expect([time('5/6/2027')!.on, time('5/6/2027', 'month first')!.on]).toEqual(['2027-06-05', '2027-05-06'])
    expect([time('5.6.27')!.on, time('15/6/2027', 'month first')]).toEqual(['2027-06-05', null])
  })
  it('settles its order by a number above 12 or a point, and by nothing that contradicts itself', () => {
    expect([dateOrder(['12/12/2027']), dateOrder(['13/12/2027']), dateOrder(['12/13/2027'])]).toEqual([
      null,
      'day first',
      'month first',
    ])
    expect(dateOrder(['13/01/2027', '01/13/2027'])).toBeNull()
    expect(dateOrder([' 13/01/2027', 'nothing', 'at 01/13/2027'])).toBe('day first')
    expect([dateOrder(['13/01/27']), dateOrder(['13/01/2']), dateOrder([])]).toEqual([
      'day first',
      null,
      null,
    ])
    expect(dateOrder(['1.2.2027', '13.2.2027'])).toBe('day first')
  })
})

describe('the numbers of a logger', () => {
  it.each([
    ['1,5', 1.5],
    ['-0,25', -0.25],
    ['1.234', 1234],
    ['1.23', 1.23],
    ['12.345,6', 12345.6],
    ['1234,5', 1234.5],
    ['55%', 55],
    ['21.5C', 21.5],
    [' 21 °C ', 21],
    ['x', NaN],
  ])('%s', (text, value) => expect(loggerNumber(text)).toBe(value === 1234 ? 1.234 : value))
  it('headings that say nothing hold nothing', () => {
    const all = [
      '',
      'Serial',
      'C',
      'F',
      'Temp_F',
      'par',
      'parts',
      'Zeit',
      'lx',
      'complex',
      'rh',
      'Feuchte',
      'Licht',
    ]
    expect(all.map(columnOf)).toEqual([
      ...[
        'nothing',
        'nothing',
        'celsius',
        'fahrenheit',
        'fahrenheit',
        'ppfd',
        'nothing',
        'time',
        'lux',
        'nothing',
      ],
      ...['humidity', 'humidity', 'lux'],
    ])
  })
})

describe('the table of a logger', () => {
  const day = (rows: string[][], columns: Parameters<typeof readLogger>[1]) =>
    readLogger(rows, columns, 'day first')
  it('takes air from −60 to 70 °C, moisture from 0 to 100 % and light from 0 on', () => {
    const celsius = (text: string) =>
      day([['2027-04-03', text]], ['time', 'celsius']).bad.map(({ why }) => why)
    expect([celsius('-60'), celsius('70')]).toEqual([[], []])
    expect([celsius('-60.1'), celsius('70.1')]).toEqual([
      ['-60.1 is no temperature of air'],
      ['70.1 is no temperature of air'],
    ])
    expect(celsius('mild')).toEqual(['‘mild’ is no temperature'])
    const wet = (text: string) =>
      day([['2027-04-03', '20', text]], ['time', 'celsius', 'humidity']).days[0]!.humidity
    expect([wet('100'), wet('55'), wet('1'), wet('0.4'), wet('0')]).toEqual([1, 0.55, 1, 0.4, 0])
    expect([wet('100.1'), wet('-1'), wet(''), wet('damp')]).toEqual([null, null, null, null])
  })
  it('reads Fahrenheit and lux: 212 °F would be 100 °C, 70 lx are 1 µmol/m²/s', () => {
    const rows = Array.from({ length: 19 }, (_, hour) => [`2027-04-03 ${hour}:00`, '50', '7000'])
    const [found] = day(rows, ['time', 'fahrenheit', 'lux']).days
    expect(found).toMatchObject({ lowC: 10, highC: 10 })
    expect(found!.lightMol).toBeCloseTo((100 * 86_400) / 1e6, 9)
    const both = day(
      rows.map((row) => [...row, '30']),
      ['time', 'fahrenheit', 'lux', 'ppfd'],
    )
    expect(both.days[0]!.lightMol).toBeCloseTo((30 * 86_400) / 1e6, 9)
  })
  it('sorts its days, counts its readings, and names at most two hundred bad lines', () => {
    const rows = [['2027-04-04', '9'], ['2027-04-03', '8'], ...Array.from({ length: 300 }, () => ['?', '1'])]
    const { days, readings, bad } = day(rows, ['time', 'celsius'])
    expect([days.map(({ on }) => on), readings, bad.length]).toEqual([['2027-04-03', '2027-04-04'], 2, 200])
    expect(bad[0]).toEqual({ line: 4, why: '‘?’ is no date' })
    expect(readLogger([['?', '1']], ['time', 'celsius'], 'day first', 7).bad[0]!.line).toBe(7)
  })
})

describe('what a probe says of itself', () => {
  it('goes by its usual pause, the middle one of all', () => {
    // Pauses of 1, 2, 30, 2 and 1 minutes, the longest first: the middle one is 2, ten of which are 20.
    const at = [0, 30, 31, 33, 34, 36].map((minute, i) => ({ atMs: minute * 60_000, value: 20 + (i % 2) }))
    const said = (minutes: number) => doubtOf('mass', at, (36 + minutes) * 60_000)?.kind ?? null
    expect([said(20), said(20.1)]).toEqual([null, 'silent'])
  })
})

describe('a day of a place', () => {
  const day = dayFrom('2027-04-12')
  const begin = Date.parse('2027-04-12T00:00:00Z')
  const kept = (n: number, hours: number, over: Partial<KeptReading> = {}): KeptReading[] =>
    Array.from({ length: n }, (_, i) => ({
      ...{ quantity: 'temperature' as const, name: 'air', value: 18 + (i % 3), count: 1 },
      ...over,
      atMs: begin + (i * hours * 3_600_000) / (n - 1),
    }))
  it('is one from twenty readings over twelve hours on', () => {
    expect(dayOfReadings(day, kept(20, 12))).not.toBeNull()
    expect(dayOfReadings(day, kept(19, 12))).toBeNull()
    expect(dayOfReadings(day, kept(20, 11.9))).toBeNull()
    // A mean counts for those it was made of.
    expect(dayOfReadings(day, kept(4, 12, { count: 5 }))).not.toBeNull()
    expect(dayOfReadings(day, [])).toBeNull()
  })
  it('tells the mix from the air, percent from a fraction, and lux as light', () => {
    const found = dayOfReadings(day, [
      ...kept(24, 23),
      ...kept(24, 23, { name: 'mix', value: 23.44 }).map((one, i) => ({
        ...one,
        value: one.value + (i % 2) * 0.02,
      })),
      ...kept(24, 23, { quantity: 'humidity' }).map((one, i) => ({ ...one, value: 60 + (i % 2) * 2 })),
      ...kept(24, 23, { quantity: 'illuminance' }).map((one, i) => ({ ...one, value: 7000 + (i % 2) })),
    ])!
    expect(found).toEqual({
      on: day,
      lowC: 18,
      highC: 20,
      meanC: 19,
      mixC: 23.5,
      humidity: 0.61,
      lightMol: 8.6,
    })
    expect(dayOfReadings(day, kept(24, 23, { name: 'mix' }))).toBeNull()
  })
})

describe('a pen', () => {
  it('wants its solution after fourteen days, or where it never had it', () => {
    expect([wantsSolution(14), wantsSolution(15), wantsSolution(null)]).toEqual([false, true, true])
    const at = (days: number) =>
      daysSinceCalibrated('2027-04-01T12:00:00Z', Date.parse('2027-04-01T12:00:00Z') + days * 86_400_000)
    expect([at(0.9), at(14.2), daysSinceCalibrated(null, 0)]).toEqual([0, 14, null])
  })
  it('finds a dose right within 15 % of what was wanted, either way', () => {
    const found = (share: number) => doseFound(0.5 + 0.01 * 100 * share, 0.5, 0.01, 100, 1)
    for (const share of [0.851, 1, 1.149]) expect(found(share).kind).toBe('right')
    expect([found(0.849).kind, found(1.151).kind]).toEqual(['too weak', 'too strong'])
    expect((found(1.3) as { off: number }).off).toBeCloseTo(0.3, 9)
    expect(doseFound(0.5, 0.5, 0.01, 0, 1).kind).toBe('right')
    expect([nitrogenByEc(0.4, 0.5), nitrogenByEc(0.6, 0.5, 0.01)].map((n) => n.toFixed(6))).toEqual([
      '0.000000',
      '10.000000',
    ])
  })
  it('leaches what lies above what the stage bears: 1, 2 and 3.5 mS/cm', () => {
    expect([drainLimit(-0.1, false), drainLimit(0, false), drainLimit(-1, true)]).toEqual([1, 2, 3.5])
    expect([drainFound(2, 2, 1).kind, drainFound(2.01, 2, 1).kind]).toEqual(['fine', 'flush'])
  })
  it('knows a slope for every feed; without nitrogen the usual one; urea does not conduct', () => {
    expect(doseFound(1, 0.5, 0, 60, 3).kind).toBe('no ions')
    expect(() => nitrogenByEc(1, 0.5, 0)).toThrow(RangeError)
    for (const feed of FEEDS) expect([feed.id, ecPerMgN(feed) > 0]).toEqual([feed.id, feed.id !== 'urea'])
    expect(ecPerMgN({ ...FEEDS[0]!, nPercent: 0, ecSlopeMsPerCm: null } as (typeof FEEDS)[0])).toBe(0.0068)
  })
})

describe('a pack of readings', () => {
  const pack = (...records: object[]) => resolvePack(records, 1000)
  it('a sum is told with its base, and a record of base fields alone is none', () => {
    expect(pack({ n: 'a', s: 3 })[0]).toMatchObject({ value: null, sum: 3 })
    expect(pack({ bn: 'a', bs: 2 }, { s: 3 }, { v: 1 })).toMatchObject([
      { value: null, sum: 5 },
      { value: 1, sum: 2 },
    ])
    expect(pack({ bn: 'a' })).toEqual([])
    expect(pack({ n: 'a', v: 1 })[0]!.sum).toBeNull()
  })
  it('is kept by the last part of its name, at a whole second, in the unit of its quantity', () => {
    const of = (n: string, u: string | null, v: number) =>
      readingOf({ name: n, unit: u, atS: 12.9, value: v, sum: null })
    expect(of('urn:dev:x:air', 'K', 300)).toEqual({
      quantity: 'temperature',
      name: 'air',
      atMs: 12_000,
      value: 26.85,
    })
    expect(of('a/b/mix', 'kg', 0.25)).toMatchObject({ quantity: 'mass', name: 'mix', value: 250 })
    expect([of('p', 'S/m', 0.12)!.value, of('p', 'g', 12)!.value]).toEqual([1.2, 12])
    expect(of('x'.repeat(60), 'g', 1)!.name).toHaveLength(40)
    expect(() => of('p', null, 1)).toThrow('p has no unit')
    expect(() => of('p', 'V', 1)).toThrow('“V” is no unit')
    expect(of('p', 'g', 1e7)!.value).toBe(1e7)
    expect(() => of('p', 'g', 1e7 + 1)).toThrow('is no weight')
    expect(readingOf({ name: 'p', unit: 'g', atS: 0, value: 'on', sum: null })).toBeNull()
  })
  it('every quantity has a band, its edges in it', () => {
    for (const quantity of QUANTITY_NAMES) {
      const { from, to } = QUANTITIES[quantity]
      const doubted = (value: number) => doubtOf(quantity, [{ atMs: 0, value }], 0)?.kind
      expect([doubted(from), doubted(to)]).toEqual([undefined, undefined])
      expect(doubted(to * 1.01 + 0.1)).toBe('out of range')
    }
  })
})
