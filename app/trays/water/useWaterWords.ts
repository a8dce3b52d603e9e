import { useDates } from '~/kit/useDates'
import { useMeasures } from '~/kit/useMeasures'
import { printNumber } from '#core/units/format'
import { dayOf } from '#core/water/watering-events'
import type { TrayWater } from '#shared/reckoning/water'

/** What a tray wants of water, in words. */
export function useWaterWords() {
  const { printDay } = useDates()
  const { aboutVolume: volume, length } = useMeasures()

  function verdict({ outlook }: TrayWater): string {
    const { dueAt, earlyAt, lateAt } = outlook
    const when = dueAt === null ? 'not within ten days' : printDay(dayOf(dueAt))
    const range =
      earlyAt !== null && dueAt !== null
        ? `, between ${printDay(dayOf(earlyAt))} and ${lateAt === null ? 'later' : printDay(dayOf(lateAt))}`
        : ''
    switch (outlook.verdict) {
      case 'water':
        return 'Water today.'
      case 'tomorrow':
        return `Water tomorrow${range}.`
      case 'look':
        return 'Not checked lately: lift it to feel the weight.'
      case 'let dry':
        return `Wet too long: leave it until it is light, about ${when}.`
      case 'later':
        return `Water about ${when}${range}.`
    }
  }
  function doing({ outlook, place }: TrayWater): string {
    const { way, pourL, drinksL, backL, standsMm } = outlook
    const outside = place.kind === 'outside' || place.kind === 'frame'
    const amount =
      way.how === 'below'
        ? `${volume(pourL.value)} into the tray${standsMm ? `, ${length(Math.round(standsMm.value))} high` : ''}, for ${printNumber(way.minutes ?? 20)} minutes; it drinks about ${volume(drinksL.value)} and ${volume(backL.value)} comes back.`
        : way.how === 'mist'
          ? `A mist, about ${volume(pourL.value)}.`
          : `A gentle rose, about ${volume(pourL.value)}, until it runs out below.`
    if (outlook.verdict === 'let dry') return 'No water for now.'
    return [
      outlook.verdict === 'water' ? amount : `Then: ${amount}`,
      way.why,
      outside
        ? 'By hand outside: early in the day, out of the wind, shaded at noon; a dome comes off in the sun.'
        : '',
    ]
      .filter(Boolean)
      .join(' ')
  }
  /** In a few words, for a list. */
  function short({ outlook }: TrayWater): string {
    const { way, pourL, standsMm } = outlook
    return way.how === 'below'
      ? `${volume(pourL.value)} into the tray${standsMm ? `, ${length(Math.round(standsMm.value))} high` : ''}`
      : way.how === 'mist'
        ? 'a mist'
        : `${volume(pourL.value)} with a gentle rose`
  }
  return { verdict, doing, short }
}
