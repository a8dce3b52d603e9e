import type { Figure } from '../working/figure'

/** Words and figures that alternate, so that a screen can show each figure’s working and paper prints it plainly. */
export type Sentence = readonly (string | Figure | Spoken)[]

/** A figure said in words of its own: `13½ scoops`. */
export interface Spoken {
  readonly figure: Figure
  readonly words: string
}

/** Whether a piece of a step is a figure that shows its working, not words. */
export const isFigure = (piece: string | Figure | Spoken): piece is Figure =>
  typeof piece === 'object' && 'working' in piece

/** A sentence as plain words, each figure as it is printed. */
export const plainWords = (say: Sentence, print: (figure: Figure) => string): string =>
  say
    .map((piece) => (typeof piece === 'string' ? piece : isFigure(piece) ? print(piece) : piece.words))
    .join('')
