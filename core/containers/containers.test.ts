import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { CONTAINERS } from './catalogue'
import { cellCount, cellTopArea, cellVolume } from './container'
import { brimVolume, planAreaMm2, round, square, type Shape } from './shape'

const volumeMl = (shape: Shape) => brimVolume(shape, yours()).value
const CUBIC_INCH_ML = 16.387064

describe('container volume (prismatoid rule)', () => {
  // Worked by hand from V = h/6·(A_top + 4·A_mid + A_base) and V = πh/12·(D² + Dd + d²).
  it.each([
    ['cell 38 → 22 mm, 57 mm deep', square(38, 22, 57), 52.5],
    ['round pot 100 → 75 mm, 90 mm deep', round(100, 75, 90), 544.9],
    ['2 in block', square(50.8, 50.8, 50.8), 131.1],
    ['1½ in block', square(38.1, 38.1, 38.1), 55.3],
    ['¾ in block', square(19.05, 19.05, 19.05), 6.91],
    ['4 in block', square(101.6, 101.6, 101.6), 1048.8],
  ])('%s holds %d mL', (_, shape, expected) => {
    expect(volumeMl(shape)).toBeCloseTo(expected, expected < 10 ? 2 : 1)
  })

  it('equals the plan area summed over the height, for any taper', () => {
    const mm = fc.double({ min: 5, max: 600, noNaN: true })
    const shape = fc.oneof(
      fc.tuple(mm, mm, mm).map(([top, base, depth]) => round(top, base, depth)),
      fc.tuple(mm, mm, mm, mm, mm).map(([a, b, c, d, depthMm]): Shape => ({
        form: 'rectangular',
        topLengthMm: a,
        topWidthMm: b,
        baseLengthMm: c,
        baseWidthMm: d,
        depthMm,
      })),
    )
    fc.assert(
      fc.property(shape, (any) => {
        const slices = 400
        const thickness = any.depthMm / slices
        let sumMm3 = 0
        for (let i = 0; i < slices; i++) sumMm3 += planAreaMm2(any, (i + 0.5) * thickness) * thickness
        expect(volumeMl(any) / (sumMm3 / 1000)).toBeCloseTo(1, 4)
      }),
    )
  })
})

describe('the catalogue', () => {
  // Typical cell volumes, mL, from memory of propagation handbooks; ANSI Z60.1 classes in cubic inches.
  const RANGES: Record<string, [number, number]> = {
    'tray-24': [160, 200],
    'tray-36': [100, 130],
    'tray-50': [70, 100],
    'tray-72': [38, 47],
    'tray-98': [26, 30],
    'tray-128': [21, 27],
    'tray-200': [11, 13],
    'tray-288': [6, 7.5],
    'tray-512': [2.5, 3.2],
    'trade-1': [152 * CUBIC_INCH_ML, 251 * CUBIC_INCH_ML],
    'trade-2': [320 * CUBIC_INCH_ML, 474 * CUBIC_INCH_ML],
    'trade-3': [628 * CUBIC_INCH_ML, 742 * CUBIC_INCH_ML],
    'trade-5': [785 * CUBIC_INCH_ML, 1242 * CUBIC_INCH_ML],
  }

  it.each(Object.entries(RANGES))('%s holds what handbooks give', (id, [low, high]) => {
    const container = CONTAINERS.find((candidate) => candidate.id === id)!
    const { value } = cellVolume(container)
    expect(value).toBeGreaterThanOrEqual(low)
    expect(value).toBeLessThanOrEqual(high)
  })

  it('names each entry once, tapers downwards and fits a tray into a 28 × 54 cm flat', () => {
    expect(new Set(CONTAINERS.map(({ id }) => id)).size).toBe(CONTAINERS.length)
    expect(CONTAINERS.length).toBeGreaterThanOrEqual(40)
    for (const container of CONTAINERS) {
      const { shape } = container
      expect(planAreaMm2(shape, 0)).toBeLessThanOrEqual(planAreaMm2(shape, shape.depthMm))
      if (container.kind === 'tray')
        expect(cellTopArea(container).value * container.cells).toBeLessThan(28 * 54)
    }
  })
})

it('lets a volume measured with water override the geometry', () => {
  const tray = { ...CONTAINERS.find(({ id }) => id === 'tray-72')!, measuredVolumeMl: 40 }
  expect(cellVolume(tray)).toMatchObject({ value: 40, working: { kind: 'given', source: { tag: 'yours' } } })
  expect(cellCount(tray, given('trays', 2, '', yours())).value).toBe(144)
})
