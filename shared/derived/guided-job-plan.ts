import { present } from '#core/present'
import { at as elementAt } from '#core/numeric/at'
import { batchSteps, cleaningSteps, soakSteps } from '#core/jobs/batch-steps'
import { finalSteps, moveSteps } from '#core/jobs/move-steps'
import { answerKey, progressOf, type JobProgress } from '#core/jobs/guided-job'
import { sowStepId, sowSteps, type SowTray } from '#core/jobs/sow-steps'
import { cutUp, shareOut } from '#core/jobs/stations'
import { cautionsOnce, type Step } from '#core/jobs/step'
import { sayStep, type SaidStep } from '../messages/steps'
import { firstSoakL } from '#core/water/tray-store'
import { waterStepId, waterSteps } from '#core/jobs/water-steps'
import { cellVolume, cellWord } from '#core/containers/container'
import { planBatch, type BatchPlan } from '#core/media/batch'
import { DAMPNESSES } from '#core/media/moisture'
import { habitOf } from '#core/feed/programme'
import { mixWarmth, OUTSIDE } from '#core/places/place'
import { withOutside } from '#core/season/schedule/stays'
import type { PlannedStage } from '#core/season/schedule/sowing-request'
import { daysUp } from '#core/sowing/emergence'
import { cellsOf } from '#core/trays/layout'
import { plannedBatch, plannedFeed } from './planned-cards'
import type { Stored } from '../records/collections'
import { asBatchRequest } from './batch-request'
import type { GuidedJobRecord } from '../records/guided-job'
import type { TrayRecord } from '../records/tray'
import { waterStore } from './water'
import { find, type Bench } from './bench'

/** One of several pairs of hands. */
interface Station {
  readonly index: number
  readonly of: number
}

export interface GuidedJobPlan {
  readonly steps: readonly SaidStep[]
  /** The batch of a group that mixes. */
  readonly batchPlan: BatchPlan | null
}

/** The step in which the rest of a tub is measured. */
export const LEFT_STEP = 'left'

/**
 * The steps of a group, from what it is about as it is planned now; what was answered in it counts. For several pairs of
 * hands, those of one of them.
 */
export function guidedJobPlan(
  bench: Bench,
  { body }: Pick<Stored<GuidedJobRecord>, 'body'>,
  station: Station | null = null,
): GuidedJobPlan | null {
  const stands = progressOf(body.marks)
  const ids = (what: GuidedJobRecord['subjects'][number]['what']) =>
    body.subjects.filter((one) => one.what === what).map(({ id }) => id)
  const just = (steps: readonly Step[] | null): GuidedJobPlan | null =>
    steps && { steps: inWords(steps), batchPlan: null }
  switch (body.kind) {
    case 'soak':
    case 'mix':
      return ofBatch(bench, body.kind, ids('batches')[0], stands, station)
    case 'clean':
      return just(cleaningSteps())
    case 'feed':
      return just(ofFeed(bench, ids('feedings')[0]))
    case 'sow':
      return just(ofSowing(bench, ids('trays'), stands, station))
    case 'water':
      return just(ofWater(bench, ids('trays'), stands))
    default:
      return just(ofMove(bench, body, station))
  }
}

const inWords = (steps: readonly Step[]) => cautionsOnce(steps).map(sayStep)

function ofBatch(
  bench: Bench,
  kind: 'soak' | 'mix',
  id: string | undefined,
  stands: JobProgress,
  station: Station | null,
): GuidedJobPlan | null {
  const batch = find(bench, 'batches', id)
  if (!batch || !plannedBatch(batch.body, bench.context)) return null
  // How damp the bag is decides how much water is said.
  const said = ['measure', 'lower-measure'].map((step) => stands.chosen.get(answerKey(step, 'dampness')))
  const dampness = DAMPNESSES.find((one) => said.includes(one)) ?? batch.body.dampness
  const request = asBatchRequest({ ...batch.body, dampness }, bench.context)
  const fills = station
    ? request.fills.flatMap((fill) => {
        const all = Math.round(fill.cells ?? fill.count * fill.container.cells)
        const cells = elementAt(shareOut(all, station.of), station.index)
        return cells === 0 ? [] : [{ ...fill, count: Math.ceil(cells / fill.container.cells), cells }]
      })
    : request.fills
  if (fills.length === 0) return null
  const own = { ...request, fills }
  const plan = planBatch(own)
  if (kind === 'soak') return { steps: inWords(soakSteps(plan, own)), batchPlan: plan }
  const left: Step = {
    id: LEFT_STEP,
    kind: 'left',
    picture: { kind: 'tub', filled: 0.1, of: 'the tub' },
    asks: [{ key: 'leftL', dimension: 'volume', expected: null }],
    workMinutes: 3,
  }
  return { steps: inWords([...batchSteps(plan, own), left]), batchPlan: plan }
}

function ofFeed(bench: Bench, id: string | undefined): Step[] | null {
  const feeding = find(bench, 'feedings', id)
  const planned = feeding && plannedFeed(feeding.body, bench.context)
  return planned ? planned.steps : null
}

