import { describe, expect, it } from '@jest/globals'
import { causesOf } from '#core/signs/causes'
import { addDays, dayFrom, type Day } from '#core/calendar/day'
import { momentOf } from '#core/water/watering-events'
import { contextOf, type Context } from './context'
import type { EntryRecord } from '../records/entry'
import { newEntry, waterRow } from '../records/new-entry'
import { seasonFrame } from '../records/season-frame'
import { tray as traySchema } from '../records/tray'
import { signRecordOf } from './sign-record'
import { SEASON, SHELF } from '../test/season'
import { changesByTray, trayStands } from './trays'
import { trayWater, waterByTray } from './water'

/* What the records of a tray say of a sign, from its entries to the cause. */

const today = dayFrom('2027-04-20')
const sownOn = addDays(today, -24)
const TRAY = '0b1a5700-0000-4000-8000-000000000001'
const PACKET = '0b1a5700-0000-4000-8000-000000000002'
const shelf = {
  ...SHELF,
  light: { kindId: 'measured', count: 1, heightCm: 30, measured: { ppfd: 90, atCm: 30, radiusCm: 20 } },
}
const packet = {
  name: 'Okra',
  cropId: 'okra',
  supplier: '',
  year: 2023,
  seeds: 20,
  germination: 0.9,
  upDays: null,
  depthMm: 30,
  spacingMm: null,
}
const contextWith = (places: object[]): Context =>
  contextOf({
    household: { body: { units: 'metric', season: seasonFrame.parse({ ...SEASON, places }) } },
    packets: [{ id: PACKET, body: packet }],
  })
const context = contextWith([shelf])
const cells = Array.from({ length: 24 }, (_, cell): [number, number] => [cell, 1])
const entry = (n: number, days: number, over: Partial<EntryRecord>) => ({
  id: `e${n}`,
  body: newEntry({
    name: 'It',
    kind: 'look',
    on: addDays(today, days),
    subjects: [{ what: 'trays', id: TRAY, stage: null }],
    ...over,
  }),
})
const sown = entry(1, -24, {
  kind: 'stage',
  cells: [{ trayId: TRAY, group: 'A', what: 'sown', cells, count: null }],
})
const up = entry(2, -12, { cells: [{ trayId: TRAY, group: 'A', what: 'up', cells, count: null }] })

function recordOf(
  entries: ReturnType<typeof entry>[],
  more: {
    recipeId?: string
    placeId?: string
    climate?: EntryRecord['climate']
    in?: Context
    stayDays?: number
  } = {},
) {
  const known = more.in ?? context
  const tray = {
    id: TRAY,
    body: traySchema.parse({
      name: 'Tray',
      containerId: 'tray-24',
      rows: 4,
      columns: 6,
      placeId: more.placeId ?? shelf.id,
      recipeId: more.recipeId ?? 'lean-and-light',
      groups: [{ code: 'A', name: 'Okra', cropId: 'okra', packetId: PACKET, seedsPerCell: 1 }],
      cells: Array(24).fill('A'),
    }),
  }
  const stands = trayStands(tray.body, changesByTray(entries).get(TRAY) ?? [], known.crops)
  const tap = { ecMsPerCm: 0.4, alkalinityMgPerL: 260 }
  const water = trayWater(
    tray,
    stands,
    waterByTray(entries, tap).get(TRAY) ?? [],
    known,
    momentOf(today, '18:00'),
  )
  return signRecordOf(
    {
      tray,
      stands,
      entries,
      water,
      tap,
      climate: more.climate ?? [],
      stayDays: more.stayDays ?? null,
      today,
    },
    known,
  )
}
const watered = (days: number, more: object = {}) =>
  entry(100 - days, days, { kind: 'watered', water: [waterRow({ trayId: TRAY, how: 'below', ...more })] })

