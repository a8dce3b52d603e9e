/*
 * Shared trays against the same question as an integer programme handed to HiGHS: as few trays as there can be, no two
 * that disagree in one, no tray over its cells. Printed are the trays of both and how many times longer HiGHS takes.
 */
import loadHighs from 'highs'
import { CONTAINERS } from '#core/containers/catalogue'
import { addDays, dayFrom } from '#core/calendar/day'
import { apart, packTrays, type TrayShare } from '#core/season/packing/packing'
import { mulberry32 } from '#core/numeric/random'
import { median, report } from './report'

const container = CONTAINERS.find(({ id }) => id === 'tray-24')!
const random = mulberry32(7)
const pick = <T>(all: readonly T[]) => all[Math.floor(random() * all.length)]!
const shares = (n: number, days: number): TrayShare[] =>
  Array.from({ length: n }, (_, i) => ({
    key: `s${String(i).padStart(3, '0')}`,
    name: `s${i}`,
    container,
    recipeId: 'lean-and-light',
    sown: true,
    on: addDays(dayFrom('2027-03-01'), Math.floor(random() * days)),
    cells: 1 + Math.floor(random() * 20),
    placeIds: 'shelf shelf ',
    mixC: pick([18, 20, 24]),
    light: pick(['wants light', 'wants dark', 'either'] as const),
    upDays: pick([4, 6, 9]),
  }))

function programme(list: readonly TrayShare[]): string {
  const size = container.cells
  const trays = list.map((_, j) => j)
  const x = (i: number, j: number) => `x${i}_${j}`
  const lines = [
    ...list.map(
      (_, i) =>
        ` one${i}: ${trays
          .filter((j) => j <= i)
          .map((j) => x(i, j))
          .join(' + ')} = 1`,
    ),
    ...trays.map(
      (j) =>
        ` room${j}: ${list.flatMap(({ cells }, i) => (i >= j ? [`${cells} ${x(i, j)}`] : [])).join(' + ')} - ${size} y${j} <= 0`,
    ),
    ...list.flatMap((one, i) =>
      list.flatMap((other, k) =>
        k > i && apart(one, other, 2) !== null
          ? trays.filter((j) => j <= i).map((j) => ` no${i}_${k}_${j}: ${x(i, j)} + ${x(k, j)} - y${j} <= 0`)
          : [],
      ),
    ),
  ]
  const binaries = [
    ...list.flatMap((_, i) => trays.filter((j) => j <= i).map((j) => x(i, j))),
    ...trays.map((j) => `y${j}`),
  ]
  return `Minimize\n trays: ${trays.map((j) => `y${j}`).join(' + ')}\nSubject To\n${lines.join('\n')}\nBinary\n ${binaries.join(' ')}\nEnd`
}

const highs = await loadHighs()
for (const [n, days] of [
  [8, 3],
  [16, 8],
  [24, 12],
] as const) {
  const list = shares(n, days)
  const ours = Math.round([...packTrays(list, 2).values()].reduce((sum, { trays }) => sum + trays, 0))
  const text = programme(list)
  const best = Math.round(highs.solve(text).ObjectiveValue)
  report(
    `${n} sowings in ${ours} trays`,
    median(20, () => packTrays(list, 2)),
    `HiGHS in ${best}`,
    median(1, () => highs.solve(text)),
  )
}
