import { describe, expect, it } from '@jest/globals'
import { ownInstant } from '#core/calendar/clock'
import { dayFrom } from '#core/calendar/day'
import type { Everything, Stored } from '#shared/records/collections'
import { COLLECTION_NAMES } from '#shared/records/collection-names'
import { device as deviceSchema, type DeviceRecord } from '#shared/records/device'
import { household as householdSchema } from '#shared/records/household'
import type { EntryRecord } from '#shared/records/entry'
import { newEntry, waterRow } from '#shared/records/new-entry'
import { tray as traySchema } from '#shared/records/tray'
import { SEASON, SHELF } from '#shared/test/season'
import { World } from './world'
import { weatherOn } from './weather'

/* What the devices read is what the household planned and did: one model for all of them. */

const SINCE = new Date('2027-01-05T10:00:00Z')
const TRAY = '0b1a5700-0000-4000-8000-000000000010'
const day = dayFrom('2027-04-12')
const cells = Array.from({ length: 24 }, (_, cell): [number, number] => [cell, 1])
const subjects: EntryRecord['subjects'] = [{ what: 'trays', id: TRAY, stage: null }]
const entry = (n: number, over: Partial<EntryRecord>) => ({
  id: `entry ${n}`,
  body: newEntry({ name: 'It', kind: 'look', on: day, subjects, ...over }),
})
const sown = entry(1, {
  kind: 'stage',
  on: dayFrom('2027-03-22'),
  cells: [{ trayId: TRAY, group: 'A', what: 'sown', cells, count: null }],
})
const watered = (n: number, on: string, at: string, litres: number) =>
  entry(n, {
    kind: 'watered',
    on: dayFrom(on),
    at,
    water: [waterRow({ trayId: TRAY, how: 'above', litres, backL: 0 })],
  })
const everything = (entries: readonly object[], more: object = {}) =>
  ({
    ...Object.fromEntries(COLLECTION_NAMES.map((name) => [name, []])),
    household: {
      body: householdSchema.parse({
        name: 'A bench that is not there',
        units: 'metric',
        clock: { day, since: SINCE.toISOString(), speed: 1 },
        season: SEASON,
        ...more,
      }),
    },
    trays: [
      {
        id: TRAY,
        number: 1,
        body: traySchema.parse({
          name: '24-cell tray',
          containerId: 'tray-24',
          rows: 4,
          columns: 6,
          placeId: SHELF.id,
          recipeId: 'lean-and-light',
          groups: [{ code: 'A', name: 'Snapdragon', cropId: 'snapdragon' }],
          cells: Array(24).fill('A'),
        }),
      },
    ],
    entries,
  }) as unknown as Everything
const device = (body: Partial<DeviceRecord>) =>
  ({ id: body.name, body: deviceSchema.parse({ simulated: true, ...body }) }) as Stored<DeviceRecord>
const scale = device({ name: 'Scale', kind: 'kitchen scale', trayId: TRAY })
/** So many hours after nine of its day. */
const at = (hours: number) => new Date(SINCE.getTime() + hours * 3_600_000)
const read = (whole: Everything, one: Stored<DeviceRecord>, when = at(1)) =>
  Object.fromEntries(new World(whole, when).read(one).map(({ quantity, value }) => [quantity, value]))
const hours = (from: number, until: number) =>
  Array.from({ length: (until - from) * 6 }, (_, i) => at(from + i / 6))

