import type { Day } from '#core/calendar/day'
import type { HouseholdRecord } from '#shared/records/household'

/** The day a demo has of its own, and how to set it. */
export function useDayOfDemo() {
  const household = useHousehold()
  const { saving, save, dismiss } = useHouseholdAnswer<{ clock: HouseholdRecord['clock'] }>(
    'the day of the demo',
    ({ clock }) => ({ clock }),
    (whole, { clock }) => ({ ...whole, clock }),
  )
  return {
    clock: computed(() => household.record?.clock ?? null),
    set: (day: Day, speed = 1) => save({ clock: { day, since: new Date().toISOString(), speed } }),
    saving,
    dismiss,
  }
}
