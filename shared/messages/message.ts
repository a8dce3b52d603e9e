import { IntlMessageFormat } from 'intl-messageformat'
import type { English } from '#core/sowing/regional-names'
import { capital } from '#core/text/capital'
import AMERICAN from './american.json' with { type: 'json' }

/*
 * Sentences are said in one place for each feature: a table from a kind to a template in ICU message syntax, with the facts as
 * its values. The tables are British; what is written otherwise in American English is looked up in one list.
 */

export type MessageValues = Readonly<Record<string, string | number>>

const WORDS = new Map(Object.entries(AMERICAN))
const BRITISH = new RegExp(`\\b(?:${[...WORDS.keys()].join('|')})\\b`, 'gi')

/** A sentence of ours in an English: colour or color, autumn or fall. Names people gave to things are not put through this. */
export function inWordsOf(english: English, text: string): string {
  if (english === 'british') return text
  return text.replace(BRITISH, (word) => {
    const american = WORDS.get(word.toLowerCase()) ?? word
    return word[0] === word[0]?.toUpperCase() ? capital(american) : american
  })
}

/**
 * A way to say the facts of a feature.
 *
 * @param table a template for each kind: `{n, plural, one {# tray} other {# trays}} to water`
 * @example messages({ sown: '{n, plural, one {# seed} other {# seeds}} sown' })('sown', { n: 1 }) // '1 seed sown'
 */
export function messages<const Table extends Readonly<Record<string, string>>>(table: Table) {
  const made = new Map<string, IntlMessageFormat>()
  return (kind: keyof Table & string, values: MessageValues = {}, english: English = 'british'): string => {
    const key = `${english} ${kind}`
    const known = made.get(key) ?? new IntlMessageFormat(inWordsOf(english, table[kind]!), 'en-GB')
    made.set(key, known)
    return String(known.format(values))
  }
}

const list = new Intl.ListFormat('en-GB', { type: 'conjunction' })
/** `basil, kale and chard`; from four on `basil, kale and 3 more`. */
export function namesListed(names: readonly string[], most = 3): string {
  const all = [...new Set(names)]
  return all.length > most
    ? `${all.slice(0, most - 1).join(', ')} and ${all.length - most + 1} more`
    : list.format(all)
}

const plural = new Intl.PluralRules('en')
/** `1 tray`, `3 trays`: a name that is not in a table, with its number. */
export const pluralOf = (n: number, one: string): string =>
  plural.select(n) === 'one' ? one : /(?:s|x|ch|sh)$/.test(one) ? `${one}es` : `${one}s`
