import { sayProblemOf } from '#shared/messages/refusals'
import { counted } from '#core/text/plurals'
import { addDays, daysBetween, type Day } from '#core/calendar/day'
import { extentOf, feedDemands, mixDemands } from '#core/season/demand/demand'
import { sayContainers } from '#shared/messages/containers'
import { dangerWords, jobWords } from '#shared/messages/jobs'
import { sayWaterOfDay } from '#shared/messages/water'
import { waterRound } from '#shared/derived/water-round'
import type { Job } from '#core/season/today/job'
import { weekOf } from '#core/season/today/week'
import { printNumber } from '#core/units/format'
import type { Writing } from '../../paper/document'
import type { Principal } from '../../principal'
import { seasonBench } from '../season'
import { printing } from './printing'

/** How dark a stage is drawn. */
const SHADES: Readonly<Record<string, number>> = {
  sow: 0.15,
  broadcast: 0.15,
  'prick out': 0.4,
  'pot up': 0.65,
  harden: 0,
  'set in': 0.9,
}

/** The season on paper: every schedule on one axis, each with its days, and the mixes and feeds it asks for. */
export async function seasonPaper(principal: Principal, householdId: string, on?: Day): Promise<Writing> {
  const bench = await seasonBench(principal, householdId, on)
  const { today, rows, season: context, unplanned } = bench
  const household = bench.kept.household.body
  const print = printing(household)
  const { from, days } = extentOf(rows, context.frame, today)
  const share = (day: Day) => daysBetween(from, day) / days
  const months = Array.from({ length: days }, (_, i) => addDays(from, i)).filter((day) => day.endsWith('-01'))
  const sorted = [...rows].sort((a, b) => (a.planned.sowOn < b.planned.sowOn ? -1 : 1))
  return {
    title: 'The season',
    kicker: `${household.name} · ${print.longDay(today)}`,
    blocks: [
      ...(sorted.length ? [] : [{ kind: 'text', text: 'Nothing is planned yet.' } as const]),
      {
        kind: 'bars',
        ticks: months.map((day) => ({ at: share(day), text: print.month(day) })),
        mark: share(today),
        rows: sorted.map(({ name, planned }) => ({
          name,
          end: share(planned.outOn),
          parts: planned.stages.map((stage) => ({
            from: share(stage.from),
            to: share(stage.until),
            shade: SHADES[stage.kind] ?? 0.5,
          })),
        })),
      },
      {
        kind: 'text',
        soft: true,
        text: 'Light to dark: sown, pricked out, potted up; white while they harden off; the dot is the day they go out; the line is today.',
      },
      { kind: 'heading', text: 'Schedule by schedule' },
      {
        kind: 'table',
        columns: ['Sowing', 'Sown', 'Stages', 'Out'],
        shares: [4, 2, 7, 2],
        rows: sorted.map(({ name, planned }) => [
          `${name}: ${counted(Math.round(planned.cells), 'cell')}`,
          print.day(planned.sowOn),
          planned.stages
            .map(
              (stage) =>
                `${stage.kind} ${print.day(stage.from)}${stage.recipeId ? ` (${sayContainers(stage, print.said)})` : ''}`,
            )
            .join('; '),
          print.day(planned.outOn),
        ]),
      },
      ...(unplanned.length
        ? [
            { kind: 'heading', text: 'Not planned' } as const,
            {
              kind: 'list',
              marks: 'none',
              items: unplanned.map(({ body, problem }) => ({
                title: body.name,
                text: print.said(sayProblemOf(problem, 'sowings')),
              })),
            } as const,
          ]
        : []),
      { kind: 'heading', text: 'Mixes' },
      {
        kind: 'table',
        columns: ['Mix', 'On', 'Loose', 'For'],
        shares: [4, 2, 2, 6],
        rows: mixDemands(rows, context.frame)
          .filter((demand) => demand.on >= today)
          .map((demand) => [
            context.recipes.get(demand.recipeId)?.name ?? 'a mix no longer here',
            print.day(demand.on),
            print.volume(demand.looseL),
            namesOf(demand.of, rows),
          ]),
      },
      { kind: 'heading', text: 'Feeds' },
      {
        kind: 'table',
        columns: ['Feed', 'On', 'Solution', 'For'],
        shares: [3, 2, 2, 7],
        rows: feedDemands(rows, context.frame)
          .filter((demand) => demand.on >= today)
          .map((demand) => [
            `${printNumber(demand.nMgPerL)} mg/L N`,
            print.day(demand.on),
            print.volume(demand.solutionL),
            namesOf(demand.of, rows),
          ]),
      },
    ],
  }
}
const namesOf = (
  of: readonly { readonly sowingId: string }[],
  rows: readonly { id: string; name: string }[],
) => [...new Set(of.map(({ sowingId }) => rows.find(({ id }) => id === sowingId)?.name ?? ''))].join(', ')

/** The week on paper: a line for each job, with a box to tick in pencil. */
export async function weekPaper(principal: Principal, householdId: string, on?: Day): Promise<Writing> {
  const bench = await seasonBench(principal, householdId, on)
  const { kept, today, rows, season: context, jobs } = bench
  const watering = waterRound(bench).days
  const household = kept.household.body
  const print = printing(household)
  const nameOfMix = (id: string) => context.recipes.get(id)?.name ?? 'a mix no longer here'
  const item = (job: Job) => {
    const of = (sowingId: string) => rows.find(({ id }) => id === sowingId)
    const { title, detail } = jobWords(job, of, nameOfMix, print.saying)
    return { title, text: job.danger ? `${detail}. ${dangerWords(job.danger, print.saying)}` : detail }
  }
  return {
    title: `The week from ${print.day(today)}`,
    kicker: household.name,
    blocks: weekOf(jobs, today).flatMap(({ day, jobs: due }) => [
      { kind: 'heading', text: print.day(day) } as const,
      due.length || watering.has(day)
        ? ({
            kind: 'list',
            marks: 'boxes',
            items: [
              ...due.map(item),
              ...(watering.has(day) ? [{ title: sayWaterOfDay(watering.get(day) ?? []), text: '' }] : []),
            ],
          } as const)
        : ({ kind: 'text', text: 'nothing due', soft: true } as const),
    ]),
  }
}
