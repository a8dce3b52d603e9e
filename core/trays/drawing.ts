import { at } from '../numeric/at'
import type { Container } from '../containers/container'
import type { Grid } from './grid'
import { surfaceOf } from './layout'

/** Webs between the cells of a tray, and its rim, mm [default]. */
const WEB_MM = 3
const RIM_MM = 7

/** A tray from above, mm, drawn to scale. */
export interface TrayPlan {
  readonly widthMm: number
  readonly heightMm: number
  readonly round: boolean
  /** Each cell, in the order of the layout: from the marked corner, row by row. */
  readonly cells: readonly {
    readonly x: number
    readonly y: number
    readonly w: number
    readonly h: number
  }[]
  /** The marked corner. */
  readonly mark: { readonly x: number; readonly y: number }
}

export type Corner = 'top left' | 'top right' | 'bottom left' | 'bottom right'

/**
 * Where everything of a tray lies, seen from above.
 *
 * @param turned it stands on its short side
 * @param corner where the marked corner lies: the first cell is there
 */
export function trayPlan(
  container: Pick<Container, 'kind' | 'shape'>,
  { rows, columns }: Grid,
  { turned = false, corner = 'top left' }: { turned?: boolean; corner?: Corner } = {},
): TrayPlan {
  const { shape } = container
  const round = shape.form === 'round'
  const topL = round ? shape.topDiameterMm : shape.topLengthMm
  const topW = round ? shape.topDiameterMm : shape.topWidthMm
  const furrows = surfaceOf(container) === 'furrows'
  // An open tray is one hollow that its furrows share; the rest is as many hollows as there are cells.
  const w = furrows ? (topL - WEB_MM * (columns - 1)) / columns : topL
  const h = furrows ? (topW - WEB_MM * (rows - 1)) / rows : topW
  const long = RIM_MM * 2 + columns * w + (columns - 1) * WEB_MM
  const short = RIM_MM * 2 + rows * h + (rows - 1) * WEB_MM
  const [widthMm, heightMm] = turned ? [short, long] : [long, short]
  const right = corner.endsWith('right')
  const bottom = corner.startsWith('bottom')
  const cells = Array.from({ length: rows * columns }, (_, cell) => {
    const along = RIM_MM + (cell % columns) * (w + WEB_MM)
    const across = RIM_MM + Math.floor(cell / columns) * (h + WEB_MM)
    const [x, y, cw, ch] = turned ? [across, along, h, w] : [along, across, w, h]
    return {
      x: right ? widthMm - x - cw : x,
      y: bottom ? heightMm - y - ch : y,
      w: cw,
      h: ch,
    }
  })
  return {
    widthMm,
    heightMm,
    round,
    cells,
    mark: { x: right ? widthMm : 0, y: bottom ? heightMm : 0 },
  }
}

/** The cell at a point, the nearest within its web; null outside the tray. */
export function cellAt({ cells }: TrayPlan, x: number, y: number): number | null {
  let best: number | null = null
  let least = WEB_MM * 2
  for (let i = 0; i < cells.length; i++) {
    const one = at(cells, i)
    const off = Math.max(one.x - x, x - one.x - one.w, one.y - y, y - one.y - one.h)
    if (off < least) {
      least = off
      best = i
      if (off <= 0) break
    }
  }
  return best
}
