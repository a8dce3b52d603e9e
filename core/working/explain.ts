import type { Figure } from './figure'

/**
 * The formula with the inputs' values put in, as one would write it on paper:
 * `57 / 6 * (1444 + 4 * 900 + 484)`. Given figures have none.
 */
export function withNumbers(figure: Figure, print: (value: number) => string = plain): string {
  const { working } = figure
  if (working.kind === 'given') return ''
  return working.formula.replace(/[A-Za-z]\w*/g, (symbol) => {
    const input = working.inputs[symbol]
    return input ? print(input.value) : symbol
  })
}

/** Every figure below this one, itself first, each once. */
export function allFigures(figure: Figure, seen = new Set<Figure>()): Set<Figure> {
  if (seen.has(figure)) return seen
  seen.add(figure)
  if (figure.working.kind === 'derived')
    for (const input of Object.values(figure.working.inputs)) allFigures(input, seen)
  return seen
}

function plain(value: number): string {
  return String(Number(value.toPrecision(5)))
}
