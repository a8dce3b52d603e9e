import { expose } from 'comlink'
import { othersFor } from '#core/language/others'
import { knownFrom, type Heard, type Known, type Words } from '#core/language/reading'
import { readAs, type ReadKind, type ReadText } from '#shared/derived/read-as'

/** The reader with its words, off the page's thread: loaded when somebody begins to type. */
let known: Known | null = null
const reader = {
  know(words: Words) {
    known = knownFrom(words)
  },
  /** What a word that is pressed could be instead. */
  others: (word: Heard): string[] => (known ? othersFor(word, known) : []),
  read(kind: ReadKind, text: string, of: Partial<Words>): ReadText | null {
    return known && readAs(kind, text, Object.keys(of).length ? { ...known, ...of } : known)
  },
}
export type Reader = typeof reader
expose(reader)
