import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import { round, square } from '../containers/shape'
import { given } from '../working/figure'
import { yours } from '../working/source'
import {
  batchProblems,
  COVER_IS_THE_MIX,
  DEFAULT_ALLOWANCES,
  plainBatch,
  type BatchRequest,
  type Fill,
} from './batch-request'
import { planBatch } from './batch'
import { loosenedPeat, soakForFibre, soakForMass, waterToAdd, type Feel } from './hydration'
import { BUILT_IN, MATERIALS, materialById } from './materials'
import { mixingLoss } from './mixing-loss'
import { moveBoundary, setShare } from './recipe'
import { STARTING_RECIPES } from './recipes'
import { countScoops } from './scoops'

const MEDIA = MATERIALS.filter(({ kind }) => kind === 'medium')
const container = (id: string) => CONTAINERS.find((candidate) => candidate.id === id)!
const fill = (id: string, count: number, coverMm = 0, coverMaterialId = COVER_IS_THE_MIX): Fill => ({
  container: container(id),
  count,
  coverMm,
  coverMaterialId,
})
const request = (over: Partial<BatchRequest> = {}): BatchRequest => ({
  parts: [
    { materialId: 'coir', parts: 3 },
    { materialId: 'castings', parts: 1 },
    { materialId: 'perlite', parts: 1 },
  ],
  fills: [fill('tray-72', 2)],
  allowances: DEFAULT_ALLOWANCES,
  scoop: { name: 'yoghurt pot', volumeL: 0.5 },
  ...plainBatch(),
  materials: BUILT_IN,
  ...over,
})
const share = (value: number) => given('share', value, 'share', yours())
const litres = (value: number) => given('volume', value, 'L', yours())

describe('a recipe in per cent', () => {
  it('gives one its share, and the others keep their ratios and the sum', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.25, max: 20, noNaN: true }), { minLength: 2, maxLength: 6 }),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        (amounts, wanted) => {
          const parts = amounts.map((amount, i) => ({ materialId: String(i), parts: amount }))
          const next = setShare(parts, 0, wanted).map((part) => part.parts)
          const sum = (list: number[]) => list.reduce((a, b) => a + b, 0)
          expect(next[0]! / sum(next)).toBeCloseTo(wanted, 9)
          expect(sum(next)).toBeCloseTo(sum(amounts), 9)
          for (let i = 2; i < next.length; i++)
            expect(next[i]! / next[1]!).toBeCloseTo(amounts[i]! / amounts[1]!, 6)
        },
      ),
    )
    expect(() => setShare([{ materialId: 'coir', parts: 1 }], 0, 0.5)).toThrow(/single/)
    expect(() =>
      setShare(
        [
          { materialId: 'a', parts: 1 },
          { materialId: 'b', parts: 1 },
        ],
        0,
        1.2,
      ),
    ).toThrow(/share/)
  })
})

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
      request({ fills: [fill('tray-72', 2)], allowances: { ...DEFAULT_ALLOWANCES, fillUnderCover: 0.9 } }),
    )
    const covered = planBatch(
      request({ fills: [fill('tray-72', 2, 5)], allowances: { ...DEFAULT_ALLOWANCES, fillUnderCover: 0.9 } }),
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

  it('counts vermiculite and hulls as half coarse', () => {
    const half = [{ material: materialById('vermiculite'), share: share(1) }]
    expect(mixingLoss(half).value).toBeCloseTo(0.1, 12)
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
        mixL: litres(10),
        containerCapacity: share(0.6),
        feel,
        thetaNow: share(now),
        coirWaterL: litres(coirL),
      }).value
    // 10 L, capacity 0.6, sponge 0.60 of it = 0.36; now at 0.1; 1 L came with the coir: 2.6 − 1 = 1.6 L
    expect(add('wrung-out sponge', 0.1, 1)).toBeCloseTo(1.6, 12)
    expect(add('damp', 0.5, 1)).toBe(0)
    expect(add('soil block', 0.1, 0)).toBeGreaterThan(add('cake', 0.1, 0))
  })
})

describe('scoops and packs', () => {
  it('counts to the half scoop, the quarter below four, and states the rounding', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 300, noNaN: true }),
        fc.double({ min: 0.1, max: 20, noNaN: true }),
        (wanted, scoopL) => {
          const { scoops, roundingError } = countScoops({ name: 'scoop', volumeL: scoopL }, litres(wanted))
          const step = wanted / scoopL < 4 ? 0.25 : 0.5
          expect(scoops.value % step).toBeCloseTo(0, 9)
          expect(Math.abs(scoops.value * scoopL - wanted)).toBeLessThanOrEqual((step * scoopL) / 2 + 1e-9)
          expect(wanted * (1 + roundingError.value)).toBeCloseTo(scoops.value * scoopL, 6)
        },
      ),
    )
  })
})

