import { daysBetween } from '#core/calendar/day'
import type { SignRecord } from '#core/signs/record'
import { signRecordOf } from '#shared/derived/sign-record'

/** What the record says of a tray for a sign; null for no tray. */
export function useSignRecord(trayId: () => string | null): ComputedRef<SignRecord | null> {
  const trays = useTrays()
  const household = useHousehold()
  const context = useContext()
  const season = useSeason()
  const water = useWater()
  return computed(() => {
    const tray = trays.find(trayId() ?? '')
    if (!tray) return null
    const ids = new Set([tray.id, ...tray.body.groups.flatMap(({ sowingId }) => sowingId ?? [])])
    const group = tray.body.groups[0]
    const row = group?.sowingId ? season.row(group.sowingId) : undefined
    const stage = group && row?.planned.stages[group.stage]
    return signRecordOf(
      {
        tray,
        stands: trays.stands(tray),
        entries: household.entries.filter(({ body }) => body.subjects.some(({ id }) => ids.has(id))),
        water: water.of(tray),
        tap: household.record?.water ?? null,
        climate: season.climate.get(tray.body.placeId ?? '') ?? [],
        sownDepthMm: row?.crop.depthMm,
        stayDays: stage ? Math.max(7, daysBetween(stage.from, stage.until)) : null,
        today: season.today,
      },
      context.whole,
    )
  })
}
