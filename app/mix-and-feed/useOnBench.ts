/**
 * A page on which a draft is made opens what its address names; where something stands there that is kept nowhere, not
 * without asking.
 *
 * @param wanted opens what the address names; null where that stands there already
 */
export function useOnBench(
  draft: { readonly loose: boolean },
  what: string,
  wanted: () => (() => void) | null,
) {
  const route = useRoute()
  const router = useRouter()
  const ask = useAsk()
  let asking = false

  async function open() {
    const act = wanted()
    if (!act || asking) return
    if (draft.loose) {
      asking = true
      const yes = await ask({
        header: `There is ${what} you have not kept`,
        message: 'Open the other in its place? Undo brings back what was there.',
        yes: 'Open it',
        no: 'Stay with mine',
      })
      asking = false
      if (!yes) return void router.replace({ query: {} })
    }
    act()
  }
  // A moment later: what asks the question is there only when all of the page is.
  onMounted(() => setTimeout(open))
  watch(() => route.fullPath, open)
}
