import { scaleLinear } from 'd3-scale'
import { dayNumber, dayOf, type Day } from '#core/calendar/day'

/** Heights of what is drawn under the axis, px: a panel for each place that trays stand in, then mix and feed. */
export function demandPanels(places: number) {
  const panels = { place: places > 1 ? 62 : 96, mix: 78, feed: 52, gap: 30 }
  const flats = places * panels.place + (places - 1) * panels.gap
  return { ...panels, flats, high: flats + panels.mix + panels.feed + 2 * panels.gap + 8 }
}
export type DemandPanels = ReturnType<typeof demandPanels>

/** Days along the season's axis. */
export interface SeasonScale {
  readonly x: (day: Day) => number
  /** Days in a length on screen, whole ones. */
  readonly days: (px: number) => number
  readonly left: number
  readonly right: number
  readonly months: readonly { readonly day: Day; readonly x: number; readonly width: number }[]
  readonly weeks: readonly number[]
}

export function seasonScale(from: Day, days: number, left: number, right: number): SeasonScale {
  const first = dayNumber(from)
  const scale = scaleLinear([first, first + days], [left, right])
  const perDay = (right - left) / days
  const months: SeasonScale['months'][number][] = []
  const weeks: number[] = []
  for (let n = first; n < first + days; n++) {
    const day = dayOf(n)
    // 1970-01-01 was a Thursday, so Mondays are those with n ≡ 4 (mod 7).
    if (n % 7 === 4) weeks.push(scale(n))
    if (n === first || day.endsWith('-01')) {
      const length = daysInMonth(day) - Number(day.slice(8)) + 1
      const x = scale(n)
      months.push({ day, x, width: Math.min(right, scale(n + length)) - x })
    }
  }
  return {
    x: (day) => scale(dayNumber(day)),
    days: (px) => Math.round(px / perDay),
    left,
    right,
    months,
    weeks,
  }
}

const daysInMonth = (day: Day) =>
  new Date(Date.UTC(Number(day.slice(0, 4)), Number(day.slice(5, 7)), 0)).getUTCDate()