describe('the simulated bench', () => {
  const dried = [sown, watered(2, '2027-04-05', '08:00', 1.2)]
  it('a tray weighs so much more as was poured on it, to the flicker of the scale', () => {
    const before = read(everything(dried), scale).mass!
    for (const litres of [0.2, 0.5]) {
      const after = read(everything([...dried, watered(3, '2027-04-12', '09:00', litres)]), scale).mass!
      // An hour’s thirst of 0.15 m² is some grams; the scale creeps and flickers by one or two.
      expect(Math.abs(after - before - 1000 * litres)).toBeLessThan(30)
    }
  })
  it('and dries again: each hour it weighs less, until it is watered', () => {
    const wet = everything([...dried, watered(3, '2027-04-12', '09:00', 0.5)])
    const weights = [1, 4, 7, 10, 13].map((hour) => read(wet, scale, at(hour)).mass!)
    weights.slice(1).forEach((grams, i) => expect(grams).toBeLessThan(weights[i]! + 2))
    expect(weights.at(-1)!).toBeLessThan(weights[0]! - 10)
    expect(Math.abs(read(wet, device({ name: 'Empty pan', kind: 'kitchen scale' })).mass!)).toBeLessThan(3)
  })
  it('a mat with its thermostat stands about what was set, and turns', () => {
    const probe = device({ name: 'In the mix', kind: 'mix probe', placeId: SHELF.id })
    const readings = hours(0, 10).map((when) => read(everything([sown]), probe, when).temperature!)
    const mean = readings.reduce((sum, one) => sum + one, 0) / readings.length
    expect(Math.abs(mean - SHELF.heatC)).toBeLessThan(0.3)
    expect(Math.max(...readings) - Math.min(...readings)).toBeGreaterThan(0.8)
    expect(Math.max(...readings)).toBeLessThan(SHELF.heatC + 1)
  })
  it('outside it is as warm as the sky that the forecast foretells', () => {
    const whole = everything([])
    const outside = device({ name: 'Out of the door', kind: 'air probe', placeId: 'outside' })
    const sky = weatherOn({ place: whole.household.body.name, lastFrost: dayFrom(SEASON.lastFrost) }, day)
    // Its day goes from nine until midnight; three in the afternoon is the warmest.
    const air = hours(0, 14).map((when) => read(whole, outside, when))
    const highest = Math.max(...air.map(({ temperature }) => temperature!))
    expect(Math.abs(highest - sky.highC)).toBeLessThan(0.8)
    for (const { temperature, humidity } of air) {
      expect(temperature).toBeGreaterThan(sky.lowC - 1)
      expect(humidity! >= 15 && humidity! <= 99).toBe(true)
    }
  })
  it('a pen that was set reads the feed that was mixed, and drifts low when it is not set again', () => {
    const feeding = { id: 'jug', body: { targetNMgPerL: 100 } }
    const whole = {
      ...everything([], { water: { ecMsPerCm: 0.5, alkalinityMgPerL: 80 } }),
      feedings: [feeding],
    } as unknown as Everything
    const now = ownInstant(whole.household.body.clock, at(1))
    const pen = (days: number) =>
      device({
        name: 'Pen',
        kind: 'pen',
        calibratedAt: new Date(now.getTime() - days * 86_400_000).toISOString(),
      })
    // A 20-20-20 makes some 0.67 mS/cm of 100 mg/L [handbook, from memory]; the spoon is off by a tenth at most.
    const fresh = read(whole, pen(0)).conductivity!
    expect(fresh).toBeGreaterThan(0.5 + 0.67 * 0.85)
    expect(fresh).toBeLessThan(0.5 + 0.67 * 1.15)
    expect(read(whole, pen(20)).conductivity!).toBeLessThan(0.93 * fresh)
  })
  it('the light meter sees the sun go down, and a lamp burn its hours', () => {
    const lit = (light: object | null, hour: number) =>
      read(
        everything([], { season: { ...SEASON, places: [{ ...SHELF, light }] } }),
        device({ name: 'Meter', kind: 'light meter', placeId: SHELF.id }),
        at(hour),
      ).illuminance!
    const lamp = {
      kindId: 'measured',
      count: 1,
      heightCm: 30,
      measured: { ppfd: 200, atCm: 30, radiusCm: 20 },
    }
    const [noon, night] = [3, 14.5]
    expect(lit(null, night)).toBe(0)
    expect(lit(null, noon)).toBeGreaterThan(0)
    expect(lit(lamp, noon)).toBeGreaterThan(lit(null, noon))
    // Sixteen hours from six in the morning end at ten.
    expect(lit(lamp, night)).toBe(0)
    // Lux to µmol/m²/s ÷ 65–75 for white LEDs [handbook, from memory]; after sunset the lamp is alone.
    expect(lit(lamp, 12.5) / 200).toBeGreaterThan(65)
    expect(lit(lamp, 12.5) / 200).toBeLessThan(75)
  })
})
