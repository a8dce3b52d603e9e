import { sayingFor } from '#shared/messages/saying'

/** How this household says amounts, days and words. */
export function useSaying() {
  const household = useHousehold()
  const { printDay } = useDates()
  return computed(() =>
    sayingFor({
      units: household.units,
      thermometer: household.thermometer,
      locale: household.record?.formats?.locale ?? null,
      day: printDay,
    }),
  )
}
