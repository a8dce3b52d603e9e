import { present } from '#core/present'
import { first } from '#core/numeric/at'
import type { Bodies, Removed, Revision, Stored } from '#shared/records/collections'
import type { Collection } from '#shared/records/collection-names'
import type { Sent } from '#shared/commands/commands'
import type { HouseholdRecord } from '#shared/records/household'

/** Writing down a record as it is to be: for one command among others. */
export const saving = <C extends Collection>(
  collection: C,
  id: string,
  version: number,
  body: Bodies[C],
): Sent => ({ name: 'save record', collection, id, version, body: { ...body } })

/** Single records: saved, removed, brought back. */
export const useKeeping = defineStore('keeping', () => {
  const household = useHousehold()
  const { perform } = useCommands()
  const undoing = useUndo()
  const address = (...rest: string[]) => ['/api/households', household.id, ...rest].join('/')

  async function save<C extends Collection>(
    collection: C,
    id: string,
    version: number,
    body: Bodies[C],
    how: { quiet?: boolean } = {},
  ): Promise<{ stored: Stored<Bodies[C]>; opposite: UndoStep }> {
    const { performed, act } = await perform(body.name, [saving(collection, id, version, body)], how)
    const own = performed.changed.find((one) => one.collection === collection && one.id === id)
    return { stored: (own ?? first(performed.changed)).record as Stored<Bodies[C]>, opposite: act }
  }

  /** Removed records can be brought back for 90 days, here and in Settings. */
  const remove = async <C extends Collection>(
    collection: C,
    { id, version, body }: Stored<Bodies[C]>,
    anyway = false,
  ) => (await perform(body.name, [{ name: 'remove record', collection, id, version, anyway }])).act

  /** @returns how many use the other now */
  async function replace<C extends Collection>(
    collection: C,
    { id, version, body }: Stored<Bodies[C]>,
    other: string,
  ) {
    const command: Sent = { name: 'replace record', collection, id, version, with: other }
    return (await perform(body.name, [command])).performed.wrote.length - 1
  }

  async function saveHousehold(body: HouseholdRecord, name = 'the household', version?: number) {
    const from = version ?? present(household.everything).household.version
    return present(
      (await perform(name, [{ name: 'save household', version: from, body }])).performed.household,
    )
  }

  return {
    save,
    remove,
    replace,
    saveHousehold,
    /** What a table brought in, so that it can be undone. */
    tookIn: async (name: string, act: string) => {
      await household.load()
      undoing.did(useCommands().undoOf(name, act))
    },
    /** What a record was before each change, newest first. */
    history: <C extends Collection>(collection: C, id: string) =>
      $fetch<Revision<Bodies[C]>[]>(address(collection, id, 'history')),
    removedLately: () => $fetch<Removed[]>(address('removed')),
    bringBack: ({ collection, id, version, name }: Removed) =>
      perform(name, [{ name: 'restore record', collection, id, version }]),
  }
})
