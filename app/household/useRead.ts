/**
 * What a page reads from the server beside what is in sight. It is read again when something was written meanwhile: a write
 * pressed on the page before may still be on its way when this one opens.
 *
 * @param path below the household's own address
 */
export function useRead<Answer>(path: () => string) {
  const household = useHousehold()
  const answer = shallowRef<Answer | null>(null)
  const problem = ref('')
  let asked = 0
  async function load() {
    if (!household.id) return
    const turn = ++asked
    try {
      const read = await $fetch<Answer>(`/api/households/${household.id}/${path()}`)
      if (turn !== asked) return
      answer.value = read
      problem.value = ''
    } catch (error) {
      if (turn === asked) problem.value = whyNot(error)
    }
  }
  watch([() => household.id, path, () => household.everything], load, { immediate: true })
  return { answer, problem }
}
