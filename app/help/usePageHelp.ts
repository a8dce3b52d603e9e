import { PAGE_HELP, type PageHelp } from '#shared/messages/page-help'

/** What the page that is open is for. */
export function usePageHelp() {
  const route = useRoute()
  return computed((): PageHelp | null => {
    const path = (route.matched.at(-1)?.path ?? route.path).replaceAll('()', '')
    return PAGE_HELP[path] ?? null
  })
}
