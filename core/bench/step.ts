import type { Figure } from '../working/figure'

/**
 * One thing to do at the bench, as a sentence whose numbers are figures:
 * text and figures alternate, so that a screen can show each figure's working and paper prints it plainly.
 */
export interface Step {
  readonly id: string
  readonly title: string
  readonly say: readonly (string | Figure | Spoken)[]
  /** How long to leave it, minutes. */
  readonly waitMinutes?: number
  /** How long the hands are at it, minutes; a quarter of an hour where nothing is said. */
  readonly workMinutes?: number
}

/** A figure said in words of its own: `13½ scoops`. */
export interface Spoken {
  readonly figure: Figure
  readonly words: string
}

/** Whether a piece of a step is a figure that shows its working, not words. */
export const isFigure = (piece: string | Figure | Spoken): piece is Figure =>
  typeof piece === 'object' && 'working' in piece
