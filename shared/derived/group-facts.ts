import { first } from '#core/numeric/at'
import { isAlive } from '#core/media/material'
import { daysBetween, type Day } from '#core/calendar/day'
import { judged, judgedByCells, judgedDays, type Side, type Verdict } from '#core/trials/trial'
import type { DatedChange } from '#core/trays/change'
import { germinationOf, type GroupStands } from '#core/trays/standing'
import type { Context, Kept } from './context'
import type { EntryRecord } from '../records/entry'
import type { TrayRecord } from '../records/tray'
import type { TrialRecord } from '../records/trial'
import { changesByTray, countsEach, trayStands } from './trays'

/** One run of a tray as the records have it: what it was sown from, where, in what, and what came of it. */
export interface GroupFacts {
  readonly trayId: string
  readonly trayNumber: number
  readonly group: string
  readonly name: string
  readonly cropId: string
  readonly packetId: string | null
  readonly sowingId: string | null
  readonly batchId: string | null
  readonly recipeId: string | null
  readonly placeId: string | null
  readonly how: 'above' | 'below' | 'mist' | null
  readonly sownOn: Day | null
  readonly firstUpOn: Day | null
  /** Seeds or cells that came up, of those sown; null where nobody counted. */
  readonly up: { readonly hits: number; readonly of: number; readonly what: 'cells' | 'seeds' } | null
  /** Days to come up of each that was seen coming up. */
  readonly days: readonly number[]
  readonly stands: GroupStands
}

type Numbered<Body> = Kept<Body> & { readonly number: number }

/** Every run that was sown, of all these trays. */
export function groupFacts(
  trays: readonly Numbered<TrayRecord>[],
  entries: readonly Kept<EntryRecord>[],
  context: Pick<Context, 'crops' | 'containers'>,
): GroupFacts[] {
  const changes = changesByTray(entries)
  const ways = waysOfWatering(entries)
  return trays.flatMap(({ id, number, body }) => {
    const own = changes.get(id) ?? []
    return trayStands(body, own, context.crops).groups.flatMap((stands): GroupFacts[] => {
      if (stands.sown === 0) return []
      const { group, sownOn, firstUpOn } = stands
      const seen = germinationOf(
        stands,
        countsEach(context.crops.get(group.cropId), context.containers.get(body.containerId)),
      )
      return [
        {
          trayId: id,
          trayNumber: number,
          group: group.code,
          name: group.name,
          cropId: group.cropId,
          packetId: group.packetId,
          sowingId: group.sowingId,
          batchId: body.batchId,
          recipeId: body.recipeId,
          placeId: body.placeId,
          how: ways.get(id) ?? null,
          sownOn,
          firstUpOn,
          up: seen && { hits: seen.up, of: seen.of, what: seen.counted },
          days: daysUpOf(own, group.code, sownOn),
          stands,
        },
      ]
    })
  })
}

/** Days from sowing at which each cell, or each of a count, was first seen up. */
function daysUpOf(changes: readonly DatedChange[], code: string, sownOn: Day | null): number[] {
  if (!sownOn) return []
  const byCell = new Map<number, number>()
  const loose: number[] = []
  let counted = 0
  for (const { group, what, cells, count, on } of [...changes].sort((a, b) => (a.on < b.on ? -1 : 1))) {
    if (group !== code || what !== 'up') continue
    const days = daysBetween(sownOn, on)
    for (const [cell, n] of cells) if (n > 0 && !byCell.has(cell)) byCell.set(cell, days)
    if (count !== null && count > counted) {
      loose.push(...Array<number>(Math.min(count - counted, 5000)).fill(days))
      counted = count
    }
  }
  return byCell.size >= loose.length ? [...byCell.values()] : loose
}

/** How a tray was watered most. */
function waysOfWatering(entries: readonly Kept<EntryRecord>[]) {
  const times = new Map<string, Map<NonNullable<GroupFacts['how']>, number>>()
  for (const { body } of entries)
    for (const { trayId, how } of body.water)
      if (how && how !== 'mist') {
        const own = times.get(trayId) ?? new Map()
        own.set(how, (own.get(how) ?? 0) + 1)
        times.set(trayId, own)
      }
  return new Map([...times].map(([id, own]) => [id, first([...own].sort((a, b) => b[1] - a[1]))[0]]))
}

