import { useRouter } from '#imports'
import { computed } from 'vue'

/** What a page says of itself in its own meta; the head, the keys and the palette follow from it. */
export interface PlaceMeta {
  readonly title: string
  /** A few words for the palette. */
  readonly what: string
  /** Words people also look for it by. */
  readonly words?: string
  /** Main places stand in the head, in this order. */
  readonly order?: number
  /** One key goes there. */
  readonly key?: string
  /** The place a page belongs to. */
  readonly parent?: string
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

/** Where things are done. */
export function usePlaces() {
  const router = useRouter()
  const all = computed(() =>
    router
      .getRoutes()
      // A page of one thing is reached from that thing: no key, no palette and no row of pages leads there.
      .flatMap(({ path, meta }): Place[] =>
        meta.place && !path.includes(':') ? [{ path, ...meta.place }] : [],
      )
      .sort((a, b) => (a.order ?? 99) - (b.order ?? 99) || (a.title < b.title ? -1 : 1)),
  )
  return { all, main: computed(() => all.value.filter(({ order }) => order !== undefined)) }
}
