import Fuse from 'fuse.js'
import { first as firstOf } from '../numeric/at'
import type { Found, Term } from './pattern'
import type { KnownMaterial } from './reading'
import { tokensOf } from './token'
import CALLED from './lexicon/materials.json' with { type: 'json' }

/** What a name of a material may mean: one, or several to be asked about. */
export interface MaterialSaid {
  readonly ids: readonly string[]
  readonly name: string
}
/** What growers also call a material, by names that mean no other. */
export const calledOf = (id: string): string[] =>
  Object.entries(CALLED as Record<string, string[]>).flatMap(([name, ids]) =>
    ids.length === 1 && ids[0] === id ? [name] : [],
  )

const wordsOf = (name: string) => tokensOf(name).map(({ plain }) => plain)

/** Materials by the names of the book and by what growers call them. */
export function materialNames(materials: readonly KnownMaterial[]): {
  readonly term: Term
  readonly like: (text: string) => readonly KnownMaterial[]
} {
  const ids = new Set(materials.map(({ id }) => id))
  const called = new Map<string, readonly string[]>()
  const add = (name: string, those: readonly string[]) => {
    const key = wordsOf(name).join(' ')
    if (key && those.length && !called.has(key)) called.set(key, those)
  }
  // What growers say comes first: `compost` may be two things, though one of them is called so.
  for (const [name, those] of Object.entries(CALLED as Record<string, string[]>))
    add(
      name,
      those.filter((id) => ids.has(id)),
    )
  for (const { id, name } of materials) {
    add(name, [id])
    add(firstOf(name.split(/[,(]/)), [id])
    add(id, [id])
  }
  const byFirst = new Map<string, { words: readonly string[]; those: readonly string[] }[]>()
  for (const [key, those] of called) {
    const words = key.split(' ')
    byFirst.set(firstOf(words), [...(byFirst.get(firstOf(words)) ?? []), { words, those }])
  }
  let fuse: Fuse<KnownMaterial> | undefined
  return {
    term: ({ tokens }, at): Found<MaterialSaid>[] =>
      (byFirst.get(tokens[at]?.plain ?? '') ?? [])
        .filter(({ words }) =>
          words.every((word, i) => tokens[at + i]?.plain === word && (i === 0 || !tokens[at + i]?.parted)),
        )
        .map(({ words, those }) => ({
          to: at + words.length,
          value: {
            ids: those,
            name: tokens
              .slice(at, at + words.length)
              .map(({ text }) => text)
              .join(' '),
          },
        })),
    like(text) {
      fuse ??= new Fuse([...materials], { keys: ['name'], threshold: 0.35, ignoreLocation: true })
      return fuse.search(text, { limit: 4 }).map(({ item }) => item)
    },
  }
}
