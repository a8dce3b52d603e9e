import { present } from '../present'
import { derive, given, type Figure } from '../working/figure'
import { practice, yours } from '../working/source'
import type { Feed } from './feed'
import { isScale, TOOL_HABITS, type Tool, type ToolHabit } from './tool'

/** An amount of feed to be measured: the same thing by weight and by volume. */
export interface Dose {
  readonly massG: Figure
  readonly volumeMl: Figure
}

export type Fit = 'fair' | 'rough' | 'too small' | 'too many'

/** Measuring a dose with one tool. */
export interface Measurement {
  readonly tool: Tool
  /** `rough`: less than the tool is made for, halved by eye. `too small`: not even that. `too many`: more fills than anybody counts. */
  readonly fit: Fit
  /** What to measure: mL or g, to the tool's own step. */
  readonly amount: Figure
  /** How many times the tool is filled; null for a scale. */
  readonly fills: Figure | null
  /** (measured − wanted) / wanted, from rounding to the tool's step. */
  readonly rounding: Figure
  /** How far off a careful hand may be, ± a fraction. */
  readonly spread: Figure
  /** Rounding and spread together, a fraction. */
  readonly worst: Figure
}

/** Nobody counts more fills than this without losing count. */
export const MAX_FILLS = 12
/** An error of a tenth is what a fixed error may cost before a tool is out of its fair range. */
const FAIR_FIXED_ERROR = 0.1

/**
 * Powder goes on a scale or into a spoon or cap; a liquid goes anywhere a syringe does too. Jugs and scoops are for water and mix.
 *
 * @example canMeasure({ kind: 'syringe' }, { form: 'powder' }) // false
 */
export function canMeasure(tool: Tool, feed: Pick<Feed, 'form'>): boolean {
  if (['jug', 'squeeze bottle', 'scoop'].includes(tool.kind)) return false
  return feed.form === 'liquid' || tool.kind !== 'syringe'
}

/**
 * The least amount a tool measures fairly, mL or g.
 *
 * @example fairFrom({ kind: 'spoon', capacityMl: 5 }) // 2.5
 */
export function fairFrom(tool: Tool): number {
  const habit = TOOL_HABITS[tool.kind]
  if (habit.relativeError > 0) return habit.step * present(tool.capacityMl)
  return fixedError(tool) / FAIR_FIXED_ERROR
}

/** A rough measurement further off than this is none. */
const ROUGH_MOST = 0.5

/** Measure `dose` with `tool`; less than it is made for is halved by eye, where that comes near enough. */
export function measureWith(tool: Tool, dose: Dose): Measurement {
  const fair = measured(tool, dose, TOOL_HABITS[tool.kind])
  const { rough } = TOOL_HABITS[tool.kind]
  if (fair.fit !== 'too small' || !rough) return fair
  const halved = measured(tool, dose, { ...TOOL_HABITS[tool.kind], ...rough })
  return halved.worst.value <= ROUGH_MOST ? { ...halved, fit: 'rough' } : fair
}

function measured(tool: Tool, dose: Dose, habit: ToolHabit): Measurement {
  const scale = isScale(tool.kind)
  const unit = scale ? 'g' : 'mL'
  const wanted = scale ? dose.massG : dose.volumeMl
  const capacity = given(tool.name, tool.capacityMl ?? 0, 'mL', yours('your own tool'))
  const step = given(
    `Smallest step of ${tool.name}`,
    scale ? habit.step : habit.step * capacity.value,
    unit,
    habit.source,
  )
  const amount = derive(
    `Measured with ${tool.name}`,
    unit,
    'round(x / q) * q',
    { x: wanted, q: step },
    ({ x, q }) => Math.round(x / q) * q,
  )
  const fills = scale
    ? null
    : derive(`Fills of ${tool.name}`, '', 'x / c', { x: amount, c: capacity }, ({ x, c }) => x / c)
  const fit: Fit =
    amount.value === 0 || wanted.value < fairFrom(tool)
      ? 'too small'
      : fills && fills.value > MAX_FILLS
        ? 'too many'
        : 'fair'
  const rounding = derive(
    'Rounded to the tool',
    'share',
    'x / w - 1',
    { x: amount, w: wanted },
    ({ x, w }) => x / w - 1,
  )
  const spread = spreadOf(tool, wanted, habit)
  const worst = derive(
    'Error',
    'share',
    'abs(r) + s',
    { r: rounding, s: spread },
    ({ r, s }) => Math.abs(r) + s,
    'Rounding is always the same way; the hand may go either way.',
  )
  return { tool, fit, amount, fills, rounding, spread, worst }
}

/**
 * Independent errors together: √(a² + b² + …), fractions.
 *
 * @example combined('Spread', [given('a', 0.3, 'share', yours()), given('b', 0.4, 'share', yours())]).value // 0.5
 */
export function combined(name: string, spreads: readonly Figure[]): Figure {
  const inputs = Object.fromEntries(spreads.map((figure, index) => [`e_${index + 1}`, figure]))
  const formula = `sqrt(${Object.keys(inputs)
    .map((key) => `${key}^2`)
    .join(' + ')})`
  return derive(
    name,
    'share',
    formula,
    inputs,
    () => Math.sqrt(spreads.reduce((sum, { value }) => sum + value * value, 0)),
    'Errors that know nothing of each other partly cancel.',
  )
}

/** Measurements in order of use: those in the tool's fair range first, then by error. */
export function ranked(measurements: readonly Measurement[]): Measurement[] {
  return [...measurements].sort(
    (a, b) => Number(a.fit !== 'fair') - Number(b.fit !== 'fair') || a.worst.value - b.worst.value,
  )
}

function fixedError(tool: Tool): number {
  const habit = TOOL_HABITS[tool.kind]
  return habit.absoluteG ?? (habit.ofCapacity ?? 0) * present(tool.capacityMl)
}

function spreadOf(tool: Tool, wanted: Figure, habit: ToolHabit): Figure {
  if (habit.relativeError > 0)
    return given(`Spread of ${tool.name}`, habit.relativeError, 'share', habit.source)
  const error = given(
    `Error of ${tool.name}`,
    fixedError(tool),
    isScale(tool.kind) ? 'g' : 'mL',
    habit.source,
  )
  return derive(
    `Spread of ${tool.name}`,
    'share',
    'e / x',
    { e: error, x: wanted },
    ({ e, x }) => e / x,
    `${practice().cite}: a fixed error weighs less on a larger amount`,
  )
}
