import { present } from '../present'
/** Making a formatter takes longer than using it a hundred times; there are some six hundred time zones. */
const formatters = new Map<string, Intl.DateTimeFormat>()

function formatterOf(timeZone: string): Intl.DateTimeFormat {
  const known = formatters.get(timeZone)
  if (known) return known
  const made = new Intl.DateTimeFormat('en', {
    timeZone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  })
  formatters.set(timeZone, made)
  return made
}

/** What calendar and clock show at a moment where that time zone is kept. @throws RangeError for no time zone */
export function localTime(timeZone: string, at: Date): { day: string; time: string } {
  const parts = formatterOf(timeZone).formatToParts(at)
  const part = (type: string) => present(parts.find((one) => one.type === type)).value
  return {
    day: `${part('year').padStart(4, '0')}-${part('month')}-${part('day')}`,
    time: `${part('hour')}:${part('minute')}`,
  }
}
