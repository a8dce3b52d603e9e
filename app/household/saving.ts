import { present } from '#core/present'
import { dequal } from 'dequal'
import type { Bodies, Stored } from '#shared/records/collections'
import type { Collection } from '#shared/records/collection-names'
import type { HouseholdRecord } from '#shared/records/household'

/** Where a save stands; what was typed stays as it is until the server has answered. */
export type Saving<Body> =
  | { state: 'idle' | 'busy' }
  | { state: 'refused'; message: string; errors: { field: string; message: string }[] }
  | { state: 'unreachable'; message: string }
  | {
      /** Somebody else was faster: both stand until one is chosen, or of each what is right. */
      state: 'stale'
      message: string
      mine: Body
      /** As it stands there; null where it was removed. */
      theirs: Body | null
      /** What was chosen is kept over theirs. */
      settle: (body: Body) => Promise<boolean>
    }

/**
 * Runs a save and tells how it went; `settle` keeps a body over what stands now.
 *
 * @param partOf where only a part of the record is at stake, which
 */
export function useAttempt<Body, Whole = Body>(
  partOf: (whole: Whole) => Body | null = (whole) => whole as unknown as Body,
) {
  const saving = ref({ state: 'idle' }) as Ref<Saving<Body>>

  async function attempt<Answer>(
    body: Body,
    run: () => Promise<Answer>,
    settle: (body: Body, current: Stored<Whole> | null) => Promise<Answer | null>,
  ): Promise<Answer | null> {
    saving.value = { state: 'busy' }
    try {
      const answer = await run()
      saving.value = { state: 'idle' }
      return answer
    } catch (error) {
      saving.value = explain(
        error,
        body,
        partOf,
        async (chosen, current) => (await settle(chosen, current)) !== null,
      )
      return null
    }
  }
  return { saving, attempt, dismiss: () => void (saving.value = { state: 'idle' }) }
}

function explain<Body, Whole>(
  error: unknown,
  mine: Body,
  partOf: (whole: Whole) => Body | null,
  settle: (body: Body, current: Stored<Whole> | null) => Promise<boolean>,
): Saving<Body> {
  const problem = readProblem(error)
  if (!problem)
    return {
      state: 'unreachable',
      message:
        'The server does not answer. Nothing you typed is lost; keep it again in a moment, it is only ever kept once.',
    }
  if (problem.status !== 409)
    return {
      state: 'refused',
      message: problem.detail,
      errors: problem.errors.map((error) => ({
        ...error,
        field: error.field.replace(/^(commands\[\d+\]\.)?(body\.)?/, ''),
      })),
    }
  const current = (problem.current ?? null) as Stored<Whole> | null
  return {
    state: 'stale',
    message: problem.detail,
    mine,
    theirs: current && partOf(current.body),
    settle: (body) => settle(body, current),
  }
}

export interface SavedRecord<Body> {
  stored: Stored<Body>
  opposite: UndoStep
}

/** Saves records of one collection, and tells how it went. */
export function useSaving<C extends Collection>(collection: C) {
  const household = useHousehold()
  const keeping = useKeeping()
  const { saving, attempt, dismiss } = useAttempt<Bodies[C]>()

  const save = (id: string, version: number, body: Bodies[C]): Promise<SavedRecord<Bodies[C]> | null> =>
    attempt(
      body,
      () => keeping.save(collection, id, version, body),
      (chosen, current) => {
        // What was removed there is kept as a new one.
        if (!current) return save(newId(), 0, chosen)
        household.put(collection, current)
        return save(current.id, current.version, chosen)
      },
    )
  return { saving, save, dismiss }
}

/** A draft of a record, made from a version of it. */
interface DraftOf {
  id: string
  version: number
  name: string
  /** The id it is to have, chosen when it is first saved and kept until that is acknowledged. */
  nextId?: string
}

/** Saves a draft; it takes on the id and version it was kept under, also where a conflict was settled. */
export function useRecordSaving<C extends Collection>(
  collection: C,
  draft: Ref<DraftOf>,
  open: (stored: Stored<Bodies[C]>) => void,
) {
  const { saving, save, dismiss } = useSaving(collection)
  async function keep(body: Bodies[C]) {
    const id = draft.value.id || (draft.value.nextId ??= newId())
    const kept = await save(id, draft.value.version, body)
    if (kept) {
      const { id: own, version, body: stored } = kept.stored
      Object.assign(draft.value, { id: own, version, name: stored.name })
      delete draft.value.nextId
    }
    const failed = saving.value
    if (failed.state === 'stale')
      saving.value = {
        ...failed,
        async settle(chosen) {
          const settled = await failed.settle(chosen)
          const stored = useHousehold().everything?.[collection].find(({ id }) => id === draft.value.id)
          if (settled && stored) open(stored as Stored<Bodies[C]>)
          return settled
        },
      }
    return kept?.stored ?? null
  }
  return { saving, dismiss, keep }
}

/** Saves one part of the household's own record, such as its season; the rest stays as it stands. */
export const useHouseholdPart = <Key extends 'season' | 'water'>(key: Key, name: string) =>
  useHouseholdAnswer<NonNullable<HouseholdRecord[Key]>>(
    name,
    (whole) => whole[key] ?? null,
    (whole, part) => ({ ...whole, [key]: part }),
  )

/**
 * Saves one answer of the household by a three-way merge of what it was, theirs and ours: who was faster with another
 * answer is no conflict. Only where this very answer differs, both are shown.
 */
export function useHouseholdAnswer<Answer extends object>(
  name: string,
  of: (whole: HouseholdRecord) => Answer | null,
  into: (whole: HouseholdRecord, answer: Answer) => HouseholdRecord,
) {
  type Stands = Stored<HouseholdRecord> | null
  const household = useHousehold()
  const keeping = useKeeping()
  const { saving, attempt, dismiss } = useAttempt<Answer, HouseholdRecord>(of)

  const save = (answer: Answer, on: Stands = household.everything?.household ?? null): Promise<Stands> =>
    attempt(
      answer,
      () => keepOver(answer, present(on)),
      (chosen, current) => {
        if (current) household.apply({ changed: [], household: current })
        return save(chosen, current)
      },
    )
  async function keepOver(answer: Answer, on: Stored<HouseholdRecord>): Promise<Stored<HouseholdRecord>> {
    try {
      return await keeping.saveHousehold(into(on.body, answer), name, on.version)
    } catch (error) {
      const current = readProblem(error)?.current as Stored<HouseholdRecord> | undefined
      if (!current || !dequal(of(current.body), of(on.body))) throw error
      household.apply({ changed: [], household: current })
      return keepOver(answer, current)
    }
  }
  return { saving, save, dismiss }
}
