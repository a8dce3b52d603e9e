import type { Container } from '../../containers/container'
import type { Crop } from '../../sowing/crop'
import { dayNumber, type Day } from '../../calendar/day'
import type { Apart, PartInPlace, Placed } from '../schedule/placed'

/** Some cells of one kind of tray that are filled on a day. */
export interface TrayShare {
  /** Sowing and stage. */
  readonly key: string
  readonly name: string
  readonly container: Container
  readonly recipeId: string
  /** Seed, or plants that are set in. */
  readonly sown: boolean
  readonly on: Day
  readonly cells: number
  /** Where it stands, before it is up and after. */
  readonly placeIds: string
  /** Warmth of the mix, °C. */
  readonly mixC: number
  readonly light: Crop['light']
  /** Days until it comes up; null for plants, and where it is too cold to. */
  readonly upDays: number | null
}

/** A tray that stands as it was laid out by hand: the rest is packed around it. */
export interface FixedTray {
  readonly id: string
  readonly containerId: string
  /** Cells of each share that stand in it. */
  readonly holds: readonly { readonly key: string; readonly cells: number }[]
  /** Cells nobody has laid out. */
  readonly free: number
  /** All its cells: of several packs where they stand together. */
  readonly cells: number
  /** Where it stands, part by part (a tray can be cut in two); nothing where nobody said. */
  readonly stands: readonly PartInPlace[]
}

/** Warmer or cooler by this is another warmth, °C; up later by so many days is another time [default]. */
const SAME_WARMTH_C = 3
const SAME_UP_DAYS = 5
/** Sowings further apart than this are not asked about, days [default]. */
const WONDERED_DAYS = 10
/** So many parts of trays are shared out by trying everything; more by the first tray that fits. */
const MAX_TRIED = 9

/** What has to agree. */
type Agreeing = Pick<TrayShare, 'on' | 'placeIds' | 'mixC' | 'sown' | 'light' | 'upDays'>

/** What keeps two sowings of one kind of tray and one mix from sharing it; null where they agree. */
export function apart(one: Agreeing, other: Agreeing, withinDays: number): Apart | null {
  if (Math.abs(dayNumber(one.on) - dayNumber(other.on)) > withinDays) return 'another day'
  if (one.placeIds !== other.placeIds) return 'another place'
  if (Math.abs(one.mixC - other.mixC) > SAME_WARMTH_C) return 'another warmth'
  if (!one.sown) return null
  const lights = [one.light, other.light]
  if (lights.includes('wants light') && lights.includes('wants dark')) return 'light and dark'
  if (one.upDays === null || other.upDays === null)
    return one.upDays === other.upDays ? null : 'comes up at another time'
  return Math.abs(one.upDays - other.upDays) > SAME_UP_DAYS ? 'comes up at another time' : null
}

interface OpenTray {
  readonly of: TrayPart[]
  used: number
  /** One that stands already. */
  readonly fixed?: FixedTray
}
interface TrayPart {
  readonly share: TrayShare
  readonly cells: number
}

/**
 * Sowings shared out over trays: cells are counted, not trays. Whole trays stand alone; what is left over of each goes
 * into a tray with others that agree with it, in as few trays as there can be.
 *
 * Those that agree are shared out together: a few are tried in every way, of many each goes into the first tray that has
 * room and agrees, in the order of their days. So the same sowings always stand alike, and one that changes moves none but
 * those it could share a tray with.
 *
 * What stands in a tray that was laid out by hand stays there; its free cells are filled first.
 *
 * @param withinDays sowings so many days apart may share a tray
 */
export function packTrays(
  shares: readonly TrayShare[],
  withinDays: number,
  fixed: readonly FixedTray[] = [],
): Map<string, Placed> {
  const placed = new Map<string, Placed>()
  const alike = new Map<string, TrayShare[]>()
  for (const share of shares) {
    const kind = `${share.container.id} ${share.recipeId} ${share.sown}`
    alike.set(kind, [...(alike.get(kind) ?? []), share])
  }
  for (const group of alike.values()) {
    const size = group[0]!.container.cells
    const standing = standingTrays(group, fixed)
    const rest = new Map(group.map((share) => [share, restOf(share, standing)]))
    const parts = group
      .map((share) => ({ share, cells: rest.get(share)! % size }))
      .filter(({ cells }) => cells > 0)
      .sort(
        (a, b) =>
          (a.share.on < b.share.on ? -1 : a.share.on > b.share.on ? 1 : 0) ||
          (a.share.key < b.share.key ? -1 : 1),
      )
    // Trays that stand are filled up by whoever comes first; each set sees what is left of them.
    const trays = new Set(
      agreeing(parts, withinDays).flatMap((some) => shareOut(some, size, withinDays, standing)),
    )
    for (const tray of standing) trays.add(tray)
    for (const share of group)
      placed.set(share.key, placedOf(share, rest.get(share)!, [...trays], size, withinDays))
  }
  return placed
}

const standingTrays = (group: readonly TrayShare[], fixed: readonly FixedTray[]): OpenTray[] =>
  fixed.flatMap((tray) => {
    if (tray.containerId !== group[0]!.container.id) return []
    const of = tray.holds.flatMap(({ key, cells }) => {
      const share = group.find((one) => one.key === key)
      return share ? [{ share, cells }] : []
    })
    return of.length ? [{ of, used: tray.cells - tray.free, fixed: tray }] : []
  })

/** Cells of a share that stand in no tray yet. */
const restOf = (share: TrayShare, standing: readonly OpenTray[]): number =>
  Math.max(0, share.cells - cellsIn(share, standing))
