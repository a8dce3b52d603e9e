import { first } from '../numeric/at'
import { printNumber } from '../units/format'

/**
 * A name inside a sentence: `Teaspoon` becomes `teaspoon`, `1 L measure` and `EC pen` stay.
 *
 * @example inSentence('Teaspoon') // 'teaspoon'
 * @example inSentence('EC pen') // 'EC pen'
 */
export function inSentence(name: string): string {
  return /^\p{Lu}\p{Ll}/u.test(name) ? first(name).toLowerCase() + name.slice(1) : name
}

/**
 * With its article: `a 72-cell tray`, `an 80-cell tray`, `an 8 gal bag`, `an 18-cell tray`, `a 1 litre pot`.
 *
 * @example withArticle('80-cell tray') // 'an 80-cell tray'
 */
export const withArticle = (name: string): string =>
  `${/^(?:[aeio]|u(?!ni|s\b)|8|11\b|18\b)/i.test(name.trim()) ? 'an' : 'a'} ${name}`

/**
 * `1 plant`, `24 plants`.
 *
 * @example counted(1, 'tray') // '1 tray'
 * @example counted(2, 'batch') // '2 batches'
 */
export const counted = (n: number, one: string): string =>
  `${printNumber(n)} ${n === 1 ? one : one.endsWith('h') ? `${one}es` : `${one}s`}`
