import { derive, type Figure } from '../working/figure'

const DEFINITION = 'Per cent by mass of grams per litre, in milligrams.'

/**
 * mg/L of an element from a feed at a concentration: g/L · % · 10.
 *
 * @example strengthOf('Nitrogen', given('Feed', 0.5, 'g/L', yours()), given('N', 20, '%', yours())).value // 100
 */
export function strengthOf(element: string, concentrationGPerL: Figure, percent: Figure): Figure {
  return derive(
    `${element} in the feed`,
    'mg/L',
    'c * w * 10',
    { c: concentrationGPerL, w: percent },
    ({ c, w }) => c * w * 10,
    DEFINITION,
  )
}

/**
 * g/L of a feed that give a strength of nitrogen.
 *
 * @throws RangeError when the feed holds none.
 * @example concentrationFor(given('N', 100, 'mg/L', yours()), given('N', 20, '%', yours())).value // 0.5
 * @example concentrationFor(given('N', 100, 'mg/L', yours()), given('N', 0, '%', yours())) // throws RangeError
 */
export function concentrationFor(nMgPerL: Figure, nPercent: Figure): Figure {
  if (nPercent.value <= 0)
    throw new RangeError('nPercent: this feed holds no nitrogen, so a strength in nitrogen has no dose')
  return derive(
    'Feed per litre',
    'g/L',
    'N / (w * 10)',
    { N: nMgPerL, w: nPercent },
    ({ N, w }) => N / (w * 10),
    DEFINITION,
  )
}

/**
 * g of feed for a vessel of `volumeL`.
 *
 * @example massIn(given('Feed', 0.5, 'g/L', yours()), given('Can', 9, 'L', yours())).value // 4.5
 */
export function massIn(concentrationGPerL: Figure, volumeL: Figure): Figure {
  return derive('Feed by weight', 'g', 'c * V', { c: concentrationGPerL, V: volumeL }, ({ c, V }) => c * V)
}

/**
 * mL that a mass of feed takes up.
 *
 * @example volumeOfMass(given('Feed', 4, 'g', yours()), given('Density', 0.8, 'g/mL', yours())).value // 5
 */
export function volumeOfMass(massG: Figure, densityGPerMl: Figure): Figure {
  return derive('Feed by volume', 'mL', 'm / d', { m: massG, d: densityGPerMl }, ({ m, d }) => m / d)
}

/**
 * g/L from millilitres of a liquid per litre.
 *
 * @example concentrationOfLiquid(given('Feed', 5, 'mL/L', yours()), given('Density', 1.2, 'g/mL', yours())).value // 6
 */
export function concentrationOfLiquid(mlPerL: Figure, densityGPerMl: Figure): Figure {
  return derive('Feed per litre', 'g/L', 'a * d', { a: mlPerL, d: densityGPerMl }, ({ a, d }) => a * d)
}

/** What "1 : n" means: one part *in* n of the finished feed, or one part *to* n of water. */
export type RatioMeaning = 'in' | 'to'

/**
 * mL of concentrate per litre of finished feed at 1 : n.
 *
 * @throws RangeError for n below 1
 * @example ratioMlPerL(given('n', 200, '', yours()), 'in').value // 5
 * @example ratioMlPerL(given('n', 199, '', yours()), 'to').value // 5
 */
export function ratioMlPerL(n: Figure, meaning: RatioMeaning): Figure {
  if (!(n.value >= 1)) throw new RangeError(`n: a ratio is 1 : 1 or weaker, given ${n.value}`)
  const name = `Concentrate per litre, 1 part ${meaning} ${n.value}`
  return meaning === 'in'
    ? derive(name, 'mL/L', '1000 / n', { n }, ({ n: parts }) => 1000 / parts)
    : derive(name, 'mL/L', '1000 / (n + 1)', { n }, ({ n: parts }) => 1000 / (parts + 1))
}
