import { GNAT_DAYS, type WetRisk } from '#core/water/wet'
import { printShare } from '#core/units/format'
import { dayOf } from '#core/water/watering-events'
import type { TrayWater } from '../derived/water'
import type { Watered } from '../derived/water-round'
import { messages } from './message'
import type { Saying } from './saying'

/* When a tray needs water, and how to give it. */

const VERDICTS = messages({
  water: 'Water today.',
  tomorrow: 'Water tomorrow{range}.',
  look: 'Not checked lately: lift it to feel the weight.',
  'let dry': 'Wet too long: leave it until it is light, about {when}.',
  later: 'Water about {when}{range}.',
  notSoon: 'No water for ten days or more.',
  from: ' (any time from {early})',
  between: ' ({early} – {late})',
})
const DOING = messages({
  below:
    'Pour {pour} into the tray{deep}; leave it {minutes} minutes, then pour off the rest (about {back}).',
  above: 'Water gently from above, about {pour}, until it drains.',
  mist: 'Mist lightly, about {pour}.',
  none: 'No water for now.',
  then: 'Next: {what}',
  outside: 'Outside: early in the day, out of the wind; take domes off in the sun.',
  shortBelow: '{pour} into the tray{deep}',
  shortAbove: '{pour} gently from above',
  shortMist: 'mist lightly',
  week: 'Water {trays}',
  weekTray: 'tray {number} ({name})',
  deep: ' ({depth} deep)',
})

/** When it needs water: `Water about Thu 15 Apr (Mon 12 Apr – Sat 17 Apr).` */
export function sayWaterDue({ outlook }: TrayWater, say: Saying): string {
  const { dueAt, earlyAt, lateAt } = outlook
  if (dueAt === null && outlook.verdict === 'later') return VERDICTS('notSoon')
  const [when, early, late] = [dueAt, earlyAt, lateAt].map((at) => (at === null ? '' : say.day(dayOf(at))))
  const range =
    !early || !when || early === late ? '' : VERDICTS(late ? 'between' : 'from', { early, late: late ?? '' })
  return VERDICTS(outlook.verdict, { when: when ?? '', range })
}

/** `Pour 1.3 L into the tray (9 mm deep); leave it 20 minutes, then pour off the rest.` */
export function sayHowToWater({ outlook, place }: TrayWater, say: Saying): string {
  if (outlook.verdict === 'let dry') return DOING('none')
  const { way, pourL, backL, standsMm } = outlook
  const what = DOING(way.how, {
    pour: say.aboutVolume(pourL.value),
    back: say.aboutVolume(backL.value),
    minutes: way.minutes ?? 20,
    deep: standsMm ? DOING('deep', { depth: say.length(Math.round(standsMm.value)) }) : '',
  })
  const inTheOpen = place.kind === 'outside' || place.kind === 'frame'
  return [
    outlook.verdict === 'water'
      ? what
      : DOING('then', { what: what.charAt(0).toLowerCase() + what.slice(1) }),
    inTheOpen ? DOING('outside') : '',
  ]
    .filter(Boolean)
    .join(' ')
}

/** In a few words, for a list. */
export function sayWaterShort({ outlook: { way, pourL, standsMm } }: TrayWater, say: Saying): string {
  return DOING(({ below: 'shortBelow', above: 'shortAbove', mist: 'shortMist' } as const)[way.how], {
    pour: say.aboutVolume(pourL.value),
    deep: standsMm ? DOING('deep', { depth: say.length(Math.round(standsMm.value)) }) : '',
  })
}

/** The trays to water on one day, in a line for the week on paper: `Water tray 2 (Basil), tray 5 (Leek)`. */
export const sayWaterOfDay = (trays: readonly Watered[]): string =>
  DOING('week', {
    trays: trays
      .map(({ tray: { number, body } }) =>
        DOING('weekTray', { number, name: body.groups.map(({ name }) => name).join(', ') || body.name }),
      )
      .join(', '),
  })

const WET = messages({
  wet: 'Wet on {days} of the last 7 days, and {air} air when it has drained.',
  young:
    'Seedlings fall at the neck mostly in their first two weeks; these have been up {up, plural, one {# day} other {# days}}.',
  cold: 'At {temperature} it dries slowly.',
  gnats: 'Fungus gnats lay into a wet surface; the next generation flies in about {days} days.',
  lift: 'Leave the next watering out until it is light to lift.',
  air: 'Take the cover off and move the air: a fan, or more room between trays.',
  warmer: 'Keep it warmer.',
  veil: 'A few millimetres of vermiculite on top keep the surface dry.',
})
/** What days of wet mix bring, and what to do. */
export function sayWetRisk(
  { wetDays, airShare, youngDays, coldC }: WetRisk,
  temperature: (celsius: number) => string,
): { readonly text: string; readonly todo: readonly string[] } {
  const air = printShare(Math.round(airShare * 100) / 100)
  return {
    text: [
      WET('wet', { days: Math.round(wetDays), air }),
      ...(youngDays === null ? [] : [WET('young', { up: Math.round(youngDays) })]),
      ...(coldC === null ? [] : [WET('cold', { temperature: temperature(coldC) })]),
      WET('gnats', { days: GNAT_DAYS }),
    ].join(' '),
    todo: [WET('lift'), WET('air'), ...(coldC === null ? [] : [WET('warmer')]), WET('veil')],
  }
}
