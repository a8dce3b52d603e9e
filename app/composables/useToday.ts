import { useState } from '#imports'
import { onMounted, watch } from 'vue'
import { useEventListener } from '@vueuse/core'
import { useHousehold } from '~/state/household'
import { dayAt, dayIn, type Day } from '#core/season/day'

/** Today, where the household is; where it has not said, by the reader's own clock. */
export function useToday() {
  const household = useHousehold()
  const today = useState<Day>('today', () => dayAt(new Date()))
  const read = () => {
    const now = new Date()
    const timeZone = household.record?.timeZone ?? null
    const local = new Date(now.getTime() - now.getTimezoneOffset() * 60_000)
    today.value = timeZone === null ? dayAt(local) : dayIn(timeZone, now)
  }
  onMounted(read)
  watch(() => household.record?.timeZone, read)
  // A page left open over midnight wakes up on the next day.
  useEventListener('focus', read)
  return today
}
