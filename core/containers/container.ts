import { first } from '../numeric/at'
import { within, type Problem, wrongAt } from '../problem'
import { derive, given, type Figure } from '../working/figure'
import type { Sourced } from '../catalogue'
import { brimVolume, topArea, type Shape } from './shape'

/** Trays are counted whole and hold cells; blocks are pressed, and take more loose mix than their own volume. */
export type ContainerKind = 'tray' | 'pot' | 'block' | 'open tray'

/** The figures of a container that are measured, and can be corrected. */
export const CONTAINER_FIGURES = ['cells', 'shape', 'measuredVolumeMl'] as const
export type ContainerFigure = (typeof CONTAINER_FIGURES)[number]

export interface Container extends Sourced<ContainerFigure> {
  readonly id: string
  readonly name: string
  readonly kind: ContainerKind
  /** Cells in one tray; 1 for a pot, a block or an open tray. */
  readonly cells: number
  /** One cell. */
  readonly shape: Shape
  /** What one cell holds by the household's own measurement (the water it takes), mL. Overrides the geometry. */
  readonly measuredVolumeMl?: number
}

/**
 * Volume of one cell in mL: measured with water where that was done, else from its dimensions.
 *
 * @example cellVolume({ ...CONTAINERS[0], measuredVolumeMl: 45 }).value // 45
 */
export function cellVolume(container: Container): Figure {
  if (container.measuredVolumeMl !== undefined)
    return given(
      `Volume of one ${cellWord(container)}, measured`,
      container.measuredVolumeMl,
      'mL',
      container.sources.measuredVolumeMl,
    )
  return {
    ...brimVolume(container.shape, container.sources.shape),
    name: `Volume of one ${cellWord(container)}`,
  }
}

/** Open top of one cell in cm². */
export function cellTopArea(container: Container): Figure {
  return { ...topArea(container.shape, container.sources.shape), name: `Top of one ${cellWord(container)}` }
}

/** Cells to fill in `count` containers. */
export function cellCount(container: Container, count: Figure): Figure {
  return derive(
    'Cells to fill',
    '',
    'n * k',
    {
      n: count,
      k: given(`${capital(cellWord(container))}s in one`, container.cells, '', container.sources.cells),
    },
    ({ n, k }) => n * k,
  )
}

/**
 * What one hollow of it is called at the bench.
 *
 * @example cellWord({ kind: 'pot' }) // 'pot'
 */
export function cellWord(container: Container): 'cell' | 'pot' | 'block' | 'tray' {
  if (container.kind === 'tray') return 'cell'
  return container.kind === 'open tray' ? 'tray' : container.kind
}

const capital = (word: string) => first(word).toUpperCase() + word.slice(1)

/** What is wrong with a container, each at its field. */
export function containerProblems({ cells, kind, shape, measuredVolumeMl }: Container): Problem[] {
  const measure = (key: string, value: number) => within(['shape', key], value, 1, 3000, 'mm')
  const { form, ...measures } = shape
  const wider =
    form === 'round'
      ? shape.baseDiameterMm > shape.topDiameterMm
      : shape.baseLengthMm > shape.topLengthMm || shape.baseWidthMm > shape.topWidthMm
  const baseKey = form === 'round' ? 'baseDiameterMm' : 'baseLengthMm'
  return [
    ...Object.entries(measures).flatMap(([key, value]) => measure(key, value)),
    ...(wider ? [wrongAt(['shape', baseKey], 'baseWider')] : []),
    ...within(['cells'], cells, 1, 2000),
    ...(kind !== 'tray' && cells !== 1 ? [wrongAt(['cells'], 'oneCell')] : []),
    ...(measuredVolumeMl === undefined
      ? []
      : within(['measuredVolumeMl'], measuredVolumeMl, 0.1, 500_000, 'mL')),
  ]
}
