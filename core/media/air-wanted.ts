import { at as elementAt, last } from '../numeric/at'
/** Air that good mixes show in a column of some depth, fractions of its volume [handbook, Fonteno and others, from memory]. */
export interface AirWanted {
  readonly least: number
  readonly comfortable: number
}

/** Depth of the column, mm; the range that good mixes show there. */
const SHOWN: readonly (readonly [depthMm: number, least: number, comfortable: number])[] = [
  [0, 0, 0.02],
  [25, 0.02, 0.05],
  [60, 0.05, 0.1],
  [100, 0.1, 0.15],
  [150, 0.15, 0.25],
]

/**
 * @param depthMm depth of the column, mm; of a taper, twice the height of the middle of its volume
 * @example airWanted(60) // ({ least: 0.05, comfortable: 0.1 })
 */
export function airWanted(depthMm: number): AirWanted {
  const above = SHOWN.findIndex(([depth]) => depth >= depthMm)
  if (above < 0) return { least: last(SHOWN)[1], comfortable: last(SHOWN)[2] }
  const [d1, least1, comfortable1] = elementAt(SHOWN, above)
  if (above === 0) return { least: least1, comfortable: comfortable1 }
  const [d0, least0, comfortable0] = elementAt(SHOWN, above - 1)
  const t = (depthMm - d0) / (d1 - d0)
  return {
    least: least0 + t * (least1 - least0),
    comfortable: comfortable0 + t * (comfortable1 - comfortable0),
  }
}
