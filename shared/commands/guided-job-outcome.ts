import { MOVED_STEP } from '#core/jobs/move-steps'
import { coirGave, minutesTaken, mixOutcome, paceOf } from '#core/jobs/mix-outcome'
import { answerKey, progressOf, stepStands } from '#core/jobs/guided-job'
import { sowStepId } from '#core/jobs/sow-steps'
import { waterStepId } from '#core/jobs/water-steps'
import { counted } from '#core/text/plurals'
import { gridFor, usualGrid } from '#core/trays/layout'
import { printQuantity } from '#core/units/format'
import type { Stored } from '../records/collections'
import { find, makingOf, groupsOfSowing, type Bench } from '../reckoning/bench'
import { LEFT_STEP, guidedJobPlan, type GuidedJobPlan } from '../reckoning/guided-job-plan'
import { NOTHING_MEASURED, waterRow, type EntryRecord } from '../records/entry'
import type { GuidedJobRecord } from '../records/guided-job'
import { tray as traySchema } from '../records/tray'
import { cellEntries, standingCells, toSow } from './cells'
import { entryOf, type Acting, type Change } from './command'
import { movedOn } from './moving'

type WaterRow = Parameters<typeof waterRow>[0]

/** Something a job did, in words and as it is written down. */
export interface Outcome {
  readonly words: string
  readonly changes: (acting: Acting) => readonly Change[]
}

