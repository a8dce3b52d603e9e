import type { Day } from '#core/calendar/day'
import type { StageKind } from '#core/season/schedule/schedules'
import type { Bench } from './bench'

/** A stage of the plan that is still ahead. */
export interface NextUp {
  readonly sowingId: string
  readonly name: string
  readonly stage: number
  readonly kind: StageKind
  readonly on: Day
}

/** The first stage of the plan after today that is not done; null where nothing is planned any more. */
export function nextUp({ rows, done, today }: Pick<Bench, 'rows' | 'done' | 'today'>): NextUp | null {
  const ahead = rows.flatMap(({ id, name, planned }) =>
    planned.stages
      .filter(({ index, from }) => from > today && !done.get(id)?.[`stage-${index}`])
      .map(({ index, kind, from }): NextUp => ({ sowingId: id, name, stage: index, kind, on: from })),
  )
  return ahead.sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))[0] ?? null
}
