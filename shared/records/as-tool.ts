import type { Tool } from '#core/feed/tool'
import type { ToolRecord } from './tool'

export const asTool = (id: string, record: ToolRecord): Tool => ({ id, ...record })