/** A side of a trial, as it was counted. */
export function sideOf(
  arm: TrialRecord['arms'][number],
  facts: readonly GroupFacts[],
  by: 'came up' | 'good plants' = 'came up',
): Side {
  const own = facts.filter(({ trayId, group }) =>
    arm.groups.some((one) => one.trayId === trayId && one.group === group),
  )
  return sideFrom(arm.code, own, by)
}

/** Groups taken together, and by tray. */
function sideFrom(code: string, own: readonly GroupFacts[], by: 'came up' | 'good plants' = 'came up'): Side {
  const added = (groups: readonly GroupFacts[]) => {
    const sum = (of: (one: GroupFacts) => number) => groups.reduce((all, one) => all + of(one), 0)
    return {
      hits:
        by === 'came up'
          ? sum(({ up }) => up?.hits ?? 0)
          : // Cells that gave a plant which stands or went on.
            sum(({ stands, up }) => (up ? Math.max(0, Math.min(up.of, up.hits - stands.lost)) : 0)),
      of: sum(({ up }) => up?.of ?? 0),
      days: groups.flatMap(({ days }) => days),
    }
  }
  const trays = [...new Set(own.map(({ trayId }) => trayId))].map((trayId) => ({
    trayId,
    ...added(own.filter((one) => one.trayId === trayId)),
  }))
  return { code, name: code, ...added(own), trays }
}

export interface TrialVerdict {
  readonly pair: readonly [string, string]
  readonly up: Verdict
  readonly good: Verdict
  readonly days: Verdict | null
}

/** Every pair of sides, judged. @param nameOf what a side is called in the verdict: its letter while it is blind */
export function judgedTrial(
  trial: TrialRecord,
  facts: readonly GroupFacts[],
  nameOf: (arm: TrialRecord['arms'][number]) => string,
): TrialVerdict[] {
  const named = (arm: TrialRecord['arms'][number], by: 'came up' | 'good plants') => ({
    ...sideOf(arm, facts, by),
    name: nameOf(arm),
  })
  return trial.arms.flatMap((one, i) =>
    trial.arms.slice(i + 1).map((other): TrialVerdict => {
      const [a, b] = [named(one, 'came up'), named(other, 'came up')]
      return {
        pair: [one.code, other.code],
        up: judged(a, b),
        good: judged(named(one, 'good plants'), named(other, 'good plants'), 'are good plants'),
        days: judgedDays(a, b),
      }
    }),
  )
}

/** By what records can be compared. */
export const COMPARED_BY = [
  'mix',
  'supplier',
  'packet',
  'place',
  'watering',
  'living or sterile mix',
] as const
export type ComparedBy = (typeof COMPARED_BY)[number]

const WAYS = { above: 'from above', below: 'from below', mist: 'by mist' } as const

interface Batch {
  readonly recipeId: string | null
  readonly parts: readonly { readonly materialId: string }[]
}
interface Known {
  readonly context: Context
  readonly batches: ReadonlyMap<string, Batch>
  readonly places: ReadonlyMap<string, string>
}
const batchOf = ({ batchId }: GroupFacts, { batches }: Known) => (batchId ? batches.get(batchId) : undefined)
const recipeOf = (one: GroupFacts, known: Known) => {
  const id = batchOf(one, known)?.recipeId ?? one.recipeId
  return id ? known.context.recipes.get(id) : undefined
}
const packetOf = ({ packetId }: GroupFacts, { context }: Known) =>
  packetId ? context.packets.get(packetId) : undefined
function livingOrSterile(one: GroupFacts, known: Known): string | null {
  const parts = batchOf(one, known)?.parts ?? recipeOf(one, known)?.parts
  if (!parts) return null
  const alive = parts.some(({ materialId }) => {
    const material = known.context.materials.get(materialId)
    return material !== undefined && isAlive(material)
  })
  return alive ? 'living mix' : 'sterile mix'
}

