import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import { BUILT_IN } from './materials'
import { chemistryOf, dosed } from './chemistry'
import { blendOf } from './blend'
import { insideOf } from './inside'
import { STARTING_RECIPES } from './recipes'
import type { Extra, Part } from './recipe'
import type { Verdict } from './verdicts'

const container = (id: string) => CONTAINERS.find((one) => one.id === id)!
function judge(
  parts: readonly Part[],
  containerId = 'tray-72',
  extras: readonly Extra[] = [],
): Record<Verdict['id'], Verdict> {
  const where = container(containerId)
  const blend = blendOf(parts, BUILT_IN)
  const chemistry = chemistryOf(blend.ingredients, blend.mixingLoss, dosed(extras, BUILT_IN))
  const { verdicts } = insideOf(where, blend, chemistry)
  return Object.fromEntries(verdicts.map((one) => [one.id, one])) as Record<Verdict['id'], Verdict>
}
const mix = (parts: Record<string, number>): Part[] =>
  Object.entries(parts).map(([materialId, n]) => ({ materialId, parts: n }))

describe('verdicts on a mix', () => {
  it('come in the order a grower asks, each with its number', () => {
    const all = judge(mix({ coir: 3, perlite: 1 }))
    expect(Object.keys(all)).toEqual(['air', 'water', 'ph', 'salts', 'food'])
    for (const { figure } of Object.values(all)) expect(Number.isFinite(figure.value)).toBe(true)
  })

  // Handbook, from memory: germination stands 1.0 mS/cm, seedlings 2.0; compost above 30–40 % of a seed mix breaks it.
  it('name the saltiest material with its share, and the limit it breaks', () => {
    const compost = judge(mix({ compost: 45, peat: 55 })).salts
    expect(compost.figure.value).toBeGreaterThan(1.5)
    expect(compost.figure.value).toBeLessThan(2)
    expect(compost.mood).toBe('watch')
    expect(compost.says).toMatchObject({ kind: 'salty', germination: 1, seedlings: 2 })
    const { material, share } = compost.says as Extract<Verdict['says'], { share: number }>
    expect(material).toMatch(/ompost/)
    expect(share).toBeCloseTo(0.45, 2)
  })

  it('are fine in a lean mix and not in pure compost, for salts', () => {
    expect(judge(mix({ coir: 3, perlite: 1 })).salts.mood).toBe('fine')
    const pure = judge(mix({ compost: 1 })).salts
    expect([pure.mood, pure.figure.value > 2]).toEqual(['change', true])
    expect(pure.says.kind).toBe('too salty')
  })

  // Handbook (Fonteno, from memory): peat and vermiculite keep 2–3 % of air in a 288 plug, 20 % in a 15 cm pot.
  it('find mixes that good plants are raised in good, deep and shallow, and say what little air asks of the waterer', () => {
    const both = mix({ peat: 1, vermiculite: 1 })
    for (const id of ['tray-288', 'tray-72', 'pot-10cm', 'pot-15cm'])
      expect(judge(both, id).air.mood).toBe('fine')
    const peat = judge(mix({ 'peat-fine': 1 }))
    expect(peat.air.mood).not.toBe('fine')
    expect(peat.air.says.kind).toMatch(/little air$/)
    const trays = ['tray-72', 'tray-24', 'pot-2.5in']
    const unhappy = STARTING_RECIPES.flatMap(({ parts }) =>
      trays.map((id) => judge(parts, id).air.mood),
    ).filter((mood) => mood === 'change')
    expect(unhappy).toEqual([])
  })

  // By hand, from 3–5 g/L for peat: 2 g/L in half peat is right, 12 g is far too much, and says so.
  it('count the lime that is in, and warn of too much', () => {
    const at = (gPerL: number) =>
      judge(mix({ peat: 1, vermiculite: 1 }), 'tray-72', [{ materialId: 'dolomitic-lime', gPerL }]).ph
    expect([at(0).mood, at(2).mood, at(12).mood]).toEqual(['change', 'fine', 'change'])
    expect(at(0).says).toMatchObject({ kind: 'acid', limedGPerL: 0 })
    expect(at(1).says.kind).toMatch(/acid$/)
    expect(at(12).says).toMatchObject({ kind: 'too much lime', limedGPerL: 12 })
  })

  it('never call a pH good that lies outside what is wanted', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 9, noNaN: true }), (gPerL) => {
        const { mood, figure, says } = judge(mix({ peat: 2, coir: 1 }), 'tray-72', [
          { materialId: 'dolomitic-lime', gPerL: Math.max(0.001, gPerL) },
        ]).ph
        const inside = figure.value >= 5.5 && figure.value <= 6.3
        expect([mood === 'fine', says.kind === 'good pH']).toEqual([inside, inside])
      }),
    )
  })

  it('dose lime where peat is sour, and warn where compost is limy', () => {
    const sour = judge(mix({ peat: 1 })).ph
    expect(sour.mood).toBe('change')
    // 3–5 g of dolomitic lime a litre of peat (handbook, from memory).
    const grams = (sour.says as Extract<Verdict['says'], { limeGPerL: number }>).limeGPerL
    expect(grams).toBeGreaterThanOrEqual(3)
    expect(grams).toBeLessThanOrEqual(5)
    expect(judge(mix({ compost: 1 })).ph.mood).toBe('watch')
    expect(judge(mix({ coir: 1 })).ph.mood).toBe('fine')
  })

  it('say when the seed’s own food is all there is', () => {
    const sterile = judge(mix({ peat: 1, vermiculite: 1 })).food
    const living = judge(mix({ coir: 1, compost: 1, castings: 1 }), 'pot-10cm').food
    expect([sterile.mood, living.mood]).toEqual(['watch', 'fine'])
    expect(living.figure.value).toBeGreaterThan(sterile.figure.value)
  })

  it('worsen never as the limit is moved away from: more perlite, more air; less compost, less salt', () => {
    const rank = { fine: 0, watch: 1, change: 2 }
    fc.assert(
      fc.property(
        fc.constantFrom(...CONTAINERS.filter(({ kind }) => kind === 'tray').map(({ id }) => id)),
        fc.integer({ min: 1, max: 9 }),
        (where, perlite) => {
          const less = judge(mix({ peat: 10 - perlite, perlite }), where)
          const more = judge(mix({ peat: 10 - perlite, perlite: perlite + 3 }), where)
          expect(rank[more.air.mood]).toBeLessThanOrEqual(rank[less.air.mood])
          const rich = judge(mix({ coir: 10 - perlite, compost: perlite + 3 }), where)
          const lean = judge(mix({ coir: 10 - perlite, compost: perlite }), where)
          expect(rank[lean.salts.mood]).toBeLessThanOrEqual(rank[rich.salts.mood])
        },
      ),
      { numRuns: 60 },
    )
  })

  it('ship no starting recipe for seed that its own verdict would refuse for salts', () => {
    const seedMixes = STARTING_RECIPES.filter(({ id }) =>
      ['lean-and-light', 'peat-and-mineral', 'boiled-coir'].includes(id),
    )
    expect(seedMixes.length).toBeGreaterThanOrEqual(2)
    for (const { parts } of seedMixes) expect(judge(parts).salts.mood).toBe('fine')
  })
})
