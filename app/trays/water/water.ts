import { benchOfStores } from '~/trays/water/bench-of-stores'
import { momentOf } from '#core/water/watering-events'
import type { Stored } from '#shared/records/collections'
import type { EntryRecord } from '#shared/records/entry'
import { waterRow } from '#shared/records/new-entry'
import type { TrayRecord } from '#shared/records/tray'
import { waterRound } from '#shared/derived/water-round'
import { trayWater, waterByTray, type TrayWater } from '#shared/derived/water'

type Tray = Stored<TrayRecord>
export type WaterRow = Parameters<typeof waterRow>[0]

/** The water of every tray that stands: how much is in it, what it wants, and what happens to it. */
export const useWater = defineStore('water', () => {
  const household = useHousehold()
  const context = useContext()
  const season = useSeason()
  const trays = useTrays()
  const { attempt } = useCommands()
  const { time } = useNow(60_000)

  const happened = computed(() =>
    waterByTray(
      household.entries,
      household.record?.water,
      trays.standing,
      (sowingId, stage) => season.row(sowingId)?.planned.stages[stage]?.care.nMgPerL ?? 0,
    ),
  )
  const bench = benchOfStores({
    of: (tray) => of(tray),
    get time() {
      return time.value
    },
  })
  const now = computed(() => momentOf(season.today, time.value))
  const cache = new Map<string, { from: readonly unknown[]; water: TrayWater | null }>()
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
    const known = cache.get(tray.id)
    if (known && known.from.every((one, i) => one === from[i])) return known.water
    const water = trayWater(tray, stands, own, context.whole, now.value)
    cache.set(tray.id, { from, water })
    return water
  }
  const all = computed(() =>
    trays.standing.flatMap((tray) => {
      const water = of(tray)
      return water ? [{ tray, water }] : []
    }),
  )
  /** Today’s round with the can, and what else is to be looked at. */
  const round = computed(() => waterRound(bench, all.value))

  /** Water that was given, weighed or felt is written down; it can be undone. */
  const write = (
    kind: 'watered' | 'weighed' | 'felt',
    title: string,
    rows: readonly WaterRow[],
    more: Partial<Pick<EntryRecord, 'on' | 'at' | 'by' | 'note'>> = {},
  ) =>
    attempt(
      title,
      [
        {
          name: 'water',
          title,
          kind,
          on: season.today,
          at: time.value,
          subjects: [...new Set(rows.map(({ trayId }) => trayId))].map((id) => ({ what: 'trays', id })),
          water: rows.map(waterRow),
          ...more,
        },
      ],
      `${title}.`,
    ).then((done) => done !== null)

  return {
    all,
    now,
    time,
    of,
    write,
    round,
  }
})