describe('the record of a tray', () => {
  it('says how old its plants are, where they stand, and what light that is: 90 µmol for 16 h are 5.2 mol', () => {
    const record = recordOf([sown, up])
    expect(record).toMatchObject({
      daysUp: 12,
      lateness: null,
      seedYears: 4,
      depthMm: 30,
      alkalinityMgPerL: 260,
    })
    expect(record.lightMol).toBeCloseTo(90 * 16 * 0.0036, 6)
    expect(record.overstayed).toBeCloseTo(24 / 35, 6)
    expect(recordOf([sown, up], { stayDays: 20 }).overstayed).toBeCloseTo(1.2, 6)
    expect(causesOf('leggy', record)[0]!.id).toBe('dim')
  })
  it('wet days and dry ones come of its water, not of a guess', () => {
    const often = recordOf([
      sown,
      up,
      ...[-6, -5, -4, -3, -2, -1, 0].map((days) => watered(days, { litres: 3 })),
    ])
    const seldom = recordOf([sown, up, watered(-9)])
    expect(often.wetDays!).toBeGreaterThan(seldom.wetDays!)
    expect(seldom.waterGone!).toBeGreaterThan(often.waterGone!)
  })
  it('the last feed, and how long ago; whether it is watered from above', () => {
    const record = recordOf([
      sown,
      up,
      watered(-8, { nMgPerL: 40 }),
      watered(-3, { nMgPerL: 210, how: 'above' }),
      watered(-1, { how: 'above' }),
    ])
    expect(record).toMatchObject({ lastNMgPerL: 210, daysSinceFed: 3, fromAbove: true })
    expect(causesOf('burnt', record)[0]!.id).toBe('strongFeed')
  })
  it('seed that is not up is late by the warmth it had, not by the warmth that was meant', () => {
    const cold = (lowC: number): EntryRecord['climate'] =>
      Array.from({ length: 24 }, (_, i) => ({
        on: addDays(sownOn, i) as Day,
        lowC,
        highC: lowC + 4,
        meanC: null,
        lightMol: null,
        humidity: 0.7,
      }))
    const inCold = contextWith([{ ...shelf, heatC: null }])
    const meant = recordOf([sown], { in: inCold })
    const was = recordOf([sown], { in: inCold, climate: cold(13) })
    expect(was.lateness!).toBeLessThan(meant.lateness!)
    expect(was).toMatchObject({ coldestC: 13, warmestC: 17, humidity: 0.7, daysUp: -1 })
  })
  it('a tray that was carried out yesterday has stood outside a day: pale leaves are nothing', () => {
    const out = entry(9, -1, { kind: 'carried', placeId: 'outside' })
    const record = recordOf([sown, up, out], { placeId: 'outside' })
    expect(record.daysOutside).toBe(1)
    expect(causesOf('pale new', record).some(({ id }) => id === 'movedOut')).toBe(true)
    expect(recordOf([sown, up]).daysOutside).toBeNull()
  })
  it('what the mix is made of decides what can be: no perlite, no floating; peat that dries sheds water', () => {
    const peaty = recordOf([sown, up], { recipeId: 'peat-and-mineral' })
    expect(peaty.peat!).toBeGreaterThan(0.3)
    const lean = recordOf([sown, up])
    expect([lean.peat, lean.living! > 0.1, lean.perlite! > 0.1]).toEqual([0, true, true])
    expect(causesOf('floating', peaty)).toEqual([])
    expect(causesOf('sheds water', lean).find(({ id }) => id === 'dryMix')?.weight ?? 0).toBeLessThan(0.4)
  })
  it('roots that were looked at say more than days', () => {
    const looked = entry(9, -2, {
      kind: 'roots',
      actual: {
        share: null,
        usedL: null,
        leftL: null,
        waterL: null,
        filled: null,
        backL: null,
        minutes: null,
        roots: 'circling',
      },
    })
    expect(causesOf('circling', recordOf([sown, up, looked]))[0]).toMatchObject({
      id: 'outgrown',
      known: true,
    })
  })
})
