import { describe, expect, it } from '@jest/globals'
import { EC_PER_MG_N } from '#core/water/balance'
import { dayFrom } from '#core/calendar/day'
import { newEntry, waterRow } from '../records/new-entry'
import { tray } from '../records/tray'
import { leftEmpty, trayStands } from './trays'
import { waterByTray } from './water'

const SOWING = '0b1a5700-0000-4000-8000-000000000001'
const TRAY = '0b1a5700-0000-4000-8000-000000000002'
const on = dayFrom('2027-04-12')
const standing = {
  id: TRAY,
  body: tray.parse({
    name: 'Tray',
    containerId: 'tray-24',
    rows: 4,
    columns: 6,
    groups: [{ code: 'A', name: 'Okra', cropId: 'okra', sowingId: SOWING }],
    cells: Array(24).fill('A'),
  }),
}
const feed = (more: object = {}) => ({
  id: 'entry',
  body: newEntry({
    name: 'Fed',
    kind: 'feed',
    on,
    subjects: [{ what: 'sowings', id: SOWING, stage: 0 }],
    ...more,
  }),
})
const of = (entry: ReturnType<typeof feed>) =>
  waterByTray([entry], { ecMsPerCm: 0.5, alkalinityMgPerL: 0 }, [standing], () => 60).get(TRAY) ?? []

describe('a feed that was ticked off', () => {
  it('is the water of the trays its plants stand in, with its salts beside the tap’s', () => {
    const [watered] = of(feed())
    expect(watered).toMatchObject({ kind: 'watered', how: 'below', litres: null, nMgPerL: 60 })
    if (watered?.kind === 'watered') expect(watered.ecMsPerCm).toBeCloseTo(0.5 + 60 * EC_PER_MG_N, 9)
  })
  it('waters nothing that was put off, stands on another stage, or was told tray by tray', () => {
    expect(of(feed({ snoozedUntil: on }))).toEqual([])
    expect(of(feed({ subjects: [{ what: 'sowings', id: SOWING, stage: 1 }] }))).toEqual([])
    const told = feed({
      kind: 'feed given',
      subjects: [{ what: 'trays', id: TRAY, stage: null }],
      water: [waterRow({ trayId: TRAY, how: 'below', litres: 1, nMgPerL: 60 })],
    })
    expect(of(told)).toHaveLength(1)
  })
})

describe('cells that stay empty', () => {
  const body = { ...standing.body, cells: [...Array(20).fill('A'), '', '', '', ''] }
  const sown = trayStands(
    body,
    [{ trayId: TRAY, group: 'A', what: 'sown', cells: [[19, 1]], count: null, on, entryId: 'sown' }],
    new Map() as never,
  )
  it('are the last of those in which nothing was sown, and no more than there are', () => {
    const few = leftEmpty(body, sown, 3)
    expect(few.left).toBe(3)
    expect(few.record.cells.flatMap((code, cell) => (code === '' ? [cell] : []))).toEqual([
      16, 17, 18, 20, 21, 22, 23,
    ])
    const all = leftEmpty(body, sown, 100)
    expect([all.left, all.record.cells[19]]).toEqual([19, 'A'])
  })
})
