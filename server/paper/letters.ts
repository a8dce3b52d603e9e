import { present } from '#core/present'
import { first } from '#core/numeric/at'
import type PDFKit from 'pdfkit'
import type { Measure } from '#core/trays/label'
import { fileOfFont, fontFile, SUBSETS, WEIGHTS, type Weight } from './fonts'

/** Points in a millimetre. */
export const PT = 72 / 25.4

interface Face {
  hasGlyphForCodePoint(codePoint: number): boolean
}

/**
 * The letters of a document: how wide words are, and words set where a line stands. Both split words by the file that
 * has their letters, so that what is measured is what is set.
 */
export function lettersFor(pdf: PDFKit.PDFDocument) {
  for (const subset of SUBSETS)
    for (const weight of Object.keys(WEIGHTS) as Weight[]) {
      const file = fontFile(fileOfFont(subset, weight))
      pdf.registerFont(`${subset} ${weight}`, Buffer.from(file))
    }
  const faceOf = (subset: string, weight: Weight) => {
    pdf.font(`${subset} ${weight}`)
    return (pdf as unknown as { _font: { font: Face } })._font.font
  }
  const faces = SUBSETS.map((subset) => ({ subset, face: faceOf(subset, 'regular') }))
  const subsetOf = (letter: string) =>
    (faces.find(({ face }) => face.hasGlyphForCodePoint(present(letter.codePointAt(0)))) ?? first(faces))
      .subset

  function parts(text: string) {
    const list: { subset: string; text: string }[] = []
    for (const letter of text) {
      const last = list.at(-1)
      // A space belongs to the words before it.
      const subset = letter === ' ' && last ? last.subset : subsetOf(letter)
      if (last?.subset === subset) last.text += letter
      else list.push({ subset, text: letter })
    }
    return list
  }
  const use = (subset: string, bold: boolean, sizeMm: number) =>
    pdf.font(`${subset} ${bold ? 'bold' : 'regular'}`).fontSize(sizeMm * PT)

  const measure: Measure = (text, sizeMm, bold) =>
    parts(text).reduce((sum, part) => {
      use(part.subset, bold, sizeMm)
      return sum + pdf.widthOfString(part.text) / PT
    }, 0)
  /** @param y the line the words stand on, mm from the top of the paper */
  function set(text: string, x: number, y: number, sizeMm: number, bold = false) {
    let at = x
    for (const part of parts(text)) {
      use(part.subset, bold, sizeMm)
      pdf.text(part.text, at * PT, y * PT, { lineBreak: false, baseline: 'alphabetic' })
      at += pdf.widthOfString(part.text) / PT
    }
  }
  return { measure, set }
}
