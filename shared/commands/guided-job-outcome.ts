import { present } from '#core/present'
import { MOVED_STEP } from '#core/jobs/move-steps'
import { coirGave, minutesTaken, mixOutcome, paceOf } from '#core/jobs/mix-outcome'
import { answerKey, progressOf, stepStands } from '#core/jobs/guided-job'
import { sowStepId } from '#core/jobs/sow-steps'
import { waterStepId } from '#core/jobs/water-steps'
import { counted } from '#core/text/plurals'
import { gridFor, usualGrid } from '#core/trays/layout'
import { printQuantity } from '#core/units/format'
import type { Stored } from '../records/collections'
import { find, makingOf, groupsOfSowing, type Bench } from '../derived/bench'
import { LEFT_STEP, guidedJobPlan, type GuidedJobPlan } from '../derived/guided-job-plan'
import { NOTHING_MEASURED, type EntryRecord } from '../records/entry'
import { waterRow } from '../records/new-entry'
import type { GuidedJobRecord } from '../records/guided-job'
import { tray as traySchema } from '../records/tray'
import { cellEntries, toSow } from './cells'
import { standingCells } from './told-cells'
import { entryOf, type Acting, type Change } from './command'
import { movedOn } from './moving'
import type { PlannedStage } from '#core/season/schedule/sowing-request'

type WaterRow = Parameters<typeof waterRow>[0]

/** Something a job did, in words and as it is written down. */
export interface Outcome {
  readonly words: string
  readonly changes: (acting: Acting) => readonly Change[]
}

/** A job as its marks tell it, for the words and entries of its outcome. */
function toldBy(bench: Bench, body: GuidedJobRecord) {
  const plan = guidedJobPlan(bench, { body })
  const stands = progressOf(body.marks)
  const minutes = minutesTaken(body.marks)
  // What the job measured is told once, in the first entry it makes.
  let told = false
  const measuring = () => {
    if (told) return {}
    told = true
    return { measured: plan ? measuredBy(plan, body) : [] }
  }
  return {
    ...{ bench, body, plan, stands, minutes },
    volume: (litres: number) => printQuantity(litres, 'volume', bench.context.units),
    isDone: (id: string) => stepStands(stands, id).state === 'done',
    said: (step: string, key: string) => stands.answers.get(answerKey(step, key)) ?? null,
    ids: (what: string) => body.subjects.filter((one) => one.what === what).map(({ id }) => id),
    entry: (
      words: string,
      what: Pick<EntryRecord, 'kind' | 'subjects'> & Partial<EntryRecord>,
      name = words,
    ): Outcome => ({
      words,
      changes: (acting) => [
        entryOf({ name, on: bench.today, at: bench.time, by: body.by, ...what, ...measuring() }, acting),
      ],
    }),
  }
}
type Told = ReturnType<typeof toldBy>

/** What its steps measured of coir and of the pace of hands, where it can be. */
function measuredBy({ steps }: GuidedJobPlan, { kind, marks }: GuidedJobRecord): EntryRecord['measured'] {
  const stands = progressOf(marks)
  const coir = coirGave(steps, stands)
  const pace = paceOf(steps, stands, marks)
  return [
    ...(coir !== null && coir >= 5 && coir <= 25
      ? [{ what: 'coir yield' as const, of: '', value: coir, n: null, key: '' }]
      : []),
    ...(pace !== null && pace >= 0.05
      ? [{ what: 'minutes' as const, of: kind, value: pace, n: null, key: '' }]
      : []),
  ]
}

const subjectTrays = (list: readonly string[]): EntryRecord['subjects'] =>
  list.map((id) => ({ what: 'trays', id, stage: null }))
const subjectSowings = (list: readonly { readonly id: string; readonly stage: number }[]) =>
  list.map(({ id, stage }) => ({ what: 'sowings' as const, id, stage }))

function soaked({ bench, plan, ids, isDone, entry }: Told): Outcome[] {
  const batch = find(bench, 'batches', ids('batches')[0])
  const soaks = plan?.steps.filter(({ id }) => id.startsWith('soak-')) ?? []
  if (!batch || !soaks.length || !soaks.every(({ id }) => isDone(id))) return []
  const subjects = subjectSowings(batch.body.sowings)
  return [
    entry(`Soaked for ${batch.body.name}`, {
      kind: 'soak mix',
      subjects: subjects.length ? subjects : [{ what: 'batches', id: batch.id, stage: null }],
    }),
  ]
}

