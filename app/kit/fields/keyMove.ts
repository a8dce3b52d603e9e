interface Moves {
  /** One press of an arrow key, to the right or up. */
  readonly step: number
  /** A page key, or an arrow with Shift. */
  readonly page?: number
  readonly home?: number
  readonly end?: number
}

/** How far a key moves a slider (WAI-ARIA's pattern); null for a key that is none of its. The page stays where it is. */
export function keyMove(event: KeyboardEvent, { step, page, home, end }: Moves): number | null {
  const by = event.shiftKey ? (page ?? step) : step
  const moves: Readonly<Record<string, number | undefined>> = {
    ArrowRight: by,
    ArrowUp: by,
    ArrowLeft: -by,
    ArrowDown: -by,
    PageUp: page,
    PageDown: page === undefined ? undefined : -page,
    Home: home,
    End: end,
  }
  const move = moves[event.key]
  if (move === undefined) return null
  event.preventDefault()
  return move
}
