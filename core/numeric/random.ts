/**
 * Numbers from 0 to 1 that look drawn and are the same on every machine: mulberry32, a small public-domain generator.
 *
 * @param seed any whole number
 * @example mulberry32(7)() === mulberry32(7)() // true
 */
export function mulberry32(seed: number): () => number {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}
