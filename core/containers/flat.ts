/** A flat, nominally 10 × 20 in, stands on so much shelf, m² [handbook: about 28 × 54 cm]. */
export const FLAT_M2 = 0.28 * 0.54
