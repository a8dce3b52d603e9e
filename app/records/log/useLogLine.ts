import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { computed, ref, watch } from 'vue'
import { useDayOrder } from '~/kit/useDayOrder'
import { useDates } from '~/kit/useDates'
import { useBench } from '~/trays/water/useBench'
import { useCommands } from '~/household/commands'
import { useContext } from '~/household/context'
import { useSeason } from '~/plan/season'
import { LINE_KINDS, readLine, type LineAsk, type ReadLine } from '#core/language/log-line'
import { nameBook } from '#core/language/name-book'
import { lineCommand, lineKnown, trayFacts } from '#shared/commands/log-line'
import { doubtsOf, type Doubt } from '#shared/reckoning/line-doubts'
import { find } from '#shared/reckoning/bench'
import type { SeenId } from '#core/signs/seen'

/** One line that is typed at the bench: what it is taken for, what is asked, and how it is written down. */
export function useLogLine() {
  const context = useContext()
  const season = useSeason()
  const bench = useBench()
  const { attempt } = useCommands()
  const { printDay } = useDates()
  const order = useDayOrder()

  const text = ref('')
  /** What was chosen where something was asked, and what was put right by hand. */
  const chosen = ref<Partial<ReadLine>>({})
  const settled = ref<string[]>([])
  watch(text, () => {
    chosen.value = {}
    settled.value = []
  })
  const busy = ref(false)

  const names = computed(() =>
    nameBook(
      [...context.whole.crops.values()],
      [...context.whole.packets].map(([id, { name, cropId }]) => ({ id, name, cropId })),
    ),
  )
  const known = computed(() => lineKnown(bench, names.value, order.value))
  const heard = computed((): ReadLine | null =>
    text.value.trim() ? readLine(text.value, known.value) : null,
  )
  const read = computed((): ReadLine | null => heard.value && { ...heard.value, ...chosen.value })
  const asks = computed((): LineAsk[] =>
    (heard.value?.asks ?? []).filter((ask) => !settled.value.includes(`${ask.unclear} ${ask.question}`)),
  )
  const facts = computed(() => read.value && trayFacts(bench, read.value))
  const doubts = computed((): Doubt[] =>
    read.value
      ? doubtsOf(read.value, facts.value, season.today, printDay).filter(
          ({ id }) => !settled.value.includes(id),
        )
      : [],
  )
  const ready = computed(
    () => read.value !== null && asks.value.length === 0 && doubts.value.length === 0 && !busy.value,
  )

  function answer(ask: LineAsk, id: string) {
    settled.value = [...settled.value, `${ask.unclear} ${ask.question}`]
    if (ask.unclear === 'sign') change({ signs: [...(read.value?.signs ?? []), id as SeenId] })
    else if (ask.unclear === 'group') change({ group: id })
    else if (ask.unclear === 'what') change(id === 'tray' ? { cropId: null } : { trayIds: [], group: null })
    else {
      const those = id === 'all' ? ask.choices.filter((one) => one.id !== 'all').map((one) => one.id) : [id]
      const groups = those.length === 1 ? (find(bench, 'trays', those[0])?.body.groups ?? []) : []
      const own = read.value?.cropId
        ? groups.filter(({ cropId }) => cropId === present(read.value).cropId)
        : groups
      change({
        trayIds: those,
        group: own.length === 1 ? first(own).code : null,
        sowingIds: own.flatMap(({ sowingId }) => sowingId ?? []),
      })
    }
  }
  const settle = (doubt: Doubt, choice: Doubt['choices'][number]) => {
    settled.value = [...settled.value, doubt.id]
    change(choice.change)
  }
  const change = (part: Partial<ReadLine>) => (chosen.value = { ...chosen.value, ...part })

  async function write(): Promise<boolean> {
    const line = read.value
    if (!line || !ready.value) return false
    busy.value = true
    const said = text.value.trim()
    const done = await attempt(
      said.slice(0, 120),
      [lineCommand(line, said, bench)],
      `Written down: ${said.slice(0, 80)}`,
    )
    // What was typed stays in the field where it was not written down.
    if (done) text.value = ''
    busy.value = false
    return done !== null
  }

  return {
    text,
    read,
    asks,
    doubts,
    ready,
    busy,
    answer,
    settle,
    change,
    write,
    kinds: LINE_KINDS,
  }
}
