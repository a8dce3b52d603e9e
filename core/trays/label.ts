/** What stands on a label, in the order it is wanted: what is least wanted comes last. */
export interface LabelText {
  /** Variety and crop. */
  readonly large: string
  /** `sown 12 Apr 2027`. */
  readonly middle: string
  readonly small: readonly string[]
  /** Where its code leads; none without one. */
  readonly address: string | null
}

/** Some words on a label, mm from its top left corner; `y` is the line they stand on. */
export interface LabelLine {
  readonly text: string
  readonly x: number
  readonly y: number
  readonly sizeMm: number
  readonly bold: boolean
}
export interface LabelDrawing {
  readonly lines: readonly LabelLine[]
  readonly qr: { readonly x: number; readonly y: number; readonly sizeMm: number } | null
  /** Small words there was no room for. */
  readonly left: readonly string[]
}

/** How wide words of a size are, mm. */
export type Measure = (text: string, sizeMm: number, bold: boolean) => number

const PAD_MM = 1.6
/** The smallest that is read at arm's length with wet glasses, mm of type (7.1 pt); a code smaller than this is not read. */
const SMALLEST_MM = 2.5
const MIN_QR_MM = 11
const MAX_QR_MM = 22
/** Of the width of a label, so that its words keep the larger part. */
const QR_SHARE = 0.34
/** From one line to the next, and from the top of a line to the one it stands on, in sizes of type. */
const LEADING = 1.16
const ASCENT = 0.8

/**
 * A label as it is drawn: the name as large as there is room for, the day below it, then as many of the small words as
 * fit. Words are made smaller or set on two lines, never cut off.
 */
export function drawLabel(
  text: LabelText,
  widthMm: number,
  heightMm: number,
  measure: Measure,
): LabelDrawing {
  const inner = heightMm - 2 * PAD_MM
  const qrMm = Math.min(inner, MAX_QR_MM, widthMm * QR_SHARE)
  const qr =
    text.address !== null && qrMm >= MIN_QR_MM
      ? { x: widthMm - PAD_MM - qrMm, y: (heightMm - qrMm) / 2, sizeMm: qrMm }
      : null
  const room = widthMm - 2 * PAD_MM - (qr ? qrMm + PAD_MM : 0)
  const lines: LabelLine[] = []
  let y = PAD_MM
  const put = (words: string, sizeMm: number, bold: boolean) => {
    lines.push({ text: words, x: PAD_MM, y: y + ASCENT * sizeMm, sizeMm, bold })
    y += LEADING * sizeMm
  }
  const large = fitted(text.large, room, inner * 0.52, Math.min(9, inner * 0.4), true, measure)
  large.lines.forEach((words) => put(words, large.sizeMm, true))
  const middle = text.middle
    ? fitted(text.middle, room, heightMm - PAD_MM - y, Math.min(5.5, large.sizeMm * 0.75), false, measure)
    : null
  middle?.lines.forEach((words) => put(words, middle.sizeMm, false))
  const sizeMm = Math.max(SMALLEST_MM, Math.min(3.2, inner * 0.16))
  const left: string[] = []
  let line = ''
  const flush = () => {
    if (line) put(line, sizeMm, false)
    line = ''
  }
  for (const one of text.small.filter(Boolean)) {
    const next = line ? `${line} · ${one}` : one
    if (measure(next, sizeMm, false) <= room) line = next
    else {
      // The line that stands goes down; another needs room below it.
      const fits = y + 2 * LEADING * sizeMm <= heightMm - PAD_MM * 0.5 && measure(one, sizeMm, false) <= room
      if (!fits) left.push(one)
      else {
        flush()
        line = one
      }
    }
    if (line && y + LEADING * sizeMm > heightMm - PAD_MM * 0.5) {
      left.push(one)
      line = line === one ? '' : line.slice(0, -(one.length + 3))
    }
  }
  flush()
  return { lines, qr, left }
}

/** Words as large as a box lets them be, on one line or two. */
function fitted(
  text: string,
  widthMm: number,
  heightMm: number,
  mostMm: number,
  bold: boolean,
  measure: Measure,
): { lines: string[]; sizeMm: number } {
  const one = Math.min(
    mostMm,
    heightMm / LEADING,
    (mostMm * widthMm) / Math.max(measure(text, mostMm, bold), 1e-6),
  )
  const halves = inTwo(text, (words) => measure(words, mostMm, bold))
  const widest = halves ? Math.max(...halves.map((words) => measure(words, mostMm, bold))) : Infinity
  const two = Math.min(mostMm, heightMm / (2 * LEADING), (mostMm * widthMm) / widest)
  return halves && two > one ? { lines: halves, sizeMm: two } : { lines: [text], sizeMm: one }
}

/** Broken at the space that leaves the two halves most alike. */
function inTwo(text: string, wide: (words: string) => number): [string, string] | null {
  const words = text.split(' ')
  let best: [string, string] | null = null
  let least = Infinity
  for (let i = 1; i < words.length; i++) {
    const halves: [string, string] = [words.slice(0, i).join(' '), words.slice(i).join(' ')]
    const widest = Math.max(...halves.map(wide))
    if (widest < least) {
      least = widest
      best = halves
    }
  }
  return best
}
