import { inWords, type AnyProblem, type SaidProblem } from '#shared/messages/refusals'
import { present } from '#core/present'
import { at as elementAt, first as firstOf } from '#core/numeric/at'
import Papa from 'papaparse'
import { bodyOf, type Bodies, type Stored } from '#shared/records/collections'
import type { Collection } from '../records/collection-names'
import { printPath } from '#core/problem'
import type { UnitSystem } from '#core/units/unit'
import { problemsFrom } from '../records/rules'
import { dateOrder } from '#core/readings/logger'
import { decimalOf, readCell, type Written } from './cells'
import type { Column } from './column'
import { asHeading, matchHeadings, type Heading } from './match'
import type { Named, Names } from './names'
import { fieldAt, withField, type Said, type Table } from './table'

export const MAX_LINES = 20_000
export const MAX_RECORDS = 1000
const MAX_COLUMNS = 80

/** What somebody put right about how their table is read. */
export interface Reading {
  /** The key of each column; null for one that is left alone. By its headings where nothing is said. */
  readonly columns?: readonly (string | null)[]
  readonly decimal?: Exclude<Written['decimal'], null> | undefined
  readonly days?: Exclude<Written['days'], null> | undefined
  /** Whether the first line is a line like any other. */
  readonly headless?: boolean
}

export interface LineProblem {
  readonly line: number
  /** The column it is in; empty for the line as a whole. */
  readonly column: string
  readonly message: string
}

/** Lines of a table that make one record. */
export interface ReadRecord {
  /** Of the file, the first line 1. */
  readonly lines: readonly number[]
  readonly said: readonly Said[]
  readonly problems: readonly LineProblem[]
}

export interface ReadTable {
  readonly separator: string
  readonly written: Written
  readonly headings: readonly (Heading & { readonly sample: string })[]
  /** Columns without which nothing can be read, that no heading names. */
  readonly missing: readonly string[]
  readonly records: readonly ReadRecord[]
}

/** A text that is no table, in words. */
export class NoTable extends Error {}

/**
 * A table as somebody keeps it: whatever its separator, its decimals and the language of its headings. Nothing is made of it
 * yet: each line says what it says, or what is wrong with it.
 *
 * @throws NoTable where it cannot be read at all
 */
export function readTable(
  text: string,
  table: Table,
  asked: Reading,
  { names, units }: { names: Names; units: UnitSystem },
): ReadTable {
  const { lines, separator } = linesOf(text)
  const width = Math.max(...lines.map(({ cells }) => cells.length))
  if (width > MAX_COLUMNS)
    throw new NoTable(`A table has at most ${MAX_COLUMNS} columns; this one has ${width}.`)
  const first = asked.headless ? undefined : lines[0]
  const rows = first ? lines.slice(1) : lines
  if (rows.length === 0) throw new NoTable('There is no line below the headings.')
  const texts = Array.from({ length: width }, (_, i) => first?.cells[i]?.trim() ?? '')
  const headings = asked.columns
    ? texts.map((one, i) =>
        asHeading(
          one,
          table.columns.find(({ key }) => key === present(asked.columns)[i]),
          units,
        ),
      )
    : matchHeadings(texts, table, units)
  const columnAt = headings.map(({ key }) => table.columns.find((one) => one.key === key))
  const cellsOf = (...kinds: readonly string[]) =>
    rows.flatMap(({ cells }) => cells.filter((_, i) => columnAt[i] && kinds.includes(columnAt[i].holds.kind)))
  // What was written here parts cells by commas where it writes points, and by semicolons where it writes commas.
  const own = texts.join() === table.columns.map(({ key }) => key).join()
  const written: Written = {
    decimal:
      asked.decimal ??
      (own && separator !== '\t' ? (separator === ';' ? 'comma' : 'point') : null) ??
      decimalOf(cellsOf('number', 'whole', 'percent', 'quantity', 'pack'), separator),
    days: asked.days ?? dateOrder(cellsOf('day')),
  }
  const named = new Set(headings.map(({ key }) => key))
  const missing = table.columns.filter(({ key, required }) => required && !named.has(key))
  return {
    separator,
    written,
    headings: headings.map((one, i) => ({
      ...one,
      sample: rows.map(({ cells }) => cells[i]?.trim() ?? '').find((cell) => cell !== '') ?? '',
    })),
    missing: missing.map(({ key }) => key),
    records: missing.length
      ? []
      : grouped(
          rows.map(({ line, cells }) => readLine(line, cells, columnAt, headings, { written, names, units })),
          table,
          names,
        ),
  }
}

