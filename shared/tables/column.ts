import type { Dimension } from '#core/units/unit'

/** What a cell of a column holds, and how it is written. */
export type Holds =
  | { readonly kind: 'text' | 'day' | 'time' | 'yes' | 'number' | 'whole' | 'pack' }
  /** Written per cent, kept as a fraction. */
  | { readonly kind: 'percent' }
  /** A quantity in the unit its name ends with; another unit may stand in the heading or the cell. */
  | {
      readonly kind: 'quantity'
      readonly dimension: Dimension
      readonly unit: string
      readonly factor?: number
    }
  | { readonly kind: 'choice'; readonly of: readonly string[] }
  /** Something by its name. */
  | { readonly kind: 'named'; readonly of: readonly NamedKind[] }
  /** Several of them, parted by `;`. */
  | { readonly kind: 'several'; readonly of: readonly NamedKind[] }
  | { readonly kind: 'words'; readonly of: readonly string[] }

/** What a cell can name. */
export type NamedKind =
  | 'materials'
  | 'feeds'
  | 'containers'
  | 'crops'
  | 'recipes'
  | 'packets'
  | 'places'
  | 'sowings'
  | 'batches'
  | 'trays'
  | 'tools'
  /** A feed, a material, a container or a crop of the book, not the household's own. */
  | 'bookMaterials'
  | 'bookFeeds'
  | 'bookContainers'
  | 'bookCrops'

/** A column of a table. */
export interface Column {
  /** Its heading in a table that is written here: plain words with the unit at the end. */
  readonly key: string
  readonly label: string
  /** What else it is called, in the languages of the trade [common practice, from memory]. */
  readonly words: readonly string[]
  readonly holds: Holds
  /** The field of the record it is, `figures.theta0`; empty where the table makes something of it itself. */
  readonly path: string
  /** A line without it says nothing. */
  readonly required: boolean
  /** Written out, and left alone on the way in. */
  readonly onlyOut: boolean
}

export const column = (
  key: string,
  label: string,
  holds: Holds,
  path: string,
  words: readonly string[] = [],
  more: Partial<Pick<Column, 'required' | 'onlyOut'>> = {},
): Column => ({ key, label, holds, path, words, required: false, onlyOut: false, ...more })

export const TEXT: Holds = { kind: 'text' }
export const DAY: Holds = { kind: 'day' }
export const YES: Holds = { kind: 'yes' }
export const NUMBER: Holds = { kind: 'number' }
export const WHOLE: Holds = { kind: 'whole' }
/** The size of a pack: `50 L`, `5 kg`. */
export const PACK: Holds = { kind: 'pack' }
export const PERCENT: Holds = { kind: 'percent' }
export const oneOf = (...of: readonly string[]): Holds => ({ kind: 'choice', of })
export const named = (...of: readonly NamedKind[]): Holds => ({ kind: 'named', of })
export const several = (...of: readonly NamedKind[]): Holds => ({ kind: 'several', of })
/** @param factor from the dimension's base unit to the field's */
export const quantity = (dimension: Dimension, unit: string, factor = 1): Holds => ({
  kind: 'quantity',
  dimension,
  unit,
  factor,
})
