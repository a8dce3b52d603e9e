import * as z from 'zod'
import type { Problem, Wrong } from '#core/problem'
import type { AnyProblem, RefusalKind } from '../messages/refusals'
import type { Day } from '#core/calendar/day'
import type { Bodies, Stored } from '../records/collections'
import type { Collection } from '../records/collection-names'
import type { EntryRecord } from '../records/entry'
import { newEntry } from '../records/new-entry'
import type { HouseholdRecord } from '../records/household'
import type { Bench } from '../derived/bench'

/*
 * A command is one act of a person: a pure function of what the household keeps, what is intended, who acts and when, to the
 * changes that follow, or to why not. The server decides by it inside the transaction that writes; a page may ask it before.
 */

/** Who acts, and when by the household's own clock. */
export interface Acting {
  /** The act this is part of: entries that come of one press carry it. */
  readonly act: string
  readonly by: string
  readonly today: Day
  /** `07:30` */
  readonly time: string
  /** No day later than this has begun anywhere the household may be. */
  readonly latest: Day
  /** Ids for new records, in order: the same act makes the same ids. */
  readonly newId: () => string
}

/** Why a command does not fit what stands, each at its field. */
export interface Refusal {
  readonly refused: readonly AnyProblem[]
  /** What stands instead, for who asked. */
  readonly stands?: unknown
}
export const refuse = (path: Problem['path'], wrong: Wrong<RefusalKind>, stands?: unknown): Refusal => ({
  refused: [{ path, ...wrong }],
  ...(stands === undefined ? {} : { stands }),
})
export const isRefusal = (one: object): one is Refusal => 'refused' in one

interface Put<C extends Collection> {
  readonly do: 'put'
  readonly collection: C
  readonly id: string
  /** It was made from; 0 for a new record. */
  readonly version: number
  readonly body: Bodies[C]
  /** Refused where an entry that stands says the same; else that one is answered. */
  readonly onlyNew?: boolean
}
interface Update<C extends Collection> {
  readonly do: 'update'
  readonly collection: C
  readonly id: string
  /** What becomes of the record that stands. */
  readonly make: (stood: Stored<Bodies[C]>) => Bodies[C] | Refusal
}
/** One record that is to change. */
export type Change =
  | { [C in Collection]: Put<C> | Update<C> }[Collection]
  | {
      readonly do: 'remove' | 'restore'
      readonly collection: Collection
      readonly id: string
      readonly version: number
      /** Removed although the log, a guided job or a photo is about it: somebody was asked. */
      readonly anyway?: boolean
    }
  | {
      readonly do: 'replace'
      readonly collection: Collection
      readonly id: string
      readonly version: number
      readonly with: string
    }
  | { readonly do: 'household'; readonly version: number; readonly body: HouseholdRecord }
export type Decision = readonly Change[] | Refusal

/** One kind of act. */
export interface Command<Name extends string = string, Intent = unknown> {
  readonly name: Name
  /** What is intended, with its name, as it is sent. */
  readonly intent: z.ZodType<Intent>
  readonly decide: (bench: Bench, intent: Intent, acting: Acting) => Decision
  /** Whether what the household keeps decides; else what is intended says it all. */
  readonly looks: boolean
}

/** An act that is decided by what the household keeps. */
export const command = <Name extends string, Shape extends z.ZodRawShape>(
  name: Name,
  shape: Shape,
  decide: (bench: Bench, intent: z.output<z.ZodObject<Shape>>, acting: Acting) => Decision,
) => ({ name, intent: z.object({ name: z.literal(name), ...shape }), decide, looks: true as const })

/** An act that says itself what is to change. */
export const plainCommand = <Name extends string, Shape extends z.ZodRawShape>(
  name: Name,
  shape: Shape,
  decide: (intent: z.output<z.ZodObject<Shape>>, acting: Acting) => Decision,
) => ({
  name,
  intent: z.object({ name: z.literal(name), ...shape }),
  decide: (_: Bench, intent: z.output<z.ZodObject<Shape>>, acting: Acting) => decide(intent, acting),
  looks: false as const,
})

/** A day that has begun: what happened, happened by then. */
export const inFuture = (on: Day, { latest }: Pick<Acting, 'latest'>, path: Problem['path'] = ['on']) =>
  on > latest ? refuse(path, { kind: 'dayToCome' }, { today: latest }) : null

/** A new entry, as part of the act. */
export function entryOf(
  said: Pick<EntryRecord, 'name' | 'kind' | 'on' | 'subjects'> & Partial<EntryRecord>,
  acting: Acting,
  id = acting.newId(),
): Change {
  const body = newEntry({ act: acting.act, by: acting.by, ...said, name: said.name.slice(0, 120) })
  return { do: 'put', collection: 'entries', id, version: 0, body }
}

/** The id of the nth record an act makes: the act's own, counted up in its last eight digits. */
export function idOf(act: string, n: number): string {
  const last = (Number.parseInt(act.slice(-8), 16) + n) >>> 0
  return act.slice(0, -8) + last.toString(16).padStart(8, '0')
}
/** Ids of an act, one after the other. */
export function idsOf(act: string): () => string {
  let n = 0
  return () => idOf(act, ++n)
}
