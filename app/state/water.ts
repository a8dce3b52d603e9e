import { computed } from 'vue'
import { defineStore } from 'pinia'
import { useNotes } from '~/composables/useNotes'
import { useNow } from '~/composables/useNow'
import { whyNot } from '~/composables/whyNot'
import { useContext } from '~/state/context'
import { useHousehold } from '~/state/household'
import { useKeeping } from '~/state/keeping'
import { useSeason } from '~/state/season'
import { useTrays } from '~/state/trays'
import { useUndo } from '~/state/undo'
import { momentOf } from '#core/water/happening'
import type { Stored } from '#shared/collections'
import { waterRow, type EntryRecord } from '#shared/records/entry'
import type { TrayRecord } from '#shared/records/tray'
import { trayWater, waterByTray, type TrayWater } from '#shared/water'

type Tray = Stored<TrayRecord>
export type WaterRow = Parameters<typeof waterRow>[0]

/** The water of every tray that stands: how much is in it, what it wants, and what happens to it. */
export const useWater = defineStore('water', () => {
  const household = useHousehold()
  const context = useContext()
  const season = useSeason()
  const trays = useTrays()
  const keeping = useKeeping()
  const undoing = useUndo()
  const { note } = useNotes()
  const { time } = useNow(60_000)

  const happened = computed(() =>
    waterByTray(
      household.entries,
      household.record?.water,
      trays.standing,
      (sowingId, rung) => season.row(sowingId)?.planned.rungs[rung]?.care.nMgPerL ?? 0,
    ),
  )
  const now = computed(() => momentOf(season.today, time.value))
  const remembered = new Map<string, { from: readonly unknown[]; water: TrayWater | null }>()
  function of(tray: Tray): TrayWater | null {
    const own = happened.value.get(tray.id) ?? []
    const stands = trays.stands(tray)
    const from = [
      tray.body,
      stands,
      own.map(({ entryId, at }) => `${entryId}${at}`).join(),
      context.whole,
      now.value,
    ]
    const known = remembered.get(tray.id)
    if (known && known.from.every((one, i) => one === from[i])) return known.water
    const water = trayWater(tray, stands, own, context.whole, now.value)
    remembered.set(tray.id, { from, water })
    return water
  }
  const all = computed(() =>
    trays.standing.flatMap((tray) => {
      const water = of(tray)
      return water ? [{ tray, water }] : []
    }),
  )
  const wants = (verdict: TrayWater['outlook']['verdict']) =>
    computed(() => all.value.filter(({ water }) => water.outlook.verdict === verdict))

  /** Water that was given, weighed or felt is written down; it can be taken back. */
  async function write(
    kind: 'watered' | 'weighed' | 'felt',
    name: string,
    rows: readonly WaterRow[],
    more: Partial<Pick<EntryRecord, 'on' | 'at' | 'by' | 'note'>> = {},
  ): Promise<boolean> {
    try {
      const { opposite } = await keeping.happened({
        name,
        kind,
        on: season.today,
        at: time.value,
        about: [...new Set(rows.map(({ trayId }) => trayId))].map((id) => ({
          what: 'trays',
          id,
          rung: null,
        })),
        water: rows.map(waterRow),
        ...more,
      })
      note(`${name}.`, { name: 'Undo', run: () => undoing.takeBack(opposite) })
      return true
    } catch (error) {
      note(whyNot(error))
      return false
    }
  }

  return {
    all,
    now,
    time,
    of,
    write,
    today: wants('water'),
    tomorrow: wants('tomorrow'),
    toLook: wants('look'),
    toDry: wants('let dry'),
  }
})
