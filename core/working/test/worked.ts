import { expect } from '@jest/globals'
import { compile, type EvalFunction } from 'mathjs'
import { allFigures } from '../explain'
import type { Figure } from '../figure'

const compiled = new Map<string, EvalFunction>()
function formula(text: string): EvalFunction {
  if (!compiled.has(text)) compiled.set(text, compile(text))
  return compiled.get(text)!
}

/** Everything in a plan that is a figure, however deep. */
function figuresIn(thing: unknown, found = new Set<Figure>()): Set<Figure> {
  if (Array.isArray(thing)) thing.forEach((item) => figuresIn(item, found))
  else if (thing && typeof thing === 'object') {
    if ('working' in thing) allFigures(thing as Figure, found)
    else Object.values(thing).forEach((item) => figuresIn(item, found))
  }
  return found
}

/** Does every sum of a plan again with an independent evaluator, from the formula that is shown and its inputs. */
export function expectWorked(plan: unknown): void {
  const figures = figuresIn(plan)
  expect(figures.size).toBeGreaterThan(6)
  for (const { name, value, working } of figures) {
    if (working.kind === 'given') {
      expect(working.source.cite).toBeTruthy()
      continue
    }
    const scope = Object.fromEntries(
      Object.entries(working.inputs).map(([symbol, input]) => [symbol, input.value]),
    )
    const again = Number(formula(working.formula).evaluate(scope))
    expect([name, Math.abs(again - value) <= 1e-9 * Math.max(1, Math.abs(value))]).toEqual([name, true])
  }
}
