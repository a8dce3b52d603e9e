import { useState } from '#imports'
import { onMounted } from 'vue'
import { useEventListener } from '@vueuse/core'

/** The reader's own calendar day. The server knows only its own, until the page is alive. */
export function useToday() {
  const today = useState<string>('today', () => new Date().toISOString().slice(0, 10))
  const read = () => {
    const now = new Date()
    const local = new Date(now.getTime() - now.getTimezoneOffset() * 60_000)
    today.value = local.toISOString().slice(0, 10)
  }
  onMounted(read)
  // A page left open over midnight wakes up on the next day.
  useEventListener('focus', read)
  return today
}
