import * as z from 'zod'
import type { Day } from '#core/calendar/day'
import { wrongAt, type Problem } from '#core/problem'
import { sayProblem, type AnyProblem, type RefusalKind, type SaidProblem } from '../messages/refusals'

/** A schema that also obeys the rules of the trade, stated once in core; each problem lands on its field. */
export function ruled<Schema extends z.ZodType>(
  schema: Schema,
  problemsOf: (value: z.output<Schema>) => readonly AnyProblem[],
) {
  return schema.superRefine((value, context) => {
    for (const problem of found(value, context.issues.length > 0))
      context.addIssue({ code: 'custom', path: [...problem.path], message: sayProblem(problem) })
  })
  /** What lies outside its edges is told already, and the rules are made for what lies inside. */
  function found(value: z.output<Schema>, isTold: boolean): readonly AnyProblem[] {
    try {
      return problemsOf(value)
    } catch (error) {
      if (isTold) return []
      throw error
    }
  }
}

/** The problems Zod found, in the words and paths of core. */
export function problemsFrom(error: z.ZodError): SaidProblem[] {
  return error.issues.map((issue) => ({
    path: issue.path.filter((key): key is string | number => typeof key !== 'symbol'),
    message: inWords(issue),
  }))
}

const KINDS: Readonly<Record<string, string>> = { array: 'list', object: 'record', string: 'text' }

function inWords(issue: z.core.$ZodIssue): string {
  if (issue.code === 'invalid_value') return `Choose one of: ${issue.values.map(String).join(', ')}.`
  if (issue.code === 'invalid_type' && issue.message.startsWith('Invalid input'))
    return issue.message.endsWith('received undefined')
      ? 'This is missing.'
      : `This is no ${KINDS[issue.expected] ?? issue.expected}.`
  return issue.message
}

export const name = z
  .string('A name is text.')
  .overwrite((text) => text.replace(/\s+/gu, ' '))
  .trim()
  .min(1, 'Give it a name.')
  .max(120, 'A name has at most 120 characters.')
export const id = z.uuid('This is not an id.')
/** Built-in things have short ids, a household's own have UUIDs. */
export const reference = z.string().min(1, 'Choose one.').max(64)
export const amount = z.number('This is not a number.')

/** What a number of a record is kept in; a field that shows it reads it here. A share is a fraction, 0–1. */
export type FieldUnit =
  | 'mm'
  | 'cm'
  | 'mL'
  | 'L'
  | '°C'
  | 'share'
  | 'days'
  | 'h'
  | '×'
  | 'mS/cm'
  | 'g/L'
  | 'g/mL'
  | '%'
  | 'flats'
  | 'µmol'
declare module 'zod' {
  interface GlobalMeta {
    unit?: FieldUnit
  }
}
/** An amount kept in a unit. */
export const amountIn = (unit: FieldUnit, what: string) => amount.meta({ unit }).describe(what)
/** Zod's ISO date is a real calendar day: it knows the days of each month. Of no other century is anything planned. */
export const day = z.iso
  .date('This is not a calendar day.')
  .refine(
    (text) => text >= '1990' && text < '2100',
    'A day lies between 1990 and 2099.',
  ) as unknown as z.ZodType<Day, string>
/** The ids of a list, as an enumeration takes them. */
export const idsOf = <T extends string>(all: readonly { readonly id: T }[]) =>
  all.map(({ id }) => id) as [T, ...T[]]
export const basedOn = reference
  .nullable()
  .default(null)
  .describe('The built-in row it corrects and stands in the place of, or null for one of its own')

/** A correction points at a row that is there. */
export const basedOnProblems = (
  { basedOn: corrects }: { basedOn: string | null },
  base: ReadonlyMap<string, unknown>,
): Problem<RefusalKind>[] =>
  corrects === null || base.has(corrects) ? [] : [wrongAt(['basedOn'], 'nothingToCorrect')]
