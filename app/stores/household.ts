import { asContainer } from '#shared/records/container'
import { asFeed } from '#shared/records/feed'
import { asMaterial, libraryWith } from '#shared/records/material'
import { asTool } from '#shared/records/tool'
import type { Bodies, Collection, Everything, Stored } from '#shared/collections'
import { FEEDS } from '#core/feed/feeds'
import { CONTAINERS } from '#core/containers/catalogue'
import { findContainer } from '#shared/records/batch'
import { findFeed } from '#shared/records/feeding'
import type { HouseholdRecord } from '#shared/records/household'

/** What this household keeps, as the server has it. */
export const useHousehold = defineStore('household', () => {
  const everything = ref<Everything | null>(null)
  const failed = ref(false)

  const kitchen = computed(() => everything.value?.household.body.kitchen ?? 'metric')
  const records = <C extends Collection>(collection: C) =>
    computed(() => (everything.value?.[collection] ?? []) as Stored<Bodies[C]>[])

  const recipes = records('recipes')
  const batches = records('batches')
  const feedings = records('feedings')
  const ownContainers = computed(() =>
    records('containers').value.map(({ id, body }) => asContainer(id, body)),
  )
  const ownMaterials = computed(() => records('materials').value.map(({ id, body }) => asMaterial(id, body)))
  const library = computed(() => libraryWith(ownMaterials.value))
  /** What a batch is reckoned with. */
  const shed = computed(() => ({ containers: ownContainers.value, materials: library.value }))
  const ownFeeds = computed(() => records('feeds').value.map(({ id, body }) => asFeed(id, body)))
  const tools = computed(() => records('tools').value.map(({ id, body }) => asTool(id, body)))

  const address = (...rest: string[]) =>
    ['/api/households', everything.value!.household.id, ...rest].join('/')

  /** The household whose bench this browser stands at; without a choice, the oldest. */
  const chosen = useCookie<string | null>('household', {
    default: () => null,
    maxAge: 31536000,
    sameSite: 'lax',
  })
  const all = ref<{ id: string; name: string }[]>([])

  async function load() {
    try {
      const households = await $fetch<Stored<HouseholdRecord>[]>('/api/households')
      all.value = households.map(({ id, body }) => ({ id, name: body.name }))
      const mine = households.find(({ id }) => id === chosen.value) ?? households[0]
      everything.value = mine ? await $fetch<Everything>(`/api/households/${mine.id}`) : null
      failed.value = false
    } catch {
      failed.value = true
    }
  }

  async function moveTo(id: string) {
    chosen.value = id
    await load()
  }

  async function save<C extends Collection>(collection: C, id: string, version: number, body: Bodies[C]) {
    const stored = await $fetch<Stored<Bodies[C]>>(address(collection, id), {
      method: 'PUT',
      body: { version, body },
    })
    put(collection, stored)
    return stored
  }

  async function remove(collection: Collection, record: Stored<unknown>) {
    const { version } = await $fetch<{ version: number }>(
      `${address(collection, record.id)}?version=${record.version}`,
      {
        method: 'DELETE',
      },
    )
    const list = everything.value![collection] as Stored<unknown>[]
    const at = list.findIndex(({ id }) => id === record.id)
    if (at >= 0) list.splice(at, 1)
    return version
  }

  function put<C extends Collection>(collection: C, stored: Stored<Bodies[C]>) {
    const list = everything.value![collection] as Stored<Bodies[C]>[]
    const at = list.findIndex(({ id }) => id === stored.id)
    if (at >= 0) list[at] = stored
    else list.push(stored)
  }

  async function saveHousehold(body: HouseholdRecord) {
    const { id, version } = everything.value?.household ?? { id: crypto.randomUUID(), version: 0 }
    const stored = await $fetch<Stored<HouseholdRecord>>(`/api/households/${id}`, {
      method: 'PUT',
      body: { version, body },
    })
    if (everything.value) everything.value.household = stored
    else await load()
  }

  return {
    everything,
    all,
    moveTo,
    failed,
    kitchen,
    recipes,
    batches,
    feedings,
    ownContainers,
    ownFeeds,
    ownMaterials,
    library,
    shed,
    media: computed(() => [...library.value.values()].filter(({ kind }) => kind === 'medium')),
    amendments: computed(() => [...library.value.values()].filter(({ kind }) => kind === 'amendment')),
    tools,
    containers: computed(() => [...ownContainers.value, ...CONTAINERS]),
    feeds: computed(() => [...ownFeeds.value, ...FEEDS]),
    scoops: computed(() => tools.value.filter(({ kind }) => kind === 'scoop')),
    jugs: computed(() => tools.value.filter(({ kind }) => kind === 'jug')),
    findContainer: (id: string) => findContainer(id, ownContainers.value),
    findFeed: (id: string) => findFeed(id, ownFeeds.value),
    load,
    save,
    remove,
    put,
    saveHousehold,
  }
})