function mixed({ bench, plan, stands, ids, minutes, volume, entry }: Told): Outcome[] {
  const batch = find(bench, 'batches', ids('batches')[0])
  if (!batch || !plan?.batchPlan || makingOf(bench, batch.id)) return []
  const wholeL = plan.batchPlan.mixL.value
  const done = mixOutcome(plan.steps, stands, wholeL, LEFT_STEP)
  if (!done) return []
  const left = done.leftL ? `, ${volume(done.leftL)} left over` : ''
  return [
    entry(
      `Batch ${batch.number} is made: ${volume(wholeL * done.share)}${left}`,
      {
        kind: 'batch made',
        subjects: [{ what: 'batches', id: batch.id, stage: null }, ...subjectSowings(batch.body.sowings)],
        // It was made: what the shelf did not hold is not asked for now.
        evenIfShort: true,
        actual: { ...NOTHING_MEASURED, ...done, minutes },
      },
      batch.body.name,
    ),
  ]
}

const watered = ({ entry }: Told, rows: readonly WaterRow[], more: Partial<EntryRecord> = {}): Outcome[] =>
  rows.length
    ? [
        entry(`Watered: ${counted(rows.length, 'tray')}`, {
          kind: 'watered',
          subjects: subjectTrays(rows.map(({ trayId }) => trayId)),
          water: rows.map(waterRow),
          ...more,
        }),
      ]
    : []

function sown(told: Told): Outcome[] {
  const { bench, body, ids, isDone, said } = told
  const trays = ids('trays').flatMap((id) => find(bench, 'trays', id) ?? [])
  const soaked = trays.flatMap(({ id }): WaterRow[] =>
    isDone(`soak ${id}`) ? [{ trayId: id, how: 'below', litres: said(`soak ${id}`, 'litres') }] : [],
  )
  const list = trays.flatMap((tray) =>
    bench
      .stands(tray)
      .groups.filter((one) => one.sown === 0 && isDone(sowStepId(tray.id, one.group.code)))
      .map((one): Outcome => ({
        words: `Sown: ${one.group.name}, tray ${tray.number}`,
        changes: (acting) =>
          cellEntries(bench, acting, tray, bench.today, 'sown', [toSow(bench, tray, one)], { by: body.by }),
      })),
  )
  return [...list, ...watered(told, soaked)]
}

function poured(told: Told): Outcome[] {
  const { bench, ids, isDone, said, minutes } = told
  const rows = ids('trays').flatMap((id): WaterRow[] => {
    const step = waterStepId(id)
    const tray = find(bench, 'trays', id)
    if (!isDone(step) || !tray) return []
    const grams = said(step, 'grams')
    return [
      {
        trayId: id,
        how: bench.water(tray)?.outlook.way.how ?? 'below',
        litres: said(step, 'litres'),
        backL: said(step, 'backL'),
        grams,
        moment: grams === null ? null : 'watered',
      },
    ]
  })
  return watered(told, rows, { actual: { ...NOTHING_MEASURED, minutes } })
}

function fed({ bench, body, ids, isDone, said, minutes, volume, entry }: Told): Outcome[] {
  const feeding = find(bench, 'feedings', ids('feedings')[0])
  if (!feeding || !isDone('give')) return []
  const { vessel, targetNMgPerL } = feeding.body
  const given = said('give', 'givenL') ?? vessel.volumeL
  const backL = said('give', 'backL')
  const trays = ids('trays')
  const each = trays.length ? Math.max(0, given - (backL ?? 0)) / trays.length : 0
  return [
    entry(
      `Fed: ${volume(given)}${backL ? `, ${volume(backL)} came back` : ''}`,
      {
        kind: 'feed given',
        subjects: [
          { what: 'feedings', id: feeding.id, stage: null },
          ...body.subjects.filter(({ what }) => what === 'sowings'),
          ...subjectTrays(trays),
        ],
        times: given / vessel.volumeL,
        evenIfShort: true,
        water: trays.map((trayId) =>
          waterRow({ trayId, how: 'below', litres: each, nMgPerL: targetNMgPerL, ecMsPerCm: null }),
        ),
        actual: { ...NOTHING_MEASURED, backL, minutes },
      },
      `Given: ${feeding.body.name}`,
    ),
    ...fedSowings(body, entry),
  ]
}

function cleaned({ plan, body, isDone, entry }: Told): Outcome[] {
  const steps = plan?.steps.filter(({ id }) => isDone(id)) ?? []
  if (!steps.length) return []
  const words = `Cleaned: ${steps.map(({ title }) => title.toLowerCase()).join('; ')}`.slice(0, 120)
  return [entry(words, { kind: 'cleaned', subjects: body.subjects })]
}

const OUTCOMES: Partial<Record<GuidedJobRecord['kind'], (told: Told) => Outcome[]>> = {
  soak: soaked,
  mix: mixed,
  sow: sown,
  water: poured,
  feed: fed,
  clean: cleaned,
}

