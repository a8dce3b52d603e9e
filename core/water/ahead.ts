import type { Conditions } from './balance'
import { follow, type Followed, type Point } from './follow'
import type { Moment } from './watering-events'

/**
 * What the next watering does, from below until it takes no more, at an hour to come: the path from then on.
 *
 * @param until the path ends here
 */
export function pathIfWatered(
  followed: Followed,
  conditionsAt: (at: Moment, factor: number) => Conditions,
  at: Moment,
  until: Moment,
): Point[] {
  const { now, store, factor } = followed
  const before = followed.path.slice(followed.path.indexOf(now)).filter((point) => point.at <= at)
  const last = before.at(-1) ?? now
  const after = follow(
    store,
    {
      at: last.at,
      contents: { waterL: last.waterL, salts: last.ecMsPerCm * last.waterL, nitrogenMg: last.nitrogenMg },
      sdL: last.sdL,
    },
    (moment) => conditionsAt(moment, factor.mean),
    [
      {
        kind: 'watered',
        at: Math.max(at, last.at),
        how: 'below',
        litres: null,
        backL: null,
        ecMsPerCm: 0,
        nMgPerL: 0,
      },
    ],
    Math.max(at, last.at),
    until,
  )
  return [...before, ...after.path]
}
