import { present } from '#core/present'
import type { UnitSystem } from '#core/units/unit'
import { unitSpelled } from '#core/units/unit-table'
import type { Column } from './column'
import { folded } from './names'
import type { Table } from './table'

/** A heading of somebody's table, and the column it is. */
export interface Heading {
  readonly text: string
  /** null where no column is called so; it is left alone then. */
  readonly key: string | null
  /** The unit it names, where its column holds a quantity. */
  readonly unit?: string | undefined
}

const UNIT = /[([]\s*([^)\]]+?)\s*[)\]]|(?:,|\bin\b)\s*([^\s,]+)\s*$|[_ ]([a-z°/]+)$/i

/**
 * Which column each heading is, by its name in several languages; a column is taken once, by the heading that says it best.
 */
export function matchHeadings(headings: readonly string[], table: Table, units: UnitSystem): Heading[] {
  const ranked = headings.map((text) =>
    table.columns
      .map((column) => ({ column, by: closeness(text, column) }))
      .filter(({ by }) => by > 0)
      .sort((a, b) => b.by - a.by),
  )
  const taken = new Map<string, number>()
  // The best of all is given away first.
  const offers = ranked
    .flatMap((ofOne, index) => ofOne.map(({ column, by }) => ({ index, column, by })))
    .sort((a, b) => b.by - a.by || a.index - b.index)
  const found = new Map<number, Column>()
  for (const { index, column } of offers) {
    if (found.has(index) || taken.has(column.key)) continue
    found.set(index, column)
    taken.set(column.key, index)
  }
  return headings.map((text, i) => asHeading(text, found.get(i), units))
}

/** A heading taken as a column, with the unit it names. */
export function asHeading(text: string, column: Column | undefined, units: UnitSystem): Heading {
  if (!column) return { text, key: null }
  const { holds } = column
  if (holds.kind !== 'quantity') return { text, key: column.key }
  const named = UNIT.exec(text)
  const unit = named && unitSpelled(present(named[1] ?? named[2] ?? named[3]), holds.dimension, units)
  return { text, key: column.key, ...(unit ? { unit: unit.id } : {}) }
}

/** How well a heading names a column: its own name, a word of it, a word of it beside a unit. */
function closeness(text: string, { key, label, words }: Column): number {
  const said = folded(text)
  const bare = folded(text.replace(/[([].*?[)\]]/g, ' ')) || said
  if (said === folded(key) || said === folded(label)) return 4
  const unitless = folded(key.replace(/_(percent|[a-z]{1,4}|g_per_m?l|ms_per_cm|per_m2)$/, ''))
  if (bare === folded(label) || bare === unitless) return 3
  if (words.some((word) => folded(word) === said || folded(word) === bare)) return 2
  return words.some((word) => folded(word).length > 3 && bare.startsWith(`${folded(word)} `)) ? 1 : 0
}