/** What a job really did, so far as it was ticked: what was not ticked took nothing and is not written. */
export function guidedJobOutcomes(bench: Bench, { body }: Pick<Stored<GuidedJobRecord>, 'body'>): Outcome[] {
  const plan = guidedJobPlan(bench, { body })
  const stands = progressOf(body.marks)
  const volume = (litres: number) => printQuantity(litres, 'volume', bench.context.units)
  const isDone = (id: string) => stepStands(stands, id).state === 'done'
  const said = (step: string, key: string) => stands.answers.get(answerKey(step, key)) ?? null
  const ids = (what: string) => body.subjects.filter((one) => one.what === what).map(({ id }) => id)
  const minutes = minutesTaken(body.marks)
  const coir = plan && coirGave(plan.steps, stands)
  const pace = plan && paceOf(plan.steps, stands, body.marks)
  const measured: EntryRecord['measured'] = [
    ...(coir !== null && coir >= 5 && coir <= 25
      ? [{ what: 'coir yield' as const, of: '', value: coir, n: null, key: '' }]
      : []),
    ...(pace !== null && pace >= 0.05
      ? [{ what: 'minutes' as const, of: body.kind, value: pace, n: null, key: '' }]
      : []),
  ]
  // What the job measured is told once, in the first entry it makes.
  let told = false
  const measuring = () => {
    if (told) return {}
    told = true
    return { measured }
  }
  const entry = (
    words: string,
    what: Pick<EntryRecord, 'kind' | 'subjects'> & Partial<EntryRecord>,
    name = words,
  ): Outcome => ({
    words,
    changes: (acting) => [
      entryOf({ name, on: bench.today, at: bench.time, by: body.by, ...what, ...measuring() }, acting),
    ],
  })
  const aboutTrays = (list: readonly string[]): EntryRecord['subjects'] =>
    list.map((id) => ({ what: 'trays', id, stage: null }))

  if (body.kind === 'soak') {
    const batch = find(bench, 'batches', ids('batches')[0])
    const soaks = plan?.steps.filter(({ id }) => id.startsWith('soak-')) ?? []
    if (!batch || !soaks.length || !soaks.every(({ id }) => isDone(id))) return []
    const subjects = batch.body.sowings.map(({ id, stage }) => ({ what: 'sowings' as const, id, stage }))
    return [
      entry(`Soaked for ${batch.body.name}`, {
        kind: 'soak mix',
        subjects: subjects.length ? subjects : [{ what: 'batches', id: batch.id, stage: null }],
      }),
    ]
  }
  if (body.kind === 'mix') {
    const batch = find(bench, 'batches', ids('batches')[0])
    const done =
      batch && plan?.batchPlan && mixOutcome(plan.steps, stands, plan.batchPlan.mixL.value, LEFT_STEP)
    if (!batch || !done || makingOf(bench, batch.id)) return []
    const made = plan.batchPlan!.mixL.value * done.share
    return [
      entry(
        `Batch ${batch.number} is made: ${volume(made)}${done.leftL ? `, ${volume(done.leftL)} left over` : ''}`,
        {
          kind: 'batch made',
          subjects: [
            { what: 'batches', id: batch.id, stage: null },
            ...batch.body.sowings.map(({ id, stage }) => ({ what: 'sowings' as const, id, stage })),
          ],
          // It was made: what the shelf did not hold is not asked for now.
          evenIfShort: true,
          actual: { ...NOTHING_MEASURED, ...done, minutes },
        },
        batch.body.name,
      ),
    ]
  }
  if (body.kind === 'sow') {
    const rows: WaterRow[] = []
    const list = ids('trays').flatMap((id): Outcome[] => {
      const tray = find(bench, 'trays', id)
      if (!tray) return []
      const groups = bench
        .stands(tray)
        .groups.filter(({ group: { code }, sown }) => sown === 0 && isDone(sowStepId(id, code)))
      if (isDone(`soak ${id}`)) rows.push({ trayId: id, how: 'below', litres: said(`soak ${id}`, 'litres') })
      return groups.map((one) => ({
        words: `Sown: ${one.group.name}, tray ${tray.number}`,
        changes: (acting) =>
          cellEntries(bench, acting, tray, bench.today, 'sown', [toSow(bench, tray, one)], { by: body.by }),
      }))
    })
    return rows.length
      ? [
          ...list,
          entry(`Watered: ${counted(rows.length, 'tray')}`, {
            kind: 'watered',
            subjects: aboutTrays(rows.map(({ trayId }) => trayId)),
            water: rows.map(waterRow),
          }),
        ]
      : list
  }
  if (body.kind === 'water') {
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
    return rows.length
      ? [
          entry(`Watered: ${counted(rows.length, 'tray')}`, {
            kind: 'watered',
            subjects: aboutTrays(rows.map(({ trayId }) => trayId)),
            water: rows.map(waterRow),
            actual: { ...NOTHING_MEASURED, minutes },
          }),
        ]
      : []
  }
  if (body.kind === 'feed') {
    const feeding = find(bench, 'feedings', ids('feedings')[0])
    if (!feeding || !isDone('give')) return []
    const { vessel, targetNMgPerL } = feeding.body
    const given = said('give', 'givenL') ?? vessel.volumeL
    const backL = said('give', 'backL')
    const fed = ids('trays')
    const each = fed.length ? Math.max(0, given - (backL ?? 0)) / fed.length : 0
    return [
      entry(
        `Fed: ${volume(given)}${backL ? `, ${volume(backL)} came back` : ''}`,
        {
          kind: 'feed given',
          subjects: [
            { what: 'feedings', id: feeding.id, stage: null },
            ...body.subjects.filter(({ what }) => what === 'sowings'),
            ...aboutTrays(fed),
          ],
          times: given / vessel.volumeL,
          evenIfShort: true,
          water: fed.map((trayId) =>
            waterRow({ trayId, how: 'below', litres: each, nMgPerL: targetNMgPerL, ecMsPerCm: null }),
          ),
          actual: { ...NOTHING_MEASURED, backL, minutes },
        },
        `Given: ${feeding.body.name}`,
      ),
      ...fedSowings(body, entry),
    ]
  }
  if (body.kind === 'clean') {
    const steps = plan?.steps.filter(({ id }) => isDone(id)) ?? []
    return steps.length
      ? [
          entry(`Cleaned: ${steps.map(({ title }) => title.toLowerCase()).join('; ')}`.slice(0, 120), {
            kind: 'cleaned',
            subjects: body.subjects,
          }),
        ]
      : []
  }
  return moved(bench, body, plan)
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
  const stands = progressOf(body.marks)
  const step = plan?.steps.find(({ id }) => id === MOVED_STEP)
  const target = body.subjects.find(({ what }) => what === 'sowings')
  const row = target && bench.row(target.id)
  const final = body.kind === 'final container'
  const stage = final ? row?.planned.stages.at(-1) : row?.planned.stages[target?.stage ?? -1]
  if (!step || !target || !row || !stage) return []
  const tapped = stands.counts.get(MOVED_STEP) ?? 0
  const n = tapped > 0 ? tapped : stepStands(stands, MOVED_STEP).state === 'done' ? step.count!.of : 0
  if (n === 0) return []
  const roots = (['few', 'holding', 'circling'] as const).find(
    (one) => one === stands.chosen.get(answerKey('roots', 'roots')),
  )
  const isPart = n < step.count!.of
  const actual = { ...NOTHING_MEASURED, filled: n, minutes: minutesTaken(body.marks), roots: roots ?? null }
  const words = `${final ? 'Set in' : body.kind === 'pot up' ? 'Potted up' : 'Pricked out'}: ${n} of ${step.count!.of}, ${row.name}`
  // Plants that stand cell by cell go into a tray of their own.
  const from =
    target.stage === null || final
      ? undefined
      : groupsOfSowing(bench, target.id, target.stage - 1).find(({ of }) => of.standing >= n)
  if (from) {
    const { of } = from
    const cells = standingCells(bench, from.tray, of.group.code, n, null)
    if (cells.reduce((sum, [, k]) => sum + k, 0) === n) {
      const each = stage.fill.plants ?? 1
      const wanted = Math.ceil(n / each)
      const grid =
        stage.container.kind === 'tray' && stage.container.cells >= wanted
          ? usualGrid(stage.container)
          : gridFor(stage.container, wanted)
      if (grid.rows * grid.columns >= wanted) {
        const into = traySchema.parse({
          name: stage.container.name,
          containerId: stage.container.id,
          ...grid,
          placeId: stage.where.place.id,
          recipeId: stage.recipeId,
          cells: Array<string>(grid.rows * grid.columns).fill(''),
        })
        return [
          {
            words: `${words}, into a tray of their own`,
            changes: (acting) =>
              movedOn(
                bench,
                acting,
                from.tray,
                bench.today,
                [{ stands: of, cells }],
                { id: acting.newId(), version: 0, body: into, each },
                { actual, by: body.by },
              ),
          },
        ]
      }
    }
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
            part: isPart,
            actual,
          },
          acting,
        ),
      ],
    },
  ]
}
