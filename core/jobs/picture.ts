/** What a step shows of the hand’s work; drawn by the interface, each with words of its own. */
export type Picture =
  /** A tub filled to a share of its height. */
  | { readonly kind: 'tub'; readonly filled: number; readonly of: string }
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

/** A picture in words, for those who cannot see it. */
export function pictureWords(picture: Picture): string {
  switch (picture.kind) {
    case 'tub':
      return `${picture.of} filled to ${Math.round(picture.filled * 100)} % of its height`
    case 'scoops':
      return picture.of
        .map(({ name, scoops }) => `${Math.round(scoops * 4) / 4} scoops of ${name}`)
        .join(', ')
    case 'squeeze':
      return 'A fist squeezing a ball of mix: it holds, and no water runs'
    case 'sieve':
      return 'A sieve over a tub'
    case 'thermometer':
      return `A thermometer in the middle of the mix, below ${picture.belowC} °C`
    case 'cell':
      return [
        `Section through a cell ${Math.round(picture.depthMm)} mm deep`,
        picture.freeMm > 0 ? `${Math.round(picture.freeMm)} mm free at the top` : 'filled to the rim',
        picture.dentMm > 0 ? `a dent ${Math.round(picture.dentMm)} mm deep` : '',
        picture.seeds > 0 ? `${picture.seeds} ${picture.seeds === 1 ? 'seed' : 'seeds'}` : '',
        picture.coverMm > 0 ? `covered ${Math.round(picture.coverMm)} mm` : '',
      ]
        .filter(Boolean)
        .join(', ')
    case 'cells':
      return `${picture.chosen.length} of ${picture.rows * picture.columns} cells of the tray, in ${picture.rows} rows`
    case 'soak':
      return picture.how === 'below'
        ? `A tray standing in water to ${Math.round(picture.stands * 100)} % of its cells`
        : picture.how === 'mist'
          ? 'A fine mist over the tray'
          : 'A gentle rose over the tray'
    case 'can':
      return `A can filled to ${Math.round(picture.filled * 100)} %`
    case 'plant':
      return picture.lift
        ? 'A seedling held by a leaf, never by its stem'
        : picture.bury
          ? 'A seedling set deep, the mix up to its seed leaves'
          : 'A seedling set as deep as it stood'
    case 'hole':
      return `A container filled to its line, ${picture.castings ? 'castings and feed in the hole' : 'a hole in the middle'}${picture.stake ? ', a stake beside it' : ''}`
    case 'label':
      return `A label: ${picture.lines.join(', ')}`
    case 'wash':
      return 'A brush and a tray in washing water'
    case 'cover':
      return `${picture.cover === 'none' ? 'A tray without a cover' : picture.cover === 'dome' ? 'A dome over the tray' : 'Film over the tray'}${picture.warm ? ', on a mat' : ''}`
  }
}
