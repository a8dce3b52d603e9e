import { present } from '#core/present'
import { at, first } from '#core/numeric/at'
import * as z from 'zod'
import { heldOver } from '#core/season/schedule/moves'
import type { Day } from '#core/calendar/day'
import { JOB_KINDS } from '#core/season/today/job'
import { find, stagesOfSowing, type Bench } from '../derived/bench'
import { entry, type EntryRecord } from '../records/entry'
import { sowing, type SowingRecord } from '../records/sowing'
import { day, id, name } from '../records/rules'
import { command, entryOf, inFuture, plainCommand, refuse, type Acting, type Change } from './command'
import { againNamed } from './again-named'

/** A sowing, on one of its stages. */
const TARGETS = z
  .array(z.object({ sowingId: id, stage: z.int().min(0).max(99) }))
  .min(1, 'Say what it was for.')
  .max(500)
type Targets = z.output<typeof TARGETS>
const subjects = (of: Targets): EntryRecord['subjects'] =>
  of.map(({ sowingId, stage }) => ({ what: 'sowings', id: sowingId, stage }))

/** Sowings planned together; what is growing already is written down as sown on its day, and counted. */
export const plan = plainCommand(
  'plan',
  {
    sowings: z
      .array(
        z.object({
          id,
          version: z.int().min(0).default(0),
          body: sowing,
          sownOn: day.nullable().default(null).describe('It was sown on that day already'),
          up: z.int().min(0).nullable().default(null).describe('So many are up'),
        }),
      )
      .min(1)
      .max(500),
  },
  ({ sowings }, acting) => {
    const sown = sowings.flatMap((one) => (one.sownOn ? [{ ...one, sownOn: one.sownOn }] : []))
    const late = sowings.findIndex(({ sownOn }) => sownOn !== null && sownOn > acting.latest)
    if (late >= 0)
      return present(inFuture(present(at(sowings, late).sownOn), acting, ['sowings', late, 'sownOn']))
    const days = [...new Set(sown.map(({ sownOn }) => sownOn))]
    return [
      ...sowings.map((one) => ({
        do: 'put' as const,
        collection: 'sowings' as const,
        id: one.id,
        version: one.version,
        body: one.body,
      })),
      ...days.map((on) =>
        sownThen(
          on,
          sown.filter(({ sownOn }) => sownOn === on),
          acting,
        ),
      ),
      ...sown.flatMap(({ id: of, body, up }) => (up === null ? [] : [countedNow(of, body, up, acting)])),
    ]
  },
)
const sownThen = (on: Day, of: readonly { id: string; body: SowingRecord }[], acting: Acting): Change =>
  entryOf(
    {
      name: `Sown: ${first(of).body.name}${of.length > 1 ? ` and ${of.length - 1} more` : ''}`,
      kind: 'stage',
      on,
      subjects: subjects(of.map(({ id: sowingId }) => ({ sowingId, stage: 0 }))),
    },
    acting,
  )
const countedNow = (sowingId: string, { name: of }: SowingRecord, count: number, acting: Acting): Change =>
  entryOf(
    {
      name: `Came up: ${of}`,
      kind: 'look',
      on: acting.today,
      subjects: subjects([{ sowingId, stage: 0 }]),
      count,
    },
    acting,
  )

const job = { of: TARGETS, kind: z.enum(JOB_KINDS), title: name }

/** A job is done, wholly or in part. */
export const tick = plainCommand(
  'tick',
  {
    ...job,
    /** The id of its entry: one form is one entry, however often its button is pressed. */
    id: id.nullable().default(null),
    on: day,
    count: entry.shape.count,
    part: entry.shape.part,
    note: entry.shape.note,
  },
  ({ of, kind, title, id: entryId, on, count, part, note }, acting) =>
    inFuture(on, acting) ?? [
      entryOf(
        { name: title, kind, on, subjects: subjects(of), count, part, note },
        acting,
        entryId ?? acting.newId(),
      ),
    ],
)

/** A job is put off to another day. */
export const snooze = plainCommand('snooze', { ...job, until: day }, ({ of, kind, title, until }, acting) =>
  until > acting.today
    ? [entryOf({ name: title, kind, on: acting.today, subjects: subjects(of), snoozedUntil: until }, acting)]
    : refuse(['until'], { kind: 'putOffToPast' }, { today: acting.today }),
)

/** What never came, or failed: its record stays, its place is free. */
export const giveUp = command('give up', { sowingId: id }, (bench, { sowingId }, acting) => {
  const stood = standingSowing(bench, sowingId)
  return stood
    ? [lossOf(sowingId, stood, acting)]
    : refuse(['sowingId'], { kind: 'gone', values: { what: 'sowing' } })
})
const lossOf = (sowingId: string, { name: of }: SowingRecord, acting: Acting): Change =>
  entryOf(
    {
      name: `Given up: ${of}`,
      kind: 'give up',
      on: acting.today,
      subjects: subjects([{ sowingId, stage: 0 }]),
    },
    acting,
  )

/** The crop of a last container is over: nothing more is asked for it. */
export const endCrop = command('end crop', { sowingId: id }, (bench, { sowingId }, acting) => {
  const stood = standingSowing(bench, sowingId)
  if (!stood) return refuse(['sowingId'], { kind: 'gone', values: { what: 'sowing' } })
  return [
    entryOf(
      {
        name: `Over: ${stood.name}`,
        kind: 'end',
        on: acting.today,
        subjects: subjects([{ sowingId, stage: 0 }]),
      },
      acting,
    ),
  ]
})

/** The same again, sown today, in place of what never came. */
export const sowAgain = command('sow again', { sowingId: id, id }, (bench, intent, acting) => {
  const before = standingSowing(bench, intent.sowingId)
  if (!before) return refuse(['sowingId'], { kind: 'gone', values: { what: 'sowing' } })
  const body = { ...before, name: againNamed(before), sowOn: acting.today, outOn: null }
  return [
    { do: 'put', collection: 'sowings', id: intent.id, version: 0, body },
    lossOf(intent.sowingId, before, acting),
  ]
})

/** In a bigger pot for a fortnight, with its mix and feed, because the weather does not let it out. */
export const holdOver = command('hold over', { sowingId: id }, (bench, { sowingId }, acting) => {
  const row = bench.row(sowingId)
  const stood = find(bench, 'sowings', sowingId)
  if (!row || !stood || !bench.season) return refuse(['sowingId'], { kind: 'notPlanned' })
  const stages = stagesOfSowing(stood.body, bench.season)
  const days = bench.done.get(sowingId) ?? {}
  const begun = stages.filter((_, i) => days[`stage-${i}`] !== undefined).length
  const held = heldOver(
    structuredClone(stood.body),
    row.planned,
    stages,
    bench.season.containers.values(),
    begun,
    acting.today,
  )
  return held
    ? [{ do: 'put', collection: 'sowings', id: sowingId, version: stood.version, body: held }]
    : refuse(['sowingId'], { kind: 'noBiggerPot' })
})

const standingSowing = (bench: Bench, sowingId: string) => find(bench, 'sowings', sowingId)?.body
