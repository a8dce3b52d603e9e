import { at as elementAt } from '#core/numeric/at'
import * as z from 'zod'
import { JOB_KINDS } from '#core/season/today/job'
import { find, type Bench } from '../derived/bench'
import { entry, type EntryRecord } from '../records/entry'
import { newEntry } from '../records/new-entry'
import { id } from '../records/rules'
import type { tick } from './season'
import { command, entryOf, inFuture, plainCommand, refuse, type Acting, type Decision } from './command'

/** What a person writes of an entry; what it moved and measured is worked out from it. */
const said = entry.shape
const OWN = z.object({
  id: id.nullable().default(null).describe('The id of the entry; one form is one entry'),
  title: said.name,
  kind: said.kind,
  on: said.on,
  at: said.at,
  by: said.by.unwrap().nullable().default(null),
  subjects: said.subjects,
  to: said.to,
  note: said.note,
  times: said.times,
  evenIfShort: said.evenIfShort,
  count: said.count,
  actual: said.actual,
  placeId: said.placeId,
  signs: said.signs,
  grams: said.grams,
  remindOn: said.remindOn,
  climate: said.climate,
  measured: said.measured,
  water: said.water,
}).shape
type Own = z.output<z.ZodObject<typeof OWN>>

function written({ id: entryId, title, by, ...rest }: Own, acting: Acting): Decision {
  const late = inFuture(rest.on, acting)
  if (late) return late
  const body = newEntry({ ...rest, name: title, by: by ?? acting.by, act: acting.act })
  const checked = entry.safeParse(body)
  if (!checked.success)
    return {
      refused: checked.error.issues.map(({ path, message }) => ({
        path: path.map((key) => (key === 'name' ? 'title' : (key as string | number))),
        message,
      })),
    }
  const change = entryOf(checked.data, acting, entryId ?? acting.newId())
  return [{ ...change, onlyNew: true } as typeof change]
}

/** Something that was seen, done, thought of or measured, on a day. */
export const writeDown = plainCommand('write down', OWN, written)

/** Water that trays were given, what they weighed, how they felt. */
export const water = command('water', OWN, (bench, intent, acting) => {
  const gone = intent.water.findIndex(({ trayId }) => emptied(bench, trayId))
  return gone < 0
    ? written(intent, acting)
    : refuse(
        ['water', gone, 'trayId'],
        { kind: 'nothingToWater' },
        find(bench, 'trays', elementAt(intent.water, gone).trayId),
      )
})
const emptied = (bench: Bench, trayId: string) => find(bench, 'trays', trayId)?.body.emptiedOn != null

/** A batch is made: it leaves the shelf. */
export const makeBatch = plainCommand('make batch', OWN, (intent, acting) => {
  const wrong = ofKind(intent, 'batch made')
  return wrong ?? written(intent, acting)
})
/** A feed is given: it leaves its pack. */
export const giveFeed = plainCommand('give feed', OWN, (intent, acting) => {
  const wrong = ofKind(intent, 'feed given')
  return wrong ?? written(intent, acting)
})
const ofKind = ({ kind }: Own, wanted: EntryRecord['kind']) =>
  kind === wanted ? null : refuse(['kind'], { kind: 'entryOfKind', values: { kind: wanted } })

/** The command by which an entry is written: a job that was done is ticked, a batch is made, trays are watered. */
export function commandOf(
  entry: EntryRecord,
  entryId: string,
):
  | z.input<typeof tick.intent>
  | z.input<typeof makeBatch.intent>
  | z.input<typeof giveFeed.intent>
  | z.input<typeof water.intent>
  | z.input<typeof writeDown.intent> {
  const { name: title, subjects, count, part, note, kind, on } = entry
  const of = subjects.flatMap(({ what, id: sowingId, stage }) =>
    what === 'sowings' && stage !== null ? [{ sowingId, stage }] : [],
  )
  if (isJobKind(kind) && of.length === subjects.length)
    return { name: 'tick', id: entryId, kind, title, of, on, count, part, note }
  const { at, by, to, times, evenIfShort, actual, placeId, signs, grams, remindOn, climate, measured } = entry
  const own = {
    ...{ id: entryId, title, kind, on, at, by, subjects, to, note, times, evenIfShort, count, actual },
    ...{ placeId, signs, grams, remindOn, climate, measured, water: entry.water },
  }
  if (kind === 'batch made') return { name: 'make batch', ...own }
  if (kind === 'feed given') return { name: 'give feed', ...own }
  return entry.water.length ? { name: 'water', ...own } : { name: 'write down', ...own }
}
const isJobKind = (kind: string): kind is (typeof JOB_KINDS)[number] =>
  (JOB_KINDS as readonly string[]).includes(kind)

/** Of an entry who, when and the note can be corrected; what it did stays. */
export const correctEntry = plainCommand(
  'correct entry',
  {
    id,
    version: z.int().min(1),
    title: said.name.optional(),
    on: said.on.optional(),
    at: said.at.unwrap().optional(),
    by: said.by.unwrap().optional(),
    to: said.to.unwrap().optional(),
    note: said.note.unwrap().optional(),
    remindOn: said.remindOn.unwrap().optional(),
  },
  ({ id: entryId, version, title, on, ...rest }, acting) =>
    (on && inFuture(on, acting)) || [
      {
        do: 'update',
        collection: 'entries',
        id: entryId,
        make: (stood) =>
          stood.version === version
            ? {
                ...stood.body,
                ...Object.fromEntries(
                  Object.entries(rest).filter(([key, value]) => key !== 'name' && value !== undefined),
                ),
                ...(on ? { on } : {}),
                ...(title ? { name: title } : {}),
              }
            : refuse(['version'], { kind: 'entryChanged' }, stood),
      },
    ],
)
