import type { Notice } from '#core/season/schedule/notices'
import { printNumber, printShare } from '#core/units/format'
import { messages } from './message'
import type { Saying } from './saying'

/* What to know before sowing, and what to do about it. */

const NOTICES = messages({
  'too cold to come up':
    'Too cold to germinate at {at}; needs {low} to {high}. Use a heat mat or a warmer place.',
  'too hot to come up':
    'Too hot to germinate at {at}; needs {low} to {high}. Use a cooler place, or sow in the evening and shade it.',
  'fewer came up':
    '{up} came up: expect about {plants, plural, one {# plant} other {# plants}}. Sow {cells, plural, one {# more cell} other {# more cells}} to make up.',
  early: 'Early: nights may still be too cold. Safe from {earliest}.',
  'out before the frost is over': 'Frost after that day in {risk} of springs. Safe from {earliest}.',
  'never warm enough': 'Nights there never stay above {lowest}: keep it under cover.',
  'out while nights are too cold': 'Nights stay above {lowest} from {earliest}.',
  'stands too long':
    'Early by {days, plural, one {# day} other {# days}}: {inLast, plural, one {# day} other {# days}} in {container}, or pot up {pottings, plural, one {once} other {# times}} more.',
  'out too young':
    'Only {weeks, plural, one {# week} other {# weeks}} old at planting out; {usual} is usual. Expect small plants and a late crop.',
  lamp: '{place} gives {mol} mol/m² of light a day; a {age} needs {wanted}. Lower the lamp, run it longer, or add one.',
  daylight:
    '{place} gives {mol} mol/m² of light a day; a {age} needs {wanted}. Use a brighter place, or add a lamp.',
  'not before the frost': 'It cannot finish before autumn frost. Latest: sow {sow}, plant out {out}.',
  'not ready by then': 'Too late for that day: ready {ready}.',
  earlier:
    'Moved on {days, plural, one {# day} other {# days}} earlier than usual: roots were circling last time.',
  later: 'Moved on {days, plural, one {# day} other {# days}} later than usual: roots were few last time.',
  'seed is short': 'The packet is {short, plural, one {# seed} other {# seeds}} short.',
})

export function sayNotice(notice: Notice, say: Saying): string {
  const { english, day, temperature } = say
  const tell = (kind: Parameters<typeof NOTICES>[0], values = {}) => NOTICES(kind, values, english)
  switch (notice.kind) {
    case 'too cold to come up':
    case 'too hot to come up':
      return tell(notice.kind, {
        at: temperature(notice.mixC),
        low: temperature(notice.range[0]),
        high: temperature(notice.range[1]),
      })
    case 'fewer came up':
      return tell(notice.kind, { up: printNumber(notice.up), plants: notice.plants, cells: notice.cells })
    case 'out before the frost is over':
      return notice.risk === null
        ? tell('early', { earliest: day(notice.earliest) })
        : tell(notice.kind, { risk: printShare(notice.risk), earliest: day(notice.earliest) })
    case 'out while nights are too cold':
      return notice.earliest === null
        ? tell('never warm enough', { lowest: temperature(notice.lowestC) })
        : tell(notice.kind, { lowest: temperature(notice.lowestC), earliest: day(notice.earliest) })
    case 'stands too long':
      return tell(notice.kind, {
        days: notice.days,
        inLast: notice.inLast,
        container: say.said(notice.container),
        pottings: notice.pottings,
      })
    case 'out too young':
      return tell(notice.kind, { weeks: notice.weeks, usual: notice.usual })
    case 'too little light':
      return tell(notice.isLamp ? 'lamp' : 'daylight', {
        place: notice.place,
        mol: printNumber(Math.round(notice.molPerM2)),
        age: notice.age,
        wanted: notice.wanted,
      })
    case 'not before the frost':
      return tell(notice.kind, { sow: day(notice.latestSow), out: day(notice.latestOut) })
    case 'not ready by then':
      return tell(notice.kind, { ready: day(notice.ready) })
    case 'roots last time':
      return tell(notice.days < 0 ? 'earlier' : 'later', { days: Math.abs(notice.days) })
    case 'seed is short':
      return tell(notice.kind, { short: notice.short })
  }
}
