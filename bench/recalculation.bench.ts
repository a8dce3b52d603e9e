/*
 * A whole batch plan with its workings, against the same formulas put through a general expression evaluator
 * (mathjs, compiled once): what a spreadsheet-like engine would take for the same sums.
 */
import { compile, type EvalFunction } from 'mathjs'
import { CONTAINERS } from '#core/containers/catalogue'
import { planDose } from '#core/feed/dose'
import { FEEDS } from '#core/feed/feeds'
import { DEFAULT_ALLOWANCES, plainBatch, planBatch, type BatchRequest } from '#core/media/batch'
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

for (const fills of [2, 20, 200]) {
  const asked = request(fills)
  const formulas = formulasOf(planBatch(asked))
  const ours = median(200, () => planBatch(asked))
  const theirs = median(200, () => formulas.forEach(({ run, scope }) => run.evaluate(scope)))
  report(`batch of ${fills} kinds of container`, ours, `${formulas.length} formulas in mathjs`, theirs)
}

const tools = [
  { id: 't', name: 'teaspoon', kind: 'spoon', capacityMl: 5 },
  { id: 's', name: 'syringe', kind: 'syringe', capacityMl: 10 },
  { id: 'k', name: 'scale', kind: 'kitchen scale', capacityMl: null },
] as const
const needsStock = {
  feed: FEEDS[0]!,
  tools,
  stageId: 'seed-leaves',
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
