import type { ReadLine } from '#core/language/line-said'
import { lineCommands, trayFacts } from '#shared/commands/log-line'
import { doubtsOf, type Doubt } from '#shared/derived/line-doubts'

/** A doubt, and which of the entries of a line it is about. */
export interface LineDoubt extends Doubt {
  readonly entry: number
}

/** One line that is typed at the bench: what it is taken for, what is asked, and how it is written down. */
export function useLogLine() {
  const season = useSeason()
  const bench = useBench()
  const { attempt } = useCommands()
  const { printDay } = useDates()

  const text = ref('')
  const reader = useReader<ReadLine>('log', text)
  /** What was put right by hand, of each entry of the line. */
  const chosen = ref<Partial<ReadLine>[]>([])
  const settled = ref<string[]>([])
  watch(text, () => {
    chosen.value = []
    settled.value = []
  })
  const busy = ref(false)

  const entries = computed((): readonly ReadLine[] =>
    (reader.meaning.value ?? []).map((one, i) => ({ ...one, ...chosen.value[i] })),
  )
  const doubts = computed((): LineDoubt[] =>
    entries.value.flatMap((one, entry) =>
      doubtsOf(one, trayFacts(bench, one), season.today, printDay)
        .map((doubt) => ({ ...doubt, entry }))
        .filter(({ id }) => !settled.value.includes(`${entry} ${id}`)),
    ),
  )
  const ready = computed(() => entries.value.length > 0 && doubts.value.length === 0 && !busy.value)

  const settle = (doubt: LineDoubt, choice: Doubt['choices'][number]) => {
    settled.value = [...settled.value, `${doubt.entry} ${doubt.id}`]
    change(doubt.entry, choice.change)
  }
  function change(entry: number, part: Partial<ReadLine>) {
    const all = [...chosen.value]
    all[entry] = { ...all[entry], ...part }
    chosen.value = all
  }

  async function write(): Promise<boolean> {
    await reader.settled()
    if (!ready.value) return false
    busy.value = true
    const said = text.value.trim()
    const done = await attempt(
      said.slice(0, 120),
      entries.value.flatMap((one) => lineCommands(one, bench)),
      `Logged: ${said.slice(0, 80)}`,
    )
    // What was typed stays in the field where it was not in supplies.
    if (done) text.value = ''
    busy.value = false
    return done !== null
  }

  return {
    text,
    shown: reader.shown,
    entries,
    doubts,
    ready,
    reading: reader.reading,
    read: reader.settled,
    busy,
    settle,
    change,
    write,
    failed: reader.failed,
  }
}
