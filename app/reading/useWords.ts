import { wordsOf } from '#shared/derived/known'

/** What this household calls things by, as sentences are read with it. */
export function useWords() {
  const context = useContext()
  const bench = useBench()
  const order = useDayOrder()
  return computed(() => wordsOf(context.whole, bench.today, order.value, context.whole.units, bench))
}
