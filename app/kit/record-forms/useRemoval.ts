import { ref } from 'vue'
import { useNotes } from '~/kit/useNotes'
import { readProblem, whyNot } from '~/household/whyNot'
import { useKeeping } from '~/household/write-records'
import { useUndo } from '~/household/undo'
import type { Bodies, Collection, Stored } from '#shared/records/collections'

export interface InUse {
  readonly collection: Collection
  readonly record: Stored<{ name: string }>
  readonly usedBy: readonly { collection: string; id: string; name: string }[]
}

/** A record that was to be removed and is still used: who uses it, and what to put in its place. */
const inUse = ref<InUse | null>(null)
export const useInUse = () => inUse

/** Remove a record, with a note from which it can be brought back; where it is used, say by what. */
export function useRemoval() {
  const keeping = useKeeping()
  const undoing = useUndo()
  const { note } = useNotes()

  return async function remove<C extends Collection>(collection: C, record: Stored<Bodies[C]>) {
    try {
      const act = await keeping.remove(collection, record)
      note(`${record.body.name} was removed.`, { name: 'Undo', run: () => undoing.takeBack(act) })
      return true
    } catch (error) {
      const usedBy = readProblem(error)?.usedBy
      if (usedBy?.length) inUse.value = { collection, record, usedBy }
      else note(whyNot(error))
      return false
    }
  }
}
