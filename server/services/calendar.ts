import { present } from '#core/present'
import { first as firstOf } from '#core/numeric/at'
import ical, { ICalAlarmType, ICalCalendarMethod, type ICalEventData } from 'ical-generator'
import { addDays, dayNumber, type Day } from '#core/calendar/day'
import { feedDemands, mixDemands } from '#core/season/demand/demand'
import { sayContainers } from '#shared/messages/containers'
import { printNumber, printQuantity } from '#core/units/format'
import { inHousehold } from '../db/door'
import type { Principal } from '../principal'
import { lastChange, seasonBench } from './season'

/** Coir is set to soak in the evening, on the household's own clock. */
const SOAK_HOUR = 18
/** When somebody who wants it is reminded of a day’s work. */
const MORNING_HOUR = 7
/** Lines outside the standard that the library adds for one maker's calendar. */
const FOREIGN = /^X-(?!WR-CALNAME|PUBLISHED-TTL).*\r?\n/gm
const EPOCH = Date.UTC(2025, 0, 1)

/**
 * The season as iCalendar (RFC 5545). An event keeps its UID however often its day moves, and its sequence only rises,
 * so that a calendar that reads it again changes what it has instead of adding to it.
 */
export async function seasonCalendar(
  principal: Principal,
  householdId: string,
  on?: Day,
  reminds = false,
): Promise<string> {
  const { kept, today, rows, season: context } = await seasonBench(principal, householdId, on)
  const household = kept.household.body
  const changed = await inHousehold(principal, householdId, (tx) => lastChange(tx, householdId))
  // Days move when something is written, and when work that is late is held at today: either raises it.
  const sequence = Math.floor((changed.getTime() - EPOCH) / 1000) + dayNumber(today)
  const litres = (l: number) => printQuantity(l, 'volume', context.units)
  const nameOfMix = (id: string) => context.recipes.get(id)?.name ?? 'mix'

  const calendar = ical({
    name: `${household.name}: seedlings`,
    prodId: { company: 'Blastomix', product: 'season', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    ttl: 3600,
  })
  const add = (
    key: string,
    on: Day,
    summary: string,
    description: string,
    more: Partial<ICalEventData> = {},
  ) =>
    calendar.createEvent({
      id: `${key}@${householdId}.blastomix`,
      start: at(on),
      end: at(addDays(on, 1)),
      allDay: true,
      summary,
      description,
      sequence,
      stamp: changed,
      lastModified: changed,
      // Of a whole day the alarm counts from its midnight; its trigger is given in seconds before.
      ...(reminds && {
        alarms: [{ type: ICalAlarmType.display, trigger: -MORNING_HOUR * 3600, description: summary }],
      }),
      ...more,
    })

  for (const { id, name, planned, crop } of rows) {
    if (planned.treatOn)
      add(`${id}-treat`, planned.treatOn, `Treat the seed of ${name}`, present(crop.treatment).kind)
    for (const stage of planned.stages)
      add(`${id}-rung-${stage.index}`, stage.from, `${capital(stage.kind)}: ${name}`, sayContainers(stage))
    if (planned.emergeOn) add(`${id}-up`, planned.emergeOn, `${name} should be up`, 'Count what came up.')
    add(`${id}-out`, planned.outOn, `Plant out: ${name}`, '')
  }
  for (const demand of mixDemands(rows, context.frame)) {
    const [first] = demand.of
    const key = `${present(first).sowingId}-mix-${present(first).stage}`
    const said = `${litres(demand.looseL)} of ${nameOfMix(demand.recipeId)}`
    add(key, demand.on, `Make ${said}`, demand.tubs > 1 ? `In ${demand.tubs} tubs.` : '')
    if (context.book.wantsSoak(demand.recipeId))
      add(`${key}-soak`, demand.soakOn, `Soak coir for ${said}`, 'The evening before.', {
        start: at(demand.soakOn, SOAK_HOUR),
        end: at(demand.soakOn, SOAK_HOUR + 1),
        allDay: false,
        floating: true,
        alarms: [{ type: ICalAlarmType.display, trigger: 0, description: `Soak coir for ${said}` }],
      })
  }
  const fed = new Map<string, number>()
  for (const feed of feedDemands(rows, context.frame)) {
    const first = firstOf(feed.of).sowingId
    const nth = (fed.get(first) ?? 0) + 1
    fed.set(first, nth)
    add(
      `${first}-feed-${nth}`,
      feed.on,
      `Feed: ${litres(feed.solutionL)} at ${printNumber(feed.nMgPerL)} mg/L`,
      feed.cans > 1 ? `${feed.cans} cans` : '',
    )
  }
  return calendar.toString().replace(FOREIGN, '')
}

/** A day or an hour on the household's own clock: no zone is written, so none is meant. */
const at = (day: Day, hour = 0) => new Date(`${day}T${String(hour).padStart(2, '0')}:00Z`)
const capital = (text: string) => firstOf(text).toUpperCase() + text.slice(1)
