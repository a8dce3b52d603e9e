/*
 * A whole batch plan with its workings, against the same sums as a spreadsheet user would write them: every figure a
 * cell, its formula in the spreadsheet's language, put through a formula engine (fast-formula-parser); and against the
 * bare formulas in a general expression evaluator (mathjs, compiled once).
 */
import FormulaParser from 'fast-formula-parser'
import { compile, type EvalFunction } from 'mathjs'
import { CONTAINERS } from '#core/containers/catalogue'
import { planDose } from '#core/feed/dose'
import { FEEDS } from '#core/feed/feeds'
import { DEFAULT_ALLOWANCES, plainBatch, type BatchRequest } from '#core/media/batch-request'
import { planBatch } from '#core/media/batch'
import { BUILT_IN } from '#core/media/materials'
import { allFigures } from '#core/working/explain'
import type { Figure } from '#core/working/figure'
import { median, report } from './report'

const request = (fills: number): BatchRequest => ({
  parts: [
    { materialId: 'coir', parts: 3 },
    { materialId: 'castings', parts: 1 },
    { materialId: 'perlite', parts: 1 },
  ],
  fills: Array.from({ length: fills }, (_, i) => ({
    container: CONTAINERS[i % CONTAINERS.length]!,
    count: 1 + i,
    coverMm: i % 2 ? 5 : 0,
    coverMaterialId: 'vermiculite',
  })),
  allowances: DEFAULT_ALLOWANCES,
  scoop: { name: 'pot', volumeL: 0.5 },
  ...plainBatch(),
  materials: BUILT_IN,
})

function formulasOf(
  plan: ReturnType<typeof planBatch>,
): { run: EvalFunction; scope: Record<string, number> }[] {
  const figures = new Set<Figure>()
  for (const line of plan.lines)
    for (const figure of [line.looseL, line.packs, line.scoops.roundingError]) allFigures(figure, figures)
  return [...figures].flatMap(({ working }) =>
    working.kind === 'derived'
      ? {
          run: compile(working.formula),
          scope: Object.fromEntries(Object.entries(working.inputs).map(([key, input]) => [key, input.value])),
        }
      : [],
  )
}

/** The plan's figures as spreadsheet cells A1, A2 …, inputs before what is made of them. */
function asSheet(plan: ReturnType<typeof planBatch>) {
  const rows = new Map<Figure, number>()
  const cells: (number | string)[] = []
  const place = (figure: Figure): number => {
    const there = rows.get(figure)
    if (there) return there
    const { working } = figure
    let cell: number | string = figure.value
    if (working.kind === 'derived') {
      const at = Object.fromEntries(Object.entries(working.inputs).map(([key, input]) => [key, place(input)]))
      cell = working.formula
        .replace(/[A-Za-z]\w*/g, (symbol) => (symbol in at ? `A${at[symbol]}` : (IN_SHEET[symbol] ?? symbol)))
        .replace(/(CEILING|ROUND)\(((?:[^()]|\([^()]*\))*)\)/g, (_, name, inside) =>
          name === 'CEILING' ? `CEILING(${inside},1)` : `ROUND(${inside},0)`,
        )
    }
    cells.push(cell)
    rows.set(figure, cells.length)
    return cells.length
  }
  const wanted: [Figure, number][] = plan.lines.flatMap(({ looseL, packs, scoops }) =>
    [looseL, packs, scoops.roundingError].map((figure): [Figure, number] => [figure, place(figure)]),
  )
  const values = new Float64Array(cells.length + 1)
  const parser = new FormulaParser({
    onCell: ({ row }: { row: number }) => values[row],
    functions: LESS_COMMON,
  })
  const recalculate = () =>
    cells.forEach((cell, i) => {
      values[i + 1] =
        typeof cell === 'number' ? cell : parser.parse(cell, { sheet: 'Plan', row: i + 1, col: 1 })
    })
  return { cells: cells.length, recalculate, values, wanted }
}
/** Functions of a spreadsheet that the engine leaves to whoever uses it. */
const LESS_COMMON = {
  MIN: (...given: { value: number }[]) => Math.min(...given.map(({ value }) => value)),
  MAX: (...given: { value: number }[]) => Math.max(...given.map(({ value }) => value)),
}
const IN_SHEET: Record<string, string> = {
  ceil: 'CEILING',
  round: 'ROUND',
  max: 'MAX',
  min: 'MIN',
  log: 'LN',
  pi: 'PI()',
}

for (const fills of [2, 20, 200]) {
  const asked = request(fills)
  const formulas = formulasOf(planBatch(asked))
  const ours = median(200, () => planBatch(asked))
  const theirs = median(200, () => formulas.forEach(({ run, scope }) => run.evaluate(scope)))
  report(`batch of ${fills} kinds of container`, ours, `${formulas.length} formulas in mathjs`, theirs)
  const sheet = asSheet(planBatch(asked))
  sheet.recalculate()
  for (const [figure, row] of sheet.wanted)
    if (Math.abs(sheet.values[row]! - figure.value) > 1e-6 * Math.max(1, Math.abs(figure.value)))
      throw new Error(`${figure.name}: the sheet says ${sheet.values[row]}, the plan ${figure.value}`)
  report('  the same', ours, `${sheet.cells} cells in a formula engine`, median(20, sheet.recalculate))
}

// 500 containers of 40 kinds.
const many = request(40)
const fiveHundred = { ...many, fills: many.fills.map((fill, i) => ({ ...fill, count: i < 20 ? 12 : 13 })) }
console.log(
  `500 containers of 40 kinds: ${median(200, () => planBatch(fiveHundred)).toFixed(2)} ms (wanted under 5)`,
)

const tools = [
  { id: 't', name: 'teaspoon', kind: 'spoon', capacityMl: 5 },
  { id: 's', name: 'syringe', kind: 'syringe', capacityMl: 10 },
  { id: 'k', name: 'scale', kind: 'kitchen scale', capacityMl: null },
] as const
const needsStock = {
  feed: FEEDS[0]!,
  tools,
  growthStageId: 'seed-leaves',
  targetNMgPerL: 30,
  vessel: { name: 'jug', volumeL: 1 },
}
const direct = { ...needsStock, vessel: { name: 'can', volumeL: 100 } }
report(
  'dose with a search for a stock',
  median(200, () => planDose(needsStock)),
  'dose measured directly',
  median(200, () => planDose(direct)),
)
