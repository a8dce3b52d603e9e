import { getRequestHeader } from 'h3'
import * as z from 'zod'
import { TABLE_IDS } from '#shared/tables/tables'
import { asItGoes } from '../../../../http/as-it-goes'
import { householdParams } from '../../../../http/params'
import { HttpProblem } from '../../../../http/problem-json'
import { clean } from '../../../../http/clean'
import { readFile } from '../../../../http/read-json'
import { route } from '../../../../http/route'
import { asText } from '../../../../http/text'
import { checksum } from '../../../../services/commands'
import { withFile } from '../../../../services/idempotency'
import { takeTable } from '../../../../services/tables/import'

const MAX_BYTES = 8 * 1024 * 1024

const problem = z.object({
  line: z.int().describe('Of the file, the first line 1'),
  column: z.string().describe('The column it is in; empty for the line as a whole'),
  message: z.string(),
})

export default route(
  {
    summary:
      'Take a table in. Without `seen` it is only looked at: how it was read, what each line makes, what is wrong with it. Accepting application/x-ndjson, you are told how far it is',
    params: householdParams.extend({ table: z.enum(TABLE_IDS) }),
    query: z.object({
      columns: z
        .string()
        .max(4000)
        .optional()
        .describe('The column of each heading in order, parted by commas; `-` for one that is left alone'),
      decimal: z
        .enum(['point', 'comma'])
        .optional()
        .describe('How decimals are written, where it cannot be told'),
      days: z
        .enum(['day first', 'month first'])
        .optional()
        .describe('How days are written, where it cannot be told'),
      headless: z
        .enum(['true', 'false'])
        .default('false')
        .describe('The first line is a line like any other'),
      lines: z.enum(['all', 'good']).default('all').describe('`good`: lines without fault go in alone'),
      seen: z.coerce
        .number()
        .int()
        .min(0)
        .optional()
        .describe('The `changes` that were answered when it was looked at: it is written'),
    }),
    answers: z.object({
      written: z.boolean(),
      changes: z.int(),
      separator: z.string(),
      decimal: z.enum(['point', 'comma']).nullable(),
      days: z.enum(['day first', 'month first']).nullable(),
      headings: z.array(
        z.object({
          text: z.string(),
          key: z.string().nullable(),
          unit: z.string().nullable(),
          sample: z.string(),
        }),
      ),
      missing: z.array(z.string()).describe('Columns without which no line says anything'),
      fresh: z.int(),
      changed: z.int(),
      same: z.int(),
      bad: z.int(),
      problems: z.array(problem),
      shown: z.array(
        z.object({
          lines: z.array(z.int()),
          name: z.string(),
          state: z.enum(['new', 'changed', 'same', 'bad']),
        }),
      ),
      act: z.uuid().nullable().describe('The act, where it was written: it can be undone'),
    }),
    meaning: 'How it was read, and what becomes of it',
    refuses: [404, 408, 409, 413, 415, 422],
  },
  async ({ params, query, event, principal, act }) => {
    if (!/^text\/(?:csv|plain|tab-separated-values)\b/i.test(getRequestHeader(event, 'content-type') ?? ''))
      throw new HttpProblem(415, 'Send it as text/csv.')
    const text = asText(await readFile(event, MAX_BYTES, 'A table'))
    const order = {
      ...(query.columns === undefined
        ? {}
        : { columns: query.columns.split(',').map((key) => (key === '-' ? null : key)) }),
      decimal: query.decimal,
      days: query.days,
      headless: query.headless === 'true',
      goodAlone: query.lines === 'good',
      seen: query.seen ?? null,
    }
    const cleaned = clean(text).replaceAll('\uFEFF', '')
    const own = withFile(act, checksum(cleaned))
    return asItGoes(event, (going) =>
      takeTable(principal, params.householdId, params.table, cleaned, order, own, going),
    )
  },
)
