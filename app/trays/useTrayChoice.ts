import { present } from '#core/present'
import { at as elementAt, first } from '#core/numeric/at'
import { counted } from '#core/text/plurals'
import type { Day } from '#core/calendar/day'
import { cellsOf } from '#core/trays/layout'
import { standingIn, type TrayStands } from '#core/trays/standing'
import type { Stored } from '#shared/records/collections'
import type { TrayRecord } from '#shared/records/tray'
import type { StrokeAt } from '#shared/drawings/tray-marks'

/**
 * Choosing plants of a tray by their cells, and what happens to them.
 *
 * @param together groups in which several plants stay together
 */
export function useTrayChoice(
  kept: ComputedRef<Stored<TrayRecord> | undefined>,
  stands: ComputedRef<TrayStands>,
  on: Ref<Day>,
  together: ComputedRef<ReadonlySet<string>>,
) {
  const trays = useTrays()
  const { note } = useNotes()
  const chosen = shallowRef<ReadonlySet<number>>(new Set())
  let choosing = true
  let before: ReadonlySet<number> = new Set()
  function choose(cells: readonly number[], at: StrokeAt) {
    if (at === 'cancel') return void (chosen.value = before)
    if (at === 'end') return
    if (at === 'begin') before = chosen.value
    if (at === 'begin') choosing = !chosen.value.has(first(cells))
    const next = new Set(chosen.value)
    for (const cell of cells) {
      if (choosing && standingIn(present(stands.value.cells[cell])) > 0) next.add(cell)
      else next.delete(cell)
    }
    chosen.value = next
  }
  const plantsChosen = computed(() =>
    [...chosen.value].reduce((sum, cell) => sum + standingIn(present(stands.value.cells[cell])), 0),
  )
  const listOf = (n: (standing: number) => number) =>
    stands.value.groups.flatMap((one) => {
      const cells = cellsOf(present(kept.value).body, one.group.code)
        .filter((cell) => chosen.value.has(cell))
        .map((cell): [number, number] => [cell, n(standingIn(present(stands.value.cells[cell])))])
        .filter(([, k]) => k > 0)
      return cells.length ? [{ stands: one, cells }] : []
    })
  async function all(
    what: 'thinned' | 'lost' | 'given' | 'out',
    said: string,
    n: (standing: number) => number = (k) => k,
  ) {
    const list = listOf(n)
    if (!list.length) return note('None of these cells holds more than one plant.')
    const plants = list.reduce((sum, { cells }) => sum + cells.reduce((m, [, k]) => m + k, 0), 0)
    if (
      await trays.happened(present(kept.value), on.value, what, list, `${counted(plants, 'plant')} ${said}.`)
    )
      chosen.value = new Set()
  }
  const doubles = computed(() =>
    stands.value.cells.flatMap((cell, i) =>
      standingIn(cell) > 1 && !together.value.has(elementAt(present(kept.value).body.cells, i)) ? [i] : [],
    ),
  )
  const standingGroups = computed(() => stands.value.groups.filter(({ standing }) => standing > 0))

  return { chosen, choose, all, plantsChosen, doubles, standingGroups }
}
