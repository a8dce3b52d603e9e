import { currencyOf, printMoney } from '#core/units/currency'

/** Sums in the household's currency: the one it chose, else that of the reader's region. */
export function useMoney() {
  const household = useHousehold()
  const { locale } = useDates()
  const currency = computed(
    () => household.record?.formats?.currency ?? currencyOf(locale.value ?? navigator.language),
  )
  return { currency, money: (amount: number) => printMoney(amount, currency.value, locale.value) }
}
