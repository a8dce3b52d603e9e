import { at as elementAt } from '#core/numeric/at'
import { lettersFor, PT } from './letters'
import { newPaper } from './paper'

/** What a page of text holds, from the top down. */
export type Block =
  | { readonly kind: 'heading'; readonly text: string }
  | { readonly kind: 'text'; readonly text: string; readonly soft?: boolean }
  | { readonly kind: 'caution'; readonly title: string; readonly text: string }
  /** Lines with a box to tick in pencil, or numbered. */
  | { readonly kind: 'list'; readonly marks: 'boxes' | 'numbers' | 'none'; readonly items: readonly Item[] }
  /** The first column is as wide as it wants within its share. */
  | {
      readonly kind: 'table'
      readonly columns: readonly string[]
      readonly rows: readonly (readonly string[])[]
      readonly shares: readonly number[]
    }
  /** Bars on one axis, each from and to a share of the width. */
  | {
      readonly kind: 'bars'
      readonly ticks: readonly { readonly at: number; readonly text: string }[]
      readonly rows: readonly {
        readonly name: string
        readonly parts: readonly { readonly from: number; readonly to: number; readonly shade: number }[]
        readonly end: number
      }[]
      readonly mark: number | null
    }
export interface Item {
  readonly title: string
  readonly text: string
}

/** A document that flows over as many sheets as it needs. */
export interface Writing {
  readonly title: string
  readonly kicker: string
  readonly blocks: readonly Block[]
}
export type PaperSize = 'a4' | 'letter'

const MARGIN_MM = 16
const BODY_MM = 3.4
const LINE = 1.42
const SMALL_MM = 2.9
const NAME_MM = 42

