import * as z from 'zod'
import type { Figure } from '#core/working/figure'

/*
 * Figures share figures: written as a tree, one plan of ten containers would be gigabytes. So every figure crosses the wire
 * once, in a table, and wherever it belongs there stands its number in that table.
 */

interface Row {
  name: string
  value: number
  unit: string
  working:
    | { kind: 'given'; source: unknown }
    | { kind: 'derived'; formula: string; inputs: Record<string, number>; why: string }
}

/** Where a figure stands in the table. */
export const place = z.object({ figure: z.int().min(0) })

/** The table: inputs of a derived figure are numbers of rows before it. */
export const figures = z.array(
  z.object({
    name: z.string(),
    value: z.number(),
    unit: z.string(),
    working: z.discriminatedUnion('kind', [
      z.object({ kind: z.literal('given'), source: z.object({ tag: z.string(), cite: z.string() }) }),
      z.object({
        kind: z.literal('derived'),
        formula: z.string(),
        inputs: z.record(z.string(), z.int().min(0)),
        why: z.string(),
      }),
    ]),
  }),
)

const isFigure = (value: object): value is Figure => 'working' in value && 'value' in value && 'unit' in value

/** An answer with each figure once, in time and size in proportion to what is there. */
export function tabled<Answer extends object>(answer: Answer) {
  const rows: Row[] = []
  const known = new Map<Figure, number>()
  const givens = new Map<string, number>()

  function rowOf(figure: Figure): number {
    const there = known.get(figure)
    if (there !== undefined) return there
    const { name, value, unit, working } = figure
    // The same given number is made anew wherever it is needed.
    const said = working.kind === 'given' ? JSON.stringify([name, value, unit, working.source]) : ''
    const same = said ? givens.get(said) : undefined
    if (same !== undefined) return same
    const written: Row['working'] =
      working.kind === 'given'
        ? { kind: 'given', source: working.source }
        : {
            kind: 'derived',
            formula: working.formula,
            why: working.why,
            inputs: Object.fromEntries(
              Object.entries(working.inputs).map(([key, input]) => [key, rowOf(input)]),
            ),
          }
    const row = rows.push({ name, value, unit, working: written }) - 1
    known.set(figure, row)
    if (said) givens.set(said, row)
    return row
  }
  function rewritten(value: unknown): unknown {
    if (typeof value !== 'object' || value === null) return value
    if (Array.isArray(value)) return value.map(rewritten)
    if (isFigure(value)) return { figure: rowOf(value) }
    if (value instanceof Map) return rewritten(Object.fromEntries(value))
    return Object.fromEntries(Object.entries(value).map(([key, inside]) => [key, rewritten(inside)]))
  }
  const plan = rewritten(answer) as object
  return { ...plan, figures: rows }
}
