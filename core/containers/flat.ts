/** A flat, nominally 10 × 20 in, stands on so much shelf, mm [handbook: about 28 × 54 cm]. */
export const FLAT_MM = { long: 540, short: 280 } as const
/** The same, m². */
export const FLAT_M2 = (FLAT_MM.long * FLAT_MM.short) / 1e6
