/** Which comes first in 6/5, as it is typed here: by the kitchen where that says it, else by the reader's own order. */
export function useDayOrder() {
  const household = useHousehold()
  const { monthFirst } = useDates()
  return computed(() =>
    household.units === 'us' || (household.units === 'metric' && monthFirst.value)
      ? ('month first' as const)
      : ('day first' as const),
  )
}
