import { totalOf, type DatedChange } from './change'

/** A group of a tray, as a point in the way of plants. */
export interface Spot {
  readonly trayId: string
  readonly group: string
}
/** Plants that went from one group to another. */
export interface Step {
  readonly from: Spot
  readonly to: Spot
  readonly on: DatedChange['on']
  readonly plants: number
  readonly entryId: string
}

/**
 * The ways plants went between trays: what one entry takes out of cells and sets into others. Of several groups that left
 * together each gave in proportion.
 */
export function stepsOf(changes: readonly DatedChange[]): Step[] {
  const byEntry = new Map<string, DatedChange[]>()
  for (const change of changes)
    if (change.what === 'moved' || change.what === 'set')
      byEntry.set(change.entryId, [...(byEntry.get(change.entryId) ?? []), change])
  return [...byEntry].flatMap(([entryId, together]) => {
    const left = together.filter(({ what }) => what === 'moved')
    const arrived = together.filter(({ what }) => what === 'set')
    const all = left.reduce((sum, one) => sum + totalOf(one), 0)
    return left.flatMap((from) =>
      arrived.map((to) => ({
        from: { trayId: from.trayId, group: from.group },
        to: { trayId: to.trayId, group: to.group },
        on: to.on,
        plants: (totalOf(to) * totalOf(from)) / (all || 1),
        entryId,
      })),
    )
  })
}

const key = ({ trayId, group }: Spot) => `${trayId} ${group}`

/** Every step that led to a group, the nearest first. */
export const waysTo = (steps: readonly Step[], spot: Spot): Step[] =>
  follow(
    steps,
    spot,
    (step) => step.to,
    (step) => step.from,
  )

/** Every step that led on from a group, the nearest first. */
export const waysFrom = (steps: readonly Step[], spot: Spot): Step[] =>
  follow(
    steps,
    spot,
    (step) => step.from,
    (step) => step.to,
  )

function follow(steps: readonly Step[], spot: Spot, at: (step: Step) => Spot, next: (step: Step) => Spot) {
  const found: Step[] = []
  const seen = new Set([key(spot)])
  for (let open = [spot]; open.length > 0;) {
    const here = new Set(open.map(key))
    const on = steps.filter((step) => here.has(key(at(step))) && !found.includes(step))
    found.push(...on)
    open = on.map(next).filter((one) => !seen.has(key(one)))
    open.forEach((one) => seen.add(key(one)))
  }
  return found
}
