import type { Bodies, Stored } from '#shared/records/collections'

/** Everything of one year, as the server keeps it. */
export interface YearRecords {
  readonly entries: Stored<Bodies['entries']>[]
  readonly sowings: Stored<Bodies['sowings']>[]
  readonly trays: Stored<Bodies['trays']>[]
  readonly batches: Stored<Bodies['batches']>[]
  readonly photos: Stored<Bodies['photos']>[]
  readonly movedSince: { readonly id: string; readonly by: number }[]
}

/** A year of the log; of the year the day lies in where none was chosen. */
export function useYear() {
  const household = useHousehold()
  const season = useSeason()
  const years = ref<number[]>([])
  const chosen = ref<number | null>(null)
  const year = computed(() => chosen.value ?? Number(season.today.slice(0, 4)))
  const records = ref<YearRecords | null>(null)
  const problem = ref('')
  let asked = 0
  async function load() {
    if (!household.id) return
    const turn = ++asked
    problem.value = ''
    try {
      const answer = await $fetch<YearRecords>(`/api/households/${household.id}/log/${year.value}`)
      if (turn !== asked) return
      records.value = answer
      const known = await $fetch<number[]>(`/api/households/${household.id}/log/years`)
      years.value = [...new Set([Number(season.today.slice(0, 4)), ...known])].sort((a, b) => b - a)
    } catch (error) {
      if (turn === asked) problem.value = whyNot(error)
    }
  }
  watch([() => household.id, year, () => household.entries], load, { immediate: true })
  return { year, years, choose: (next: number) => (chosen.value = next), records, problem, load }
}
