import { at as elementAt, first } from '#core/numeric/at'
import { counted } from '#core/text/plurals'
import type { Container } from '#core/containers/container'
import { trayPlan } from '#core/trays/drawing'
import { boundaries } from '#core/trays/layout'
import type { TrayStands } from '#core/trays/standing'
import type { Stored } from '#shared/records/collections'
import type { TrayRecord } from '#shared/records/tray'
import { layoutOf } from '#shared/records/tray-layout'
import { lettersFor, PT } from './letters'
import { newPaper } from './paper'
import { drawCode } from './labels'

const MARGIN_MM = 14
const QR_MM = 22
const LINE_MM = 7

/** One tray on its key. */
export interface KeyTray {
  readonly tray: Stored<TrayRecord>
  readonly stands: TrayStands
  readonly container: Container
  readonly placeName: string
  readonly address: string
  /** Of each group by its code: when it was sown or set. */
  readonly days: ReadonlyMap<string, string>
}

/**
 * The key on paper: each tray drawn with the letters of its groups and its marked corner, a table of the letters, and room for
 * counts by pencil.
 *
 * @param perSheet trays on one sheet
 */
export async function keyPdf(
  trays: readonly KeyTray[],
  paper: 'a4' | 'letter',
  perSheet: 1 | 2,
): Promise<Buffer> {
  const { pdf, finish } = newPaper('Key of trays')
  const [wide, high] = paper === 'a4' ? [210, 297] : [215.9, 279.4]
  const size: [number, number] = [wide * PT, high * PT]
  pdf.addPage({ size, margin: 0 })
  const letters = lettersFor(pdf)
  const room = (high - MARGIN_MM) / perSheet
  trays.forEach((one, i) => {
    if (i > 0 && i % perSheet === 0) pdf.addPage({ size, margin: 0 })
    drawKey(
      pdf,
      letters,
      one,
      MARGIN_MM,
      MARGIN_MM + (i % perSheet) * room,
      wide - 2 * MARGIN_MM,
      room - MARGIN_MM,
    )
  })
  return finish()
}

function drawKey(
  pdf: PDFKit.PDFDocument,
  { set, measure }: Awaited<ReturnType<typeof lettersFor>>,
  { tray, stands, container, placeName, address, days }: KeyTray,
  left: number,
  top: number,
  width: number,
  height: number,
) {
  const { body, number } = tray
  pdf.fillColor('#000')
  set(`Tray ${number}`, left, top + 7, 8, true)
  set([body.name, placeName].filter(Boolean).join(', '), left, top + 13, 4)
  drawCode(pdf, address, left + width - QR_MM, top - 2, QR_MM)

  const table = Math.min(stands.groups.length, 30) * LINE_MM + LINE_MM
  const plan = trayPlan(container, body, body)
  const scale = Math.min(width / plan.widthMm, Math.max(30, height - 26 - table) / plan.heightMm)
  const [x0, y0] = [left, top + 23]
  const at = (mm: number) => mm * scale
  pdf
    .lineWidth(0.3 * PT)
    .rect(x0 * PT, y0 * PT, at(plan.widthMm) * PT, at(plan.heightMm) * PT)
    .stroke('#000')
  const { x, y } = plan.mark
  const [mx, my] = [x0 + at(x), y0 + at(y)]
  const [dx, dy] = [x ? -1 : 1, y ? -1 : 1]
  pdf
    .moveTo(mx * PT, my * PT)
    .lineTo((mx + 5 * dx) * PT, my * PT)
    .lineTo(mx * PT, (my + 5 * dy) * PT)
    .fill('#000')
  const smallest = Math.min(...plan.cells.map(({ w, h }) => Math.min(w, h))) * scale
  plan.cells.forEach((cell, i) => {
    const [cx, cy, cw, ch] = [x0 + at(cell.x), y0 + at(cell.y), at(cell.w), at(cell.h)]
    pdf.lineWidth(0.12 * PT)
    if (plan.round)
      pdf.ellipse((cx + cw / 2) * PT, (cy + ch / 2) * PT, (cw / 2) * PT, (ch / 2) * PT).stroke('#000')
    else pdf.rect(cx * PT, cy * PT, cw * PT, ch * PT).stroke('#000')
    const code = elementAt(body.cells, i)
    if (!code) return
    const letterMm = Math.min(5, smallest * 0.55)
    pdf.fillColor('#000')
    // The rest of the cell stays white for a pencil.
    set(code, cx + cw / 2 - measure(code, letterMm, true) / 2, cy + letterMm, letterMm, true)
  })
  pdf.lineWidth(0.7 * PT)
  for (const { cell, side } of boundaries(layoutOf(body))) {
    const one = elementAt(plan.cells, cell)
    const other = elementAt(plan.cells, side === 'right' ? cell + 1 : cell + body.columns)
    const upright = (side === 'right') !== body.turned
    const bx = x0 + at(Math.max(one.x, other.x) - 1.5)
    const by = y0 + at(Math.max(one.y, other.y) - 1.5)
    if (upright) pdf.moveTo(bx * PT, (y0 + at(one.y)) * PT).lineTo(bx * PT, (y0 + at(one.y + one.h)) * PT)
    else pdf.moveTo((x0 + at(one.x)) * PT, by * PT).lineTo((x0 + at(one.x + one.w)) * PT, by * PT)
    pdf.stroke('#000')
  }

  let line = y0 + at(plan.heightMm) + LINE_MM
  const columns = [0, 10, width * 0.5, width * 0.66, width * 0.83].map((mm) => left + mm)
  for (const [i, head] of ['', 'what', 'cells', 'day', 'up'].entries())
    set(head, elementAt(columns, i), line, 3)
  for (const { group, cells } of stands.groups) {
    line += LINE_MM
    pdf
      .lineWidth(0.1 * PT)
      .moveTo(left * PT, (line + 1.6) * PT)
      .lineTo((left + width) * PT, (line + 1.6) * PT)
      .stroke('#000')
    pdf.fillColor('#000')
    set(group.code, first(columns), line, 4.2, true)
    set(
      group.name,
      elementAt(columns, 1),
      line,
      Math.min(
        4.2,
        (4.2 * (elementAt(columns, 2) - elementAt(columns, 1) - 2)) / measure(group.name, 4.2, false),
      ),
    )
    set(counted(cells, 'cell'), elementAt(columns, 2), line, 3.6)
    set(days.get(group.code) ?? '', elementAt(columns, 3), line, 3.6)
  }
}
