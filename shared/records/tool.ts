import * as z from 'zod'
import type { ToolKind } from '#core/feed/tool'
import { TOOL_KINDS, toolProblems } from '#core/feed/tool'
import { amountIn, name, ruled } from './rules'
import { asTool } from './as-tool'

export const toolFields = z.object({
  name,
  kind: z.enum(TOOL_KINDS as [ToolKind, ...ToolKind[]]),
  capacityMl: amountIn('mL', 'What it holds, mL; null for a scale').nullable(),
})

export const tool = ruled(toolFields, (value) => toolProblems(asTool('', value)))
export type ToolRecord = z.output<typeof toolFields>
