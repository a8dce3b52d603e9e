import { present } from '../present'
import { at, first as firstOf } from '../numeric/at'
import Fuse from 'fuse.js'
import type { Material, MaterialLibrary } from './material'

/** What a word of the text was taken for. */
export interface ReadWord {
  readonly text: string
  readonly as: 'amount' | 'measure' | 'material' | 'per' | 'filler' | 'unread'
}

/** What growers call materials beside the names of the book [common practice]; two ids where it may be either. */
export const CALLED: readonly (readonly [string, ...string[]])[] = [
  ['coco coir', 'coir'],
  ['coconut coir', 'coir'],
  ['coco peat', 'coir'],
  ['cocopeat', 'coir'],
  ['coco', 'coir'],
  ['coconut fibre', 'coir'],
  ['peat moss', 'peat'],
  ['sphagnum peat moss', 'peat'],
  ['sphagnum', 'peat'],
  ['worm castings', 'castings'],
  ['castings', 'castings'],
  ['vermicompost', 'castings'],
  ['worm compost', 'castings'],
  ['compost', 'compost', 'home-compost'],
  ['garden compost', 'home-compost'],
  ['green waste', 'compost'],
  ['leaf mold', 'leaf-mould'],
  ['leafmould', 'leaf-mould'],
  ['rice husks', 'rice-hulls'],
  ['hulls', 'rice-hulls'],
  ['sharp sand', 'sand'],
  ['coarse sand', 'sand'],
  ['coarse perlite', 'perlite'],
  ['fine perlite', 'perlite-fine'],
  ['fine vermiculite', 'vermiculite-fine'],
  ['medium vermiculite', 'vermiculite'],
  ['fine peat', 'peat-fine'],
  ['horticultural sand', 'sand'],
  ['grit', 'grit'],
  ['bark', 'bark', 'bark-fresh'],
  ['pine bark', 'bark', 'bark-fresh'],
  ['topsoil', 'loam'],
  ['garden soil', 'loam'],
  ['soil', 'loam', 'potting-mix'],
  ['potting soil', 'potting-mix'],
  ['potting compost', 'potting-mix'],
  ['multipurpose compost', 'potting-mix'],
  ['seed compost', 'seed-mix'],
  ['seed starting mix', 'seed-mix'],
  ['charcoal', 'biochar'],
  ['lime', 'dolomitic-lime', 'calcitic-lime'],
  ['garden lime', 'calcitic-lime', 'dolomitic-lime'],
  ['dolomite', 'dolomitic-lime'],
  ['dolomite lime', 'dolomitic-lime'],
  ['limestone', 'calcitic-lime'],
  ['basalt', 'rock-dust'],
  ['basalt dust', 'rock-dust'],
  ['kelp', 'kelp-meal'],
  ['seaweed meal', 'kelp-meal'],
  ['egg shells', 'eggshell'],
  ['eggshells', 'eggshell'],
]
const FILLERS =
  /^(of|the|a|an|some|good|clean|well|rotted|sifted|sieved|screened|rinsed|washed|moist|dry|and|with|plus|then|add|mix|mixed|in|to|for|each|your|horticultural)$/i

export interface FoundName {
  readonly material: Material | null
  readonly candidates: readonly string[]
  /** The words of the name, as they were taken. */
  readonly words: readonly ReadWord[]
  readonly name: string
}

const bare = (word: string) => word.replace(/[()“”"':.!]/g, '').toLowerCase()

/**
 * What a name means: as the book or the household calls it, as growers call it, or spelt nearly so. The longest run of words
 * that is a name counts; around it only words that say nothing may stand.
 */
export function materialNames(materials: MaterialLibrary, meant: ReadonlyMap<string, string>) {
  const called = new Map<string, readonly string[]>()
  for (const { id, name } of materials.values()) {
    called.set(plain(name), [id])
    called.set(plain(id), [id])
    const first = plain(firstOf(name.split(/[,(]/)))
    if (!called.has(first)) called.set(first, [id])
  }
  for (const [name, ...ids] of CALLED)
    called.set(
      plain(name),
      ids.filter((id) => materials.has(id)),
    )
  for (const [name, id] of meant) called.set(plain(name), [id])
  const fuse = new Fuse(
    [...called].map(([name, ids]) => ({ name, ids })),
    { keys: ['name'], threshold: 0.25 },
  )
  return (named: readonly string[]): FoundName => {
    const names = named.map(bare)
    for (let length = names.length; length > 0; length--)
      for (let from = 0; from + length <= names.length; from++) {
        const name = names.slice(from, from + length).join(' ')
        const ids = called.get(plain(name))
        if (!ids?.length) continue
        const words = named.map((text, i): ReadWord => ({
          text,
          as:
            i >= from && i < from + length
              ? 'material'
              : FILLERS.test(at(names, i)) || !names[i]
                ? 'filler'
                : 'unread',
        }))
        const clear = ids.length === 1 && words.every(({ as }) => as !== 'unread')
        return {
          material: clear ? present(materials.get(firstOf(ids))) : null,
          candidates: clear ? [] : ids,
          words,
          name: names.join(' '),
        }
      }
    const said = names.filter((word) => word && !FILLERS.test(word))
    const name = said.join(' ')
    // Spelt nearly so is asked about, as everything that is not said.
    const near = name.length < 4 ? [] : fuse.search(plain(name), { limit: 4 }).flatMap(({ item }) => item.ids)
    const candidates = [...new Set(near)].slice(0, 4)
    const words = named.map((text, i): ReadWord => ({
      text,
      as: !names[i] || FILLERS.test(at(names, i)) ? 'filler' : candidates.length ? 'material' : 'unread',
    }))
    return { material: null, candidates, words, name }
  }
}
/** Without its hyphens, commas and plural. */
const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/[-,()]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/s$/, '')
