import { wrongAt } from '#core/problem'
import * as z from 'zod'
import {
  LABEL_KINDS,
  LABEL_SIZES,
  onPlainPaper,
  sheetProblems,
  type LabelSheet,
} from '#core/trays/label-sheet'
import { LABEL_COPIES } from './labels'
import { ruled } from '../records/rules'

const ids = z
  .string()
  .max(8000, 'At most 200 at a time.')
  .default('')
  .transform((text) => text.split(',').filter(Boolean))
  .pipe(z.array(z.uuid('This is not an id.')).max(200, 'At most 200 at a time.'))
  .describe('Ids, parted by commas')
const mm = (of: string) => z.coerce.number('This is not a number.').optional().describe(`${of}, mm`)
const yes = z
  .enum(['yes', 'no'])
  .default('no')
  .transform((said) => said === 'yes')

/** Fields of a sheet that is not plain paper. */
const SHEET = {
  pageWidthMm: mm('Width of the paper'),
  pageHeightMm: mm('Height of the paper'),
  labelWidthMm: mm('Width of a label'),
  labelHeightMm: mm('Height of a label'),
  columns: z.coerce.number('This is not a number.').optional().describe('Labels side by side'),
  rows: z.coerce.number('This is not a number.').optional().describe('Labels below each other'),
  leftMm: mm('From the left edge to the first label'),
  topMm: mm('From the top edge to the first label'),
  gapXMm: mm('Between labels side by side'),
  gapYMm: mm('Between labels below each other'),
}
const labelFields = z.object({
  trays: ids,
  feeds: ids,
  batches: ids,
  kind: z.enum(LABEL_KINDS).default('stake'),
  copies: z.enum(LABEL_COPIES).default('group'),
  supplier: yes.describe('Whether the seed’s supplier stands on it'),
  paper: z.enum(['a4', 'letter', 'own']).default('a4').describe('Plain paper to cut, or a sheet of labels'),
  start: z.coerce
    .number('This is not a number.')
    .int('Count whole labels.')
    .min(1, 'The first label is the 1st.')
    .max(1200, 'No sheet has as many labels.')
    .default(1)
    .describe('The place of the first label on its sheet'),
  ...SHEET,
})
type LabelFields = z.output<typeof labelFields>

/** The sheet that was asked for; of its own dimensions what was left out is nothing. */
export function sheetOf(asked: Pick<LabelFields, 'kind' | 'paper'> & Partial<LabelSheet>): LabelSheet {
  if (asked.paper !== 'own') return onPlainPaper(asked.paper, ...LABEL_SIZES[asked.kind])
  const plain = onPlainPaper('a4', ...LABEL_SIZES[asked.kind])
  const own = (Object.keys(SHEET) as (keyof LabelSheet)[]).map((key) => [key, asked[key] ?? plain[key]])
  return Object.fromEntries(own) as unknown as LabelSheet
}

export const labelRequest = ruled(labelFields, (asked) => {
  const sheet = sheetOf(asked)
  return [
    ...sheetProblems(sheet),
    ...(asked.start > sheet.columns * sheet.rows
      ? [wrongAt(['start'], 'labelsOnSheet', { n: sheet.columns * sheet.rows })]
      : []),
  ]
})

export const keyRequest = z.object({
  trays: ids,
  paper: z.enum(['a4', 'letter']).default('a4'),
  perSheet: z.enum(['1', '2']).default('1').describe('Trays on one sheet'),
})
