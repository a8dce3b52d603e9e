import { at as elementAt } from '../numeric/at'
import { gaussLegendre } from '../numeric/gauss-legendre'
import { under, within, type Problem, wrongAt } from '../problem'
import { derive, given, mean, type Figure } from '../working/figure'
import { byDefault, yours } from '../working/source'
import { waterOf, type Ingredient } from './ingredient'
import { openingOf } from './mixing-loss'
import type { Part } from './recipe'

/*
 * A mix measured at home: a container with its holes taped is filled, flooded and drained. What stands in it when it is
 * full is all its pores; what runs out is its air at that depth; what stays is its water [standard in idea: EN 13041 and
 * the container method of Fonteno; the kitchen way of it is common practice].
 */

/** One filling of the container, mL. */
export interface TestRun {
  /** What the container holds to the line, measured with water. */
  readonly volumeMl: number
  /** Water that the mix brought with it; 0 for one as dry as dust. */
  readonly heldMl: number
  /** Water poured on until it stood at the line. */
  readonly pouredMl: number
  /** Water that ran out when the tape came off. */
  readonly drainedMl: number
}

export interface HomeTest {
  /** The mix that was measured: it is known again by its shares. */
  readonly parts: readonly Part[]
  /** Depth of the mix in a straight-sided container, mm. */
  readonly depthMm: number
  readonly runs: readonly TestRun[]
}

/** The weights of a run by a scale, g: a gram of water is a millilitre. */
export interface TestWeights {
  readonly emptyG: number
  /** Full of water to the line. */
  readonly waterG: number
  readonly filledG: number
  readonly floodedG: number
  readonly drainedG: number
}
export const runOfWeights = (w: TestWeights, heldMl: number): TestRun => ({
  volumeMl: w.waterG - w.emptyG,
  heldMl,
  pouredMl: w.floodedG - w.filledG,
  drainedMl: w.floodedG - w.drainedG,
})

/** No mix has fewer pores than this, and none more, fractions [handbook: coarse sand .40, peat and coir .94]. */
const [FEWEST_PORES, MAX_PORES] = [0.3, 0.98]
/** Runs of one mix that lie further apart than this want another one, a fraction of the volume [default]. */
export const FAR_APART = 0.06
export const MAX_RUNS = 12

/** What is wrong with a run, each at its field. */
export function runProblems({ volumeMl, heldMl, pouredMl, drainedMl }: TestRun): Problem[] {
  const each = [
    ...within(['volumeMl'], volumeMl, 20, 50_000, 'mL'),
    ...within(['heldMl'], heldMl, 0, 50_000, 'mL'),
    ...within(['pouredMl'], pouredMl, 1, 50_000, 'mL'),
    ...within(['drainedMl'], drainedMl, 0, 50_000, 'mL'),
  ]
  if (each.length) return each
  const pores = (heldMl + pouredMl) / volumeMl
  if (pores > MAX_PORES) return [wrongAt(['pouredMl'], 'pouredTooMuch')]
  if (pores < FEWEST_PORES)
    return [wrongAt(['pouredMl'], 'pouredTooLittle', { percent: Math.round(pores * 100) })]
  if (drainedMl >= heldMl + pouredMl) return [wrongAt(['drainedMl'], 'drainedAll')]
  return []
}

export function homeTestProblems({ depthMm, runs }: HomeTest): Problem[] {
  return [
    ...within(['depthMm'], depthMm, 10, 600, 'mm'),
    ...(runs.length ? [] : [wrongAt(['runs'], 'noRun')]),
    ...(runs.length > MAX_RUNS ? [wrongAt(['runs'], 'tooManyRuns', { most: MAX_RUNS })] : []),
    ...runs.flatMap((run, i) => under('runs', under(i, runProblems(run)))),
  ]
}

/** What a home test found: fractions of the volume, at the depth it was measured. */
export interface Measured {
  readonly pores: Figure
  readonly water: Figure
  readonly air: Figure
  /** Largest less smallest air of its runs, a fraction; null where there was one only. */
  readonly spread: number | null
}

