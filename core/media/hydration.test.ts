import { describe, expect, it } from '@jest/globals'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { planBatch } from './batch'
import { loosenedPeat, soakForFibre, soakForMass, waterToAdd, waterWanted, type Feel } from './hydration'
import { materialById } from './test/material-by-id'
import type { Dampness } from './moisture'
import { packHolds } from '../supplies/goods'
import { fill, request } from './test/fixture'
const share = (value: number) => given('share', value, 'share', yours())
const litres = (value: number) => given('volume', value, 'L', yours())

describe('coir, peat and water', () => {
  it('soaks a 650 g brick to about 8.5 L with about 3.6 L (common practice)', () => {
    const brick = soakForMass(given('brick', 650, 'g', yours()))
    expect(brick.fibreL.value).toBeCloseTo(8.5, 1)
    expect(brick.waterL.value).toBeCloseTo(3.6, 1)
    // Growers pour about ¾ US gal (2.84 L): the low end of 4–7 L/kg.
    expect(2.839 / 0.65).toBeGreaterThan(4)
    expect(2.839).toBeLessThan(brick.waterL.value)
  })

  it('makes 60–75 L of a 5 kg block (trade range), and wants back the mass it came from', () => {
    const block = soakForMass(given('block', 5000, 'g', yours()))
    expect(block.fibreL.value).toBeGreaterThanOrEqual(60)
    expect(block.fibreL.value).toBeLessThanOrEqual(75)
    expect(soakForFibre(block.fibreL).dryMassG.value).toBeCloseTo(5000, 9)
  })

  it('opens whole bricks, and says what they would give', () => {
    const plan = planBatch(request({ fills: [fill('tray-72', 4)] }))
    const coir = plan.lines[0]!
    expect(coir.packs.value).toBe(Math.ceil(coir.soak!.dryMassG.value / 650))
    expect(coir.soakWholePacks!.fibreL.value).toBeGreaterThanOrEqual(coir.looseL.value)
  })

  it('loosens a 3.8 cu ft bale of 107.6 L to 1.8–2.0 times (handbook)', () => {
    const loose = loosenedPeat(litres(3.8 * 28.316846592)).value
    expect(loose).toBeGreaterThan(107.6 * 1.8)
    expect(loose).toBeLessThan(107.7 * 2)
  })

  it('adds water by feel: V · (θ_target − θ_now) less what the coir brought, and never takes any out', () => {
    const add = (feel: Feel, now: number, coirL: number) =>
      waterToAdd({
        wantedL: waterWanted(
          litres(10),
          { containerCapacity: share(0.6), totalPorosity: share(0.9) },
          feel,
          null,
        ),
        waterNowL: litres(10 * now),
        coirWaterL: litres(coirL),
      }).value
    // 10 L, capacity 0.6, sponge 0.60 of it = 0.36; now at 0.1; 1 L came with the coir: 2.6 − 1 = 1.6 L
    expect(add('wrung-out sponge', 0.1, 1)).toBeCloseTo(1.6, 12)
    expect(add('damp', 0.5, 1)).toBe(0)
    expect(add('soil block', 0.1, 0)).toBeGreaterThan(add('cake', 0.1, 0))
  })

  // Ten 2 in blocks are 1.311 L (by hand: 10 · 5.08³ mL): their water goes into their pores.
  it('gives blocks no more water than they have room for, and each part of a batch its own wetness', () => {
    const blocks = planBatch(request({ fills: [fill('block-2in', 10)] }))
    expect(blocks.wantedWaterL.value).toBeLessThan(1.311 * 1.05)
    expect(blocks.wantedWaterL.value).toBeGreaterThan(1.311 * 0.6)
    const trays = planBatch(request({ fills: [fill('tray-72', 2)] }))
    const both = planBatch(request({ fills: [fill('tray-72', 2), fill('block-2in', 10)] }))
    expect(both.wantedWaterL.value).toBeCloseTo(blocks.wantedWaterL.value + trays.wantedWaterL.value, 9)
    const damp = planBatch(request({ fills: [{ ...fill('tray-72', 2), feel: 'damp' }] }))
    expect(damp.wantedWaterL.value / trays.wantedWaterL.value).toBeCloseTo(0.45 / 0.6, 9)
  })

  it('a damp bag brings its own water: dusty wants more stirred in, wet less', () => {
    const bag = (dampness: Dampness) =>
      planBatch(request({ parts: [{ materialId: 'potting-mix', parts: 1 }], dampness })).waterL.value
    expect(bag('dusty')).toBeGreaterThan(bag('damp'))
    expect(bag('damp')).toBeGreaterThan(bag('wet'))
  })

  // By hand: 30 lb are 13.61 kg; at 420 g/L dry and 42 % water a litre weighs 724 g (common practice: about 19 L).
  it('30 lb of castings are about 19 L', () => {
    const castings = { kind: 'material', material: materialById('castings') } as const
    expect(packHolds({ measure: 'mass', amount: 30 * 453.59237 }, castings).value).toBeCloseTo(18.8, 0)
  })
})
