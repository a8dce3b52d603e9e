/** Why two sowings do not share a tray. */
export type Apart =
  'another day' | 'another place' | 'another warmth' | 'light and dark' | 'comes up at another time'

/** The part of a tray that is in a place; a tray can be cut in two. */
export interface PartInPlace {
  readonly placeId: string
  /** 0–1. */
  readonly share: number
}

/** Some cells of one tray. */
export interface InTray {
  /** The id of a tray that stands, or a name for one that is to be laid out. */
  readonly tray: string
  readonly cells: number
  readonly fixed: boolean
  readonly stands: readonly PartInPlace[]
}

/** How so many cells stand in trays. */
export interface Placed {
  /** Its cells, tray by tray. */
  readonly in: readonly InTray[]
  /** Whole and parts of trays that are its own: of a shared one its part of the cells in use. */
  readonly trays: number
  /** Names of those it shares a tray with. */
  readonly sharesWith: readonly string[]
  /** Names the tray that is shared: the same for all that stand in it; null where it is not. */
  readonly sharedTray: string | null
  /** Cells still free in the tray that holds its last ones. */
  readonly freeCells: number
  /** The first tray with room that it does not share, and why. */
  readonly apart: { readonly name: string; readonly why: Apart } | null
}
