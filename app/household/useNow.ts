import { useNow as useClock } from '@vueuse/core'
import { momentOf, type Moment } from '#core/water/watering-events'
import { ownInstant } from '#core/calendar/clock'
import { dayFrom } from '#core/calendar/day'
import { localTime } from '#core/calendar/zone'

/** Where the reader is. */
const ownTimeZone = () => Intl.DateTimeFormat().resolvedOptions().timeZone

/** The clock, as it ticks: the instant, and the hour by the household’s own clock. */
export function useNow(everyMs = 1000) {
  const household = useHousehold()
  const now = useClock({ interval: everyMs })
  const local = computed(() => {
    const { timeZone = null, clock = null } = household.record ?? {}
    return clock
      ? localTime('UTC', ownInstant(clock, now.value))
      : localTime(timeZone ?? ownTimeZone(), now.value)
  })
  return {
    now,
    /** `07:30` there. */
    time: computed(() => local.value.time),
    moment: computed((): Moment => momentOf(dayFrom(local.value.day), local.value.time)),
  }
}
