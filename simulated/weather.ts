import { addDays, dayNumber, daysBetween, type Day } from '#core/calendar/day'
import type { WeatherDay } from '#core/calendar/weather'
import { evenly, scatter, seedOf } from './chance'

/*
 * A sky that was never there: a year’s wave, spells of some days, and a forecast that knows less the farther it looks. Plausible
 * for a temperate garden [common practice]; the same seed is the same weather.
 */

/** Mean of the year and half its swing, °C; how much night and day differ. */
const MEAN_C = 10
const SWING_C = 9
const DAY_NIGHT_C = 9
/** The mean low about the day of the last frost: nights scatter by some 3 °C, so it lies well above freezing, °C. */
const MILD_LOW_C = 5
/** Spells last some days and go up and down by so much, °C. */
const SPELL_DAYS = 4
const SPELL_C = 3.2
/** What a forecast is off by, for each day ahead, °C, one standard deviation. */
const OFF_PER_DAY_C = 0.7
/** The coldest day of the year, counted from 1 January. */
const COLDEST_DAY = 20

export interface Sky {
  readonly place: string
  /** The last frost of spring is about this day, where it is said. */
  readonly lastFrost: Day | null
}

/** What the air of a day really was, or will be. */
export function weatherOn({ place, lastFrost }: Sky, on: Day): Omit<WeatherDay, 'source' | 'madeOn'> {
  const wave = (day: Day) =>
    MEAN_C - SWING_C * Math.cos((2 * Math.PI * (daysBetween(yearOf(day), day) - COLDEST_DAY)) / 365.25)
  // Where a last frost was said the year is shifted so that it falls about then.
  const shift = lastFrost ? MILD_LOW_C + DAY_NIGHT_C / 2 - wave(lastFrost) : 0
  const spell = spellOn(place, on)
  const mean = wave(on) + shift + spell
  const draw = evenly(seedOf(`${place} ${on}`))
  const clear = draw() < 0.5 + spell / 20
  const swing = DAY_NIGHT_C * (clear ? 1.25 : 0.7)
  return {
    on,
    lowC: tenth(mean - swing / 2 + scatter(`${place} low ${on}`) * 0.6),
    highC: tenth(mean + swing / 2 + scatter(`${place} high ${on}`) * 0.6),
    rainMm: clear ? 0 : tenth(draw() * draw() * 16),
    windMPerS: tenth(1.5 + draw() * 4 + (clear ? 0 : 2)),
    sunHours: tenth(clear ? 6 + draw() * 6 : draw() * 4),
    simulated: true,
  }
}
const yearOf = (day: Day) => `${day.slice(0, 4)}-01-01` as Day
const tenth = (value: number) => Math.round(value * 10) / 10

/** A smooth wander between draws some days apart. */
function spellOn(place: string, on: Day): number {
  const at = dayNumber(on) / SPELL_DAYS
  const [before, after] = [Math.floor(at), Math.floor(at) + 1]
  const part = at - before
  return (
    SPELL_C * ((1 - part) * scatter(`${place} spell ${before}`) + part * scatter(`${place} spell ${after}`))
  )
}

/** The days from `on` as they are forecast that day, and yesterday as it was. */
export function forecastOn(sky: Sky, on: Day, days: number): WeatherDay[] {
  const yesterday = addDays(on, -1)
  return [
    { ...weatherOn(sky, yesterday), source: 'history', madeOn: yesterday },
    ...Array.from({ length: days }, (_, ahead): WeatherDay => {
      const day = addDays(on, ahead)
      const real = weatherOn(sky, day)
      const off = (what: string) =>
        OFF_PER_DAY_C * Math.sqrt(ahead) * scatter(`${sky.place} ${what} ${on} for ${day}`)
      const lowC = tenth(real.lowC + off('low'))
      return {
        ...real,
        lowC,
        highC: Math.max(lowC, tenth(real.highC + off('high'))),
        source: 'forecast',
        madeOn: on,
      }
    }),
  ]
}
