import type { RefusalKind } from '#shared/messages/refusals'
import { layoutProblems } from '#core/trays/layout'
import { within, type Problem, wrongAt } from '#core/problem'
import type { Context } from './context'
import type { TrayRecord } from '../records/tray'
import { layoutOf } from '../records/tray-layout'

/** What is wrong with a tray, each at its field. */
export function trayProblems(
  record: TrayRecord,
  { containers, crops }: Pick<Context, 'containers' | 'crops'>,
): Problem<RefusalKind>[] {
  const container = containers.get(record.containerId)
  if (!container) return [wrongAt(['containerId'], 'unknown', { what: 'container' })]
  return [
    ...layoutProblems(layoutOf(record), container),
    ...(record.cut ? within(['cut', 'column'], record.cut.column, 1, Math.max(1, record.columns - 1)) : []),
    ...record.groups.flatMap(({ cropId }, i) =>
      crops.has(cropId) ? [] : [wrongAt(['groups', i, 'cropId'], 'unknownCrop')],
    ),
  ]
}
