import { sayProblem } from '#shared/messages/refusals'
import { dayFrom, type Day } from '#core/calendar/day'
import { bodyOf, type Bodies, type Everything, type Stored } from '../records/collections'
import { COLLECTION_NAMES, type Collection } from '../records/collection-names'
import { idsOf, isRefusal, type Acting, type Change, type Decision } from '../commands/command'
import { decidedBy, sentCommands, type Sent } from '../commands/commands'
import { benchOf } from '../derived/bench'
import { household } from '../records/household'
import { SEASON } from './season'

/* A household in memory, to which commands are done as the server does them, but for the ledger. */

export const TODAY = dayFrom('2027-03-20')
export const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`

export function emptyKept(season: object | null = SEASON): Everything {
  const body = household.parse({ name: 'Tests', units: 'metric', season })
  const lists = Object.fromEntries(COLLECTION_NAMES.map((name) => [name, []]))
  return {
    ...lists,
    measurements: [],
    weather: [],
    household: { id: uuid(1), version: 1, number: 0, updatedAt: '2027-03-20T00:00:00.000Z', body },
  } as unknown as Everything
}

let acts = 0
/** Somebody acts; each act has ids of its own. */
export const acting = (more: Partial<Acting> = {}): Acting => {
  const act = more.act ?? uuid(900_000 + ++acts * 1000)
  return { act, by: 'Wren', today: TODAY, time: '09:00', latest: TODAY, newId: idsOf(act), ...more }
}

/** The household after changes; what is not there is made. */
export function after(kept: Everything, changes: readonly Change[]): Everything {
  const next = { ...kept } as Record<string, unknown> & Everything
  const list = (collection: Collection) => next[collection] as Stored<never>[]
  for (const change of changes) {
    if (change.do === 'put') {
      const stood = list(change.collection).find(({ id }) => id === change.id)
      const record = stored(change.id, change.body, stood, list(change.collection).length)
      Object.assign(next, {
        [change.collection]: [...list(change.collection).filter(({ id }) => id !== change.id), record],
      })
    } else if (change.do === 'update') {
      const stood = list(change.collection).find(({ id }) => id === change.id)!
      const made = (change.make as (one: unknown) => object)(stood)
      if (isRefusal(made)) throw new Error(sayProblem(made.refused[0]!))
      Object.assign(next, {
        [change.collection]: list(change.collection).map((one) =>
          one === stood ? stored(change.id, made, stood, 0) : one,
        ),
      })
    } else if (change.do === 'remove')
      Object.assign(next, {
        [change.collection]: list(change.collection).filter(({ id }) => id !== change.id),
      })
    else throw new Error(`not in memory: ${change.do}`)
  }
  return next
}
const stored = (id: string, body: object, stood: Stored<unknown> | undefined, many: number) => ({
  id,
  version: (stood?.version ?? 0) + 1,
  number: stood?.number ?? many + 1,
  updatedAt: '2027-03-20T00:00:00.000Z',
  body,
})

export function decide(kept: Everything, command: Sent, who: Acting = acting()): Decision {
  // As it is sent: read by its own shape first.
  const { commands } = sentCommands.parse({ commands: [command] })
  return decidedBy(command.name)!.decide(benchOf(frozen(kept), who.today, who.time), commands[0]!, who)
}

/** Done; a refusal fails the test. */
export function done(kept: Everything, command: Sent, who: Acting = acting()): Everything {
  const decision = decide(kept, command, who)
  if (isRefusal(decision)) throw new Error(`${command.name}: ${JSON.stringify(decision.refused)}`)
  return after(kept, decision)
}

/** Whoever writes to it is found out. */
export function frozen<Value>(value: Value): Value {
  if (value && typeof value === 'object' && !Object.isFrozen(value)) {
    Object.freeze(value)
    Object.values(value).forEach(frozen)
  }
  return value
}

export const record = <C extends Collection>(collection: C, body: object): Bodies[C] =>
  bodyOf(collection).parse(body)

/** With a tray of so many cells of basil, each sown with two on a day, or not yet. */
export function withTray(kept: Everything, id: string, sown: Day | null, cells = 24): Everything {
  const body = record('trays', {
    name: '24-cell tray',
    containerId: 'tray-24',
    rows: 4,
    columns: 6,
    placeId: 'shelf',
    recipeId: 'lean-and-light',
    groups: [{ code: 'A', name: 'Basil', cropId: 'basil', seedsPerCell: 2 }],
    cells: Array.from({ length: 24 }, (_, i) => (i < cells ? 'A' : '')),
  })
  const laid = after(kept, [{ do: 'put', collection: 'trays', id, version: 0, body }])
  return sown ? done(laid, { name: 'sow', trayId: id, on: sown, groups: [{ group: 'A' }] }) : laid
}
