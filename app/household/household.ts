import { present } from '#core/present'
import { last } from '#core/numeric/at'
import { useQuery, useQueryCache } from '@pinia/colada'
import { dequal } from 'dequal'
import { usualTools } from '#core/feed/usual-tools'
import type { Bodies, Everything, Stored } from '#shared/records/collections'
import { COLLECTION_NAMES, type Collection } from '#shared/records/collection-names'
import type { Sent } from '#shared/commands/commands'
import type { Performed } from '#shared/commands/written'
import { applied } from '#shared/commands/applied'
import type { HouseholdRecord } from '#shared/records/household'
import { thermometerOf } from '#shared/records/new-household'

const FRESH_MS = 5_000
const TRIES = 3
const PAUSE_MS = 400

/** What this household keeps, as the server has it; read again when somebody comes back to the page. */
export const useHousehold = defineStore('household', () => {
  /** The household whose bench this browser stands at; none until somebody chose one. */
  const chosen = useCookie<string | null>('household', {
    default: () => null,
    maxAge: 31_536_000,
    sameSite: 'lax',
  })
  const key = () => ['household', chosen.value ?? 'none']
  const cache = useQueryCache()
  const query = useQuery({
    key,
    query: () =>
      patiently(async () => keepSame(everything.value, withOlder(await read(chosen.value), older))),
    staleTime: FRESH_MS,
    refetchOnWindowFocus: true,
    refetchOnReconnect: true,
  })
  /** What lay too far back to be among it and was asked for by page or by name. */
  const older: Older = new Map()
  const earliest = new Map<Collection, string>()
  const everything = computed((): Everything | null => query.data.value ?? null)
  const failed = computed(() => query.status.value === 'error' && !everything.value)
  const set = (next: Everything | null) => cache.setQueryData(key(), next)

  const records = <C extends Collection>(collection: C) =>
    computed(() => (everything.value?.[collection] ?? []) as Stored<Bodies[C]>[])
  const entries = records('entries')

  async function moveTo(id: string) {
    older.clear()
    earliest.clear()
    chosen.value = id
    await nextTick()
    await query.refresh()
  }

  /** What an act changed, as the server answered it, in the place of what was there. */
  const apply = (changes: Pick<Performed, 'changed' | 'household'>) => {
    if (everything.value) set(applied(everything.value, changes))
  }
  const put = <C extends Collection>(collection: C, record: Stored<Bodies[C]>) =>
    apply({ changed: [{ collection, id: record.id, record }], household: null })
  const setList = (collection: Collection, list: unknown[]) =>
    set({ ...present(everything.value), [collection]: list } as Everything)
  /** The version of a record this page has seen. */
  const versionOf = (collection: Collection | 'household', id: string) =>
    collection === 'household'
      ? everything.value?.household.version
      : (everything.value?.[collection] as Stored<unknown>[] | undefined)?.find((one) => one.id === id)
          ?.version

  /** A record that is older than what is in sight; nothing happens where there is none. */
  async function bring(collection: Collection, id: string) {
    if (!everything.value || everything.value[collection].some((one) => one.id === id)) return
    const address = `/api/households/${everything.value.household.id}/${collection}/${encodeURIComponent(id)}`
    const found = await $fetch<Stored<never>>(address).catch(() => null)
    if (found) keepOlder(collection, [found])
  }
  /**
   * The page of a list before what is in sight.
   *
   * @param newest of lists with gaps: so many of the newest are in sight without one
   * @returns whether there are more
   */
  async function bringEarlier(collection: Collection, newest?: number, limit = 30) {
    const own = (everything.value?.[collection] ?? []).filter(({ id }) => !older.has(id))
    const from = earliest.get(collection) ?? own.at(newest === undefined ? 0 : -newest)?.id
    if (!from) return false
    const page = await $fetch<Stored<never>[]>(
      `/api/households/${present(everything.value).household.id}/${collection}`,
      { query: { from, newest: true, limit } },
    )
    if (page.length) earliest.set(collection, last(page).id)
    keepOlder(collection, page.reverse())
    return page.length === limit
  }
  function keepOlder(collection: Collection, records: Stored<never>[]) {
    for (const one of records) older.set(one.id, { collection, record: one })
    const here = present(everything.value)[collection] as Stored<never>[]
    setList(collection, [...records.filter(({ id }) => here.every((one) => one.id !== id)), ...here])
  }

  /** A household of one's own, when there is none. */
  async function begin(body: HouseholdRecord) {
    const id = newId()
    // What is in every drawer is there from the first day.
    const command: Sent = { name: 'begin household', body, tools: [...usualTools(body.units)] }
    await sendCommand(id, command)
    await moveTo(id)
    await query.refetch()
  }

  /** To none: the others are there to choose from. */
  async function leave() {
    chosen.value = null
    await nextTick()
    await query.refetch()
  }

  return {
    bring,
    bringEarlier,
    leave,
    everything,
    failed,
    ready: () => query.refresh(),
    load: () => query.refetch(),
    moveTo,
    begin,
    put,
    apply,
    versionOf,
    record: computed(() => everything.value?.household.body ?? null),
    id: computed(() => everything.value?.household.id ?? ''),
    units: computed(() => everything.value?.household.body.units ?? 'metric'),
    /** Whose degrees temperatures are shown in. */
    thermometer: computed(() =>
      everything.value ? thermometerOf(everything.value.household.body) : 'metric',
    ),
    season: computed(() => everything.value?.household.body.season ?? null),
    recipes: records('recipes'),
    batches: records('batches'),
    feedings: records('feedings'),
    programmes: records('programmes'),
    stocks: records('stocks'),
    crops: records('crops'),
    packets: records('packets'),
    sowings: records('sowings'),
    trays: records('trays'),
    guidedJobs: records('guidedJobs'),
    trials: records('trials'),
    photos: records('photos'),
    devices: records('devices'),
    entries,
    /** The entry that says a batch was made. */
    making: (batchId: string) =>
      entries.value.find(
        ({ body }) => body.kind === 'batch made' && body.subjects.some(({ id }) => id === batchId),
      ),
  }
})

