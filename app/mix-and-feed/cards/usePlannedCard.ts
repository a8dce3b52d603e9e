import { newId } from '~/kit/newId'
import { useRouter } from '#imports'
import { useDates } from '~/kit/useDates'
import { useNotes } from '~/kit/useNotes'
import { useBench } from '~/trays/water/useBench'
import { useCommands } from '~/household/commands'
import { saving } from '~/household/write-records'
import { useRunStore } from '~/today/jobs/guided-jobs'
import { RUN_NAMES } from '#core/jobs/run'
import type { FeedRun, MixRun } from '#core/season/demand/demand'
import { batchFor, batchPlannedFor, feedingFor, namesOf } from '#shared/commands/season-batch'
import { find, traysOfSowing } from '#shared/reckoning/bench'

/** From what the season asks for to a card at the bench: a batch or a feed that is planned in one press. */
export function useRuns() {
  const bench = useBench()
  const router = useRouter()
  const { attempt } = useCommands()
  const runs = useRunStore()
  const { printDay } = useDates()
  const { note } = useNotes()
  const names = (of: MixRun['of']) => namesOf(bench, of)

  /** The batch that is planned for a run, made where there is none; null where it cannot be. */
  async function batchOf(run: MixRun): Promise<string | null> {
    const there = batchPlannedFor(bench, run)
    if (there) return there.id
    const body = batchFor(bench, run)
    if (!body) {
      note('That recipe is no longer here.')
      return null
    }
    const id = newId()
    return (await attempt(body.name, [saving('batches', id, 0, body)])) && id
  }
  async function planBatch(run: MixRun) {
    const id = await batchOf(run)
    if (id) await router.push(`/bench/${id}`)
  }
  /** The mix, or the soak for it, step by step. */
  async function startBatch(kind: 'mix' | 'soak', run: MixRun) {
    const id = await batchOf(run)
    const name = find(bench, 'batches', id ?? undefined)?.body.name
    if (id) await runs.start(kind, `${RUN_NAMES[kind]}: ${name}`, [{ what: 'batches', id, stage: null }])
  }

  async function feedOf(run: FeedRun): Promise<string | null> {
    const id = newId()
    const body = feedingFor(bench, run, printDay(run.on))
    return (await attempt(body.name, [saving('feedings', id, 0, body)])) && id
  }
  async function planFeed(run: FeedRun) {
    const id = await feedOf(run)
    if (id) await router.push(`/bench/feed/${id}`)
  }
  /** The feed step by step: it goes to the trays its plants stand in, and stands for their water that day. */
  async function startFeed(run: FeedRun) {
    const id = await feedOf(run)
    if (!id) return
    const fed = new Set(
      run.of.flatMap(({ sowingId }) => traysOfSowing(bench, sowingId).map((tray) => tray.id)),
    )
    await runs.start('feed', `Feed ${names(run.of)}`, [
      { what: 'feedings', id, stage: null },
      ...run.of.map(({ sowingId, stage }) => ({ what: 'sowings' as const, id: sowingId, stage })),
      ...[...fed].map((trayId) => ({ what: 'trays' as const, id: trayId, stage: null })),
    ])
  }
  return { names, planBatch, planFeed, startBatch, startFeed }
}
