import { present } from '#core/present'
import { first as firstOf, last } from '#core/numeric/at'
import type { ShallowRef } from 'vue'
import { counted } from '#core/text/plurals'
import { edgeAt, fillRows, freeCells, freeCode, painted, type Group } from '#core/trays/layout'
import type { TrayStands } from '#core/trays/standing'
import type { Stored } from '#shared/records/collections'
import type { TrayRecord } from '#shared/records/tray'
import { layoutOf } from '#shared/records/tray-layout'
import type { SowingRecord } from '#shared/records/sowing'
import type { StrokeAt } from '#shared/drawings/tray-marks'

/** Cells that are to be laid out as a group; with it, where it is one, the sowing that is planned with it. */
export interface Wanted {
  readonly group: Omit<Group, 'code'>
  readonly cells: number
  /** Which cells, where it was said; else row by row what is free. */
  readonly at?: readonly number[]
  readonly sowing?: SowingRecord | null
}

/**
 * Laying out a tray: painting groups, moving the edge between two, adding and taking out. Every stroke is kept.
 *
 * @param laying the tray as the hand has it, while a stroke goes on
 */
export function useTrayLaying(
  kept: ComputedRef<Stored<TrayRecord> | undefined>,
  laying: ShallowRef<TrayRecord | null>,
  stands: ComputedRef<TrayStands>,
) {
  const trays = useTrays()
  const season = useSeason()
  const { note } = useNotes()
  const tray = computed(() => laying.value ?? kept.value?.body)
  const brush = ref<string>(kept.value?.body.groups[0]?.code ?? '')
  const untouched = (cell: number) => {
    const { sown, set } = present(stands.value.cells[cell])
    return sown === 0 && set === 0
  }
  const refusedSown = ref(false)
  let painting = ''
  function lay(cells: readonly number[], at: StrokeAt) {
    if (at === 'cancel') return void (laying.value = null)
    if (at === 'end') {
      const after = laying.value
      if (after) void keepLayout(after)
      if (refusedSown.value) note('Cells that are sown keep their group.')
      refusedSown.value = false
      return
    }
    // A stroke that begins on the brush's own cells takes them away again.
    if (at === 'begin')
      painting = present(tray.value).cells[firstOf(cells)] === brush.value ? '' : brush.value
    const free = cells.filter(untouched)
    if (free.length < cells.length) refusedSown.value = true
    if (free.length) laying.value = withLayout(painted(layoutOf(present(tray.value)), free, painting))
  }
  const withLayout = ({ rows, columns, groups, cells }: ReturnType<typeof layoutOf>): TrayRecord => ({
    ...present(tray.value),
    rows,
    columns,
    groups: [...groups],
    cells: [...cells],
  })
  async function keepLayout(after: TrayRecord, planned: readonly { id: string; body: SowingRecord }[] = []) {
    laying.value = after
    await trays.keep(present(kept.value), after, planned)
    laying.value = null
  }
  function moveEdge(first: string, second: string, until: number, done: boolean) {
    const both = present(tray.value).cells.flatMap((code, cell) =>
      code === first || code === second ? [cell] : [],
    )
    if (until >= 0 && both.every(untouched))
      laying.value = withLayout(edgeAt(layoutOf(present(kept.value).body), first, second, until))
    if (done && laying.value) void keepLayout(laying.value)
  }
  function addGroups(wanted: readonly Wanted[]): string | null {
    const groups: { code: string }[] = [...present(tray.value).groups]
    const planned: { id: string; body: SowingRecord }[] = []
    const list = wanted.map(({ group, cells, at, sowing }) => {
      const code = freeCode(groups)
      groups.push({ code })
      if (!sowing) return { group: { ...group, code }, cells, at }
      const id = newId()
      planned.push({ id, body: { ...sowing, cells, placeId: present(tray.value).placeId } })
      return { group: { ...group, code, sowingId: id, packetId: sowing.packetId }, cells, at }
    })
    try {
      // What has its cells said is laid there first; the rest fills row by row.
      const placed = list.flatMap((one) => (one.at ? [{ ...one, at: one.at }] : []))
      const before = layoutOf(present(tray.value))
      const painting = placed.reduce(
        (layout, { group, at }) => painted({ ...layout, groups: [...layout.groups, group] }, at, group.code),
        before,
      )
      const laid = fillRows(
        painting,
        list.filter(({ at }) => !at),
      )
      void keepLayout(withLayout(laid), planned)
      brush.value = last(list).group.code
      return null
    } catch {
      const all = wanted.reduce((sum, { cells }) => sum + cells, 0)
      return `That takes ${counted(all, 'cell')}; ${counted(freeCells(present(tray.value)), 'cell')} ${freeCells(present(tray.value)) === 1 ? 'is' : 'are'} free.`
    }
  }
  function takeOut(code: string) {
    const { cells, groups } = present(tray.value)
    void keepLayout({
      ...present(tray.value),
      groups: groups.filter((group) => group.code !== code),
      cells: cells.map((one) => (one === code ? '' : one)),
    })
  }
  /** Sowings of the season that could stand here, with cells still to be laid out. */
  const fromSeason = computed(() =>
    season.kept
      .filter(
        ({ id: of }) => !season.isSown(of) && !tray.value?.groups.some(({ sowingId }) => sowingId === of),
      )
      .map(({ id: of, name }) => ({ value: of, name })),
  )
  function addSowing(sowingId: string) {
    const { crop, planned, name } = present(season.row(sowingId))
    const problem = addGroups([
      {
        group: {
          name,
          cropId: crop.id,
          sowingId,
          stage: 0,
          packetId: present(season.sowing(sowingId)).body.packetId,
          seedsPerCell: planned.perCell,
        },
        cells: Math.min(firstOf(planned.stages).cells, Math.max(1, freeCells(present(tray.value)))),
      },
    ])
    if (problem) note(problem)
  }

  return { brush, lay, moveEdge, addGroups, takeOut, fromSeason, addSowing }
}
