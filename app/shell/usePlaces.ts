/** What a page says of itself in its own meta; the head, the tabs, the keys and the palette follow from it. */
export interface PlaceMeta {
  readonly title: string
  /** On its tab, where that is shorter. */
  readonly tabTitle?: string
  /** A few words for the palette and the list of all pages. */
  readonly what: string
  /** Words people also look for it by. */
  readonly words?: string
  /** The name of the place this page opens, in the head. */
  readonly name?: string
  /** Where that place stands in the head: there are five. */
  readonly order?: number
  /** One key goes there. */
  readonly key?: string
  /** The page that opens the place this page belongs to. */
  readonly parent?: string
  /** Where it stands among the tabs of its place; none is reached from within. */
  readonly tab?: number
}
declare module '#app' {
  interface PageMeta {
    place?: PlaceMeta
    /** Without the head of the shell: one thing alone on the screen. */
    bare?: boolean
  }
}
declare module 'vue-router' {
  interface RouteMeta {
    place?: PlaceMeta
    /** Without the head of the shell: one thing alone on the screen. */
    bare?: boolean
  }
}

export interface Place extends PlaceMeta {
  readonly path: string
}

/** Where things are done: the five places of the head, and the pages of each. */
export function usePlaces() {
  const router = useRouter()
  const route = useRoute()
  const all = computed(() =>
    router
      .getRoutes()
      // A page of one thing is reached from that thing: no key, no palette and no row of pages leads there.
      .flatMap(({ path, meta }): Place[] =>
        meta.place && !path.includes(':') ? [{ path, ...meta.place }] : [],
      )
      .sort((a, b) => (a.order ?? 99) - (b.order ?? 99) || (a.tab ?? 99) - (b.tab ?? 99)),
  )
  const pagesOf = (root: string) => all.value.filter(({ path, parent }) => path === root || parent === root)
  const main = computed(() => all.value.filter(({ order }) => order !== undefined))
  /** The place a page stands under. */
  const here = computed(() => {
    const { parent } = route.meta.place ?? {}
    // A page of one thing stands under the list of them.
    return parent ?? main.value.find(({ path }) => route.path.startsWith(`${path}/`))?.path ?? route.path
  })
  return {
    all,
    main,
    pagesOf,
    here,
    /** None on a page of one thing: it is left by the place itself. */
    tabs: computed(() =>
      route.meta.place ? pagesOf(here.value).filter(({ tab }) => tab !== undefined) : [],
    ),
  }
}
