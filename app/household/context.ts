import { contextOf } from '#shared/derived/context'
import type { StockRecord } from '#shared/records/stock'
import { goodsOf, shelvesOf } from '#shared/derived/shelves'

/** What everything on a page is counted on: the catalogues with the household's own in them, and its shelf. */
export const useContext = defineStore('context', () => {
  const household = useHousehold()
  const whole = computed(() => contextOf(household.everything ?? {}))

  const materials = computed(() => whole.value.materials)
  const containers = computed(() => whole.value.containers)
  const feeds = computed(() => whole.value.feeds)
  const recipes = computed(() => whole.value.recipes)
  const tools = computed(() => whole.value.tools)

  /** Rows a household keeps: its own, and its corrections of built-in ones. */
  const own = <Row>(
    list: readonly { readonly id: string; readonly body: { readonly basedOn: string | null } }[] | undefined,
    catalogue: ReadonlyMap<string, Row>,
  ) => (list ?? []).flatMap(({ id, body }) => catalogue.get(body.basedOn ?? id) ?? [])

  const goods = (kind: StockRecord['kind'], goodsId: string) => goodsOf({ kind, goodsId }, whole.value)
  /** The packs of a thing on the shelf. */
  const shelves = (kind: StockRecord['kind'], goodsId: string) => {
    const found = goods(kind, goodsId)
    return found ? shelvesOf(household.stocks, found) : []
  }
  /** The cheapest price of a unit (loose L, g, mL) among the packs the household knows; null when it knows none. */
  const priceOf = (kind: StockRecord['kind'], goodsId: string) => {
    const prices = shelves(kind, goodsId).flatMap(({ price, holds }) =>
      price === null ? [] : [price / holds],
    )
    return prices.length ? Math.min(...prices) : null
  }

  /** Ids of the materials there is some of. */
  const owned = computed(
    () =>
      new Set(
        household.stocks.flatMap(({ body }) =>
          body.kind === 'material' && body.packs > 0 ? [body.goodsId] : [],
        ),
      ),
  )

  return {
    whole,
    materials,
    owned,
    media: computed(() => [...materials.value.values()].filter(({ kind }) => kind === 'medium')),
    amendments: computed(() => [...materials.value.values()].filter(({ kind }) => kind === 'amendment')),
    containers,
    containerList: computed(() => [...containers.value.values()]),
    feeds,
    feedList: computed(() => [...feeds.value.values()]),
    crops: computed(() => whole.value.crops),
    recipes,
    tools,
    ownMaterials: computed(() => own(household.everything?.materials, materials.value)),
    ownContainers: computed(() => own(household.everything?.containers, containers.value)),
    ownFeeds: computed(() => own(household.everything?.feeds, feeds.value)),
    scoops: computed(() => tools.value.filter(({ kind }) => kind === 'scoop')),
    jugs: computed(() => tools.value.filter(({ kind }) => kind === 'jug' || kind === 'squeeze bottle')),
    nameOfMix: (id: string) => recipes.value.get(id)?.name ?? 'a mix no longer here',
    /** Every mix to choose from, the household's own first. */
    mixChoices: computed(() =>
      [...recipes.value.values()].map(({ id, name }) => ({ value: id as string | null, name })),
    ),
    goods,
    shelves,
    priceOf,
  }
})
