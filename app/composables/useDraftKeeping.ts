import { onMounted, type Ref } from 'vue'
import { watchDebounced } from '@vueuse/core'

/**
 * Keep a draft in this browser, so that a reload or a flat battery loses nothing that was typed.
 * Read after the page has come alive: the server knows nothing of it.
 */
export function useDraftKeeping<Draft>(key: string, draft: Ref<Draft>, restore: (kept: Draft) => void) {
  onMounted(() => {
    try {
      const kept = localStorage.getItem(key)
      if (kept) restore(JSON.parse(kept) as Draft)
    } catch {
      localStorage.removeItem(key)
    }
    watchDebounced(draft, (value) => localStorage.setItem(key, JSON.stringify(value)), {
      deep: true,
      debounce: 200,
    })
  })
}
