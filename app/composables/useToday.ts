import { useState } from '#imports'
import { onMounted } from 'vue'
import { useEventListener } from '@vueuse/core'
import { dayAt, type Day } from '#core/season/day'

/** The reader's own calendar day. The server knows only its own, until the page is alive. */
export function useToday() {
  const today = useState<Day>('today', () => dayAt(new Date()))
  const read = () => {
    const now = new Date()
    const local = new Date(now.getTime() - now.getTimezoneOffset() * 60_000)
    today.value = dayAt(local)
  }
  onMounted(read)
  // A page left open over midnight wakes up on the next day.
  useEventListener('focus', read)
  return today
}
