import { GUIDED_JOB_NAMES } from '#core/jobs/guided-job'
import type { FeedDemand, MixDemand } from '#core/season/demand/demand'
import { batchFor, batchPlannedFor, feedingFor, namesOf } from '#shared/commands/season-batch'
import { find, traysOfSowing } from '#shared/derived/bench'

/** From what the season asks for to a card at the bench: a batch or a feed that is planned in one press. */
export function usePlannedCard() {
  const bench = useBench()
  const router = useRouter()
  const { attempt } = useCommands()
  const guidedJobs = useGuidedJobs()
  const { printDay } = useDates()
  const { note } = useNotes()
  const names = (of: MixDemand['of']) => namesOf(bench, of)

  /** The batch that is planned for a run, made where there is none; null where it cannot be. */
  async function batchOf(demand: MixDemand): Promise<string | null> {
    const there = batchPlannedFor(bench, demand)
    if (there) return there.id
    const body = batchFor(bench, demand)
    if (!body) {
      note('That recipe is no longer here.')
      return null
    }
    const id = newId()
    return (await attempt(body.name, [saving('batches', id, 0, body)])) && id
  }
  async function planBatch(demand: MixDemand) {
    const id = await batchOf(demand)
    if (id) await router.push(`/batches/${id}`)
  }
  /** The mix, or the soak for it, step by step. */
  async function startBatch(kind: 'mix' | 'soak', demand: MixDemand) {
    const id = await batchOf(demand)
    const name = find(bench, 'batches', id ?? undefined)?.body.name
    if (id)
      await guidedJobs.start(kind, `${GUIDED_JOB_NAMES[kind]}: ${name}`, [
        { what: 'batches', id, stage: null },
      ])
  }

  async function feedOf(demand: FeedDemand): Promise<string | null> {
    const id = newId()
    const body = feedingFor(bench, demand, printDay(demand.on))
    return (await attempt(body.name, [saving('feedings', id, 0, body)])) && id
  }
  async function planFeed(demand: FeedDemand) {
    const id = await feedOf(demand)
    if (id) await router.push(`/batches/feed/${id}`)
  }
  /** The feed step by step: it goes to the trays its plants stand in, and stands for their water that day. */
  async function startFeed(demand: FeedDemand) {
    const id = await feedOf(demand)
    if (!id) return
    const fed = new Set(
      demand.of.flatMap(({ sowingId }) => traysOfSowing(bench, sowingId).map((tray) => tray.id)),
    )
    await guidedJobs.start('feed', `Feed ${names(demand.of)}`, [
      { what: 'feedings', id, stage: null },
      ...demand.of.map(({ sowingId, stage }) => ({ what: 'sowings' as const, id: sowingId, stage })),
      ...[...fed].map((trayId) => ({ what: 'trays' as const, id: trayId, stage: null })),
    ])
  }
  return { names, planBatch, planFeed, startBatch, startFeed }
}
