import { useEventListener, useIntervalFn } from '@vueuse/core'
import { todayOf } from '#core/calendar/clock'
import { dayAt, type Day } from '#core/calendar/day'

/** Today, where the household is; where it has not said, by the reader's own clock. */
export const useToday = () => useState<Day>('today', () => dayAt(new Date()))

/** Keeps the day, once for the whole application: before any page begins with it, and while it is left open. */
export function keepToday() {
  const household = useHousehold()
  const today = useToday()
  const read = () => {
    const now = new Date()
    const { timeZone = null, clock = null } = household.record ?? {}
    const local = new Date(now.getTime() - now.getTimezoneOffset() * 60_000)
    today.value = timeZone === null && clock === null ? dayAt(local) : todayOf({ clock, timeZone }, now)
  }
  // A page that opens with another household begins with that household’s day.
  watch(() => [household.record?.timeZone, household.record?.clock], read, { immediate: true, flush: 'sync' })
  // A clock that is run faster passes midnight while one looks on.
  useIntervalFn(() => {
    if ((household.record?.clock?.speed ?? 1) > 1) read()
  }, 1000)
  // A page left open over midnight wakes up on the next day.
  useEventListener('focus', read)
}
