import type { Bodies, Stored } from '#shared/records/collections'
import type { Collection } from '../records/collection-names'
import type { AnyProblem } from '../messages/refusals'
import type { Column } from './column'
import type { Names } from './names'

/** What a line says, by the keys of its columns; a name is the thing it names. */
export type Said = Readonly<Record<string, unknown>>

/** A kind of record as a table: which column is which field, and what lines make a record. */
export interface Table<C extends Collection = Collection> {
  readonly name: string
  readonly what: string
  readonly collection: C
  readonly columns: readonly Column[]
  /** Lines that say the same here make one record; every line is one where this is missing. */
  readonly group?: (said: Said) => string
  /** What a new record begins with, before its columns are set. */
  readonly begin?: (said: Said) => object
  /** The record of its lines, where columns alone do not say it; `stands` where they put one right that is there. */
  readonly make?: (
    lines: readonly Said[],
    body: Record<string, unknown>,
    names: Names,
    stands: boolean,
  ) => object | readonly AnyProblem[]
  /** What makes two records the same thing, where no id is given; null where nothing does. */
  readonly same?: (body: Bodies[C], names: Names) => string | null
  /** Of entries only those that hold something in this field. */
  readonly field?: 'climate' | 'measured'
  /** What a record says, piece by piece: one that says nothing new is the same as what stands. */
  readonly facts?: (body: Bodies[C]) => readonly string[]
  /** Lines of a record, where columns alone do not say them. */
  readonly lines?: (stored: Stored<Bodies[C]>, names: Names, more: Beside) => Said[]
  /** What has to be put right before it is read further. */
  readonly doubts?: (said: Said, names: Names) => string | null
}

/** What a table shows beside what is kept. */
export interface Beside {
  /** What happened in the cells of a tray: when it was sown, how many stand. */
  readonly cellOf?: (trayId: string, cell: number) => { sownOn: string | null; standing: number } | null
}

/** A field of a body at a path, `figures.weeks.0`. */
export const fieldAt = (body: unknown, path: string): unknown =>
  path
    .split('.')
    .reduce<unknown>(
      (at, key) => (at && typeof at === 'object' ? (at as Record<string, unknown>)[key] : undefined),
      body,
    )

/** A copy of a body with a field set; what lies on the way is made. */
export function withField(body: unknown, path: string, value: unknown): Record<string, unknown> {
  const [key, ...rest] = path.split('.') as [string, ...string[]]
  const inside = (body as Record<string, unknown> | null | undefined)?.[key]
  const next = rest.length ? withField(inside, rest.join('.'), value) : value
  if (!Array.isArray(body)) return { ...(body as object), [key]: next }
  return Object.assign([...body], { [key]: next }) as unknown as Record<string, unknown>
}
