import { wholeWithin, within, type Problem, wrongAt } from '../problem'

/** Labels on a sheet of paper, mm, by its own dimensions. */
export interface LabelSheet {
  readonly pageWidthMm: number
  readonly pageHeightMm: number
  readonly labelWidthMm: number
  readonly labelHeightMm: number
  readonly columns: number
  readonly rows: number
  /** From the left and top edge of the paper to the first label. */
  readonly leftMm: number
  readonly topMm: number
  /** Between one label and the next. */
  readonly gapXMm: number
  readonly gapYMm: number
}

export const LABEL_KINDS = ['stake', 'tape', 'cup', 'row', 'bottle', 'tub'] as const
export type LabelKind = (typeof LABEL_KINDS)[number]

const A4 = { pageWidthMm: 210, pageHeightMm: 297 } as const
const LETTER = { pageWidthMm: 215.9, pageHeightMm: 279.4 } as const

/**
 * As many as fit on plain paper, edge to edge, to be cut out.
 *
 * @example onPlainPaper('a4', 60, 40).columns // 3
 */
export function onPlainPaper(
  paper: 'a4' | 'letter',
  labelWidthMm: number,
  labelHeightMm: number,
): LabelSheet {
  const page = paper === 'a4' ? A4 : LETTER
  const margin = 10
  const columns = Math.max(1, Math.floor((page.pageWidthMm - 2 * margin) / labelWidthMm))
  const rows = Math.max(1, Math.floor((page.pageHeightMm - 2 * margin) / labelHeightMm))
  return {
    ...page,
    labelWidthMm,
    labelHeightMm,
    columns,
    rows,
    leftMm: (page.pageWidthMm - columns * labelWidthMm) / 2,
    topMm: margin,
    gapXMm: 0,
    gapYMm: 0,
  }
}

/** What each kind measures on plain paper, mm [common practice]. */
export const LABEL_SIZES: Record<LabelKind, readonly [width: number, height: number]> = {
  stake: [95, 19],
  tape: [90, 24],
  cup: [63, 38],
  row: [185, 15],
  bottle: [90, 50],
  tub: [90, 60],
}

/** What is wrong with a sheet, each at its field. */
export function sheetProblems(sheet: LabelSheet): Problem[] {
  const measure = (field: keyof LabelSheet, low: number, high: number) =>
    within([field], sheet[field], low, high, 'mm')
  const wide = sheet.leftMm + sheet.columns * sheet.labelWidthMm + (sheet.columns - 1) * sheet.gapXMm
  const high = sheet.topMm + sheet.rows * sheet.labelHeightMm + (sheet.rows - 1) * sheet.gapYMm
  const problems = [
    ...measure('pageWidthMm', 50, 450),
    ...measure('pageHeightMm', 50, 450),
    ...measure('labelWidthMm', 20, 300),
    ...measure('labelHeightMm', 8, 300),
    ...wholeWithin(['columns'], sheet.columns, 1, 20),
    ...wholeWithin(['rows'], sheet.rows, 1, 60),
    ...measure('leftMm', 0, 200),
    ...measure('topMm', 0, 200),
    ...measure('gapXMm', 0, 50),
    ...measure('gapYMm', 0, 50),
  ]
  if (problems.length) return problems
  const over = (mm: number) => Math.round(mm * 10) / 10
  return [
    ...(wide > sheet.pageWidthMm + 0.05
      ? [
          wrongAt(['columns'], 'sheetTooWide', {
            n: sheet.columns,
            reach: over(wide),
            paper: sheet.pageWidthMm,
          }),
        ]
      : []),
    ...(high > sheet.pageHeightMm + 0.05
      ? [wrongAt(['rows'], 'sheetTooHigh', { n: sheet.rows, reach: over(high), paper: sheet.pageHeightMm })]
      : []),
  ]
}

/** Where a label lies. */
export interface LabelSpot {
  readonly page: number
  readonly x: number
  readonly y: number
}

/**
 * Where so many labels lie, row by row; the first sheet may have been used before.
 *
 * @param start the place of the first label on its sheet, from 1
 * @example labelSpots(onPlainPaper('a4', 60, 40), 1)[0] // ({ page: 0, x: 15, y: 10 })
 */
export function labelSpots(sheet: LabelSheet, count: number, start = 1): LabelSpot[] {
  const each = sheet.columns * sheet.rows
  return Array.from({ length: count }, (_, i) => {
    const n = i + start - 1
    const on = n % each
    return {
      page: Math.floor(n / each),
      x: sheet.leftMm + (on % sheet.columns) * (sheet.labelWidthMm + sheet.gapXMm),
      y: sheet.topMm + Math.floor(on / sheet.columns) * (sheet.labelHeightMm + sheet.gapYMm),
    }
  })
}
