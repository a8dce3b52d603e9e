import type { Bodies, Stored } from '#shared/records/collections'

export interface LogFilter {
  readonly subject: string | null
  readonly placeId: string | null
  readonly kinds: string | null
  readonly from: string | null
  readonly until: string | null
  readonly words: string
}
type Entry = Stored<Bodies['entries']>
const PAGE = 40
const PAUSE_MS = 200

/** The log as it is read: a page, and the one before it, and so on back through the years. */
export function useLogStream(filter: () => LogFilter) {
  const household = useHousehold()
  const entries = ref<Entry[]>([])
  const more = ref(false)
  const state = ref<'loading' | 'ready' | 'failed'>('loading')
  const problem = ref('')
  let asked = 0

  async function page(before: Entry | undefined, limit: number) {
    const { subject, placeId, kinds, from, until, words } = filter()
    const query = Object.fromEntries(
      Object.entries({
        subject,
        placeId,
        kinds,
        from,
        until,
        words: words.trim(),
        beforeOn: before?.body.on,
        beforeNumber: before?.number,
        limit,
      }).filter(([, value]) => value !== null && value !== undefined && value !== ''),
    )
    return $fetch<{ entries: Entry[]; more: boolean }>(`/api/households/${household.id}/log`, { query })
  }
  const isBefore = (one: Entry, other: Entry) =>
    one.body.on < other.body.on || (one.body.on === other.body.on && one.number < other.number)
  async function load(limit = PAGE, keep = false) {
    if (!household.id) return
    const turn = ++asked
    try {
      const answer = await page(undefined, limit)
      if (turn !== asked) return
      // What was read farther back stays: the page does not jump.
      const last = answer.entries.at(-1)
      const beyond = keep && last && answer.more ? entries.value.filter((one) => isBefore(one, last)) : []
      entries.value = [...answer.entries, ...beyond]
      if (!beyond.length) more.value = answer.more
      state.value = 'ready'
    } catch (error) {
      if (turn !== asked) return
      problem.value = whyNot(error)
      state.value = 'failed'
    }
  }
  let fetching = false
  async function earlier() {
    if (!more.value || fetching) return
    fetching = true
    const turn = asked
    try {
      const answer = await page(entries.value.at(-1), PAGE)
      if (turn !== asked) return
      const seen = new Set(entries.value.map(({ id }) => id))
      entries.value = [...entries.value, ...answer.entries.filter(({ id }) => !seen.has(id))]
      more.value = answer.more
    } catch (error) {
      problem.value = whyNot(error)
    } finally {
      fetching = false
    }
  }

  let timer: ReturnType<typeof setTimeout> | undefined
  watch(
    () => JSON.stringify(filter()),
    () => {
      clearTimeout(timer)
      timer = setTimeout(() => load(), PAUSE_MS)
    },
  )
  watch(
    () => household.id,
    () => load(),
    { immediate: true },
  )
  // What is written, put right or taken back stands here at once; what was on its way when the page opened, too.
  watch(
    () => household.entries,
    () => load(Math.min(200, Math.max(PAGE, entries.value.length)), true),
  )

  /** By day, the latest first. */
  const days = computed(() => {
    const byDay: { on: string; list: Entry[] }[] = []
    for (const one of entries.value) {
      const last = byDay.at(-1)
      if (last?.on === one.body.on) last.list.push(one)
      else byDay.push({ on: one.body.on, list: [one] })
    }
    return byDay
  })
  return { entries, days, more, state, problem, load, earlier }
}