describe('extras, tubs and feel', () => {
  it('doses extras by the litre of mix, by weight and by the spoon', () => {
    const plan = planBatch(request({ extras: [{ materialId: 'dolomitic-lime', gPerL: 2 }] }))
    expect(plan.extras[0]!.massG.value).toBeCloseTo(plan.mixL.value * 2, 9)
    // 1400 g/L of lime
    expect(plan.extras[0]!.volumeMl.value).toBeCloseTo((plan.mixL.value * 2) / 1.4, 9)
  })

  it('splits what is larger than the tub into equal goes that fit', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.double({ min: 5, max: 100, noNaN: true }),
        (trays, tubL) => {
          const plan = planBatch(request({ fills: [fill('tray-72', trays)], tubL }))
          const goes = plan.tubPlan?.tubs.value ?? 1
          expect(plan.ingredientsL.value / goes).toBeLessThanOrEqual(tubL * 0.6 + 1e-6)
          if (goes > 1) expect(plan.ingredientsL.value / (goes - 1)).toBeGreaterThan(tubL * 0.6 - 1e-6)
        },
      ),
    )
  })

  it('every starting recipe can be mixed, one for each family and more', () => {
    expect(STARTING_RECIPES.length).toBeGreaterThanOrEqual(9)
    for (const recipe of STARTING_RECIPES)
      expect([recipe.id, batchProblems(request(recipe))]).toEqual([recipe.id, []])
  })
})

describe('dragging a boundary', () => {
  it('keeps the sum, stays on the step and above nothing', () => {
    const part = fc.integer({ min: 1, max: 40 }).map((quarters) => quarters / 4)
    fc.assert(
      fc.property(part, part, part, fc.double({ min: -5, max: 30, noNaN: true }), (a, b, c, to) => {
        const before = [a, b, c].map((parts, i) => ({ materialId: String(i), parts }))
        const after = moveBoundary(before, 0, to)
        expect(after[0]!.parts + after[1]!.parts).toBeCloseTo(a + b, 12)
        expect(after[2]!.parts).toBe(c)
        expect(Math.min(after[0]!.parts, after[1]!.parts)).toBeGreaterThanOrEqual(0.25)
      }),
    )
  })
})

describe('what cannot be planned is named at its field', () => {
  const fields = (over: Partial<BatchRequest>) =>
    batchProblems(request(over)).map(({ path }) => path.join('.'))

  it.each<[string, Partial<BatchRequest>, string]>([
    ['an empty recipe', { parts: [] }, 'parts'],
    ['zero parts', { parts: [{ materialId: 'coir', parts: 0 }] }, 'parts.0.parts'],
    [
      'negative parts',
      {
        parts: [
          { materialId: 'coir', parts: 3 },
          { materialId: 'peat', parts: -1 },
        ],
      },
      'parts.1.parts',
    ],
    [
      'a material twice',
      {
        parts: [
          { materialId: 'coir', parts: 3 },
          { materialId: 'coir', parts: 1 },
        ],
      },
      'parts.1.materialId',
    ],
    ['nothing to fill', { fills: [] }, 'fills'],
    ['an unknown material', { parts: [{ materialId: 'dust', parts: 1 }] }, 'parts.0.materialId'],
    ['lime by the part', { parts: [{ materialId: 'dolomitic-lime', parts: 1 }] }, 'parts.0.materialId'],
    ['extras without end', { extras: [{ materialId: 'rock-dust', gPerL: 1e4 }] }, 'extras.0.gPerL'],
    ['a tub smaller than a scoop', { tubL: 0.4 }, 'tubL'],
    ['a million trays', { fills: [fill('tray-72', 1e6)] }, 'fills.0.count'],
    ['half a tray', { fills: [fill('tray-72', 1.5)] }, 'fills.0.count'],
    ['a cover deeper than half the cell', { fills: [fill('tray-72', 1, 40)] }, 'fills.0.coverMm'],
    ['a scoop of nothing', { scoop: { name: 'scoop', volumeL: 0 } }, 'scoop.volumeL'],
    ['spare below nothing', { allowances: { ...DEFAULT_ALLOWANCES, spare: -0.1 } }, 'allowances.spare'],
  ])('%s', (_, over, field) => {
    expect(fields(over)).toContain(field)
    expect(() => planBatch(request(over))).toThrow(RangeError)
  })
})

it('warns of salts with compost as nearly half of a seed mix, not with a fifth of castings', () => {
  const ids = (parts: BatchRequest['parts']) => planBatch(request({ parts })).cautions.map(({ id }) => id)
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
