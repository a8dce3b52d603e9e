import { present } from '../present'
import { fractionValue, FRACTION_GLYPHS, printFraction } from './fraction'
import type { UnitSystem } from './unit'
import { convert } from './unit-table'

const MM = { mm: 1, cm: 10, in: 25.4 } as const
const LITRES = { litre: 1, L: 1, gal: convert(1, 'us-gal', 'L') } as const
const GRAMS = { g: 1, kg: 1000, lb: convert(1, 'lb', 'g') } as const

const NUMBER = `\\d+(?:\\.\\d+)?[${FRACTION_GLYPHS}]?|[${FRACTION_GLYPHS}]`
const SIZE = new RegExp(`((?:${NUMBER}) × )?(${NUMBER}) (mm|cm|in|litre|L|gal|kg|g|lb)(?![\\w/])`, 'g')

function valueOf(text: string): number {
  const [, whole = '', glyph] = /^([\d.]*)(\D?)$/.exec(text) ?? []
  return Number(whole || 0) + (glyph ? present(fractionValue(glyph)) : 0)
}

/** Inches to quarters, from six on to halves; centimetres to halves, from seven on whole [common practice]. */
const inches = (mm: number) => printFraction(mm / 25.4, mm < 150 ? 0.25 : 0.5)
const centimetres = (mm: number) => printFraction(mm / 10, mm < 70 ? 0.5 : 1)

function volume(litres: number, units: UnitSystem, short: boolean): string {
  if (units === 'metric') return `${printFraction(litres, litres < 3 ? 0.5 : 1)} ${short ? 'L' : 'litre'}`
  const gallon = units === 'us' ? LITRES.gal : convert(1, 'imp-gal', 'L')
  const gallons = litres / gallon
  if (gallons >= 1) return `${printFraction(gallons, gallons < 4 ? 0.25 : 1)} gal`
  return units === 'us'
    ? `${printFraction(gallons * 4, gallons < 0.5 ? 0.5 : 1)} qt`
    : `${printFraction(gallons * 8, 0.5)} pt`
}

function mass(grams: number, units: UnitSystem): string {
  if (units === 'metric')
    return grams < 1000 ? `${Math.round(grams)} g` : `${printFraction(grams / 1000, 0.5)} kg`
  const pounds = grams / GRAMS.lb
  return pounds < 1 ? `${printFraction(pounds * 16, 1)} oz` : `${printFraction(pounds, 0.25)} lb`
}

/**
 * The name of a pot, a tray or a pack with its size as it is sold where these units are used: `10 cm round pot` is a
 * `4 in round pot`, `5 gal bucket` a `19 litre bucket`. What is stated in these units already stays as it is.
 *
 * @example sizedFor('us', '10 cm round pot') // '4 in round pot'
 */
export function sizedFor(units: UnitSystem, name: string): string {
  return name.replace(SIZE, (whole, other: string | undefined, one: string, unit: string) => {
    const inOwn = units === 'metric' ? !/^(in|gal|lb)$/.test(unit) : /^(in|gal|lb)$/.test(unit)
    if (inOwn) return whole
    if (unit in MM) {
      const mm = (text: string) => valueOf(text) * MM[unit as keyof typeof MM]
      const print = units === 'metric' ? centimetres : inches
      const first = other ? `${print(mm(other.slice(0, -3)))} × ` : ''
      return `${first}${print(mm(one))} ${units === 'metric' ? 'cm' : 'in'}`
    }
    if (unit in LITRES)
      return (other ?? '') + volume(valueOf(one) * LITRES[unit as keyof typeof LITRES], units, unit === 'L')
    return (other ?? '') + mass(valueOf(one) * GRAMS[unit as keyof typeof GRAMS], units)
  })
}
