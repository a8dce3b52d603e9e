import { present } from '#core/present'
import { counted } from '#core/text/plurals'
import type { Day } from '#core/calendar/day'
import { cellsOf } from '#core/trays/layout'
import type { GroupStands, TrayStands } from '#core/trays/standing'
import type { Stored } from '#shared/records/collections'
import type { TrayRecord } from '#shared/records/tray'
import type { StrokeAt } from '#shared/drawings/tray-marks'

/** Counting what came up in a tray, cell by cell or by a number: strokes are gathered until they are kept. */
export function useTrayCount(
  kept: ComputedRef<Stored<TrayRecord> | undefined>,
  stands: ComputedRef<TrayStands>,
  on: Ref<Day>,
) {
  const trays = useTrays()
  const context = useContext()
  const household = useHousehold()
  const counting = useCounting(() => `${household.id} ${kept.value?.id ?? ''}`)
  let counts = 0
  const mostIn = (cell: number) => {
    const group = present(kept.value).body.groups.find(
      ({ code }) => code === present(kept.value).body.cells[cell],
    )
    return (
      present(stands.value.cells[cell]).sown * (context.whole.crops.get(group?.cropId ?? '')?.seedlings ?? 1)
    )
  }
  const upIn = (cell: number) => counting.counts.value.get(cell) ?? present(stands.value.cells[cell]).up
  function tap(cells: readonly number[], at: StrokeAt) {
    if (at === 'cancel') return void counting.takeBack()
    if (at === 'end') return
    const sown = cells.filter((cell) => present(stands.value.cells[cell]).sown > 0)
    if (at === 'begin') {
      counting.begin()
      const [first] = sown
      // One more with each tap, and round again; a stroke gives all its cells what the first one got.
      counts = first === undefined ? 1 : (upIn(first) + 1) % (mostIn(first) + 1)
    }
    for (const cell of sown) counting.set(cell, Math.min(counts, mostIn(cell)))
  }
  function digit(cell: number, n: number) {
    if (present(stands.value.cells[cell]).sown === 0) return
    counting.begin()
    counting.set(cell, Math.min(n, mostIn(cell)))
  }
  const pendingGroups = computed(() =>
    stands.value.groups.flatMap((one) => {
      const cells = cellsOf(present(kept.value).body, one.group.code).filter((cell) =>
        counting.counts.value.has(cell),
      )
      return cells.length
        ? [
            {
              stands: one,
              cells: cells.map((cell): [number, number] => [cell, present(counting.counts.value.get(cell))]),
            },
          ]
        : []
    }),
  )
  const upNow = computed(() => {
    const sown = stands.value.cells.flatMap(({ sown: n }, cell) => (n > 0 ? [cell] : []))
    return { up: sown.filter((cell) => upIn(cell) > 0).length, of: sown.length }
  })
  async function keepCount() {
    const { up, of } = upNow.value
    const said = `Counted: ${up} of ${counted(of, 'cell')} up.`
    if (await trays.happened(present(kept.value), on.value, 'up', pendingGroups.value, said)) counting.clear()
  }
  async function countNumber(group: GroupStands, n: number) {
    const said = `Counted: ${n} up of ${group.group.name}.`
    await trays.happened(present(kept.value), on.value, 'up', [{ stands: group, cells: [], count: n }], said)
  }

  /** All of its group came up, as far as it is not counted; once more, and none of it did. */
  function tapAll(cells: readonly number[]) {
    const sown = cells.filter((cell) => present(stands.value.cells[cell]).sown > 0)
    const all = sown.every((cell) => upIn(cell) > 0)
    counting.begin()
    for (const cell of sown) counting.set(cell, all ? 0 : Math.max(1, upIn(cell)))
  }

  return { counting, mostIn, upIn, upNow, tap, tapAll, digit, keepCount, countNumber }
}