/** What a job did, so far as it was ticked: what was not ticked took nothing and is not written. */
export function guidedJobOutcomes(bench: Bench, { body }: Pick<Stored<GuidedJobRecord>, 'body'>): Outcome[] {
  const told = toldBy(bench, body)
  return OUTCOMES[body.kind]?.(told) ?? moved(bench, body, told.plan)
}

/** The season’s feeds are marked by sowing. */
function fedSowings(
  body: GuidedJobRecord,
  entry: (words: string, what: Pick<EntryRecord, 'kind' | 'subjects'>) => Outcome,
) {
  const fed = body.subjects.filter(({ what, stage }) => what === 'sowings' && stage !== null)
  // Its trays with it: how much went into each is told in the entry before.
  const subjects = [...fed, ...body.subjects.filter(({ what }) => what === 'trays')]
  return fed.length ? [entry(`Fed: ${counted(fed.length, 'sowing')}`, { kind: 'feed', subjects })] : []
}

function moved(bench: Bench, body: GuidedJobRecord, plan: GuidedJobPlan | null): Outcome[] {
  const step = plan?.steps.find(({ id }) => id === MOVED_STEP)
  const target = body.subjects.find(({ what }) => what === 'sowings')
  const row = target && bench.row(target.id)
  const final = body.kind === 'final container'
  const stage = final ? row?.planned.stages.at(-1) : row?.planned.stages[target?.stage ?? -1]
  if (!step || !target || !row || !stage) return []
  const of = present(step.count).of
  const n = movedCount(body, of)
  if (n === 0) return []
  const actual = {
    ...NOTHING_MEASURED,
    filled: n,
    minutes: minutesTaken(body.marks),
    roots: rootsSeen(body),
  }
  const words = `${MOVED_WORDS[body.kind] ?? 'Pricked out'}: ${n} of ${of}, ${row.name}`
  const own = final ? null : ownTrayFor(bench, target, stage, n)
  if (own) {
    const { from, stands, cells, into, each } = own
    return [
      {
        words: `${words}, into a tray of their own`,
        changes: (acting) =>
          movedOn(
            bench,
            acting,
            from,
            bench.today,
            [{ stands, cells }],
            { id: acting.newId(), version: 0, body: into, each },
            { actual, by: body.by },
          ),
      },
    ]
  }
  return [
    {
      words,
      changes: (acting) => [
        entryOf(
          {
            name: words,
            kind: final ? 'out' : 'stage',
            on: bench.today,
            by: body.by,
            subjects: [{ what: 'sowings', id: target.id, stage: target.stage }],
            count: n,
            part: n < of,
            actual,
          },
          acting,
        ),
      ],
    },
  ]
}

const MOVED_WORDS: Partial<Record<GuidedJobRecord['kind'], string>> = {
  'final container': 'Set in',
  'pot up': 'Potted up',
}

/** How many plants were moved: as tapped; all of them where the step was done without a tap. */
function movedCount({ marks }: GuidedJobRecord, of: number): number {
  const stands = progressOf(marks)
  const tapped = stands.counts.get(MOVED_STEP) ?? 0
  if (tapped > 0) return tapped
  return stepStands(stands, MOVED_STEP).state === 'done' ? of : 0
}

const rootsSeen = ({ marks }: GuidedJobRecord) =>
  (['few', 'holding', 'circling'] as const).find(
    (one) => one === progressOf(marks).chosen.get(answerKey('roots', 'roots')),
  ) ?? null

/** The tray that plants go into which stood cell by cell, and the cells they leave; null where they did not. */
function ownTrayFor(
  bench: Bench,
  { id, stage: index }: { readonly id: string; readonly stage: number | null },
  stage: PlannedStage,
  n: number,
) {
  const group =
    index === null ? undefined : groupsOfSowing(bench, id, index - 1).find(({ of }) => of.standing >= n)
  if (!group) return null
  const cells = standingCells(bench, group.tray, group.of.group.code, n, null)
  if (cells.reduce((sum, [, k]) => sum + k, 0) !== n) return null
  const each = stage.fill.plants ?? 1
  const wanted = Math.ceil(n / each)
  const { container } = stage
  const grid =
    container.kind === 'tray' && container.cells >= wanted ? usualGrid(container) : gridFor(container, wanted)
  if (grid.rows * grid.columns < wanted) return null
  const into = traySchema.parse({
    name: container.name,
    containerId: container.id,
    ...grid,
    placeId: stage.where.place.id,
    recipeId: stage.recipeId,
    cells: Array<string>(grid.rows * grid.columns).fill(''),
  })
  return { from: group.tray, stands: group.of, cells, into, each }
}
