import { first } from '#core/numeric/at'
import type { Day } from '#core/calendar/day'
import type { LineKind, ReadLine } from '#core/language/line-said'
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
  /** Most water it takes, L, and what it weighs soaked, g; null where it cannot be computed. */
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

interface Said {
  readonly read: ReadLine
  readonly tray: TrayFacts
  /** The one group it is about; null where it may be of several. */
  readonly group: GroupStands | null
  readonly today: Day
  readonly printDay: (day: Day) => string
}

function before({ read: { on, kind }, tray, today, printDay }: Said): Doubt | null {
  if (!tray.since || on >= tray.since || kind === 'sown') return null
  return {
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
  }
}

/** More up than were sown. */
function above({ read: { kind, count }, tray, group }: Said): Doubt | null {
  if (kind !== 'look' || count === null || !group || group.sown === 0) return null
  const most = group.sown * tray.seedlings
  if (count <= most) return null
  const tenth = Math.floor(count / 10)
  return {
    id: 'above',
    question: `${group.sown} ${group.sown === 1 ? 'seed was' : 'seeds were'} sown in tray ${tray.number}: ${count} cannot be up.`,
    choices: [
      { id: 'all', name: `All ${most} are up`, change: { count: most } },
      ...(tenth > 0 && tenth <= most
        ? [{ id: 'tenth', name: `It is ${tenth}`, change: { count: tenth } }]
        : []),
    ],
  }
}

/** Fewer up than were counted before. */
function fewer({ read: { kind, count, on, signs }, tray, group, printDay }: Said): Doubt | null {
  if (kind !== 'look' || count === null || !group?.countedOn) return null
  if (on < group.countedOn || count >= group.up) return null
  const gone = group.up - count
  const counted = `On ${printDay(group.countedOn)} ${group.up} were up`
  const lost: Doubt['choices'][number] = {
    id: 'lost',
    name: `${gone} are lost`,
    change: { kind: 'lost', count: gone },
  }
  return tray.cellsUp > count
    ? {
        id: 'fewer',
        question: `${counted}, cell by cell. Are ${gone} lost since? If that count was wrong, put the cells right on the tray’s page.`,
        choices: [lost],
      }
    : {
        id: 'fewer',
        question: `${counted}. Are ${gone} lost since, or was that count wrong?`,
        choices: [
          lost,
          { id: 'recount', name: `The count was wrong: ${count} came up`, change: { count, signs } },
        ],
      }
}

function again({ read: { kind }, tray, group, printDay }: Said): Doubt | null {
  if (kind !== 'sown' || !group?.sownOn || group.sown === 0) return null
  return {
    id: 'again',
    question: `${group.group.name} in tray ${tray.number} was sown on ${printDay(group.sownOn)} already. Gaps are sown again on the tray’s page.`,
    choices: [{ id: 'thought', name: 'Keep it as a note', change: { kind: 'thought', count: null } }],
  }
}

/** More leave than stand. */
function leaving({ read: { kind, count }, tray, group }: Said): Doubt | null {
  if (!LEAVING.includes(kind) || count === null || !group || group.standing === 0) return null
  if (count <= group.standing) return null
  return {
    id: 'leaving',
    question: `Only ${group.standing} in tray ${tray.number}, so ${count} cannot leave.`,
    choices: [{ id: 'all', name: `All ${group.standing}`, change: { count: group.standing } }],
  }
}

function tooWet({ read: { litres }, tray }: Said): Doubt | null {
  if (litres === null || tray.takesL === null || litres <= tray.takesL * THOUSANDFOLD) return null
  return {
    id: 'litres',
    question: `Tray ${tray.number} takes about ${say(tray.takesL)} L at most. ${say(litres, 4)} litres, or millilitres?`,
    choices: [
      { id: 'ml', name: `${say(litres, 4)} mL`, change: { litres: litres / 1000 } },
      { id: 'none', name: 'Leave the amount out', change: { litres: null } },
    ],
  }
}

function tooHeavy({ read: { grams, kind }, tray }: Said): Doubt | null {
  if (grams === null || kind !== 'weighed' || tray.soakedG === null) return null
  if (grams <= tray.soakedG * THOUSANDFOLD) return null
  return {
    id: 'grams',
    question: `Soaked, tray ${tray.number} weighs about ${say(tray.soakedG / 1000)} kg. ${say(grams / 1000, 4)} kilograms, or grams?`,
    choices: [{ id: 'g', name: `${say(grams / 1000, 4)} g`, change: { grams: grams / 1000 } }],
  }
}

const OF_A_TRAY = [before, above, fewer, again, leaving, tooWet, tooHeavy]

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
  if (!tray) return []
  const said = { read, tray, group: tray.groups.length === 1 ? first(tray.groups) : null, today, printDay }
  return OF_A_TRAY.flatMap((doubt) => doubt(said) ?? [])
}
