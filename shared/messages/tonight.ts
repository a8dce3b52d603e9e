import type { Tonight } from '../derived/tonight'
import { messages, namesListed } from './message'
import type { Saying } from './saying'

const LINES = messages({
  bringIn: '{night}: bring in {names}',
  allSafe: '{night}: nothing to bring in',
  safe: '{names} {n, plural, one {is} other {are}} safe in {place}',
})

/** `−4 °C: bring in lettuce; chard is safe in Cold frame.` */
export function sayTonight({ nightC, bringIn, safe }: Tonight, say: Saying): string {
  const night = say.temperature(nightC)
  const lines = [
    bringIn.length
      ? LINES('bringIn', { night, names: namesListed(bringIn, 4) })
      : LINES('allSafe', { night }),
    ...[...new Set(safe.map(({ place }) => place))].map((place) => {
      const names = [...new Set(safe.filter((one) => one.place === place).map(({ name }) => name))]
      return LINES('safe', { names: namesListed(names), n: names.length, place: place.name })
    }),
  ]
  return `${lines.join('; ')}.`
}