const GROUPS: Readonly<Record<ComparedBy, (one: GroupFacts, known: Known) => string | null>> = {
  mix: (one, known) => recipeOf(one, known)?.name ?? null,
  supplier: (one, known) => packetOf(one, known)?.supplier || null,
  packet: (one, known) => {
    const packet = packetOf(one, known)
    return packet ? `${packet.name} ${packet.year}` : null
  },
  place: ({ placeId }, { places }) => (placeId ? (places.get(placeId) ?? null) : null),
  watering: ({ how }) => (how ? WAYS[how] : null),
  'living or sterile mix': livingOrSterile,
}

/** What a group is for a comparison; null where the records do not say. */
export const groupOf = (
  one: GroupFacts,
  by: ComparedBy,
  context: Context,
  batches: ReadonlyMap<string, Batch>,
  places: ReadonlyMap<string, string>,
): string | null => GROUPS[by](one, { context, batches, places })

/** What else than what is compared may have made the difference. */
export type Against =
  | {
      readonly kind: 'weeks'
      readonly one: string
      readonly oneOn: Day
      readonly other: string
      readonly otherOn: Day
    }
  | { readonly kind: 'places' | 'crops'; readonly one: readonly string[]; readonly other: readonly string[] }
  | { readonly kind: 'packets' | 'mix' | 'few' | 'no trial' }
/** Two groups of what was simply grown, and what speaks against taking their difference for more than it is. */
export interface Comparison {
  readonly sides: readonly [Side, Side]
  readonly verdict: Verdict
  readonly days: Verdict | null
  readonly against: readonly Against[]
}

/** Sowings whose middles lie farther apart had another season [default]. */
const SAME_WEEK_DAYS = 10

/**
 * What the records suggest of two groups.
 *
 */
export function compared(
  groups: readonly { readonly name: string; readonly of: readonly GroupFacts[] }[],
  by: ComparedBy,
  { crops }: Pick<Context, 'crops'>,
  places: ReadonlyMap<string, string>,
): Comparison {
  const [one, other] = groups as [(typeof groups)[number], (typeof groups)[number]]
  const side = ({ name, of }: (typeof groups)[number]) => sideFrom(name, of)
  const sides = [side(one), side(other)] as const
  const middle = (of: readonly GroupFacts[]) => {
    const days = of.flatMap(({ sownOn }) => sownOn ?? []).sort()
    return days[Math.floor(days.length / 2)] ?? null
  }
  const [a, b] = [middle(one.of), middle(other.of)]
  const set = (of: readonly GroupFacts[], key: (one: GroupFacts) => string | null | undefined) =>
    new Set(of.flatMap((each) => key(each) ?? []))
  const differ = (key: (one: GroupFacts) => string | null | undefined) => {
    const [x, y] = [set(one.of, key), set(other.of, key)]
    return x.size !== y.size || [...x].some((each) => !y.has(each))
  }
  const cropNames = new Map([...crops].map(([id, { name }]) => [id, name]))
  const both = (
    kind: 'places' | 'crops',
    key: (each: GroupFacts) => string | null | undefined,
    names: ReadonlyMap<string, string>,
  ) => {
    const of = (group: readonly GroupFacts[]) => [...set(group, key)].map((id) => names.get(id) ?? id)
    return { kind, one: of(one.of), other: of(other.of) } as const
  }
  const against: Against[] = [
    ...(a && b && Math.abs(daysBetween(a, b)) > SAME_WEEK_DAYS
      ? [{ kind: 'weeks', one: one.name, oneOn: a, other: other.name, otherOn: b } as const]
      : []),
    ...(by !== 'place' && differ(({ placeId }) => placeId)
      ? [both('places', ({ placeId }) => placeId, places)]
      : []),
    ...(differ(({ cropId }) => cropId) ? [both('crops', ({ cropId }) => cropId, cropNames)] : []),
    ...(by !== 'packet' && by !== 'supplier' && differ(({ packetId }) => packetId)
      ? [{ kind: 'packets' } as const]
      : []),
    ...(by !== 'mix' &&
    by !== 'living or sterile mix' &&
    differ(({ batchId, recipeId }) => batchId ?? recipeId)
      ? [{ kind: 'mix' } as const]
      : []),
    ...(Math.min(one.of.length, other.of.length) < 3 ? [{ kind: 'few' } as const] : []),
    { kind: 'no trial' },
  ]
  return { sides, verdict: judgedByCells(...sides), days: judgedDays(...sides, false), against }
}
