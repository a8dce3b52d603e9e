/** What a step shows of the hand’s work; drawn by the interface, and said in words by `shared/messages/pictures.ts`. */
export type Picture =
  /** A tub filled to a share of its height. */
  | { readonly kind: 'tub'; readonly filled: number; readonly of: 'a tub' | 'the tub' }
  /** Scoops of each material, side by side. */
  | {
      readonly kind: 'scoops'
      readonly of: readonly { readonly materialId: string; readonly name: string; readonly scoops: number }[]
    }
  | { readonly kind: 'squeeze' }
  | { readonly kind: 'sieve' }
  /** Below so many degrees before hands and seed go in. */
  | { readonly kind: 'thermometer'; readonly belowC: number }
  /** A section through one cell: filled to a share, a dent, seeds and a cover, mm of a cell so deep. */
  | {
      readonly kind: 'cell'
      readonly depthMm: number
      readonly freeMm: number
      readonly dentMm: number
      readonly seeds: number
      readonly coverMm: number
    }
  /** Which cells of a tray. */
  | {
      readonly kind: 'cells'
      readonly rows: number
      readonly columns: number
      readonly chosen: readonly number[]
    }
  /** A tray in water up to a share of its cells. */
  | { readonly kind: 'soak'; readonly stands: number; readonly how: 'below' | 'above' | 'mist' }
  | { readonly kind: 'can'; readonly filled: number }
  /** A plant set to its seed leaves or as deep as it stood; in a pot with so much free at the rim. */
  | { readonly kind: 'plant'; readonly bury: boolean; readonly lift: boolean }
  | { readonly kind: 'hole'; readonly castings: boolean; readonly stake: boolean }
  | { readonly kind: 'label'; readonly lines: readonly string[] }
  | { readonly kind: 'wash' }
  | { readonly kind: 'cover'; readonly cover: 'dome' | 'film' | 'none'; readonly warm: boolean }
