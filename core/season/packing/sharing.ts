import { present } from '../../present'
import type { SeasonBook } from '../book'
import { fillHabitOf, shareDaysOf, type SeasonFrame } from '../frame'
import { packTrays, type FixedTray, type TrayShare } from './packing'
import type { Placed } from '../schedule/placed'
import { flatsOf } from '../../containers/flat'
import type { Stay } from '../schedule/stays'
import type { PlannedSowing } from '../schedule/sowing'
import type { PlannedStage } from '../schedule/sowing-request'
import type { Crop } from '../../sowing/crop'

/** What of a sowing of the season decides which trays it can share. */
interface Row {
  readonly id: string
  readonly name: string
  readonly planned: PlannedSowing
  readonly crop: Crop
}

const isSown = ({ kind }: PlannedStage) => kind === 'sow' || kind === 'broadcast'
/** Trays of many cells are shared; pots, blocks and open trays are not. */
const isShared = (stage: PlannedStage) => stage.recipeId !== null && stage.container.cells > 1

/**
 * The season's sowings with their trays shared: mix, room and light are those of the cells in use, and of the tray's
 * other cells where the household fills whole trays.
 *
 * The same row object again where nothing of it changed, so that after one drag only what is touched is drawn anew.
 */
export function shareTrays<One extends Row>(
  rows: readonly One[],
  frame: Pick<SeasonFrame, 'shareDays' | 'fillHabit'>,
  book: SeasonBook,
  before: Map<string, { row: One; marks: string; shared: One }> = new Map(),
  fixed: readonly FixedTray[] = [],
): One[] {
  const shares = rows.flatMap((row) =>
    row.planned.stages.filter(isShared).map((stage) => shareOf(row, stage)),
  )
  const placed = packTrays(shares, shareDaysOf(frame), fixed)
  const habit = fillHabitOf(frame)
  return rows.map((row) => {
    const at = (stage: PlannedStage) => placed.get(shareKey(row.id, stage.index))
    const marks =
      habit +
      row.planned.stages
        .map((stage) => {
          const where = at(stage)
          return where
            ? `${where.trays} ${where.freeCells} ${where.sharesWith.join()} ${where.apart?.name} ${where.in.map(({ tray, cells }) => `${tray} ${cells}`).join()}`
            : ''
        })
        .join('|')
    const known = before.get(row.id)
    if (known && known.row === row && known.marks === marks) return known.shared
    const stages = row.planned.stages.map((stage) => {
      const where = at(stage)
      return where ? sharedStage(stage, where, habit, book) : stage
    })
    const shared = { ...row, planned: { ...row.planned, stages } }
    before.set(row.id, { row, marks, shared })
    return shared
  })
}

/** Names cells of a stage of a sowing where they are packed. */
export const shareKey = (id: string, stage: number) => `${id} ${stage}`

/** A stage as it takes part in sharing trays. */
export const shareOf = (
  { id, name, planned, crop }: Pick<Row, 'id' | 'name' | 'planned' | 'crop'>,
  stage: PlannedStage,
): TrayShare => ({
  key: shareKey(id, stage.index),
  name,
  container: stage.container,
  recipeId: present(stage.recipeId),
  sown: isSown(stage),
  on: stage.from,
  cells: stage.cells,
  mixC: stage.care.mixC,
  // A tray stands in one place, before the seed is up and after.
  placeIds: [stage.where.untilUp.id, stage.where.place.id, stage.where.elsewhere?.place.id ?? ''].join(' '),
  light: crop.light,
  upDays: isSown(stage) ? (planned.emergence?.value ?? null) : null,
})

function sharedStage(
  stage: PlannedStage,
  placed: Placed,
  habit: 'tray' | 'sown',
  book: SeasonBook,
): PlannedStage {
  // What was laid out by hand may be more than the plan asks for.
  const laid = placed.in.reduce((sum, one) => sum + one.cells, 0)
  const cells = habit === 'tray' ? placed.trays * stage.container.cells : Math.max(stage.cells, laid)
  const fill = { ...stage.fill, cells }
  // What others fill of its last tray is theirs; a part that was moved on before stands as it was.
  const spare = flatsOf(stage.container) * (stage.fill.count - placed.trays)
  const left = stage.flats > 0 ? (stage.flats - spare) / stage.flats : placed.trays / stage.fill.count
  return {
    ...stage,
    fill,
    placed,
    looseL: book.looseL(present(stage.recipeId), fill),
    flats: stage.flats * left,
    stays: stage.stays.flatMap((stay) =>
      stay.from < stage.from
        ? [stay]
        : whereItStands({ ...stay, flats: stay.flats * left }, stage, placed, laid),
    ),
  }
}

/** Trays that stand elsewhere than the plan says take their room there; seed that is not up yet stays on its mat. */
function whereItStands(stay: Stay, stage: PlannedStage, placed: Placed, laid: number): Stay[] {
  if (stay.placeId !== stage.where.place.id || laid === 0) return [stay]
  const moved = placed.in.flatMap(({ cells, stands }) =>
    stands.map(({ placeId, share }) => ({ placeId, share: (share * cells) / laid })),
  )
  const away = moved.filter(({ placeId }) => placeId !== stay.placeId)
  const here = 1 - away.reduce((sum, { share }) => sum + share, 0)
  return [
    ...(here > 1e-9 ? [{ ...stay, flats: stay.flats * here }] : []),
    ...away.map(({ placeId, share }) => ({ ...stay, placeId, flats: stay.flats * share })),
  ]
}
