import type { SeasonBook } from '../book'
import { fillHabitOf, shareDaysOf, type SeasonFrame } from '../frame'
import { packTrays, type FixedTray, type TrayShare } from './packing'
import type { Placed } from '../schedule/placed'
import { flatsOf } from '../../containers/flat'
import type { Stay } from '../schedule/stays'
import type { PlannedSowing } from '../schedule/sowing'
import type { PlannedRung } from '../schedule/sowing-request'
import type { Crop } from '../../sowing/crop'

/** What of a sowing of the season decides which trays it can share. */
interface Row {
  readonly id: string
  readonly name: string
  readonly planned: PlannedSowing
  readonly crop: Crop
}

const isSown = ({ stage }: PlannedRung) => stage === 'sow' || stage === 'broadcast'
/** Trays of many cells are shared; pots, blocks and open trays are not. */
const isShared = (rung: PlannedRung) => rung.recipeId !== null && rung.container.cells > 1

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
  const shares = rows.flatMap((row) => row.planned.rungs.filter(isShared).map((rung) => shareOf(row, rung)))
  const placed = packTrays(shares, shareDaysOf(frame), fixed)
  const habit = fillHabitOf(frame)
  return rows.map((row) => {
    const at = (rung: PlannedRung) => placed.get(shareKey(row.id, rung.index))
    const marks =
      habit +
      row.planned.rungs
        .map((rung) => {
          const where = at(rung)
          return where
            ? `${where.trays} ${where.freeCells} ${where.sharesWith.join()} ${where.apart?.name} ${where.in.map(({ tray, cells }) => `${tray} ${cells}`).join()}`
            : ''
        })
        .join('|')
    const known = before.get(row.id)
    if (known && known.row === row && known.marks === marks) return known.shared
    const rungs = row.planned.rungs.map((rung) => {
      const where = at(rung)
      return where ? sharedRung(rung, where, habit, book) : rung
    })
    const shared = { ...row, planned: { ...row.planned, rungs } }
    before.set(row.id, { row, marks, shared })
    return shared
  })
}

/** Names cells of a rung of a sowing where they are packed. */
export const shareKey = (id: string, rung: number) => `${id} ${rung}`

/** A rung as it takes part in sharing trays. */
export const shareOf = (
  { id, name, planned, crop }: Pick<Row, 'id' | 'name' | 'planned' | 'crop'>,
  rung: PlannedRung,
): TrayShare => ({
  key: shareKey(id, rung.index),
  name,
  container: rung.container,
  recipeId: rung.recipeId!,
  sown: isSown(rung),
  on: rung.from,
  cells: rung.cells,
  mixC: rung.care.mixC,
  // A tray stands in one place, before the seed is up and after.
  placeIds: [rung.where.untilUp.id, rung.where.place.id, rung.where.elsewhere?.place.id ?? ''].join(' '),
  light: crop.light,
  upDays: isSown(rung) ? (planned.emergence?.value ?? null) : null,
})

function sharedRung(
  rung: PlannedRung,
  placed: Placed,
  habit: 'tray' | 'sown',
  book: SeasonBook,
): PlannedRung {
  // What was laid out by hand may be more than the plan asks for.
  const laid = placed.in.reduce((sum, one) => sum + one.cells, 0)
  const cells = habit === 'tray' ? placed.trays * rung.container.cells : Math.max(rung.cells, laid)
  const fill = { ...rung.fill, cells }
  // What others fill of its last tray is theirs; a part that was moved on before stands as it was.
  const spare = flatsOf(rung.container) * (rung.fill.count - placed.trays)
  const left = rung.flats > 0 ? (rung.flats - spare) / rung.flats : placed.trays / rung.fill.count
  return {
    ...rung,
    fill,
    placed,
    looseL: book.looseL(rung.recipeId!, fill),
    flats: rung.flats * left,
    stays: rung.stays.flatMap((stay) =>
      stay.from < rung.from
        ? [stay]
        : whereItStands({ ...stay, flats: stay.flats * left }, rung, placed, laid),
    ),
  }
}

/** Trays that stand elsewhere than the plan says take their room there; seed that is not up yet stays on its mat. */
function whereItStands(stay: Stay, rung: PlannedRung, placed: Placed, laid: number): Stay[] {
  if (stay.placeId !== rung.where.place.id || laid === 0) return [stay]
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
