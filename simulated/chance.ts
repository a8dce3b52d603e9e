/** A seed of any text, FNV-1a. */
export function seedOf(text: string): number {
  let hash = 0x811c9dc5
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193)
  return hash >>> 0
}

/** Even numbers from 0 to 1 of a seed, the same each time (mulberry32, public domain). */
export function evenly(seed: number): () => number {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32
  }
}

/** One draw of a normal distribution, by what it is of. */
export function scatter(of: string): number {
  const draw = evenly(seedOf(of))
  return Math.sqrt(-2 * Math.log(1 - draw())) * Math.cos(2 * Math.PI * draw())
}
