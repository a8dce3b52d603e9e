import { layoutProblems } from '#core/trays/layout'
import { within, type Problem } from '#core/problem'
import type { Context } from './context'
import type { TrayRecord } from '../records/tray'
import { layoutOf } from '../records/tray-layout'

/** What is wrong with a tray, each at its field. */
export function trayProblems(
  record: TrayRecord,
  { containers, crops }: Pick<Context, 'containers' | 'crops'>,
): Problem[] {
  const container = containers.get(record.containerId)
  if (!container) return [{ path: ['containerId'], message: 'This container is not known.' }]
  return [
    ...layoutProblems(layoutOf(record), container),
    ...(record.cut
      ? within(
          ['cut', 'column'],
          record.cut.column,
          1,
          Math.max(1, record.columns - 1),
          `It is cut after column 1 to ${record.columns - 1}.`,
        )
      : []),
    ...record.groups.flatMap(({ cropId }, i) =>
      crops.has(cropId) ? [] : [{ path: ['groups', i, 'cropId'], message: 'This crop is not in the book.' }],
    ),
  ]
}
