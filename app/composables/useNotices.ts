import { useDates } from '~/composables/useDates'
import { useMeasures } from '~/composables/useMeasures'
import type { Notice } from '#core/season/sowing'
import { printNumber } from '#core/units/format'

/** What is to be known before sowing, in words. */
export function useNotices() {
  const { printDay } = useDates()
  const { temperature } = useMeasures()
  return function say(notice: Notice): string {
    switch (notice.kind) {
      case 'too cold to come up':
        return `At ${temperature(notice.mixC)} it does not come up: a mat, or a warmer place.`
      case 'out before the frost is over':
        return `Frost may still take it; from ${printDay(notice.earliest)} on it is safe.`
      case 'not before the frost':
        return `It cannot finish before autumn’s frost. At the latest: sow ${printDay(notice.latestSow)}, out ${printDay(notice.latestOut)}.`
      case 'not ready by then':
        return `Too late for that day: ready ${printDay(notice.ready)}.`
      case 'seed is short':
        return `The packet is ${printNumber(notice.short)} seeds short.`
    }
  }
}
