import { present } from '#core/present'
import { at } from '#core/numeric/at'
import QRCode from 'qrcode'
import type PDFKit from 'pdfkit'
import { drawLabel, type LabelText } from '#core/trays/label'
import { labelSpots, type LabelSheet } from '#core/trays/label-sheet'
import { lettersFor, PT } from './letters'
import { newPaper } from './paper'

/** A hair line to cut along, on plain paper. */
const HAIR_MM = 0.1

/**
 * Labels on sheets, in black only.
 *
 * @param start place of the first label on its sheet, from 1
 * @param cut lines to cut along
 */
export async function labelsPdf(
  texts: readonly LabelText[],
  sheet: LabelSheet,
  { start = 1, cut = false }: { start?: number; cut?: boolean } = {},
): Promise<Buffer> {
  const { pdf, finish } = newPaper('Labels')
  const size: [number, number] = [sheet.pageWidthMm * PT, sheet.pageHeightMm * PT]
  pdf.addPage({ size, margin: 0 })
  const { measure, set } = lettersFor(pdf)
  let page = 0
  labelSpots(sheet, texts.length, start).forEach((spot, i) => {
    for (; page < spot.page; page++) pdf.addPage({ size, margin: 0 })
    const { lines, qr } = drawLabel(at(texts, i), sheet.labelWidthMm, sheet.labelHeightMm, measure)
    if (cut)
      pdf
        .lineWidth(HAIR_MM * PT)
        .rect(spot.x * PT, spot.y * PT, sheet.labelWidthMm * PT, sheet.labelHeightMm * PT)
        .stroke('#000')
    pdf.fillColor('#000')
    for (const line of lines) set(line.text, spot.x + line.x, spot.y + line.y, line.sizeMm, line.bold)
    if (qr) drawCode(pdf, present(at(texts, i).address), spot.x + qr.x, spot.y + qr.y, qr.sizeMm)
  })
  return finish()
}

/** A QR code (ISO/IEC 18004) of dark squares, with a quiet zone of the paper around it. */
export function drawCode(pdf: PDFKit.PDFDocument, address: string, x: number, y: number, sizeMm: number) {
  const { modules } = QRCode.create(address, { errorCorrectionLevel: 'M' })
  const each = sizeMm / (modules.size + 4)
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column))
        pdf.rect((x + (column + 2) * each) * PT, (y + (row + 2) * each) * PT, each * PT, each * PT)
  pdf.fill('#000')
}
