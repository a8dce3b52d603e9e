import { useStorage, type RemovableRef, type StorageLike, type UseStorageOptions } from '@vueuse/core'

/*
 * What this browser keeps for the site: drafts, a count that is under way, what is on its way to the server. Where it may keep
 * nothing, or is full, that is kept in the page alone, and the page says so (StorageNotice).
 */

/** Why nothing outlives this page; null while it does. */
export const storageTrouble = ref<'denied' | 'full' | null>(null)

const own = opened()
const inPage = new Map<string, string>()

function opened(): Storage | null {
  try {
    return window.localStorage
  } catch {
    storageTrouble.value = 'denied'
    return null
  }
}

export const browserStorage: StorageLike = {
  getItem: (key) => inPage.get(key) ?? own?.getItem(key) ?? null,
  setItem(key, value) {
    try {
      own?.setItem(key, value)
      if (own) return void (inPage.delete(key) && inPage.size === 0 && (storageTrouble.value = null))
    } catch {
      storageTrouble.value = 'full'
    }
    inPage.set(key, value)
  },
  removeItem(key) {
    inPage.delete(key)
    own?.removeItem(key)
  },
}

/** A value that is kept in this browser, and follows what another window of it writes. */
export const useKept = <Value extends object | null>(
  key: string,
  first: MaybeRefOrGetter<Value>,
  options: UseStorageOptions<Value> = {},
): RemovableRef<Value> =>
  useStorage<Value>(key, first, own ?? browserStorage, {
    onError: () => (storageTrouble.value ??= 'full'),
    ...options,
  })