type Older = Map<string, { collection: Collection; record: Stored<never> }>

/** What was brought from further back stays in sight while the tab is open. */
function withOlder(now: Everything | null, older: Older): Everything | null {
  if (!now || older.size === 0) return now
  const next = { ...now }
  for (const { collection, record } of older.values()) {
    const list = next[collection] as Stored<never>[]
    if (!list.some(({ id }) => id === record.id)) Object.assign(next, { [collection]: [record, ...list] })
  }
  return next
}

/** The chosen household; null where none is chosen, or it is no longer there. */
async function read(chosen: string | null): Promise<Everything | null> {
  if (!chosen) return null
  const early = await askedEarly(chosen)
  if (early) return early
  return $fetch<Everything>(`/api/households/${chosen}`, { query: { lean: true } }).then(whole, (error) => {
    if ((error as { status?: number }).status === 404) return null
    throw error
  })
}

/** In a browser a server that does not answer is asked again, a little later each time. */
async function patiently<Answer>(ask: () => Promise<Answer>): Promise<Answer> {
  for (let tried = 1; ; tried++) {
    try {
      return await ask()
    } catch (error) {
      if (import.meta.server || tried >= TRIES) throw error
      await new Promise((resolve) => setTimeout(resolve, PAUSE_MS * tried))
    }
  }
}

/** What is as it was stays the same object, so that only what hangs on a change is computed anew. */
function keepSame(before: Everything | null, now: Everything | null): Everything | null {
  if (!before || !now || before.household.id !== now.household.id) return now
  const next = { ...now }
  for (const collection of COLLECTION_NAMES) {
    const known = new Map((before[collection] as Stored<unknown>[]).map((one) => [one.id, one]))
    const list = (now[collection] as Stored<unknown>[]).map((one) => {
      const was = known.get(one.id)
      return was && dequal(was, one) ? was : one
    })
    const same =
      list.length === before[collection].length && list.every((one, i) => one === before[collection][i])
    Object.assign(next, { [collection]: same ? before[collection] : list })
  }
  if (dequal(before.household, now.household)) next.household = before.household
  if (dequal(before.measurements, now.measurements)) next.measurements = before.measurements
  return next
}
