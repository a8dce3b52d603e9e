import { useNotes } from '~/composables/useNotes'
import { readProblem } from '~/composables/useSaving'
import { useHousehold } from '~/state/household'
import type { Bodies, Collection, Stored } from '#shared/collections'

/** Remove a record, with a note from which it can be brought back. */
export function useRemoval() {
  const household = useHousehold()
  const { note } = useNotes()

  return async function remove<C extends Collection>(collection: C, record: Stored<Bodies[C]>) {
    try {
      const version = await household.remove(collection, record)
      note(`${record.body.name} was removed.`, {
        name: 'Undo',
        run: async () => {
          await household.save(collection, record.id, version, record.body)
          note(`${record.body.name} is back.`)
        },
      })
      return true
    } catch (error) {
      note(
        readProblem(error)?.errors[0]?.message ??
          readProblem(error)?.detail ??
          'The server does not answer; nothing was removed.',
      )
      return false
    }
  }
}
