import { describe, expect, it } from '@jest/globals'
import { dayFrom } from '#core/calendar/day'
import type { UnitSystem } from '#core/units/unit'
import { contextOf } from '../derived/context'
import { labelDay, labelsOf, type LabelSources, type LabelWish } from './labels'
import { newEntry } from '../records/new-entry'
import { tray as traySchema } from '../records/tray'
import { changesByTray, trayStands } from '../derived/trays'

const TRAY = '0b1a5700-0000-4000-8000-000000000010'
const PACKET = '0b1a5700-0000-4000-8000-000000000011'
const sownOn = dayFrom('2027-04-12')
const contextIn = (units: UnitSystem) =>
  contextOf({
    household: { body: { name: 'Bench', place: '', units } },
    packets: [
      {
        id: PACKET,
        body: {
          name: 'Swap chard',
          cropId: 'chard',
          supplier: 'the swap',
          year: 2026,
          seeds: 90,
          germination: null,
          upDays: { from: 9, to: 9 },
          depthMm: 12,
          spacingMm: null,
        },
      },
    ],
  } as unknown as Parameters<typeof contextOf>[0])

/** Four rows of six: two rows and two cells of chard, then basil, the last row empty. */
const body = traySchema.parse({
  name: 'Tray',
  containerId: 'tray-24',
  rows: 4,
  columns: 6,
  groups: [
    { code: 'A', name: 'Red stalks', cropId: 'chard', packetId: PACKET, seedsPerCell: 2 },
    { code: 'B', name: 'Sweet basil by the door', cropId: 'basil', seedsPerCell: 3 },
  ],
  cells: [...Array<string>(14).fill('A'), ...Array<string>(4).fill('B'), ...Array<string>(6).fill('')],
})
const entry = (what: 'sown' | 'set', group: string, cells: number[]) => ({
  id: `${what} ${group}`,
  body: newEntry({
    name: 'It',
    kind: 'stage',
    on: sownOn,
    subjects: [],
    cells: [
      { trayId: TRAY, group, what, cells: cells.map((cell): [number, number] => [cell, 1]), count: null },
    ],
  }),
})
function labels(
  wish: Partial<LabelWish>,
  units: UnitSystem = 'metric',
  entries: ReturnType<typeof entry>[] = [],
) {
  const context = contextIn(units)
  const stands = trayStands(body, changesByTray(entries).get(TRAY) ?? [], context.crops)
  const sources: LabelSources = {
    trays: [{ tray: { id: TRAY, number: 14, version: 1, body } as never, stands }],
    feedings: [
      {
        id: 'feed',
        number: 3,
        body: { name: 'Weak feed', feedId: 'balanced-20', growthStageId: 'true-leaves', targetNMgPerL: 60 },
      } as never,
    ],
    batches: [{ id: 'batch', number: 5, body: { name: 'Sowing mix', onDate: sownOn } } as never],
    sowings: [],
    context,
    today: sownOn,
  }
  return labelsOf(sources, { kind: 'stake', copies: 'group', supplier: false, origin: null, ...wish })
}

describe('what stands on a label', () => {
  it('is the variety, the day it was sown, and what is looked for: depth, days, where it stands', () => {
    const sown = [entry('sown', 'A', [0, 1, 2])]
    const [chard, basil] = labels({ supplier: true }, 'metric', sown)
    expect(chard!.large).toBe('Red stalks, Chard')
    // The crop stands in the name already.
    expect(basil!.large).toBe('Sweet basil by the door')
    expect(chard!.middle).toBe('sown 12 Apr 2027')
    // Twelve millimetres deep and nine days to come up are the packet's.
    expect(chard!.small).toEqual(
      expect.arrayContaining(['tray 14, A, 14 cells', '12 mm deep', 'up 21 Apr 2027', 'the swap']),
    )
    expect(labels({})[0]!.small.join()).not.toContain('the swap')
  })
  it('says the day and the depth as its kitchen does', () => {
    expect(labelDay('us', sownOn)).toBe('Apr 12, 2027')
    expect(labelDay('imperial', sownOn)).toBe('12 Apr 2027')
    expect(labels({}, 'us')[0]!.small.join()).toMatch(/½ in deep/)
  })
  it('of plants that were moved in says when, and nothing of seed any more', () => {
    const [chard] = labels({}, 'metric', [entry('set', 'A', [0, 1])])
    expect(chard!.middle).toBe('moved 12 Apr 2027')
    expect(chard!.small.join()).not.toMatch(/deep|up /)
  })
  it('comes once a run, once a pot, or as strips whose cells add up to the tray', () => {
    expect(labels({})).toHaveLength(2)
    expect(labels({ copies: 'pot' })).toHaveLength(18)
    const strips = labels({ kind: 'row' })
    expect(strips.map(({ large }) => large)).toEqual([
      'Red stalks × 6',
      'Red stalks × 6',
      'Red stalks × 2 | Sweet basil by the door × 4',
    ])
    const cells = strips.flatMap(({ large }) => [...large.matchAll(/× (\d+)/g)].map(([, n]) => Number(n)))
    expect(cells.reduce((sum, n) => sum + n, 0)).toBe(body.cells.filter(Boolean).length)
  })
  it('has a code only where the application can be reached', () => {
    expect(labels({})[0]!.address).toBeNull()
    expect(labels({ origin: 'http://bench.example' })[0]!.address).toBe(`http://bench.example/trays/${TRAY}`)
  })
  it('of a bottle says its strength, how long it keeps, and to keep it from children; of a tub its batch and its dust', () => {
    const [bottle] = labels({ kind: 'bottle' })
    expect(bottle!.middle).toBe('60 mg/L of nitrogen')
    // Salts keep a fortnight in the dark [common practice].
    expect(bottle!.small).toEqual(
      expect.arrayContaining(['mixed 12 Apr 2027', 'use until 26 Apr 2027', 'for true leaves']),
    )
    expect(bottle!.small.join()).toMatch(/children/)
    const [tub] = labels({ kind: 'tub' })
    expect(tub).toMatchObject({ large: 'Sowing mix', middle: 'batch 5, 12 Apr 2027' })
    expect(tub!.small.join()).toMatch(/dust/)
  })
})
