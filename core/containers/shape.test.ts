import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { yours } from '../working/source'
import { brimVolume, planAreaMm2, round, square, type Shape } from './shape'

const volumeMl = (shape: Shape) => brimVolume(shape, yours()).value

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
