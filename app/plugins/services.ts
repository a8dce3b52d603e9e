import { usePrimeVue } from 'primevue/config'
import ConfirmationService from 'primevue/confirmationservice'
import ToastService from 'primevue/toastservice'

/** PrimeVue's questions and notes, and its calendar in the household's words and week, or the reader's own. */
export default defineNuxtPlugin(({ vueApp }) => {
  vueApp.use(ConfirmationService)
  vueApp.use(ToastService)
  vueApp.runWithContext(() => {
    const { locale } = usePrimeVue().config
    const household = useHousehold()
    if (locale && import.meta.client)
      watch(
        () => household.record?.formats,
        (formats) => {
          const words = calendarWords(formats?.locale ?? navigator.language)
          const first = formats?.weekStart && WEEK_STARTS[formats.weekStart]
          Object.assign(locale, words, first == null ? {} : { firstDayOfWeek: first })
        },
        { immediate: true, deep: true },
      )
  })
})

const WEEK_STARTS = { sunday: 0, monday: 1, saturday: 6 } as const
type Week = { firstDay: number }

function calendarWords(language: string) {
  const print = (options: Intl.DateTimeFormatOptions, at: Date) =>
    new Intl.DateTimeFormat(language, { timeZone: 'UTC', ...options }).format(at)
  const days = (weekday: 'long' | 'short' | 'narrow') =>
    // 4 January 2026 is a Sunday.
    Array.from({ length: 7 }, (_, i) => print({ weekday }, new Date(Date.UTC(2026, 0, 4 + i))))
  const months = (month: 'long' | 'short') =>
    Array.from({ length: 12 }, (_, i) => print({ month }, new Date(Date.UTC(2026, i, 15))))
  const reader = new Intl.Locale(language) as Intl.Locale & { weekInfo?: Week; getWeekInfo?: () => Week }
  const week = reader.getWeekInfo?.() ?? reader.weekInfo
  return {
    firstDayOfWeek: (week?.firstDay ?? 1) % 7,
    dayNames: days('long'),
    dayNamesShort: days('short'),
    dayNamesMin: days('short'),
    monthNames: months('long'),
    monthNamesShort: months('short'),
  }
}
