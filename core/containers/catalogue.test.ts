import { describe, expect, it } from '@jest/globals'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { CONTAINERS } from './catalogue'
import { cellCount, cellTopArea, cellVolume } from './container'
import { planAreaMm2 } from './shape'

const CUBIC_INCH_ML = 16.387064

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
