import { plainWord } from '../text/words'
import { FRACTION_GLYPHS } from '../units/fraction'

/** A word, a number or a sign of a sentence, as it stands there and as it is compared. */
export interface Token {
  readonly kind: 'word' | 'number' | 'sign'
  /** As it was written. */
  readonly text: string
  /** Where it stands in the text: from its first letter to behind its last. */
  readonly from: number
  readonly to: number
  /** A word in the singular, in small letters, without accents; a number or a sign as it is. */
  readonly plain: string
  /** In small letters, not made singular: `was` and `lens` stay. */
  readonly lower: string
  /** A comma, a bracket, a full stop or a line's end stands before it. */
  readonly parted: boolean
  /** Nothing at all stands before it: `72` and `s` of `72s`. */
  readonly glued: boolean
  /** It stood between quotation marks: a name. */
  readonly quoted: boolean
}

/** Control characters, marks of direction and joiners say nothing; they keep their place so that offsets stay right. */
const UNSEEN = /[\p{Cc}\p{Cf}\p{Co}\p{Cs}]/gu
const SAME: Readonly<Record<string, string>> = {
  '’': "'",
  '‘': "'",
  '′': "'",
  '″': '"',
  '”': '"',
  '“': '"',
  '–': '-',
  '—': '-',
  '−': '-',
  '⁄': '/',
  '*': '×',
}
/** Between quotation marks a name; a mark behind a figure is of inches. */
const QUOTED = /(?<![\p{L}\d½])"[^"\n]{1,60}"(?![\p{L}\d])|(?<![\p{L}\d])'[^'\n]{2,60}'(?![\p{L}\d])/u
const NUMBER = String.raw`\d{4}-\d{2}-\d{2}|\d{1,2}[./]\d{1,2}[./](?:\d{4}|\d{2})(?!\d)|\d{1,2}\.\d{1,2}\.(?!\d)|\d{1,2}:\d{2}(?!\d)(?=\s*(?:[ap]\.?m\b|$|\s|,))|\d+/\d+|\d{1,3}(?:,\d{3})+(?!\d)|(?<!\b(?:trays?|flats?|batch|bed|row|number) )\d{1,3}(?: \d{3})+(?!\d)(?![ -]?(?:s\b|cells?\b|cell-|trays?\b|plugs?\b|holes?\b|inserts?\b|modules?\b|[xX×%]))|\d+[.,]\d+|\.\d+|\d+|[${FRACTION_GLYPHS}]`
/** `F1` of a seed packet is one word, no temperature. */
const GENERATION = /^[Ff][12]$/
const WORD = String.raw`[Ff][12](?![\p{L}\d])|\p{L}[\p{L}\p{M}]*(?:'\p{L}+)*'?`
const PIECE = new RegExp(`${QUOTED.source}|${NUMBER}|${WORD}|\\S`, 'gu')
/** Arrows and pictures part, and say nothing. */
const NO_WORD =
  /^(?:(?![\d#*×°])[\p{Extended_Pictographic}\p{So}→←>=_~^`\\]|[\u{1f3fb}-\u{1f3ff}]|\u200d|\ufe0f)$/u
const PARTS = /^[,;()[\]{}.!\n|]$/

/** The number of a line in a list: `2. 12 leeks`; not a day, `2. 5.`. */
const LIST_NUMBER = /(?<=^|\n)[ \t]*\d{1,2}[.)][ \t]+(?=\d+[ \t]*\p{L})/gu

/** A text without what cannot be seen, as long as before. */
export const seen = (text: string): string =>
  text
    .replace(UNSEEN, (sign) => (sign === '\n' ? '\n' : ' '.repeat(sign.length)))
    .replace(/[’‘′″”“–—−⁄*]/g, (sign) => SAME[sign] ?? sign)
    .replace(LIST_NUMBER, (number) => ' '.repeat(number.length))

/** A dash that parts two thoughts, or joins two words; none where it stands between figures or before one. */
function isJoiner(text: string, from: number): boolean {
  const before = text[from - 1] ?? ' '
  const after = text[from + 1] ?? ' '
  return !/\d/.test(after) || /\p{L}/u.test(before)
}

/** A colon between figures, with a space on both sides of it or on neither: `1:200`, `500 : 1`; not `tray 5: 12`. */
const isRatio = (text: string, at: number) =>
  /^\d$/.test(text[at - 1] ?? '')
    ? /\d/.test(text[at + 1] ?? '')
    : /\d\s+$/.test(text.slice(Math.max(0, at - 4), at)) && /^\s+\d/.test(text.slice(at + 1, at + 5))

/**
 * A sentence in words, numbers and signs: commas, brackets and stops part, hyphens between words join.
 *
 * @example tokensOf('12 six-packs').map(({ plain }) => plain) // ['12', 'six', 'pack']
 */
export function tokensOf(written: string): Token[] {
  const text = seen(written)
  const tokens: Token[] = []
  let parted = false
  let end = -1
  for (const { 0: piece, index: from } of text.matchAll(PIECE)) {
    const lineEnds = text.slice(Math.max(0, end), from).includes('\n')
    parted ||= lineEnds
    // A colon between figures is a ratio or a time.
    if (
      PARTS.test(piece) ||
      (NO_WORD.test(piece) && piece !== '°') ||
      (piece === ':' && !isRatio(text, from))
    ) {
      parted = true
      continue
    }
    if (piece === '-') {
      if (/\s/.test(text[from - 1] ?? ' ') && /[\s>]/.test(text[from + 1] ?? ' ')) {
        parted = true
        continue
      }
      if (isJoiner(text, from)) continue
    }
    const to = from + piece.length
    const quoted = piece.length > 2 && /^["']/.test(piece) && piece.endsWith(piece.slice(0, 1))
    const inside = quoted ? piece.slice(1, -1) : piece
    const kind =
      !GENERATION.test(inside) && /^[\d.,½]|[^\p{L}"'\s]$/u.test(inside) && /\d/.test(inside)
        ? 'number'
        : wordOrSign(inside)
    tokens.push({
      kind,
      text: written.slice(from, to),
      from,
      to,
      plain: quoted ? inside.split(/\s+/).map(plainWord).join(' ') : plainOf(inside, kind),
      lower: inside.toLowerCase(),
      parted,
      glued: end === from,
      quoted,
    })
    parted = false
    end = to
  }
  return tokens
}

const wordOrSign = (piece: string): Token['kind'] =>
  new RegExp(`^[${FRACTION_GLYPHS}]$`).test(piece) ? 'number' : /\p{L}/u.test(piece) ? 'word' : 'sign'

/** Short for a span of time. */
const SHORT: ReadonlyMap<string, string> = new Map(
  Object.entries({
    wk: 'week',
    wks: 'week',
    mth: 'month',
    doz: 'dozen',
    dz: 'dozen',
    pk: 'pack',
    pks: 'pack',
    ea: 'each',
    mths: 'month',
    yrs: 'year',
    yr: 'year',
  }),
)
const plainOf = (piece: string, kind: Token['kind']): string =>
  kind === 'word' ? (SHORT.get(piece.toLowerCase()) ?? plainWord(piece.normalize('NFC'))) : piece
