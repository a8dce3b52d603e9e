import * as z from 'zod'
import type { FieldUnit } from './rules'

/** What a field of a record takes, as its schema says. */
export interface Field {
  readonly takes: 'text' | 'number' | 'choice' | 'yes or no' | 'day'
  /** It may stay empty. */
  readonly optional: boolean
  /** What a number is kept in. */
  readonly unit: FieldUnit | undefined
  /** What can be chosen; none where any text or number is taken. */
  readonly choices: readonly string[]
}

/** The def of a Zod schema, as far as fields read it. */
interface Def {
  readonly type: string
  readonly format?: string
  readonly innerType?: z.ZodType
  readonly element?: z.ZodType
  readonly shape?: Record<string, z.ZodType>
  readonly options?: readonly z.ZodType[]
  readonly items?: readonly z.ZodType[]
  readonly entries?: Record<string, string>
  readonly values?: readonly string[]
}
const defOf = (schema: z.ZodType) => schema._zod.def as unknown as Def

/** A field of several kinds of record: what tells them apart is a choice, any other is the same in each. */
const ofUnion = (found: readonly z.ZodType[]): z.ZodType | undefined => {
  const told = found.flatMap((one) => defOf(one).values ?? [])
  return told.length ? z.enum(told as [string, ...string[]]) : found[0]
}

/** `figures.weeks[0]` → `figures`, `weeks`, `0` */
export const stepsOf = (path: string): string[] => path.split(/[.[\]]+/).filter(Boolean)

/**
 * The field at a path into a record.
 *
 * @param path as problems name it, `figures.weeks[0]`
 * @throws RangeError where the schema has no such field
 */
export function fieldAt(schema: z.ZodType, path: string): Field {
  let [here, optional] = [schema, false]
  let unit: FieldUnit | undefined
  const unwrap = () => {
    for (;;) {
      const { type, innerType } = defOf(here)
      unit ??= z.globalRegistry.get(here)?.unit
      if (!innerType) return
      optional ||= type === 'nullable' || type === 'optional'
      here = innerType
    }
  }
  for (const step of stepsOf(path)) {
    unwrap()
    const { shape, element, items, options } = defOf(here)
    const inside =
      shape?.[step] ??
      items?.[Number(step)] ??
      element ??
      (options && ofUnion(options.flatMap((one) => defOf(one).shape?.[step] ?? [])))
    if (!inside) throw new RangeError(`${path}: the record has no such field.`)
    ;[here, optional, unit] = [inside, false, undefined]
  }
  unwrap()
  const { type, format, entries } = defOf(here)
  const takes =
    type === 'enum'
      ? 'choice'
      : type === 'boolean'
        ? 'yes or no'
        : type === 'number'
          ? 'number'
          : format === 'date'
            ? 'day'
            : 'text'
  return { takes, optional, unit, choices: Object.values(entries ?? {}) }
}

/** What a record holds at a path; null where nothing is there. */
export const valueAt = (record: unknown, path: string): unknown =>
  stepsOf(path).reduce<unknown>(
    (inside, step) => (inside as Record<string, unknown> | null)?.[step],
    record,
  ) ?? null

/** The record with another value at a path. */
export function withValueAt<Whole>(record: Whole, path: string, value: unknown): Whole {
  const [step, ...rest] = stepsOf(path)
  if (step === undefined) return value as Whole
  const inside = (record as Record<string, unknown>)[step]
  const next = withValueAt(inside, rest.join('.'), value)
  return Array.isArray(record)
    ? (record.map((one, i) => (i === Number(step) ? next : one)) as Whole)
    : { ...record, [step]: next }
}
