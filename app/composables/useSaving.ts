import { ref, type Ref } from 'vue'
import { useHousehold } from '~/state/household'
import type { Bodies, Collection, Stored } from '#shared/collections'

/** Where a save stands; a draft stays as it is until the server has answered. */
export type Saving<C extends Collection> =
  | { state: 'idle' | 'busy' }
  | { state: 'refused'; message: string; errors: { field: string; message: string }[] }
  | { state: 'unreachable'; message: string }
  | {
      state: 'stale'
      message: string
      current: Stored<Bodies[C]> | null
      again: () => Promise<Stored<Bodies[C]> | null>
    }

/** Saves records of one collection, and tells how it went. */
export function useSaving<C extends Collection>(collection: C) {
  const household = useHousehold()
  const saving = ref({ state: 'idle' }) as Ref<Saving<C>>

  async function save(id: string, version: number, body: Bodies[C]): Promise<Stored<Bodies[C]> | null> {
    saving.value = { state: 'busy' }
    try {
      const stored = await household.save(collection, id, version, body)
      saving.value = { state: 'idle' }
      return stored
    } catch (error) {
      saving.value = await explain(error, id, body)
      return null
    }
  }

  async function explain(error: unknown, id: string, body: Bodies[C]): Promise<Saving<C>> {
    const problem = readProblem(error)
    if (!problem)
      return {
        state: 'unreachable',
        message: 'The server does not answer. Nothing you typed is lost; try again in a moment.',
      }
    if (problem.status !== 409)
      return {
        state: 'refused',
        message: problem.detail,
        errors: problem.errors.map((error) => ({ ...error, field: error.field.replace(/^body\./, '') })),
      }
    const current = problem.current as Stored<Bodies[C]> | null
    const version = current?.version ?? 0
    return { state: 'stale', message: problem.detail, current, again: () => save(id, version, body) }
  }

  return { saving, save, dismiss: () => (saving.value = { state: 'idle' }) }
}

/** A draft of a record, made from a version of it. */
interface DraftOf {
  id: string
  version: number
  name: string
}

/**
 * What a draft does with the answer to a save: it takes on the id and version it was kept under, and after a stale write
 * either goes in the place of what is stored, or gives way to it.
 */
export function useKeeping<C extends Collection>(
  collection: C,
  draft: Ref<DraftOf>,
  saving: Ref<Saving<C>>,
  open: (stored: Stored<Bodies[C]>) => void,
) {
  const household = useHousehold()
  function adopt(stored: Stored<Bodies[C]> | null) {
    if (stored) Object.assign(draft.value, { id: stored.id, version: stored.version, name: stored.body.name })
    return stored
  }
  return {
    adopt,
    async keepMine() {
      if (saving.value.state === 'stale') return adopt(await saving.value.again())
    },
    takeTheirs() {
      if (saving.value.state !== 'stale' || !saving.value.current) return
      household.put(collection, saving.value.current)
      open(saving.value.current)
    },
  }
}

interface ProblemAnswer {
  status: number
  detail: string
  errors: { field: string; message: string }[]
  current?: unknown
}

/** The problem+json a failed request was answered with, or undefined when there was no answer. */
export function readProblem(error: unknown): ProblemAnswer | undefined {
  const data = (error as { data?: ProblemAnswer } | null)?.data
  return data && typeof data.status === 'number' && data.detail ? data : undefined
}
