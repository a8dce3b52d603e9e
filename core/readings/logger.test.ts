import { describe, expect, it } from '@jest/globals'
import { columnOf, dateOrder, loggerNumber, loggerTime, readLogger } from './logger'

const hours = (
  day: string,
  temperature: (hour: number) => string,
  more: (hour: number) => string[] = () => [],
) =>
  Array.from({ length: 24 }, (_, hour) => [
    `${day} ${String(hour).padStart(2, '0')}:00`,
    temperature(hour),
    ...more(hour),
  ])

describe('the file of a logger', () => {
  it('knows its columns by their headings, in several languages', () => {
    expect(
      [
        'Timestamp',
        'Datum/Uhrzeit',
        'Temp (°C)',
        'Temperature_F',
        'Temperatur °F',
        'RH %',
        'Luftfeuchte',
        'PPFD',
        'Illuminance [lux]',
        'Battery',
      ].map(columnOf),
    ).toEqual([
      'time',
      'time',
      'celsius',
      'fahrenheit',
      'fahrenheit',
      'humidity',
      'humidity',
      'ppfd',
      'lux',
      'nothing',
    ])
  })
  it('numbers with points and with commas', () => {
    expect(['21.5', '21,5', '-3', '1.234,5', '70 °F', ''].map(loggerNumber)).toEqual([
      21.5,
      21.5,
      -3,
      1234.5,
      70,
      NaN,
    ])
  })
  it('dates in the order that can be, and asks where both can', () => {
    expect(dateOrder(['03/04/2027', '15/04/2027'])).toBe('day first')
    expect(dateOrder(['04/15/2027'])).toBe('month first')
    expect(dateOrder(['4.3.2027'])).toBe('day first')
    expect(dateOrder(['03/04/2027'])).toBeNull()
    expect(loggerTime('04/03/2027 1:30 PM', 'month first')).toEqual({ on: '2027-04-03', hour: 13.5 })
    expect(loggerTime('3.4.27 06:15', 'day first')).toEqual({ on: '2027-04-03', hour: 6.25 })
    expect(loggerTime('2027-02-30 06:00', 'day first')).toBeNull()
  })
  it('a day of readings is its low, high and mean; its light is summed', () => {
    const rows = hours(
      '2027-04-03',
      (hour) => (hour < 12 ? '59' : '68'),
      (hour) => [hour >= 6 && hour < 22 ? '200' : '0'],
    )
    const { days, readings, bad } = readLogger(rows, ['time', 'fahrenheit', 'ppfd'], 'day first')
    expect([readings, bad.length, days.length]).toEqual([24, 0, 1])
    expect(days[0]!.lowC).toBeCloseTo(15, 9)
    expect(days[0]!.highC).toBeCloseTo(20, 9)
    expect(days[0]!.meanC).toBeCloseTo(17.5, 9)
    // 200 µmol/m²/s for 16 h = 11.52 mol/m² [standard: the definition of the daily light integral].
    expect(days[0]!.lightMol).toBeCloseTo(11.52, 6)
  })
  it('names each line that is none, and keeps the others; half a day has no mean', () => {
    const rows = [
      ['2027-04-03 08:00', '18'],
      ['yesterday', '19'],
      ['2027-04-03 09:00', 'warm'],
      ['2027-04-03 10:00', '480'],
      ['', ''],
      ['2027-04-03 11:00', '20'],
    ]
    const { days, bad } = readLogger(rows, ['time', 'celsius'], 'day first', 2)
    expect(bad.map(({ line }) => line)).toEqual([3, 4, 5])
    expect(days).toEqual([
      { on: '2027-04-03', lowC: 18, highC: 20, meanC: null, lightMol: null, humidity: null },
    ])
  })
})
