/** One sowing on the shelf, as flats day by day. */
export interface Standing {
  readonly id: string
  /** Day on which `flats` begins, counted from the season's first. */
  readonly start: number
  readonly flats: readonly number[]
  /** Days it may be moved, earlier (negative) and later; 0, 0 where it is already under way. */
  readonly earliest: number
  readonly latest: number
}

export interface Shift {
  readonly id: string
  readonly days: number
}

export interface Repair {
  /** Empty where nothing overflows; null where nothing was found. */
  readonly shifts: readonly Shift[] | null
  /** Whether every set up to the limit was looked at, so that none smaller exists. */
  readonly whole: boolean
}

/** More sowings than this are not moved at once: then something else has to give. */
export const MAX_MOVED = 4
/** Sets that are looked at before the search gives up. */
export const MAX_SETS = 3_000_000

/**
 * The smallest set of shifts after which no day holds more than the shelf: the fewest sowings moved, and among those
 * the fewest days.
 *
 * With one, two … sowings in turn. Whatever fits must take something off the fullest day, so only sowings that stand
 * there are tried; and a day from which the largest few sowings together cannot take enough ends the branch.
 *
 * @param shelfFlats what fits
 */
export function smallestShifts(
  standings: readonly Standing[],
  shelfFlats: number,
  { mostMoved = MAX_MOVED, mostSets = MAX_SETS } = {},
): Repair {
  const shelf = shelfOf(standings)
  const movable = standings.filter(({ earliest, latest }) => earliest < 0 || latest > 0)
  const moved = new Map<string, number>()
  let best: Shift[] | null = null
  let bestDays = Infinity
  let sets = 0

  function search(left: number, days: number): void {
    sets++
    const over = shelf.overflow(shelfFlats)
    if (over.length === 0) {
      best = [...moved].map(([id, shift]) => ({ id, days: shift }))
      bestDays = days
      return
    }
    if (left === 0 || sets > mostSets) return
    const still = movable.filter(({ id }) => !moved.has(id))
    if (!over.every(({ day, by }) => most(still, day, left) >= by - 1e-9)) return
    const { day: worst } = over.reduce((a, b) => (b.by > a.by ? b : a))
    for (const one of still) {
      const stands = flatsOn(one, worst)
      if (stands <= 0) continue
      for (let size = 1; size <= Math.max(-one.earliest, one.latest); size++) {
        // Fewer sowings do not do, so each still to be moved costs at least a day.
        if (days + size + left - 1 >= bestDays) break
        for (const shift of [-size, size]) {
          if (shift < one.earliest || shift > one.latest) continue
          if (flatsOn(one, worst - shift) >= stands) continue
          shelf.move(one, 0, shift)
          moved.set(one.id, shift)
          search(left - 1, days + size)
          moved.delete(one.id)
          shelf.move(one, shift, 0)
        }
      }
    }
  }

  for (let count = 0; count <= Math.min(mostMoved, movable.length); count++) {
    search(count, 0)
    if (best || sets > mostSets) break
  }
  return { shifts: best, whole: sets <= mostSets }
}

const flatsOn = ({ start, flats }: Standing, day: number) => flats[day - start] ?? 0

/** What the few largest of these hold together on a day. */
function most(standings: readonly Standing[], day: number, few: number): number {
  const largest = new Array<number>(few).fill(0)
  for (const one of standings) {
    let flats = flatsOn(one, day)
    for (let i = 0; i < few && flats > 0; i++)
      if (flats > largest[i]!) [largest[i], flats] = [flats, largest[i]!]
  }
  return largest.reduce((sum, flats) => sum + flats, 0)
}

/** The shelf day by day, with everything on it. */
function shelfOf(standings: readonly Standing[]) {
  const first = Math.min(0, ...standings.map(({ start, earliest }) => start + earliest))
  const last = Math.max(0, ...standings.map(({ start, flats, latest }) => start + flats.length + latest))
  const load = new Float64Array(last - first + 1)
  const put = ({ start, flats }: Standing, shift: number, sign: 1 | -1) => {
    const at = start + shift - first
    for (let i = 0; i < flats.length; i++) load[at + i]! += sign * flats[i]!
  }
  for (const one of standings) put(one, 0, 1)
  return {
    move(one: Standing, from: number, to: number) {
      put(one, from, -1)
      put(one, to, 1)
    },
    /** Days that hold more than fits, and by how much. */
    overflow(shelfFlats: number): { day: number; by: number }[] {
      const over: { day: number; by: number }[] = []
      for (let i = 0; i < load.length; i++)
        if (load[i]! > shelfFlats + 1e-9) over.push({ day: i + first, by: load[i]! - shelfFlats })
      return over
    },
  }
}
