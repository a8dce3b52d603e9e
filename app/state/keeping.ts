import { defineStore } from 'pinia'
import { newId } from '~/composables/newId'
import { send } from '~/composables/send'
import { NotTried } from '~/composables/whyNot'
import { useHousehold } from '~/state/household'
import { useUndo, type Act } from '~/state/undo'
import type { Bodies, Collection, Everything, Removed, Revision, Stored } from '#shared/collections'
import { newEntry, type EntryRecord } from '#shared/records/entry'
import type { HouseholdRecord } from '#shared/records/household'

/** What a write is called on the way back. */
interface Told {
  /** Left out of the row of things to take back, because a larger act holds it. */
  readonly quiet?: boolean
}

/** Writes to the household, each with its opposite; what was written stands on the page at once. */
export const useKeeping = defineStore('keeping', () => {
  const household = useHousehold()
  const { did, during } = useUndo()

  const address = (...rest: string[]) => ['/api/households', household.id, ...rest].join('/')
  const standing = <C extends Collection>(collection: C, id: string) =>
    (household.everything?.[collection] as Stored<Bodies[C]>[] | undefined)?.find((one) => one.id === id)

  async function put<C extends Collection>(collection: C, id: string, version: number, body: Bodies[C]) {
    try {
      const stored = await send<Stored<Bodies[C]>>(address(collection, id), {
        method: 'PUT',
        body: { version, body },
      })
      household.put(collection, stored)
      await readMoved(collection, stored.body)
      return stored
    } catch (error) {
      // Somebody else may have been at the shelf.
      if (collection === 'entries') await readLists(['entries', 'stocks', 'packets']).catch(() => {})
      throw error
    }
  }
  async function takeAway(
    collection: Collection,
    { id, version, body }: Pick<Stored<unknown>, 'id' | 'version' | 'body'>,
  ) {
    const gone = await send<{ version: number }>(address(collection, id), {
      method: 'DELETE',
      query: { version },
    })
    household.drop(collection, id)
    await readMoved(collection, body)
    return gone.version
  }
  async function restore<C extends Collection>(collection: C, id: string, version: number) {
    const stored = await send<Stored<Bodies[C]>>(address(collection, id, 'restore'), {
      method: 'POST',
      query: { version },
    })
    household.put(collection, stored)
    await readMoved(collection, stored.body)
    return stored
  }

  /** Levels that an entry moved on the server, and entries that a level brought, are read again. */
  async function readMoved(collection: Collection, body: unknown) {
    if (collection === 'entries') {
      const levels = new Set((body as EntryRecord).moves.map(({ of }) => of))
      if (levels.size) await readLists([...levels])
    }
    if (collection === 'stocks' || collection === 'packets') await readEntries()
  }
  async function readLists(collections: readonly Collection[]) {
    for (const collection of collections) {
      if (collection === 'entries') await readEntries()
      else
        for (const stored of await $fetch<Stored<Bodies[typeof collection]>[]>(address(collection)))
          household.put(collection, stored)
    }
  }
  async function readEntries() {
    for (const stored of (
      await $fetch<Everything['entries']>(address('entries'), { query: { limit: 20 } })
    ).reverse())
      household.put('entries', stored)
  }

  /** Each is the act that brings a record to a state, and answers with the act that brings it back. */
  const toBody = <C extends Collection>(collection: C, id: string, name: string, body: Bodies[C]): Act => ({
    name,
    run: async () => {
      const before = standing(collection, id)
      await put(collection, id, before?.version ?? 0, body)
      return before ? toBody(collection, id, name, before.body) : toNothing(collection, id, name)
    },
  })
  /** @param written the version that was written, where it may be out of this page’s sight; it moved nothing then */
  const toNothing = (collection: Collection, id: string, name: string, written?: number): Act => ({
    name,
    run: async () => {
      const record =
        (standing(collection, id) as Stored<unknown> | undefined) ??
        (written === undefined ? undefined : { id, version: written, body: { moves: [] } })
      if (!record) throw new NotTried('It is no longer here.')
      return toBack(collection, id, name, await takeAway(collection, record))
    },
  })
  const toBack = (collection: Collection, id: string, name: string, version: number): Act => ({
    name,
    run: async () => {
      await restore(collection, id, version)
      return toNothing(collection, id, name)
    },
  })

  async function save<C extends Collection>(
    collection: C,
    id: string,
    version: number,
    body: Bodies[C],
    { quiet }: Told = {},
  ) {
    const before = standing(collection, id)
    const stored = await put(collection, id, version, body)
    const opposite =
      before && stored.id === id
        ? toBody(collection, id, body.name, before.body)
        : toNothing(collection, stored.id, body.name)
    if (!quiet) did(opposite)
    return { stored, opposite }
  }

  /** Removed records can be brought back for 90 days, here and in Settings. */
  async function remove<C extends Collection>(
    collection: C,
    record: Stored<Bodies[C]>,
    { quiet }: Told = {},
  ) {
    const version = await takeAway(collection, record)
    const opposite = toBack(collection, record.id, record.body.name, version)
    if (!quiet) did(opposite)
    return opposite
  }

  /** Several writes that belong together, taken back together: all that was done before one failed is undone. */
  async function together(name: string, acts: readonly Act[]): Promise<Act> {
    const opposites: Act[] = []
    try {
      for (const act of acts) opposites.unshift(await act.run())
    } catch (error) {
      for (const opposite of opposites) await Promise.resolve(opposite.run()).catch(() => {})
      throw error
    }
    return { name, run: () => together(name, opposites) }
  }
  async function doTogether(name: string, acts: readonly Act[]) {
    const opposite = await together(name, acts)
    did(opposite)
    return opposite
  }

  /** What a table wrote in one go, and what stood there before. */
  async function tookIn(
    name: string,
    collection: Collection,
    records: readonly { id: string; version: number; before: Stored<Bodies[Collection]> | null }[],
  ) {
    await household.load()
    const acts = records.map(({ id, version, before }) =>
      before
        ? toBody(collection, id, before.body.name, before.body)
        : toNothing(collection, id, name, version),
    )
    if (acts.length) did({ name, run: () => together(name, acts.reverse()) })
  }

  /** Something that happened is written down. */
  async function happened(
    said: Pick<EntryRecord, 'name' | 'kind' | 'on' | 'about'> & Partial<EntryRecord>,
    told: Told = {},
  ) {
    const entry = newEntry({ act: newId(), ...said, name: said.name.slice(0, 120) })
    return save('entries', newId(), 0, entry, told)
  }

  async function replace<C extends Collection>(collection: C, record: Stored<Bodies[C]>, other: string) {
    const { version, changed } = await $fetch<{
      version: number
      changed: { collection: Collection; before: Stored<{ name: string }> }[]
    }>(address(collection, record.id, 'replace'), {
      method: 'POST',
      body: { version: record.version, with: other },
    })
    await household.load()
    const acts = [
      toBack(collection, record.id, record.body.name, version),
      ...changed.map(({ collection: from, before }) =>
        toBody(from, before.id, before.body.name, before.body as never),
      ),
    ]
    did({ name: record.body.name, run: () => together(record.body.name, acts) })
    return changed.length
  }

  async function saveHousehold(body: HouseholdRecord, name = 'the household', version?: number) {
    const { record, everything } = household
    const stored = await send<Stored<HouseholdRecord>>(address(), {
      method: 'PUT',
      body: { version: version ?? everything!.household.version, body },
    })
    household.putHousehold(stored)
    if (record) did(toHousehold(record, name))
    return stored
  }
  const toHousehold = (body: HouseholdRecord, name: string): Act => ({
    name,
    run: async () => {
      const { record, everything } = household
      household.putHousehold(
        await send<Stored<HouseholdRecord>>(address(), {
          method: 'PUT',
          body: { version: everything!.household.version, body },
        }),
      )
      return toHousehold(record!, name)
    },
  })

  /** Undo waits for each of these. */
  const awaited =
    <Given extends unknown[], Done>(write: (...given: Given) => Promise<Done>) =>
    (...given: Given) =>
      during(write(...given))

  return {
    // A generic function keeps its type parameter only when it is named.
    save: <C extends Collection>(...given: Parameters<typeof save<C>>) => during(save<C>(...given)),
    remove: <C extends Collection>(...given: Parameters<typeof remove<C>>) => during(remove<C>(...given)),
    happened: awaited(happened),
    replace: <C extends Collection>(...given: Parameters<typeof replace<C>>) => during(replace<C>(...given)),
    saveHousehold: awaited(saveHousehold),
    tookIn: awaited(tookIn),
    toBody,
    toNothing,
    doTogether: awaited(doTogether),
    /** What a record was before each change, newest first. */
    history: <C extends Collection>(collection: C, id: string) =>
      $fetch<Revision<Bodies[C]>[]>(address(collection, id, 'history')),
    removedLately: () => $fetch<Removed[]>(address('removed')),
    async bringBack({ collection, id, version, name }: Removed) {
      await restore(collection, id, version)
      did(toNothing(collection, id, name))
    },
  }
})
