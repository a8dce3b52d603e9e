import { addDays, type Day } from '../../calendar/day'

export interface HardeningDay {
  readonly on: Day
  /** Hours outside; 24 where they stay out overnight. */
  readonly hours: number
  readonly where: string
}

/**
 * A day-by-day plan: from an hour or two in shade to the night outside, evenly over the days there are [common
 * practice: a few hours a day, longer each day, 7–14 days].
 *
 * @param days 1 or more
 * @example hardeningPlan('2027-05-01', 7).length // 7
 */
export function hardeningPlan(from: Day, days: number): HardeningDay[] {
  return Array.from({ length: Math.max(1, Math.round(days)) }, (_, i) => {
    const along = days <= 1 ? 1 : i / (days - 1)
    const hours = along >= 0.85 ? 24 : Math.round(2 + (8 / 0.85) * along)
    return { on: addDays(from, i), hours, where: whereAt(along) }
  })
}

function whereAt(along: number): string {
  if (along < 0.3) return 'shade, out of the wind'
  if (along < 0.6) return 'morning sun'
  if (along < 0.85) return 'sun; water a little less'
  return 'out overnight, unless the night is too cold'
}
