import type { Figure } from '#core/working/figure'
import { printFigure } from '#core/working/print'
import { printQuantity } from '#core/units/format'
import { sayingFor } from '#shared/messages/saying'
import type { HouseholdRecord } from '#shared/records/household'
import { thermometerOf } from '#shared/records/new-household'

/** Amounts and days in the household’s own measures and language region. */
export function printing(household: Pick<HouseholdRecord, 'units' | 'formats'>) {
  const { units, formats } = household
  const thermometer = thermometerOf(household)
  const locale = formats?.locale ?? (units === 'us' ? 'en-US' : 'en-GB')
  const days = new Intl.DateTimeFormat(locale, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
  })
  const years = new Intl.DateTimeFormat(locale, {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  })
  const months = new Intl.DateTimeFormat(locale, { month: 'short', timeZone: 'UTC' })
  const at = (day: string) => new Date(`${day}T12:00:00Z`)
  const saying = sayingFor({ units, thermometer, locale, day: (day) => days.format(at(day)) })
  return {
    volume: (litres: number) => printQuantity(litres, 'volume', units),
    length: (mm: number) => printQuantity(mm, 'length', units),
    mass: (g: number) => printQuantity(g, 'mass', units),
    temperature: (c: number) => printQuantity(c, 'temperature', thermometer),
    figure: (one: Figure) => printFigure(one, units, thermometer),
    said: saying.said,
    saying,
    day: (day: string) => days.format(at(day)),
    longDay: (day: string) => years.format(at(day)),
    month: (day: string) => months.format(at(day)),
  }
}
export type Printing = ReturnType<typeof printing>
