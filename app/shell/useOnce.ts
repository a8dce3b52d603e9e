/** True from the first time on that it is: what is loaded when it is first asked for stays. */
export function useOnce(asked: () => unknown): Readonly<Ref<boolean>> {
  const was = ref(false)
  watchEffect(() => {
    if (asked()) was.value = true
  })
  return computed(() => was.value)
}
