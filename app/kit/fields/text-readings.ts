import { sayWrong } from '#shared/messages/refusals'
import { concentrationOf } from '#core/feed/rate'
import { readRate } from '#core/language/rule'
import { density, type Feed } from '#core/feed/feed'
import type { Material } from '#core/media/material'
import { packsSaid } from '#core/supplies/goods'
import { printBoth, printExactly, printNumber, printQuantity, unitShown } from '#core/units/format'
import { parseNumber, parseQuantity } from '#core/units/parse'
import type { Dimension, UnitSystem } from '#core/units/unit'

/** How the text of a field becomes a value and back. */
export interface Reading {
  readonly print: (value: number) => string
  readonly read: (written: string) => Read<number | null>
  /** The value in both systems, shown under the field. */
  readonly both?: (value: number) => string
}

/** A bare number; `scale` is 100 where a fraction is typed as per cent. */
export const numberReading = (scale: number): Reading => ({
  print: (value) => String(Number((value * scale).toFixed(3))),
  read(written) {
    const said = written.trim().replace(/\s*%$/, '')
    const value = parseNumber(said)
    if (value === undefined)
      return { ok: false, message: said ? `'${said}' is not a number.` : 'Enter a number.' }
    return { ok: true, value: value / scale }
  },
})

/**
 * A quantity in the household's kitchen.
 *
 * @param bare id of the unit a bare number means: the one the field shows
 */
export const quantityReading = (
  dimension: Dimension,
  units: UnitSystem,
  unitInBase: number,
  bare: () => string,
): Reading => ({
  print: (value) => printExactly(value * unitInBase, dimension, units),
  read(written) {
    const read = parseQuantity(written, { dimension, units, assume: bare() })
    return read.ok ? { ok: true, value: read.base / unitInBase } : read
  },
  both: (value) => printBoth(value * unitInBase, dimension, units).join(' · '),
})

/** So much of a material, loose, in litres, or by its packs: `1 brick`, `half a bale`. */
export const looseReading = (material: Material, units: UnitSystem): Reading => {
  const volume = quantityReading('volume', units, 1, () => unitShown(10, 'volume', units))
  return {
    ...volume,
    read(written) {
      const said = packsSaid(written, material)
      if (!said) return volume.read(written)
      return 'amount' in said ? { ok: true, value: said.amount } : { ok: false, message: sayWrong(said) }
    },
  }
}

/** An extra in so much mix, in any spelling: `2` g/L, `1 cup per 10 L`, `2 tbsp per gallon`, `50 g in 8 gal`. */
export const extraReading = (densityGPerL: number, units: UnitSystem): Reading => ({
  print: printNumber,
  read(written) {
    const said = written.trim().replace(/\s*g\s*\/\s*l$/i, '')
    const bare = parseNumber(said)
    if (bare !== undefined) return { ok: true, value: bare }
    const read = readRate(said, 'powder', units)
    if (!read.ok) return read
    if (read.rate.kind !== 'amount')
      return { ok: false, message: 'Say how much goes in how much mix: 1 cup per 10 L, or 2 g/L.' }
    const grams = read.rate.of === 'mass' ? read.rate.base : read.rate.base * densityGPerL
    return { ok: true, value: grams / read.rate.perL }
  },
  both: (value) =>
    `${printNumber(value)} g/L · ${printQuantity((value / densityGPerL) * 10, 'volume', units)} to ${printQuantity(10, 'volume', units)}`,
})

/** A label's own rate, in any of its spellings: a bare number is g/L of a powder and mL/L of a liquid. */
export const rateReading = (feed: Feed, units: UnitSystem): Reading => ({
  print: printNumber,
  read(written) {
    const said = written.trim()
    const bare = parseNumber(said)
    if (bare !== undefined) return { ok: true, value: bare }
    const read = readRate(said, feed.form, units)
    if (!read.ok) return read
    if (read.rate.kind === 'label numbers')
      return {
        ok: false,
        message: 'The three numbers are the contents, not the dose. How much goes in how much water?',
      }
    if (read.rate.kind === 'label')
      return { ok: false, message: 'A share of what? Give the label’s own rate.' }
    const concentration = concentrationOf(read.rate, feed)
    if (!concentration)
      return { ok: false, message: 'This feed has no nitrogen, so that cannot be calculated.' }
    return { ok: true, value: concentration.value / (feed.form === 'powder' ? 1 : density(feed).value) }
  },
  both: (value) => `${printNumber(value)} ${feed.form === 'powder' ? 'g/L' : 'mL/L'}`,
})
