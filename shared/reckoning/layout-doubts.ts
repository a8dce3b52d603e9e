import { first } from '#core/numeric/at'
import type { Day } from '#core/calendar/day'
import type { LineKind, ReadLine } from '#core/language/log-line'
import type { GroupStands } from '#core/trays/standing'

/** Something that cannot well be as it was said: asked about, with what it could be instead. */
export interface Doubt {
  readonly id: string
  readonly question: string
  readonly choices: readonly {
    readonly id: string
    readonly name: string
    readonly change: Partial<ReadLine>
  }[]
}

/** What is known of the one tray a line is about. */
export interface TrayFacts {
  readonly number: number
  /** Of the group it is about; all of them where it names none. */
  readonly groups: readonly GroupStands[]
  /** The first day anything was sown or set in it; null where nothing was. */
  readonly since: Day | null
  /** Most water it takes, L, and what it weighs soaked, g; null where it cannot be reckoned. */
  readonly takesL: number | null
  readonly soakedG: number | null
  readonly seedlings: number
  /** So many are up cell by cell: a count of the whole takes none of them back. */
  readonly cellsUp: number
}

/** A number so many times what fits was meant in the smaller unit. */
const THOUSANDFOLD = 40

const LEAVING: readonly LineKind[] = ['lost', 'given', 'out', 'thin', 'moved']
const say = (n: number, digits = 2) => `${Number(n.toPrecision(digits))}`

/**
 * What is odd about a line, each with what could be meant. None of it is corrected unasked.
 *
 * @param printDay a day as the reader writes it
 */
export function doubtsOf(
  read: ReadLine,
  tray: TrayFacts | null,
  today: Day,
  printDay: (day: Day) => string,
): Doubt[] {
  const doubts: Doubt[] = []
  const { kind, count, litres, grams, on } = read
  if (on > today)
    doubts.push({
      id: 'ahead',
      question: `${printDay(on)} is still to come.`,
      choices: [{ id: 'today', name: 'It was today', change: { on: today } }],
    })
  if (!tray) return doubts
  if (tray.since && on < tray.since && kind !== 'sown')
    doubts.push({
      id: 'before',
      question: `Tray ${tray.number} was begun on ${printDay(tray.since)}; on ${printDay(on)} it was not there yet.`,
      choices: [
        { id: 'today', name: 'It was today', change: { on: today } },
        { id: 'since', name: `It was ${printDay(tray.since)}`, change: { on: tray.since } },
        {
          id: 'thought',
          name: 'Keep the day, as a note',
          change: { kind: 'thought', trayIds: [], group: null, count: null },
        },
      ],
    })
  const group = tray.groups.length === 1 ? first(tray.groups) : null
  if (kind === 'look' && count !== null && group) {
    const most = group.sown * tray.seedlings
    if (group.sown > 0 && count > most)
      doubts.push({
        id: 'above',
        question: `${group.sown} ${group.sown === 1 ? 'seed was' : 'seeds were'} sown in tray ${tray.number}: ${count} cannot be up.`,
        choices: [
          { id: 'all', name: `All ${most} are up`, change: { count: most } },
          ...(Math.floor(count / 10) > 0 && Math.floor(count / 10) <= most
            ? [
                {
                  id: 'tenth',
                  name: `It is ${Math.floor(count / 10)}`,
                  change: { count: Math.floor(count / 10) },
                },
              ]
            : []),
        ],
      })
    else if (group.countedOn && on >= group.countedOn && count < group.up)
      doubts.push({
        id: 'fewer',
        question:
          tray.cellsUp > count
            ? `On ${printDay(group.countedOn)} ${group.up} were up, cell by cell. Are ${group.up - count} lost since? If that count was wrong, put the cells right on the tray’s page.`
            : `On ${printDay(group.countedOn)} ${group.up} were up. Are ${group.up - count} lost since, or was that count wrong?`,
        choices: [
          {
            id: 'lost',
            name: `${group.up - count} are lost`,
            change: { kind: 'lost', count: group.up - count },
          },
          ...(tray.cellsUp > count
            ? []
            : [
                {
                  id: 'recount',
                  name: `The count was wrong: ${count} came up`,
                  change: { count, signs: read.signs },
                },
              ]),
        ],
      })
  }
  if (kind === 'sown' && group && group.sown > 0 && group.sownOn)
    doubts.push({
      id: 'again',
      question: `${group.group.name} in tray ${tray.number} was sown on ${printDay(group.sownOn)} already. Gaps are sown again on the tray’s page.`,
      choices: [{ id: 'thought', name: 'Keep it as a note', change: { kind: 'thought', count: null } }],
    })
  if (LEAVING.includes(kind) && count !== null && group && group.standing > 0 && count > group.standing)
    doubts.push({
      id: 'leaving',
      question: `${group.standing} ${group.standing === 1 ? 'stands' : 'stand'} in tray ${tray.number}: ${count} cannot leave.`,
      choices: [{ id: 'all', name: `All ${group.standing}`, change: { count: group.standing } }],
    })
  if (litres !== null && tray.takesL !== null && litres > tray.takesL * THOUSANDFOLD)
    doubts.push({
      id: 'litres',
      question: `Tray ${tray.number} takes about ${say(tray.takesL)} L at most. ${say(litres, 4)} litres, or millilitres?`,
      choices: [
        { id: 'ml', name: `${say(litres, 4)} mL`, change: { litres: litres / 1000 } },
        { id: 'none', name: 'Leave the amount out', change: { litres: null } },
      ],
    })
  if (grams !== null && kind === 'weighed' && tray.soakedG !== null && grams > tray.soakedG * THOUSANDFOLD)
    doubts.push({
      id: 'grams',
      question: `Soaked, tray ${tray.number} weighs about ${say(tray.soakedG / 1000)} kg. ${say(grams / 1000, 4)} kilograms, or grams?`,
      choices: [{ id: 'g', name: `${say(grams / 1000, 4)} g`, change: { grams: grams / 1000 } }],
    })
  return doubts
}