/** Its lines with their numbers, blank ones left out. */
function linesOf(text: string) {
  const whole = text.replace(/^\uFEFF/, '')
  const separator = separatorOf(whole)
  const { data, errors } = Papa.parse<string[]>(whole, { delimiter: separator })
  const quotes = errors.find(({ type }) => type === 'Quotes')
  if (quotes)
    throw new NoTable(`A quote is opened near line ${(quotes.row ?? 0) + 1} and never closed as it should.`)
  const lines: { line: number; cells: string[] }[] = []
  let line = 1
  for (const cells of data) {
    if (cells.some((cell) => cell.trim() !== '')) lines.push({ line, cells: cells.map(undefused) })
    line += 1 + cells.reduce((sum, cell) => sum + (cell.match(/\n/g)?.length ?? 0), 0)
  }
  if (lines.length === 0) throw new NoTable('There is nothing in it.')
  if (lines.length > MAX_LINES + 1)
    throw new NoTable(`A table has at most ${MAX_LINES} lines; cut it in two.`)
  return { lines, separator }
}

/** What parts the cells of its first line; headings hold little else. */
function separatorOf(text: string): string {
  const first = firstOf(text.trimStart().split(/\r?\n/, 1)).replace(/"[^"]*"/g, '')
  const count = (mark: string) => first.split(mark).length - 1
  return ['\t', ';', ',', '|'].reduce((best, mark) => (count(mark) > count(best) ? mark : best), ',')
}

/** What was written so that no spreadsheet takes it for a formula is read as what it was. */
const undefused = (cell: string) => cell.replace(/^'(?='*[=+\-@\t\r])/, '')

function readLine(
  line: number,
  cells: readonly string[],
  columns: readonly (Column | undefined)[],
  headings: readonly Heading[],
  how: { written: Written; names: Names; units: UnitSystem },
): { line: number; said: Said; problems: LineProblem[] } {
  const said: Record<string, unknown> = {}
  const problems: LineProblem[] = []
  for (const [i, column] of columns.entries()) {
    const cell = cells[i] ?? ''
    if (!column || column.onlyOut || cell.trim() === '') continue
    const read = readCell(cell, column, { ...how, unit: elementAt(headings, i).unit })
    if ('problem' in read) problems.push({ line, column: column.key, message: read.problem })
    else said[column.key] = read.value
  }
  for (const column of columns)
    if (
      column?.required &&
      said[column.key] === undefined &&
      !problems.some((one) => one.column === column.key)
    )
      problems.push({ line, column: column.key, message: 'This is empty.' })
  return { line, said, problems }
}

function grouped(lines: readonly ReturnType<typeof readLine>[], table: Table, names: Names): ReadRecord[] {
  const records = new Map<string, { lines: number[]; said: Said[]; problems: LineProblem[] }>()
  for (const { line, said, problems } of lines) {
    const key = table.group ? table.group(said) : String(line)
    const one = records.get(key) ?? { lines: [], said: [], problems: [] }
    one.lines.push(line)
    one.said.push(said)
    one.problems.push(...problems)
    const doubt = problems.length === 0 ? table.doubts?.(said, names) : null
    if (doubt) one.problems.push({ line, column: '', message: doubt })
    records.set(key, one)
  }
  if (records.size > MAX_RECORDS)
    throw new NoTable(
      `At most ${MAX_RECORDS} records are taken in at once; this table makes ${records.size}. Cut it in two.`,
    )
  return [...records.values()]
}

