import type { Bodies, Stored } from '#shared/records/collections'
import type { Collection } from '#shared/records/collection-names'

export interface InUse {
  readonly collection: Collection
  readonly record: Stored<{ name: string }>
  readonly usedBy: readonly { collection: string; id: string; name: string }[]
  /** The log, guided jobs and photos that are only about it, and stay. */
  readonly about: readonly { collection: string; id: string; name: string }[]
}

/** A record that was to be removed: what uses it, with what to put in its place, or what is about it and stays. */
const inUse = ref<InUse | null>(null)
export const useInUse = () => inUse

/** Remove a record, with a note from which it can be brought back; where it is used, say by what. */
export function useRemoval() {
  const keeping = useKeeping()
  const undoing = useUndo()
  const { note } = useNotes()

  return async function remove<C extends Collection>(
    collection: C,
    record: Stored<Bodies[C]>,
    anyway = false,
  ) {
    try {
      const act = await keeping.remove(collection, record, anyway)
      note(`${record.body.name} was deleted.`, { name: 'Undo', run: () => undoing.takeBack(act) })
      return true
    } catch (error) {
      const { usedBy = [], about = [] } = readProblem(error) ?? {}
      if (usedBy.length || about.length) inUse.value = { collection, record, usedBy, about }
      else note(whyNot(error))
      return false
    }
  }
}
