import { within, type Problem, wrongAt } from '../problem'
import { byDefault, type Source } from '../working/source'

export type ToolKind =
  'spoon' | 'cap' | 'syringe' | 'kitchen scale' | 'pocket scale' | 'scoop' | 'jug' | 'squeeze bottle'

/** Something the household measures with. Scales have no capacity. */
export interface Tool {
  readonly id: string
  readonly name: string
  readonly kind: ToolKind
  readonly capacityMl: number | null
}

export interface ToolHabit {
  readonly measures: 'volume' | 'mass'
  /** Error as a fraction of what is measured… */
  readonly relativeError: number
  /** …or as a fixed amount, g for scales, or a fraction of the capacity for syringes. */
  readonly absoluteG?: number
  readonly ofCapacity?: number
  /** Smallest amount that can be told apart: g for scales, a fraction of the capacity otherwise. */
  readonly step: number
  readonly source: Source
  /** Half its smallest step by eye, for want of a better tool. */
  readonly rough?: Pick<ToolHabit, 'step' | 'relativeError' | 'source'>
}

/** How each kind measures [default, to be corrected by the household's own weighing]. */
export const TOOL_HABITS: Readonly<Record<ToolKind, ToolHabit>> = {
  spoon: {
    measures: 'volume',
    relativeError: 0.125,
    step: 0.5,
    source: byDefault('a levelled spoon is good to 10–15 %: powder settles'),
    rough: {
      step: 0.25,
      relativeError: 0.25,
      source: byDefault('a level half spoon parted by eye is good to 25 %'),
    },
  },
  cap: {
    measures: 'volume',
    relativeError: 0.2,
    step: 0.5,
    source: byDefault('a bottle cap is good to 20 %'),
  },
  syringe: {
    measures: 'volume',
    relativeError: 0,
    ofCapacity: 0.02,
    step: 0.01,
    source: byDefault('a 1 mL syringe is good to 0.02 mL; larger ones in proportion'),
  },
  'kitchen scale': {
    measures: 'mass',
    relativeError: 0,
    absoluteG: 1,
    step: 1,
    source: byDefault('a kitchen scale is good to 1 g'),
  },
  'pocket scale': {
    measures: 'mass',
    relativeError: 0,
    absoluteG: 0.05,
    step: 0.01,
    source: byDefault('a pocket scale is good to 0.05 g'),
  },
  scoop: {
    measures: 'volume',
    relativeError: 0.05,
    step: 0.25,
    source: byDefault('a levelled scoop of mix is good to 5 %'),
  },
  jug: {
    measures: 'volume',
    relativeError: 0.05,
    step: 0.05,
    source: byDefault('a jug with marks is good to 5 %'),
  },
  'squeeze bottle': {
    measures: 'volume',
    relativeError: 0.05,
    step: 0.05,
    source: byDefault('a squeeze bottle filled to its mark is good to 5 %'),
  },
}

export const TOOL_KINDS = Object.keys(TOOL_HABITS) as ToolKind[]

/**
 * Whether a tool weighs (g) rather than measures volume (mL).
 *
 * @example isScale('pocket scale') // true
 */
export const isScale = (kind: ToolKind): boolean => TOOL_HABITS[kind].measures === 'mass'

/** What is wrong with a tool, each at its field. */
export function toolProblems(tool: Tool): Problem[] {
  if (isScale(tool.kind)) return tool.capacityMl === null ? [] : [wrongAt(['capacityMl'], 'scaleVolume')]
  return within(['capacityMl'], tool.capacityMl ?? Number.NaN, 0.01, 200_000, 'mL')
}