const cellsIn = (share: TrayShare, trays: readonly OpenTray[]): number =>
  trays.reduce(
    (sum, { of }) => sum + of.reduce((n, part) => n + (part.share === share ? part.cells : 0), 0),
    0,
  )

function placedOf(
  share: TrayShare,
  rest: number,
  trays: readonly OpenTray[],
  size: number,
  withinDays: number,
): Placed {
  const whole = Math.floor(rest / size)
  const own = trays.filter(({ of }) => of.some((part) => part.share === share))
  // The one that is not full is told of: its neighbours, and what still fits.
  const tray = own.find(({ fixed }) => !fixed) ?? own.at(-1)
  const others = own.flatMap(({ of }) => of.filter((part) => part.share !== share))
  const names = [...new Set(others.map((part) => part.share.name))]
  const apartFrom =
    tray && !tray.fixed && others.length === 0 ? whyAlone(share, rest % size, trays, size, withinDays) : null
  return {
    in: [
      ...Array.from({ length: whole }, (_, i) => ({
        tray: `${share.key} ${i}`,
        cells: size,
        fixed: false,
        stands: [],
      })),
      ...own.map((one) => ({
        tray: one.fixed?.id ?? one.of[0]!.share.key,
        cells: cellsIn(share, [one]),
        fixed: one.fixed !== undefined,
        stands: one.fixed?.stands ?? [],
      })),
    ],
    trays:
      whole +
      own.reduce((sum, one) => sum + (cellsIn(share, [one]) / one.used) * (roomIn(one, size) / size), 0),
    sharesWith: names,
    freeCells: tray ? roomIn(tray, size) - tray.used : 0,
    sharedTray: others.length ? (tray!.fixed?.id ?? tray!.of[0]!.share.key) : null,
    apart: apartFrom,
  }
}

function whyAlone(
  share: TrayShare,
  cells: number,
  trays: readonly OpenTray[],
  size: number,
  withinDays: number,
): Placed['apart'] {
  for (const tray of trays) {
    if (tray.used + cells > size || tray.of.some((part) => part.share === share)) continue
    for (const part of tray.of) {
      // Nobody wonders why March and May do not share a tray.
      if (Math.abs(dayNumber(share.on) - dayNumber(part.share.on)) > WONDERED_DAYS) continue
      const why = apart(share, part.share, withinDays)
      if (why) return { name: part.share.name, why }
    }
  }
  return null
}

/**
 * Parts in sets, none of which agrees with any of another: each is shared out for itself, so that what changes in one
 * moves nothing in the others.
 */
function agreeing(parts: readonly TrayPart[], withinDays: number): TrayPart[][] {
  const open = new Set(parts)
  const sets: TrayPart[][] = []
  for (const first of parts) {
    if (!open.delete(first)) continue
    const set = new Set([first])
    for (const one of set)
      for (const other of open)
        if (apart(one.share, other.share, withinDays) === null) {
          open.delete(other)
          set.add(other)
        }
    // In the order they stood in.
    sets.push(parts.filter((part) => set.has(part)))
  }
  return sets
}

function shareOut(
  all: readonly TrayPart[],
  size: number,
  withinDays: number,
  standing: readonly OpenTray[],
): OpenTray[] {
  // Into a tray that stands goes what it has room for; the rest is as if there were none.
  const parts = all.filter((part) => {
    const tray = standing.find((one) => fits(one, part, size, withinDays))
    if (tray) {
      tray.of.push(part)
      tray.used += part.cells
    }
    return !tray
  })
  const quick = firstFit(parts, size, withinDays)
  const least = Math.ceil(parts.reduce((sum, { cells }) => sum + cells, 0) / size)
  return quick.length === least || parts.length > MAX_TRIED
    ? quick
    : (fewest(parts, size, withinDays, quick.length, least) ?? quick)
}

const roomIn = ({ fixed }: OpenTray, size: number): number => fixed?.cells ?? size
const fits = (tray: OpenTray, part: TrayPart, size: number, withinDays: number) =>
  tray.used + part.cells <= roomIn(tray, size) &&
  tray.of.every(({ share }) => apart(share, part.share, withinDays) === null)

function firstFit(parts: readonly TrayPart[], size: number, withinDays: number): OpenTray[] {
  const trays: OpenTray[] = []
  for (const part of parts) {
    const tray = trays.find((one) => fits(one, part, size, withinDays))
    if (tray) {
      tray.of.push(part)
      tray.used += part.cells
    } else trays.push({ of: [part], used: part.cells })
  }
  return trays
}

/** Every way of sharing them out that is better than `most` trays, the fewest found; null where there is none. */
function fewest(
  parts: readonly TrayPart[],
  size: number,
  withinDays: number,
  most: number,
  least: number,
): OpenTray[] | null {
  let best: OpenTray[] | null = null
  let bound = most
  const trays: OpenTray[] = []
  const place = (i: number) => {
    if (trays.length >= bound || bound === least) return
    const part = parts[i]
    if (!part) {
      bound = trays.length
      best = trays.map(({ of, used }) => ({ of: [...of], used }))
      return
    }
    for (const tray of [...trays])
      if (fits(tray, part, size, withinDays)) {
        tray.of.push(part)
        tray.used += part.cells
        place(i + 1)
        tray.of.pop()
        tray.used -= part.cells
      }
    trays.push({ of: [part], used: part.cells })
    place(i + 1)
    trays.pop()
  }
  place(0)
  return best
}