function ofSowing(
  bench: Bench,
  ids: readonly string[],
  stands: JobProgress,
  station: Station | null,
): Step[] | null {
  const list = ids.flatMap((id): SowTray[] => {
    const tray = find(bench, 'trays', id)
    const container = tray && bench.context.containers.get(tray.body.containerId)
    return tray && container ? [sowTray(bench, tray, stands)].filter(({ groups }) => groups.length > 0) : []
  })
  if (list.length === 0) return null
  if (!station) return sowSteps(list)
  const all = list.flatMap((tray) =>
    tray.groups.flatMap((group) => group.cells.map((cell) => ({ tray, group, cell }))),
  )
  const mine = elementAt(cutUp(all, station.of), station.index)
  return sowSteps(
    list.flatMap((tray) => {
      const groups = tray.groups.flatMap((group) => {
        const cells = mine.filter((one) => one.tray === tray && one.group === group).map(({ cell }) => cell)
        return cells.length ? [{ ...group, cells }] : []
      })
      return groups.length ? [{ ...tray, groups }] : []
    }),
  )
}
function sowTray(bench: Bench, tray: Stored<TrayRecord>, marks: JobProgress): SowTray {
  const container = present(bench.context.containers.get(tray.body.containerId))
  const stands = bench.stands(tray)
  const place =
    withOutside(bench.context.frame?.places ?? []).find(({ id }) => id === tray.body.placeId) ?? OUTSIDE
  const open = stands.groups.filter(
    ({ group, sown, set }) => set === 0 && (sown === 0 || marks.steps.has(sowStepId(tray.id, group.code))),
  )
  const firstCrop = open[0] && bench.context.crops.get(open[0].group.cropId)
  const kept = waterStore(tray.body, bench.context)
  const mixC = firstCrop ? mixWarmth(place, firstCrop.warmthC) : null
  return {
    id: tray.id,
    name: `tray ${tray.number}`,
    rows: tray.body.rows,
    columns: tray.body.columns,
    cellDepthMm: container.shape.depthMm,
    cellWord: cellWord(container) === 'tray' ? 'furrow' : cellWord(container),
    place: place.name,
    cover: place.cover,
    heatC: place.heatC === null || mixC === null ? null : Math.round(mixC),
    drinksL: kept ? firstSoakL(kept.store) : 0,
    upDays: firstCrop && mixC !== null ? (daysUp(firstCrop, null, mixC)?.value ?? null) : null,
    groups: open.flatMap(({ group, cells }) => {
      const crop = bench.context.crops.get(group.cropId)
      if (!crop || cells === 0) return []
      const row = group.sowingId ? bench.row(group.sowingId) : undefined
      const fill = row?.planned.stages[0]?.fill
      const packet = group.packetId ? bench.context.packets.get(group.packetId) : undefined
      return [
        {
          code: group.code,
          name: group.name,
          depthMm: row?.crop.depthMm ?? packet?.depthMm ?? crop.depthMm,
          wantsLight: crop.light === 'wants light',
          coverName: (fill && bench.context.materials.get(fill.coverMaterialId)?.name) ?? 'the mix',
          cells: cellsOf(tray.body, group.code),
          seedsPerCell: Math.max(1, Math.round(group.seedsPerCell)),
          label: [group.name, `sown ${bench.today}`],
        },
      ]
    }),
  }
}

function ofWater(bench: Bench, ids: readonly string[], marks: JobProgress): Step[] | null {
  const list = ids.flatMap((id) => {
    const tray = find(bench, 'trays', id)
    const here = tray && bench.water(tray)
    if (!tray || !here) return []
    return [
      {
        id,
        name: `tray ${tray.number}`,
        what: tray.body.groups.map(({ name }) => name).join(', ') || tray.body.name,
        place: here.place.name,
        outlook: here.outlook,
      },
    ]
  })
  const known = new Set(list.map(({ id }) => waterStepId(id)))
  return list.length || [...marks.steps.keys()].some((id) => known.has(id))
    ? waterSteps(list, bench.context.frame?.canL ?? 9)
    : null
}

function ofMove(bench: Bench, body: GuidedJobRecord, station: Station | null): Step[] | null {
  const target = body.subjects.find(({ what }) => what === 'sowings')
  const row = target && bench.row(target.id)
  const stage: PlannedStage | undefined =
    body.kind === 'final container' ? row?.planned.stages.at(-1) : row?.planned.stages[target?.stage ?? -1]
  if (!row || !stage) return null
  const all = Math.max(1, stage.plants - stage.moved)
  const plants = station ? elementAt(shareOut(all, station.of), station.index) : all
  if (plants === 0) return null
  const place = stage.where.place.name
  if (body.kind === 'final container')
    return finalSteps({
      name: row.name,
      plants,
      container: stage.container.name,
      containerL: cellVolume(stage.container).value / 1000,
      depthMm: stage.container.shape.depthMm,
      fruits: row.crop.family === 'fruiting',
      place,
    })
  const weak = habitOf(bench.context.frame?.feedingMethod ?? 'half strength', 'true-leaves').nMgPerL
  return moveSteps({
    kind: body.kind === 'pot up' ? 'pot up' : 'prick out',
    name: row.name,
    plants,
    plantsEach: stage.fill.plants ?? 1,
    container: stage.container.name,
    containers: Math.max(1, Math.ceil(plants / (stage.fill.plants ?? 1) / stage.container.cells)),
    cellDepthMm: stage.container.shape.depthMm,
    buryStem: row.crop.buryStem,
    place,
    nMgPerL: weak > 0 ? weak : null,
  })
}