/** A document as PDF, in black only: titles, text, lists to tick, tables whose heads come again on each sheet, bars. */
export async function documentPdf({ title, kicker, blocks }: Writing, paper: PaperSize): Promise<Buffer> {
  const { pdf, finish } = newPaper(title)
  const [wide, high] = paper === 'a4' ? [210, 297] : [215.9, 279.4]
  const page = () => pdf.addPage({ size: [wide * PT, high * PT], margin: 0 })
  page()
  const { measure, set } = lettersFor(pdf)
  const width = wide - 2 * MARGIN_MM
  let y = MARGIN_MM
  let sheet = 1
  const foot = () => set(`${title} · ${sheet}`, MARGIN_MM, high - 9, SMALL_MM)
  function next() {
    foot()
    page()
    sheet++
    y = MARGIN_MM
  }
  /** Room for so much, on this sheet or the next. @returns whether a new one was begun */
  function room(mm: number): boolean {
    if (y + mm <= high - MARGIN_MM) return false
    next()
    return true
  }
  function wrapped(text: string, size: number, within: number, bold = false): string[] {
    const lines: string[] = []
    let line = ''
    for (const word of text.split(/\s+/).filter(Boolean)) {
      const longer = line ? `${line} ${word}` : word
      if (line && measure(longer, size, bold) > within) {
        lines.push(line)
        line = word
      } else line = longer
    }
    return line ? [...lines, line] : lines
  }
  function write(text: string, { x = MARGIN_MM, size = BODY_MM, within = width, bold = false } = {}) {
    for (const line of wrapped(text, size, within, bold)) {
      room(size * LINE)
      y += size * LINE
      set(line, x, y, size, bold)
    }
  }
  const rule = (at: number, mm = 0.2, from = MARGIN_MM, to = wide - MARGIN_MM) =>
    pdf
      .lineWidth(mm * PT)
      .moveTo(from * PT, at * PT)
      .lineTo(to * PT, at * PT)
      .stroke()

  function table({ columns, rows, shares }: Extract<Block, { kind: 'table' }>) {
    const sum = shares.reduce((a, b) => a + b, 0)
    const widths = shares.map((share) => (share / sum) * width - 2)
    const lefts = shares.map((_, i) => MARGIN_MM + widths.slice(0, i).reduce((a, b) => a + b + 2, 0))
    const row = (cells: readonly string[], bold: boolean) => {
      const lines = cells.map((cell, i) => wrapped(cell, SMALL_MM, elementAt(widths, i), bold))
      const tall = Math.max(1, ...lines.map(({ length }) => length)) * SMALL_MM * LINE + 1.2
      if (room(tall) && !bold) row(columns, true)
      lines.forEach((cell, i) =>
        cell.forEach((line, n) =>
          set(line, elementAt(lefts, i), y + (n + 1) * SMALL_MM * LINE, SMALL_MM, bold || i === 0),
        ),
      )
      y += tall
      rule(y, bold ? 0.4 : 0.1)
    }
    room(SMALL_MM * LINE * 3)
    row(columns, true)
    for (const cells of rows) row(cells, false)
    y += 2
  }

  function list({ marks, items }: Extract<Block, { kind: 'list' }>) {
    items.forEach(({ title: head, text }, i) => {
      const indent = marks === 'none' ? 0 : 7
      room(BODY_MM * LINE * 2)
      if (marks === 'boxes')
        pdf
          .lineWidth(0.3 * PT)
          .rect(MARGIN_MM * PT, (y + 1.4) * PT, 3.4 * PT, 3.4 * PT)
          .stroke()
      if (marks === 'numbers') set(String(i + 1), MARGIN_MM, y + BODY_MM * LINE, BODY_MM, true)
      const at = { x: MARGIN_MM + indent, within: width - indent }
      if (head) write(head, { ...at, bold: true })
      if (text) write(text, at)
      y += 1.2
    })
    y += 1
  }

  function bars({ ticks, rows, mark }: Extract<Block, { kind: 'bars' }>) {
    const x = (share: number) => MARGIN_MM + NAME_MM + Math.min(1, Math.max(0, share)) * (width - NAME_MM)
    const head = () => {
      y += 4
      for (const tick of ticks) set(tick.text, x(tick.at) + 0.6, y, 2.6)
      y += 1.5
      rule(y, 0.3, MARGIN_MM + NAME_MM)
    }
    room(24)
    head()
    for (const { name, parts, end } of rows) {
      if (room(6.5)) head()
      const cut = wrapped(name, SMALL_MM, NAME_MM - 2)[0] ?? ''
      set(cut, MARGIN_MM, y + 4.4, SMALL_MM)
      for (const tick of ticks)
        pdf
          .lineWidth(0.08 * PT)
          .moveTo(x(tick.at) * PT, y * PT)
          .lineTo(x(tick.at) * PT, (y + 6) * PT)
          .stroke()
      for (const part of parts) {
        const grey = `#${Math.round(235 - part.shade * 150)
          .toString(16)
          .padStart(2, '0')
          .repeat(3)}`
        pdf
          .rect(x(part.from) * PT, (y + 1) * PT, Math.max(0.3, x(part.to) - x(part.from)) * PT, 4 * PT)
          .lineWidth(0.2 * PT)
          .fillAndStroke(grey, '#000000')
        pdf.fillColor('#000000')
      }
      pdf.circle(x(end) * PT, (y + 3) * PT, 0.9 * PT).fill('#000000')
      if (mark !== null && mark >= 0 && mark <= 1)
        pdf
          .lineWidth(0.5 * PT)
          .moveTo(x(mark) * PT, y * PT)
          .lineTo(x(mark) * PT, (y + 6) * PT)
          .stroke()
      y += 6
    }
    y += 3
  }

  if (kicker) write(kicker, { size: SMALL_MM })
  write(title, { size: 6.4, bold: true })
  y += 2
  for (const block of blocks)
    switch (block.kind) {
      case 'heading':
        room(16)
        y += 3
        write(block.text, { size: 4.4, bold: true })
        y += 1
        break
      case 'text':
        write(block.text, block.soft ? { size: SMALL_MM } : {})
        y += 1
        break
      case 'caution':
        room(10)
        y += 1
        write(`${block.title}: ${block.text}`, {
          size: SMALL_MM,
          x: MARGIN_MM + 4,
          within: width - 4,
          bold: true,
        })
        y += 1
        break
      case 'list':
        list(block)
        break
      case 'table':
        table(block)
        break
      case 'bars':
        bars(block)
    }
  foot()
  return finish()
}
