/** About what a tray weighs, g, as a bare number on the household's kitchen scale is meant: grams, or pounds. */
export function useOnScale() {
  const household = useHousehold()
  return { onScale: computed(() => (household.units === 'metric' ? 500 : 2000)) }
}
