/**
 * Fields whose text cannot be read yet. The last readable value stays in the draft, so whoever saves
 * must first know that a field on the page says something else.
 */
const KEY: InjectionKey<Ref<Map<string, string>>> = Symbol('unreadable')

export function provideUnreadable() {
  const fields = ref(new Map<string, string>())
  provide(KEY, fields)
  return { unreadable: fields, first: computed(() => [...fields.value][0]) }
}

export function useUnreadable(id: string) {
  const fields = inject(KEY, ref(new Map<string, string>()))
  onBeforeUnmount(() => fields.value.delete(id))
  return (label: string | null) => {
    if (label === null) fields.value.delete(id)
    else fields.value.set(id, label)
  }
}
