import { counted } from '#core/text/plurals'
import { useDates } from '~/kit/useDates'
import { useMeasures } from '~/kit/useMeasures'
import type { Notice } from '#core/season/schedule/notices'
import { printNumber, printShare } from '#core/units/format'

/** What is to be known before sowing, in words. */
export function useNotices() {
  const { printDay } = useDates()
  const { temperature } = useMeasures()
  return function say(notice: Notice): string {
    switch (notice.kind) {
      case 'too cold to come up':
        return `At ${temperature(notice.mixC)} it does not come up; between ${temperature(notice.range[0])} and ${temperature(notice.range[1])} it does: a mat, or a warmer place.`
      case 'too hot to come up':
        return `At ${temperature(notice.mixC)} it is too hot for it; between ${temperature(notice.range[0])} and ${temperature(notice.range[1])} it comes up: a cooler place, or sow in the evening and shade it.`
      case 'fewer came up':
        return `${printNumber(notice.up)} came up: about ${counted(notice.plants, 'good plant')} to come. To make up for it sow ${counted(notice.cells, 'more cell')}.`
      case 'out before the frost is over':
        return notice.risk === null
          ? `Early for it: nights may still be too cold; from ${printDay(notice.earliest)} on it is safe.`
          : `Frost comes after that day in ${printShare(notice.risk)} of springs; from ${printDay(notice.earliest)} on it is as safe as you asked.`
      case 'out while nights are too cold':
        return notice.earliest === null
          ? `Nights there never stay above ${temperature(notice.lowestC)}: keep it under glass.`
          : `Nights stay above ${temperature(notice.lowestC)} from ${printDay(notice.earliest)} on.`
      case 'stands too long':
        return `Early by ${counted(notice.days, 'day')}: it stands ${counted(notice.inLast, 'day')} in a ${notice.container}, or takes ${counted(notice.pottings, 'potting-up')} more.`
      case 'out too young':
        return `Only ${counted(notice.weeks, 'week')} old when it goes out, where ${notice.usual} are usual: small plants, late to crop.`
      case 'too little light':
        return `${notice.place} gives ${printNumber(notice.molPerM2)} mol/m² a day and a ${notice.age} wants ${notice.wanted}: ${notice.isLamp ? 'hang it closer, burn it longer, or add a lamp' : 'a brighter place, or a lamp with it'}.`
      case 'not before the frost':
        return `It cannot finish before autumn’s frost. At the latest: sow ${printDay(notice.latestSow)}, out ${printDay(notice.latestOut)}.`
      case 'not ready by then':
        return `Too late for that day: ready ${printDay(notice.ready)}.`
      case 'roots last time':
        return notice.days < 0
          ? `Moved on ${counted(-notice.days, 'day')} earlier than usual: the last such sowing’s roots were circling.`
          : `Moved on ${counted(notice.days, 'day')} later than usual: the last such sowing’s roots were few.`
      case 'seed is short':
        return `The packet is ${counted(notice.short, 'seed')} short.`
    }
  }
}
