import { useCookie } from '#imports'
import { computed, ref } from 'vue'
import { defineStore } from 'pinia'
import { asContainer } from '#shared/records/container'
import { asFeed } from '#shared/records/feed'
import { asMaterial, libraryWith } from '#shared/records/material'
import { goodsOf, shelvesOf, type StockRecord } from '#shared/records/stock'
import type { Greenhouse } from '#shared/records/programme'
import { asTool } from '#shared/records/tool'
import type { Bodies, Collection, Everything, Revision, Stored } from '#shared/collections'
import { FEEDS } from '#core/feed/feeds'
import { STARTING_RECIPES } from '#core/media/recipes'
import { CONTAINERS } from '#core/containers/catalogue'
import { findContainer } from '#shared/records/batch'
import { findFeed } from '#shared/records/feeding'
import { findRecipe } from '#shared/records/recipe'
import type { HouseholdRecord } from '#shared/records/household'
import type { MarkRecord } from '#shared/records/mark'

/** What this household keeps, as the server has it. */
export const useHousehold = defineStore('household', () => {
  const everything = ref<Everything | null>(null)
  const failed = ref(false)

  const kitchen = computed(() => everything.value?.household.body.kitchen ?? 'metric')
  const records = <C extends Collection>(collection: C) =>
    computed(() => (everything.value?.[collection] ?? []) as Stored<Bodies[C]>[])

  const address = (...rest: string[]) =>
    ['/api/households', everything.value!.household.id, ...rest].join('/')

  /** What a record was before each change, newest first. */
  const history = <C extends Collection>(collection: C, id: string) =>
    $fetch<Revision<Bodies[C]>[]>(address(collection, id, 'history'))

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
  const stocks = records('stocks')
  const uses = records('uses')
  const programmes = records('programmes')
  const crops = records('crops')
  const packets = records('packets')
  const sowings = records('sowings')
  const marks = records('marks')
  const known = computed(() => ({ materials: library.value, feeds: ownFeeds.value }))
  const goods = (kind: StockRecord['kind'], goodsId: string) => goodsOf({ kind, goodsId }, known.value)
  /** The packs of a thing on the shelf. */
  const shelves = (kind: StockRecord['kind'], goodsId: string) => {
    const found = goods(kind, goodsId)
    return found ? shelvesOf(stocks.value, found) : []
  }
  /** The cheapest price of a unit (loose L, g, mL) among the packs the household knows; null when it knows none. */
  const priceOf = (kind: StockRecord['kind'], goodsId: string) => {
    const prices = shelves(kind, goodsId).flatMap(({ price, holds }) =>
      price === null ? [] : [price / holds],
    )
    return prices.length ? Math.min(...prices) : null
  }
  /** The entry that says a batch was made. */
  const making = (batchId: string) =>
    uses.value.find(({ body }) => body.kind === 'batch made' && body.batchId === batchId)
  const tools = computed(() => records('tools').value.map(({ id, body }) => asTool(id, body)))

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
    try {
      const stored = await $fetch<Stored<Bodies[C]>>(address(collection, id), {
        method: 'PUT',
        body: { version, body },
      })
      put(collection, stored)
      await readTaken(collection, stored.body)
      return stored
    } catch (error) {
      // Somebody else may have been at the shelf.
      if (collection === 'uses') await Promise.all([readAgain('uses'), readAgain('stocks')]).catch(() => {})
      throw error
    }
  }

  async function readAgain(collection: Collection) {
    const { id } = everything.value!.household
    Object.assign(everything.value!, { [collection]: await $fetch(`/api/households/${id}/${collection}`) })
  }
  /** What a record took on the server, or gave back, is read again. */
  async function readTaken(collection: Collection, body: unknown) {
    if (collection === 'uses') await readAgain('stocks')
    if (collection === 'marks' && (body as MarkRecord).seeds.length) await readAgain('packets')
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
    await readTaken(collection, record.body)
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
    stocks,
    uses,
    programmes,
    crops,
    packets,
    sowings,
    marks,
    season: computed(() => everything.value?.household.body.season ?? null),
    greenhouse: computed((): Greenhouse => ({
      ...shed.value,
      feeds: ownFeeds.value,
      parts: new Map([...recipes.value, ...batches.value].map(({ id, body }) => [id, body.parts])),
    })),
    findRecipe: (id: string) => findRecipe(id, recipes.value),
    nameOfMix: (id: string) => findRecipe(id, recipes.value)?.name ?? 'a mix no longer here',
    /** Every mix to choose from, the household's own first. */
    mixChoices: computed(() =>
      [...recipes.value.map(({ id, body }) => ({ id, name: body.name })), ...STARTING_RECIPES].map(
        ({ id, name }) => ({ value: id as string | null, name }),
      ),
    ),
    goods,
    shelves,
    priceOf,
    making,
    containers: computed(() => [...ownContainers.value, ...CONTAINERS]),
    feeds: computed(() => [...ownFeeds.value, ...FEEDS]),
    scoops: computed(() => tools.value.filter(({ kind }) => kind === 'scoop')),
    jugs: computed(() => tools.value.filter(({ kind }) => kind === 'jug' || kind === 'squeeze bottle')),
    findContainer: (id: string) => findContainer(id, ownContainers.value),
    findFeed: (id: string) => findFeed(id, ownFeeds.value),
    history,
    load,
    save,
    remove,
    put,
    saveHousehold,
  }
})