/** Total pores = (water it brought + water poured) / volume; air = what ran out / volume; water the rest. */
export function measuredBy({ runs }: Pick<HomeTest, 'runs'>): Measured {
  const ofRun = runs.map((run, i) => {
    const at = runs.length > 1 ? `, run ${i + 1}` : ''
    const V = given(`The container holds${at}`, run.volumeMl, 'mL', yours('your test'))
    const poured = given(`Poured on${at}`, run.pouredMl, 'mL', yours('your test'))
    const held = given(`Brought by the mix${at}`, run.heldMl, 'mL', yours('your test'))
    const out = given(`Ran out${at}`, run.drainedMl, 'mL', yours('your test'))
    return {
      pores: derive(
        `Total pores${at}`,
        'share',
        '(w + p) / V',
        { w: held, p: poured, V },
        ({ w, p, V: v }) => (w + p) / v,
      ),
      air: derive(`Air after draining${at}`, 'share', 'd / V', { d: out, V }, ({ d, V: v }) => d / v),
    }
  })
  const pores = mean(
    'Total pores, measured',
    'share',
    ofRun.map((run) => run.pores),
  )
  const air = mean(
    'Air after draining, measured',
    'share',
    ofRun.map((run) => run.air),
  )
  const airs = ofRun.map((run) => run.air.value)
  return {
    pores,
    air,
    water: derive(
      'Water after draining, measured',
      'share',
      'p - a',
      { p: pores, a: air },
      ({ p, a }) => p - a,
    ),
    spread: airs.length > 1 ? Math.max(...airs) - Math.min(...airs) : null,
  }
}

/** How a measured mix differs from the book's curve: θ(h) = holds · θ_book(drains · h). */
export interface MeasuredCurve {
  /** Its pores, of the book's. */
  readonly holds: Figure
  /** How much further it drains: a factor on the suction. */
  readonly drains: Figure
  /** How far the fitted curve passes by what was measured, a fraction of the volume: 0 where it could be met. */
  readonly misses: number
}

/** Further than this the book's curve is not stretched. */
const [MIN_DRAINS, MAX_DRAINS] = [0.02, 50]
/** Shares that agree within this are the same mix. */
const SAME_SHARE = 0.005

function sameMix(one: readonly Part[], other: readonly Part[]): boolean {
  const shares = (parts: readonly Part[]) => {
    const all = parts.reduce((sum, part) => sum + part.parts, 0)
    return new Map(parts.map((part) => [part.materialId, part.parts / all]))
  }
  const [a, b] = [shares(one), shares(other)]
  return a.size === b.size && [...a].every(([id, share]) => Math.abs(share - (b.get(id) ?? -1)) < SAME_SHARE)
}

const QUADRATURE = gaussLegendre(12)

/**
 * The book's curve of a mix, fitted to what was measured of it: the pores by their mean, then the suction by halving
 * until it holds in the test's columns what they held. Null where no test is of this mix.
 */
export function measuredCurve(
  parts: readonly Part[],
  ingredients: readonly Ingredient[],
  tests: readonly HomeTest[],
): MeasuredCurve | null {
  const ofThis = tests.filter((test) => sameMix(test.parts, parts) && !homeTestProblems(test).length)
  if (ofThis.length === 0) return null
  const found = ofThis.map((test) => ({ depthCm: test.depthMm / 10, ...measuredBy(test) }))
  const pores = mean(
    'Total pores, measured',
    'share',
    found.map((one) => one.pores),
  )
  const holds = derive(
    'Pores, of the book’s',
    '',
    'm / b',
    {
      m: pores,
      b: given('Total pores by the book', waterOf(ingredients, 0), 'share', byDefault('of its materials')),
    },
    ({ m, b }) => m / b,
  )
  const opening = openingOf(ingredients).value
  const column = (depthCm: number, drains: number) =>
    holds.value *
    QUADRATURE.points.reduce(
      (sum, t, i) =>
        sum + elementAt(QUADRATURE.weights, i) * waterOf(ingredients, opening * drains * t * depthCm),
      0,
    )
  const tooWet = (drains: number) =>
    found.reduce((sum, { depthCm, water }) => sum + column(depthCm, drains) - water.value, 0)
  let [low, high] = [Math.log(MIN_DRAINS), Math.log(MAX_DRAINS)]
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2
    if (tooWet(Math.exp(middle)) > 0) low = middle
    else high = middle
  }
  const drains = Math.exp((low + high) / 2)
  return {
    holds,
    drains: given(
      'Drains further than the book says',
      drains,
      '',
      yours('your home test; found by halving, until the column holds what yours held'),
    ),
    misses: Math.abs(tooWet(drains)) / found.length,
  }
}
