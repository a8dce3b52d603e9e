import { newId } from '~/composables/newId'
import { useRouter } from '#imports'
import { useDates } from '~/composables/useDates'
import { useNotes } from '~/composables/useNotes'
import { whyNot } from '~/composables/whyNot'
import { useKeeping } from '~/state/keeping'
import { useContext } from '~/state/context'
import { useHousehold } from '~/state/household'
import { useRunStore } from '~/state/runs'
import { useSeason } from '~/state/season'
import { useTrays } from '~/state/trays'
import { RUN_NAMES } from '#core/bench/run'
import { COVER_IS_THE_MIX } from '#core/media/batch-request'
import { batchOf } from '#core/season/shopping'
import type { FeedRun, MixRun } from '#core/season/demand'

/** What a run fills, as a batch keeps it. */
export const fillsOf = (run: MixRun) =>
  run.fills.map(({ container, count, cells, coverMm, coverMaterialId, plants, ballContainerId }) => ({
    containerId: container.id,
    count,
    cells,
    coverMm,
    coverMaterialId: coverMm > 0 ? coverMaterialId : COVER_IS_THE_MIX,
    plants,
    ballContainerId,
  }))
/** The rungs a run is for, as a batch keeps them. */
export const forSowings = ({ of }: MixRun) => of.map(({ sowingId, rung }) => ({ id: sowingId, rung }))

/** From what the season asks for to a card at the bench: a batch or a feed that is planned in one press. */
export function useRuns() {
  const season = useSeason()
  const household = useHousehold()
  const context = useContext()
  const router = useRouter()
  const keeping = useKeeping()
  const runs = useRunStore()
  const trays = useTrays()
  const { printDay } = useDates()
  const { note } = useNotes()

  const names = (of: MixRun['of']) =>
    [...new Set(of.map(({ sowingId }) => season.row(sowingId)?.name ?? ''))].join(', ')
  const refused = (error: unknown) => note(whyNot(error))

  /** The batch that is planned for a run, made where there is none; null where it cannot be. */
  async function batchFor(run: MixRun): Promise<string | null> {
    // One that is planned for these sowings already is not planned twice.
    const there = household.batches.find(
      (one) =>
        !household.making(one.id) &&
        run.of.every(({ sowingId, rung }) =>
          one.body.sowings.some((target) => target.id === sowingId && target.rung === rung),
        ),
    )
    if (there) return there.id
    const recipe = context.recipes.get(run.recipeId)
    if (!recipe) {
      note('That recipe is no longer here.')
      return null
    }
    const scoop = context.scoops[0]
    const id = newId()
    try {
      await keeping.save('batches', id, 0, {
        ...batchOf(recipe),
        name: names(run.of).slice(0, 120) || context.nameOfMix(run.recipeId),
        recipeId: run.recipeId,
        lowerRecipeId: null,
        fills: fillsOf(run),
        sowings: forSowings(run),
        scoop: scoop
          ? { name: scoop.name, volumeL: scoop.capacityMl! / 1000 }
          : { name: 'Litre', volumeL: 1 },
        tubL: season.frame!.tubL,
        onDate: run.on,
      })
      return id
    } catch (error) {
      refused(error)
      return null
    }
  }
  async function planBatch(run: MixRun) {
    const id = await batchFor(run)
    if (id) await router.push(`/bench/${id}`)
  }
  /** The mix, or the soak for it, step by step. */
  async function startBatch(kind: 'mix' | 'soak', run: MixRun) {
    const id = await batchFor(run)
    const name = household.batches.find((one) => one.id === id)?.body.name
    if (id) await runs.start(kind, `${RUN_NAMES[kind]}: ${name}`, [{ what: 'batches', id, rung: null }])
  }

  async function feedFor(run: FeedRun): Promise<string | null> {
    const id = newId()
    const rung = season.row(run.of[0]!.sowingId)?.planned.rungs[run.of[0]!.rung]
    try {
      await keeping.save('feedings', id, 0, {
        name: `${names(run.of)}, ${printDay(run.on)}`.slice(0, 120),
        feedId: season.frame!.feedId,
        stageId: rung?.care.stageId ?? 'growing-on',
        targetNMgPerL: run.nMgPerL,
        vessel: { name: 'Can', volumeL: season.frame!.canL },
        batchId: null,
        toolId: null,
      })
      return id
    } catch (error) {
      refused(error)
      return null
    }
  }
  async function planFeed(run: FeedRun) {
    const id = await feedFor(run)
    if (id) await router.push(`/bench/feed/${id}`)
  }
  /** The feed step by step: it goes to the trays its plants stand in, and stands for their water that day. */
  async function startFeed(run: FeedRun) {
    const id = await feedFor(run)
    if (!id) return
    const fed = new Set(run.of.flatMap(({ sowingId }) => trays.ofSowing(sowingId).map((tray) => tray.id)))
    await runs.start('feed', `Feed ${names(run.of)}`, [
      { what: 'feedings', id, rung: null },
      ...run.of.map(({ sowingId, rung }) => ({ what: 'sowings' as const, id: sowingId, rung })),
      ...[...fed].map((trayId) => ({ what: 'trays' as const, id: trayId, rung: null })),
    ])
  }
  return { names, planBatch, planFeed, startBatch, startFeed }
}
