// A formatter is far dearer to make than to use, and a season prints hundreds of days at once.
const made = new Map<string, Intl.DateTimeFormat>()
function formatter(locale: string | undefined, options: Intl.DateTimeFormatOptions) {
  const key = `${locale} ${JSON.stringify(options)}`
  const kept = made.get(key) ?? new Intl.DateTimeFormat(locale, options)
  made.set(key, kept)
  return kept
}

/**
 * Dates in the reader's own locale and clock. The server knows neither, so the page first shows plain British dates
 * and changes to the reader's once it is alive.
 */
export function useDates() {
  const household = useHousehold()
  const alive = ref(false)
  onMounted(() => (alive.value = true))
  /** undefined is the reader’s own. */
  const locale = computed(() => (alive.value ? (household.record?.formats?.locale ?? undefined) : 'en-GB'))

  const print = (at: Date, options: Intl.DateTimeFormatOptions) =>
    formatter(locale.value, alive.value ? options : { ...options, timeZone: 'UTC' }).format(at)
  /** A calendar day belongs to no time zone: noon keeps it the same day everywhere it is printed. */
  const ofDay = (day: string) => new Date(alive.value ? `${day}T12:00` : `${day}T12:00Z`)

  /** Day, month and year in the reader's order, as the date picker writes it: `dd/mm/yy`. */
  const dayOrder = computed(() =>
    new Intl.DateTimeFormat(locale.value, { day: '2-digit', month: '2-digit', year: 'numeric' })
      .formatToParts(new Date())
      .map(({ type, value }) => ({ day: 'dd', month: 'mm', year: 'yy' })[type as 'day'] ?? value)
      .join(''),
  )

  /** Whether the reader writes the month before the day. */
  const monthFirst = computed(() => dayOrder.value.indexOf('mm') < dayOrder.value.indexOf('dd'))

  return {
    locale,
    monthFirst,
    /** `Thu 20 May 2027`, of an ISO date. */
    printLongDay: (day: string) =>
      print(ofDay(day), { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' }),
    dayOrder,
    /** `Sat 14 Mar`, of an ISO date. */
    printDay: (day: string) => print(ofDay(day), { weekday: 'short', day: 'numeric', month: 'short' }),
    /** `Apr`, or `Apr 2027` in January. */
    printMonth: (day: string) =>
      print(ofDay(day), day.slice(5, 7) === '01' ? { month: 'short', year: 'numeric' } : { month: 'short' }),
    /** `14 March`, of a moment. */
    printDate: (at: string) => print(new Date(at), { day: 'numeric', month: 'long' }),
    /** `14 Mar, 18:05`, of a moment. */
    printMoment: (at: string) =>
      print(new Date(at), { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' }),
    /** `Sat 14 Mar, 18:00`: so many minutes from the hour of a day, on the clock. */
    printTime(day: string, hour: number, minutes: number) {
      const at = ofDay(day)
      if (alive.value) at.setHours(hour, minutes)
      else at.setUTCHours(hour, minutes)
      return print(at, {
        weekday: 'short',
        day: 'numeric',
        month: 'short',
        hour: '2-digit',
        minute: '2-digit',
      })
    },
  }
}
