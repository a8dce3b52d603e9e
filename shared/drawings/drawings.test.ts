import { readFileSync } from 'node:fs'
import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { FINDER_TRAITS } from '#core/media/finder'
import { MATERIALS } from '#core/media/materials'
import { layersOf } from './layers'
import { layBands, unevenLine } from './section-layout'
import { TEXTURES } from './texture-marks'
import { textureFill } from './textures'
import { printTrait, TRAITS } from './traits'

describe('the section through a mix', () => {
  const amounts = fc.array(fc.double({ min: 0.01, max: 50, noNaN: true }), { minLength: 1, maxLength: 10 })

  it('gives each material its share of the height, without gaps', () => {
    fc.assert(
      fc.property(amounts, fc.integer({ min: 300, max: 900 }), (parts, height) => {
        const bands = layBands(parts, height, 20)
        const sum = parts.reduce((a, b) => a + b, 0)
        let top = 0
        bands.forEach((band, i) => {
          expect(band.top).toBeCloseTo(top, 6)
          expect(band.height).toBeCloseTo((parts[i]! / sum) * height, 6)
          top += band.height
        })
        expect(top).toBeCloseTo(height, 6)
      }),
    )
  })

  it('lies in a stage as in the section: the same shares, one on the other', () => {
    fc.assert(
      fc.property(amounts, (amountsOf) => {
        const parts = amountsOf.map((n, i) => ({ materialId: String(i), parts: n }))
        const bands = layBands(amountsOf, 400, 20)
        layersOf(parts).forEach(({ materialId, from, share }, i) => {
          expect(materialId).toBe(String(i))
          expect([from * 400, share * 400]).toEqual([
            expect.closeTo(bands[i]!.top, 6),
            expect.closeTo(bands[i]!.height, 6),
          ])
        })
      }),
    )
    expect(layersOf([])).toEqual([])
  })

  it('keeps labels apart and inside, in order, wherever there is room for all', () => {
    fc.assert(
      fc.property(amounts, fc.integer({ min: 20, max: 80 }), (parts, label) => {
        const height = Math.max(300, parts.length * label)
        const at = layBands(parts, height, label).map(({ labelY }) => labelY)
        at.forEach((y, i) => {
          expect(y).toBeGreaterThanOrEqual(label / 2 - 1e-6)
          expect(y).toBeLessThanOrEqual(height - label / 2 + 1e-6)
          if (i) expect(y - at[i - 1]!).toBeGreaterThanOrEqual(label - 1e-6)
        })
      }),
    )
  })

  it('survives what is being typed: nothing, zero, negative', () => {
    for (const parts of [[], [0], [0, -1], [Number.NaN, 2]])
      for (const band of layBands(parts, 400, 60))
        expect(Number.isFinite(band.top + band.height + band.labelY)).toBe(true)
  })

  it('draws a line that hardly leaves its height', () => {
    const ys = unevenLine(100, 200, 3)
      .split('L')
      .map((point) => Number(point.split(' ')[1]))
    expect(Math.max(...ys.map((y) => Math.abs(y - 100)))).toBeLessThan(4)
  })
})

describe('textures', () => {
  it('give every medium its own, and what a household adds one too', () => {
    const media = MATERIALS.filter(({ kind }) => kind === 'medium').map(({ id }) => id)
    expect(TEXTURES.map(({ id }) => id).sort()).toEqual([...media].sort())
    expect(new Set(TEXTURES.map(({ lines, grains }) => lines + grains)).size).toBe(TEXTURES.length)
    expect(textureFill('0b1a5700-de30-4000-8000-000000000071')).toMatch(/^url\(#texture-/)
  })

  it('have their colours in the stylesheet, ground and mark', () => {
    const css = readFileSync('app/theme/tokens.css', 'utf8')
    for (const { id } of TEXTURES)
      for (const name of [`--${id}:`, `--${id}-mark:`]) expect(css).toContain(name)
  })
})

describe('the inks on their papers (WCAG 2.2, contrast 4.5 : 1)', () => {
  const css = readFileSync('app/theme/tokens.css', 'utf8')
  const luminance = (hex: string) => {
    const [r, g, b] = [1, 3, 5]
      .map((i) => Number.parseInt(hex.slice(i, i + 2), 16) / 255)
      .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4))
    return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!
  }
  const contrast = (a: string, b: string) => {
    const [high, low] = [luminance(a), luminance(b)].sort((x, y) => y - x)
    return (high! + 0.05) / (low! + 0.05)
  }
  const pairs = [
    ['ink', 'paper'],
    ['ink-soft', 'paper'],
    ['ink-soft', 'paper-deep'],
    ['ink-soft', 'paper-raised'],
    ['enamel', 'paper'],
    ['beet', 'paper'],
    ['beet', 'beet-wash'],
    ['marigold-ink', 'marigold-wash'],
    ['water-ink', 'water-wash'],
    ['on-enamel', 'enamel'],
    ['ink', 'water-wash'],
    ['ink-soft', 'water-wash'],
  ] as const

  it.each([
    ['light', 1],
    ['dark', 2],
  ])('%s', (_, scheme) => {
    const hex = (name: string) =>
      new RegExp(`--${name}: light-dark\\((#[0-9a-f]{6}), (#[0-9a-f]{6})\\)`).exec(css)![scheme]!
    for (const [ink, paper] of pairs)
      expect([ink, paper, contrast(hex(ink), hex(paper)) >= 4.5]).toEqual([ink, paper, true])
  })
})

it('prints every trait with its unit, and pH without', () => {
  expect(FINDER_TRAITS.map((trait) => printTrait(trait, 0.5))).toEqual([
    '50 %',
    '50 %',
    '0.5',
    '0.5 mS/cm',
    '0.5 mg/L N',
    '0.5 a litre',
  ])
  expect(Object.keys(TRAITS)).toEqual([...FINDER_TRAITS])
})
