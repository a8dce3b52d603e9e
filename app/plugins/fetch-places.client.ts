/** Quiet for so long, ms: what the page itself needs has come. */
const QUIET_MS = 4000

/** When all is quiet the five places are fetched one by one, so that going there waits on nothing; not where data are saved. */
export default defineNuxtPlugin(() => {
  const { saveData } = (navigator as { connection?: { saveData?: boolean } }).connection ?? {}
  if (saveData) return
  const router = useRouter()
  const places = router.getRoutes().filter(({ meta }) => meta.place?.order !== undefined)
  const fetchNext = () =>
    requestIdleCallback(() => {
      const next = places.shift()
      if (next) void preloadRouteComponents(next.path).then(fetchNext)
    })
  onNuxtReady(() => void setTimeout(fetchNext, QUIET_MS))
})
