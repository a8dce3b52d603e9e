import { describe, expect, it } from '@jest/globals'
import { within, wholeWithin } from '#core/problem'
import { QUANTITIES } from '#core/readings/kinds'
import { doseFound, drainFound } from '#core/readings/dose-by-ec'
import { sayDeviceDoubt, sayDose, sayDrain, sayWeightDoubt } from './readings'
import { sayProblem, sayProblemOf, sayWrong } from './refusals'

describe('a number out of its range', () => {
  const said = (low: number, high: number, unit?: string) =>
    sayProblem(within(['x'], -99, low, high, unit)[0]!)
  it('is told the range, a share in percent, with its unit', () => {
    expect(said(1, 40, 'days')).toBe('1 to 40 days.')
    expect(said(0.1, 1, 'share')).toBe('10 to 100 %.')
    expect(said(-10, 45, '°C')).toBe('−10 to 45 °C.')
    expect(said(2, 12)).toBe('2 to 12.')
  })
  it('has no least where that is only not nothing', () => {
    expect(said(0.1, 2000, 'L')).toBe('More than 0, at most 2000 L.')
    expect(said(0.01, 10)).toBe('More than 0, at most 10.')
    expect(said(0.011, 10)).toBe('0.011 to 10.')
    expect(said(0, 5000, 'mg/L')).toBe('0 to 5000 mg/L.')
  })
  it('is named where its field is not in sight', () => {
    const [problem] = wholeWithin(['fills', 0, 'count'], 2.5, 1, 5000)
    expect(sayProblem(problem!)).toBe('A whole number, 1 to 5000.')
    expect(sayProblemOf(problem!, 'batches')).toMatch(/^[A-Z].*: a whole number, 1 to 5000\.$/)
    expect(sayProblemOf({ path: ['parts'], kind: 'noMaterial' }, 'batches')).toBe(
      'A recipe needs at least one material.',
    )
  })
})

describe('what does not fit', () => {
  it('is said with its numbers, one of them in the singular', () => {
    expect(sayWrong({ kind: 'labelsOnSheet', values: { n: 1 } })).toBe('This sheet has 1 label.')
    expect(sayWrong({ kind: 'labelsOnSheet', values: { n: 24 } })).toBe('This sheet has 24 labels.')
    expect(sayWrong({ kind: 'cellMoreUp', values: { cell: 'Row 1, cell 2', n: 3, sown: 2 } })).toBe(
      'Row 1, cell 2: 3 cannot be up of 2 that were sown.',
    )
  })
  it('names a day as people do', () => {
    const values = { tray: 4, on: '2027-05-03' }
    expect(sayWrong({ kind: 'trayEmptied', values })).toBe('Tray 4 was emptied on 3 May 2027.')
  })
})

describe('a doubted reading', () => {
  const HOUR = 60
  const silent = (minutes: number) =>
    /Nothing heard for (.*?)\./.exec(sayDeviceDoubt({ kind: 'silent', pauseMs: minutes * 60_000 }))![1]
  it('tells minutes up to an hour and a half, hours up to two days, then days', () => {
    expect([silent(89), silent(90), silent(47 * HOUR), silent(48 * HOUR)]).toEqual([
      '89 minutes',
      '2 hours',
      '47 hours',
      '2 days',
    ])
  })
  it('says what it is about to the hundredth, in the unit of its quantity', () => {
    const text = sayDeviceDoubt({ kind: 'out of range', quantity: 'acidity', value: 15.126 })
    expect(text).toContain('15.13 pH')
    expect(text).toContain(QUANTITIES.acidity.name)
  })
  it('of a weight is told in the measures of the household', () => {
    const doubt = { kind: 'asked', why: 'heavier than full', aboutG: 1200 } as const
    expect(sayWeightDoubt(doubt)).toContain('about 1.2 kg')
    expect(sayWeightDoubt(doubt, () => '2 lb 10 oz')).toContain('about 2 lb 10 oz')
  })
})

describe('what a pen tells', () => {
  const strength = (mg: number) => `${Math.round(mg)} mg/L`
  const said = (jug: number, water: number | null = 0.55, sinceDays: number | null = 3) =>
    sayDose(doseFound(jug, water, 0.0068, 60, sinceDays), strength)
  it('is the strength, against what was wanted, and what to do', () => {
    // By hand: 0.42 / 0.0068 = 61.8.
    expect(said(0.97)).toBe('0.42 mS/cm more than your water: 62 mg/L, wanted 60 mg/L: as it should be.')
    // By hand: 0.95 / 0.0068 = 139.7, 133 % over.
    expect(said(1.5)).toContain('too strong; with 133 % more water')
    expect(said(0.7)).toContain('too weak')
    expect(said(0.3)).toContain('less than your water at 0.55')
    expect(said(0.97, null)).toContain('Measure your water')
    expect(said(0.97, 0.55, null)).toContain('Calibrate the pen')
  })
  it('of what drains off says with how much to flush', () => {
    expect(sayDrain(drainFound(1.4, 2, 1.5), String)).toContain('No need to flush')
    expect(sayDrain(drainFound(2.6, 2, 1.5), (l) => `${l} L`)).toContain('pour 3 L of plain water')
  })
})
