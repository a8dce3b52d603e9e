import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import { round, square } from '../containers/shape'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { planBatch } from './batch'
import { COVER_IS_THE_MIX, DEFAULT_ALLOWANCES, type BatchRequest, type Fill } from './batch-request'
import { MATERIALS } from './materials'
import { materialById } from './test/material-by-id'
import { mixingLoss } from './mixing-loss'
import { container, fill, request } from './test/fixture'

const MEDIA = MATERIALS.filter(({ kind }) => kind === 'medium')
const share = (value: number) => given('share', value, 'share', yours())
function cylinderShare(shape: ReturnType<typeof round>): number {
  const kind = { ...container('pot-10cm'), shape }
  const plan = planBatch(
    request({
      parts: [{ materialId: 'peat', parts: 1 }],
      fills: [{ container: kind, count: 1, coverMm: 1, coverMaterialId: 'sand' }],
    }),
  )
  const topCm2 = plan.fills[0]!.coverL!.value * 10_000
  return plan.mixL.value / ((topCm2 * shape.depthMm) / 10_000) / (0.75 * 1.1 * 1.05)
}

describe('from containers to loose mix', () => {
  // Reference rule: Σ count · volume · fill · (1 + settling) · compression · (1 + spare), cover = area · depth.
  it('follows the rule, worked by hand, for a round pot of 544.9 mL and a 2 in block of 131.1 mL', () => {
    const plan = planBatch(
      request({
        parts: [{ materialId: 'peat', parts: 1 }],
        fills: [fill('pot-10cm', 10), fill('block-2in', 50), fill('pot-10cm', 10, 6, 'vermiculite')],
      }),
    )
    expect(plan.fills[0]!.looseL.value).toBeCloseTo(10 * 0.5449 * 0.9 * 1.1 * 1.05, 2)
    expect(plan.fills[1]!.looseL.value).toBeCloseTo(50 * 0.1311 * 2 * 1.05, 2)
    expect(plan.fills[2]!.looseL.value).toBeCloseTo(10 * 0.5449 * 0.75 * 1.1 * 1.05, 2)
    // ten discs of 10 cm, 6 mm thick: 10 · π/4 · 10² cm² · 0.6 cm = 471 mL
    expect(plan.fills[2]!.coverL!.value).toBeCloseTo(0.471, 3)
    expect(plan.lines.map(({ material, looseL }) => [material.id, looseL.value])).toEqual([
      ['peat', plan.mixL.value],
      ['vermiculite', plan.fills[2]!.coverL!.value],
    ])
  })

  it('counts a cover of the mix itself as mix', () => {
    const bare = planBatch(
      request({
        fills: [fill('tray-72', 2)],
        allowances: { ...DEFAULT_ALLOWANCES, fill: 0.7, fillUnderCover: 0.7 },
      }),
    )
    const covered = planBatch(
      request({
        fills: [fill('tray-72', 2, 5)],
        allowances: { ...DEFAULT_ALLOWANCES, fill: 0.7, fillUnderCover: 0.7 },
      }),
    )
    // 144 cells of 36 × 36 mm under 5 mm: 0.933 L
    expect(covered.mixL.value - bare.mixL.value).toBeCloseTo((144 * 3.6 * 3.6 * 0.5) / 1000, 9)
  })

  // Handbook range 5–20 %, shape 4·k·c·f with k = 0.10: 50 : 50 loses 10 %, 3 : 1 loses 7.5 %.
  it.each([
    [0.5, 0.1],
    [0.25, 0.075],
    [0, 0],
    [1, 0],
  ])('a mix with a coarse share of %d loses %d of its volume', (coarse, loss) => {
    const mix = [
      { material: materialById('perlite'), share: share(coarse) },
      { material: materialById('coir'), share: share(1 - coarse) },
    ]
    expect(mixingLoss(mix).value).toBeCloseTo(loss, 12)
  })

  it('counts vermiculite and hulls as half coarse: with peat, even parts lose half as much', () => {
    const half = ['vermiculite', 'peat'].map((id) => ({ material: materialById(id), share: share(0.5) }))
    expect(mixingLoss(half).value).toBeCloseTo(0.05, 12)
    expect(materialById('rice-hulls').coarse).toBe(0.5)
  })

  const anyRequest = fc
    .record({
      parts: fc.uniqueArray(
        fc.record({
          materialId: fc.constantFrom(...MEDIA.map(({ id }) => id)),
          parts: fc.double({ min: 0.25, max: 20, noNaN: true }),
        }),
        {
          minLength: 1,
          maxLength: 6,
          selector: ({ materialId }) => materialId,
        },
      ),
      fills: fc.array(
        fc
          .tuple(
            fc.constantFrom(...CONTAINERS),
            fc.integer({ min: 1, max: 200 }),
            fc.constantFrom(0, 3, 6),
            fc.constantFrom(COVER_IS_THE_MIX, 'vermiculite', 'sand'),
          )
          .map(([kind, count, coverMm, coverMaterialId]): Fill => ({
            container: kind,
            count,
            coverMm,
            coverMaterialId,
          })),
        { minLength: 1, maxLength: 5 },
      ),
    })
    .map((parts) => request(parts))

  it('never loses a litre: materials less mixing loss make the mix and its covers', () => {
    fc.assert(
      fc.property(anyRequest, (any) => {
        const plan = planBatch(any)
        const put = plan.lines.reduce((sum, line) => sum + line.looseL.value, 0)
        const otherCovers = plan.fills.reduce(
          (sum, { fill: f, coverL }) =>
            sum + (f.coverMaterialId === COVER_IS_THE_MIX ? 0 : (coverL?.value ?? 0)),
          0,
        )
        const made = (put - otherCovers) * (1 - plan.mixingLoss.value)
        expect(made / plan.mixL.value).toBeCloseTo(1, 9)
        expect(plan.lines.reduce((sum, line) => sum + (line.share?.value ?? 0), 0)).toBeCloseTo(1, 9)
      }),
    )
  })

  it('scales: twice the containers take twice the litres, twice the parts the same', () => {
    fc.assert(
      fc.property(anyRequest, (any) => {
        const once = planBatch(any)
        const twice = planBatch({ ...any, fills: any.fills.map((f) => ({ ...f, count: f.count * 2 })) })
        const doubled = planBatch({
          ...any,
          parts: any.parts.map((part) => ({ ...part, parts: part.parts * 2 })),
        })
        once.lines.forEach((line, index) => {
          expect(twice.lines[index]!.looseL.value / line.looseL.value).toBeCloseTo(2, 9)
          expect(doubled.lines[index]!.looseL.value / line.looseL.value).toBeCloseTo(1, 9)
        })
      }),
    )
  })
})

it('warns of salts with compost as nearly half of a seed mix, not with a fifth of castings', () => {
  const ids = (parts: BatchRequest['parts']) => planBatch(request({ parts })).cautions
  expect(ids(request().parts)).not.toContain('salts')
  expect(
    ids([
      { materialId: 'compost', parts: 45 },
      { materialId: 'peat', parts: 55 },
    ]),
  ).toContain('salts')
  expect(ids([{ materialId: 'vermiculite', parts: 1 }])).toEqual(expect.arrayContaining(['dust', 'asbestos']))
})

it('gives a taper its own volume, not that of a straight pot', () => {
  expect(cylinderShare(round(100, 75, 90))).toBeLessThan(1)
  expect(cylinderShare(square(50, 50, 50))).toBeCloseTo(1, 12)
})
