import { singularize } from 'inflection'

/** A word or a number of a sentence, as it stands there and as it is compared. */
export interface Word {
  /** As it was written. */
  readonly text: string
  /** In the singular, in small letters, without accents; numbers in figures. */
  readonly plain: string
  /** Something that parts stands before it: a comma, a bracket. */
  readonly parted: boolean
  /** It stood between quotation marks: a name. */
  readonly quoted: boolean
}

const NUMBERS: ReadonlyMap<string, number> = new Map<string, number>([
  ...'one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'
    .split(' ')
    .map((word, i): [string, number] => [word, i + 1]),
  ...'twenty thirty forty fifty sixty seventy eighty ninety'
    .split(' ')
    .map((word, i): [string, number] => [word, (i + 2) * 10]),
  ['hundred', 100],
])

/** Words that only look like plurals. */
const SINGULAR = /[^s]$|(?:ss|us|[lstrx]is)$|^(?:.{1,2}|cos|its|was|has|his|yes|gas|this)$/

/**
 * The singular of a word in small letters, without accents and apostrophes.
 *
 * @example plainWord('Leeks') // 'leek'
 */
export function plainWord(word: string): string {
  const bare = word
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/[’']s?$/u, '')
    .replace(/[’']/gu, '')
  if (SINGULAR.test(bare)) return bare
  const one = singularize(bare)
  return one === bare ? bare.slice(0, -1) : one
}

/**
 * The words of a name, for comparing.
 *
 * @example plainName('Jalapeño peppers') // ['jalapeno', 'pepper']
 */
export const plainName = (name: string): string[] => wordsOf(name).map(({ plain }) => plain)

const PIECE =
  /"[^"]+"|“[^”]+”|\d{4}-\d{2}-\d{2}|\d{1,2}[./]\d{1,2}[./]\d{2,4}|\d{1,2}\.\d{1,2}\.?(?!\d)|\d{1,2}\/\d{1,2}(?!\d)|\d{1,3}(?:[ ,]\d{3})+(?!\d)|\d+|½|\p{L}[\p{L}\p{M}]*(?:[’']\p{L}+)*[’']?|[×\-–—]|\S/gu

/**
 * A sentence in words: hyphens join, commas and brackets part, number words are figures.
 *
 * @example wordsOf('twelve leeks').map(({ plain }) => plain) // ['12', 'leek']
 */
export function wordsOf(text: string): Word[] {
  const words: Word[] = []
  let parted = false
  const pieces = [...text.matchAll(PIECE)].map(([piece]) => piece)
  pieces.forEach((piece, i) => {
    const dash = /^[-–—]$/.test(piece)
    if (dash && !(/^\d+$/.test(pieces[i - 1] ?? '') && /^\d+$/.test(pieces[i + 1] ?? ''))) return
    if (!dash && !/[\p{L}\d×½]/u.test(piece)) {
      parted = true
      return
    }
    const quoted = /^["“]/.test(piece)
    const inside = quoted ? piece.slice(1, -1) : piece
    words.push({ text: inside, plain: plainOf(inside, dash, quoted), parted, quoted })
    parted = false
  })
  return words
}

function plainOf(piece: string, dash: boolean, quoted: boolean): string {
  if (dash) return '-'
  if (quoted) return piece.split(/\s+/).map(plainWord).join(' ')
  if (/^\d{1,3}(?:[ ,]\d{3})+$/.test(piece)) return piece.replace(/[ ,]/g, '')
  if (/^[\d½×]/.test(piece)) return piece === '½' ? 'half' : piece
  return NUMBERS.get(piece.toLowerCase())?.toString() ?? plainWord(piece)
}
