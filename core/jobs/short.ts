import type { BatchPlan } from '../media/batch'
import type { Fill } from '../media/batch-request'

/*
 * The mix gives out with cells still empty: the commonest complaint of all. What is missing, and what to do.
 */

/** A container of a batch, with what was really filled of it. */
export interface Filled {
  readonly fillIndex: number
  /** Cells, pots or blocks. */
  readonly cells: number
}

export interface Missing {
  readonly fillIndex: number
  readonly fill: Fill
  /** Cells still empty. */
  readonly cells: number
  /** Loose mix they take, L. */
  readonly looseL: number
}

/** What is still empty, container by container; none where all is filled. */
export function missingOf({ fills }: Pick<BatchPlan, 'fills'>, filled: readonly Filled[]): Missing[] {
  return fills.flatMap(({ fill, cells, looseL }, fillIndex): Missing[] => {
    const done = filled.find((one) => one.fillIndex === fillIndex)
    const left = Math.max(0, Math.round(cells.value - Math.min(cells.value, done?.cells ?? 0)))
    if (left === 0) return []
    return [
      {
        fillIndex,
        fill,
        cells: left,
        looseL: (looseL.value * left) / cells.value,
      },
    ]
  })
}

/** The fills of a batch that makes up for it. */
export const fillsFor = (missing: readonly Missing[]): Fill[] =>
  missing.map(({ fill, cells }) =>
    fill.container.kind === 'tray'
      ? { ...fill, count: Math.ceil(cells / fill.container.cells), cells }
      : { ...fill, count: cells, cells: null },
  )

/** A material there is too little of for so much more, with what is there, L. */
export interface Lacking {
  readonly materialId: string
  readonly name: string
  readonly wantedL: number
  readonly thereL: number
}

/**
 * What lacks for a plan in the supplies, L.
 *
 * @param thereL litres at hand by material; one that is not written down is no limit
 */
export const lackingFor = (
  { lines }: Pick<BatchPlan, 'lines'>,
  thereL: (materialId: string) => number | null,
): Lacking[] =>
  lines.flatMap(({ material, looseL, sieve }) => {
    const wantedL = (sieve?.bagL ?? looseL).value
    const there = thereL(material.id)
    return there !== null && there < wantedL - 1e-9
      ? [{ materialId: material.id, name: material.name, wantedL, thereL: there }]
      : []
  })
