/** The vulgar fractions that keyboards and recipe cards use, with their values. */
const GLYPHS: readonly (readonly [string, number])[] = [
  ['⅛', 1 / 8],
  ['¼', 1 / 4],
  ['⅓', 1 / 3],
  ['⅜', 3 / 8],
  ['½', 1 / 2],
  ['⅝', 5 / 8],
  ['⅔', 2 / 3],
  ['¾', 3 / 4],
  ['⅞', 7 / 8],
]

export const FRACTION_GLYPHS = GLYPHS.map(([glyph]) => glyph).join('')

/**
 * What a fraction's glyph stands for (½ is 0.5); undefined for any other.
 *
 * @example fractionValue('¾') // 0.75
 */
export function fractionValue(glyph: string): number | undefined {
  return GLYPHS.find(([g]) => g === glyph)?.[1]
}

/**
 * A number to the nearest `step` (1/16, 1/8, 1/4, 1/3, 1/2, 1), printed as a person writes it: `2¾`, `½`, `6`.
 * A number that rounds to nothing keeps two significant digits instead, so that it never reads as 0.
 *
 * @example printFraction(2.75, 0.25) // '2¾'
 */
export function printFraction(amount: number, step: number): string {
  const rounded = Math.round(amount / step) * step
  if (rounded === 0 && amount !== 0) return String(Number(amount.toPrecision(2)))
  const sign = rounded < 0 ? '−' : ''
  const whole = Math.floor(Math.abs(rounded))
  const rest = Math.abs(rounded) - whole
  const glyph = GLYPHS.find(([, value]) => Math.abs(value - rest) < 1e-9)?.[0]
  // Sixteenths have no sign of their own.
  if (!glyph && rest > 1e-9) return `${sign}${whole ? `${whole} ` : ''}${Math.round(rest * 16)}/16`
  return `${sign}${whole || !glyph ? whole : ''}${glyph ?? ''}`
}