/** What lines make over what stands, before it is checked; or what is wrong with them. */
function madeFrom(
  { said }: ReadRecord,
  table: Table,
  stood: object | null,
  names: Names,
): object | readonly AnyProblem[] {
  const begun = structuredCloneOf(stood ?? table.begin?.(firstOf(said)) ?? {})
  const body = table.columns.reduce((so, { key, path }) => {
    const value = firstOf(said)[key]
    return path && value !== undefined ? withField(so, path, asField(value)) : so
  }, begun)
  return table.make?.(said, body, names, stood !== null) ?? body
}

/**
 * The record that lines make, over the one that stands: what an empty cell says nothing of stays as it was.
 *
 * @returns the body, or what is wrong with it at which column
 */
export function recordFrom<C extends Collection>(
  record: ReadRecord,
  table: Table,
  stood: Bodies[C] | null,
  names: Names,
): { body: Bodies[C] } | { problems: LineProblem[] } {
  const at = (problem: AnyProblem): LineProblem => ({
    line: firstOf(record.lines),
    ...columnOf(problem, table),
  })
  const made = madeFrom(record, table, stood, names)
  if (Array.isArray(made)) return { problems: (made as AnyProblem[]).map(at) }
  const read = bodyOf(table.collection as C).safeParse(made)
  if (read.success) return { body: read.data }
  const missing = ({ path, message }: SaidProblem): SaidProblem => ({
    path,
    message: path.length && fieldAt(made, path.join('.')) === undefined ? missingIn(table) : message,
  })
  return { problems: problemsFrom(read.error).map(missing).map(at) }
}
const structuredCloneOf = (body: object) => JSON.parse(JSON.stringify(body)) as Record<string, unknown>
const asField = (value: unknown): unknown =>
  Array.isArray(value)
    ? value.map(asField)
    : value && typeof value === 'object' && 'id' in value
      ? (value as Named).id
      : value

/** The column a problem with a record is in. */
export function columnOf(problem: AnyProblem, table: Table): { column: string; message: string } {
  const { path, message } = inWords(problem)
  const written = printPath(path[0] === 'body' ? path.slice(1) : path).replace(/\[(\d+)\]/g, '.$1')
  const column = table.columns.find((one) => one.key === written || one.path === written)
  if (column) return { column: column.key, message }
  return { column: '', message: written ? `${written}: ${message}` : message }
}
const missingIn = ({ columns }: Table) =>
  columns.some(({ key }) => key === 'like')
    ? 'This is missing. Say it, or name under “like” something of the book that has it.'
    : 'This is missing.'

/** Among what stands of a table, finds the one a record means; null where it means none, or two. */
export function meantAmong<C extends Collection>(
  table: Table<C>,
  standing: readonly Stored<Bodies[C]>[],
  names: Names,
) {
  const byId = new Map(standing.map((one) => [one.id, one]))
  const byKey = new Map<string, Stored<Bodies[C]> | null>()
  for (const one of standing) {
    const key = table.same?.(one.body, names)
    // What two are cannot say which is meant.
    if (key != null) byKey.set(key, byKey.has(key) ? null : one)
  }
  /** The one a record means: by the id its lines give, else the same thing by what they say. */
  return (record: ReadRecord): Stored<Bodies[C]> | null => {
    const named = byId.get(String(firstOf(record.said).id ?? '').toLowerCase())
    if (named || byKey.size === 0) return named ?? null
    const made = madeFrom(record, table as unknown as Table, null, names)
    return Array.isArray(made) ? null : (byKey.get(table.same?.(made as Bodies[C], names) ?? '') ?? null)
  }
}
