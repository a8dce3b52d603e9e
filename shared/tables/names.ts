import { first } from '#core/numeric/at'
import Fuse from 'fuse.js'
import type { NamedKind } from './column'

/** Something a cell can name: its id, what it is called, and what else it is called. */
export interface Named {
  readonly id: string
  readonly kind: NamedKind
  readonly name: string
  readonly also?: readonly string[]
}

/** What is known by name, by kind. */
export type Names = Readonly<Partial<Record<NamedKind, readonly Named[]>>>

/** Letters alone, without accents and case: `Keimfähigkeit (%)` is `keimfahigkeit`. */
export const folded = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/ß/g, 'ss')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()

/** The words a thing is known by, with its plain plural or singular. */
const known = ({ id, name, also = [] }: Named) => [id, name, ...also].map(folded)
const withoutPlural = (text: string) => text.replace(/(?<=\p{L}{2})(?:es|s)$/u, '')

/**
 * The one thing of some kinds that a text names; a word that is not understood is asked about, never guessed.
 *
 * @returns the thing, or a sentence that asks
 */
export function findNamed(text: string, kinds: readonly NamedKind[], names: Names): Named | string {
  const all = kinds.flatMap((kind) => names[kind] ?? [])
  const said = folded(text)
  const exact = all.filter((one) => known(one).includes(said))
  const found = exact.length
    ? exact
    : all.filter((one) => known(one).some((word) => withoutPlural(word) === withoutPlural(said)))
  if (found.length === 1) return first(found)
  if (found.length > 1)
    return `“${text}” may be ${listed(found.map(({ name, id }) => `${name} (${id})`))}: write what is in brackets.`
  const near = new Fuse(all, { keys: ['name', 'also'], threshold: 0.4 }).search(text, { limit: 3 })
  return near.length
    ? `There is no “${text}” here. Is it ${listed(near.map(({ item }) => item.name))}?`
    : `There is no “${text}” here.`
}

const listed = (names: readonly string[]) =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} or ${names.at(-1)}`
