import { expose } from 'comlink'
import { knownFrom, type Known, type Words } from '#core/language/reading'
import { readAs, type ReadKind, type ReadText } from '#shared/reckoning/read-as'

/** The reader with its words, off the page's thread: loaded when somebody begins to type. */
let known: Known | null = null
const reader = {
  know(words: Words) {
    known = knownFrom(words)
  },
  read(kind: ReadKind, text: string, of: Partial<Words>): ReadText | null {
    return known && readAs(kind, text, Object.keys(of).length ? { ...known, ...of } : known)
  },
}
export type Reader = typeof reader
expose(reader)
