import Papa from 'papaparse'
import type { Bodies, Stored } from '#shared/records/collections'
import type { Collection } from '../records/collection-names'
import { writtenCell } from './cells'
import type { Names } from './names'
import { fieldAt, type Beside, type Table } from './table'

/** How a table is written: with commas and points, or as spreadsheets of half of Europe read it. */
export type Style = 'point' | 'comma'

/** What a spreadsheet would take for a formula; a number that is below nought is none. */
const FORMULA = /^(?![+-]?\d+(?:[.,]\d+)?$)'*[=+\-@\t\r]/

/**
 * Records as a table: RFC 4180, the names of the columns in the first line. Read again it says the same.
 */
export function writeTable<C extends Collection>(
  table: Table<C>,
  records: readonly Stored<Bodies[C]>[],
  { names, style, beside = {} }: { names: Names; style: Style; beside?: Beside },
): string {
  const data = records.flatMap((stored) =>
    (table.lines?.(stored, names, beside) ?? [null]).map((line) =>
      table.columns.map((column) => {
        const value =
          line && column.key in line
            ? line[column.key]
            : column.key === 'id'
              ? stored.id
              : column.path
                ? fieldAt(stored.body, column.path)
                : undefined
        const cell = writtenCell(value, column, names)
        const marked = (figures: string) => (style === 'comma' ? figures.replace('.', ',') : figures)
        if (typeof cell !== 'number') return column.holds.kind === 'pack' ? marked(cell) : cell
        const figures = marked(plain(cell))
        // Little of a hundred says so itself: 0.5 could be a half.
        return column.holds.kind === 'percent' && cell > 0 && cell <= 1 ? `${figures} %` : figures
      }),
    ),
  )
  // Spreadsheets that want commas for decimals tell UTF-8 by its mark.
  return `${style === 'comma' ? '\uFEFF' : ''}${Papa.unparse(
    { fields: table.columns.map(({ key }) => key), data },
    { delimiter: style === 'comma' ? ';' : ',', escapeFormulae: FORMULA },
  )}\r\n`
}

/** A number in figures alone, never `1e-7`. */
const plain = (value: number) =>
  value.toLocaleString('en', { useGrouping: false, maximumSignificantDigits: 15 })
