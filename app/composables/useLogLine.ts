import { computed, ref, watch } from 'vue'
import { newId } from '~/composables/newId'
import { useDayOrder } from '~/composables/useDayOrder'
import { useDates } from '~/composables/useDates'
import { useNotes } from '~/composables/useNotes'
import { NotTried, whyNot } from '~/composables/whyNot'
import { useContext } from '~/state/context'
import { useHousehold } from '~/state/household'
import { useKeeping } from '~/state/keeping'
import { useSeason } from '~/state/season'
import { useTrays } from '~/state/trays'
import { useUndo, type Act } from '~/state/undo'
import { useWater } from '~/state/water'
import { LINE_KINDS, readLine, type LineAsk, type LineKind, type ReadLine } from '#core/records/line'
import { isFrostFree, seasonEnds } from '#core/season/frost'
import { withOutside } from '#core/season/places/stays'
import { nameBook } from '#core/season/wish/names'
import type { ChangeKind } from '#core/trays/change'
import { FEELS_LIKE, type FeelsLike } from '#core/water/happening'
import { doubtsOf, type Doubt, type TrayFacts } from '#shared/doubts'
import { waterRow, type EntryKind, type EntryRecord } from '#shared/records/entry'
import type { SeenId } from '#core/signs/seen'

const CHANGE_OF: Partial<Record<LineKind, ChangeKind>> = {
  look: 'up',
  thin: 'thinned',
  lost: 'lost',
  given: 'given',
  out: 'out',
  moved: 'moved',
}
/** Kinds as entries are called; the rest are called the same. */
const ENTRY_OF: Partial<Record<LineKind, EntryKind>> = { sown: 'rung', moved: 'rung' }

/** One line that is typed at the bench: what it is taken for, what is asked, and how it is written down. */
export function useLogLine() {
  const household = useHousehold()
  const context = useContext()
  const season = useSeason()
  const trays = useTrays()
  const water = useWater()
  const keeping = useKeeping()
  const undoing = useUndo()
  const { note } = useNotes()
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
  const known = computed(() => ({
    trays: trays.standing.map(({ id, number, body }) => ({ id, number, runs: body.runs })),
    sowings: household.sowings.map(({ id, body }) => ({ id, name: body.name, cropId: body.cropId })),
    batches: household.batches.map(({ id, number }) => ({ id, number })),
    places: withOutside(season.frame?.places ?? []).map(({ id, name }) => ({ id, name })),
    names: names.value,
    cropName: (id: string) => context.whole.crops.get(id)?.name ?? id,
    calendar: {
      today: season.today,
      frosts: season.frame && !isFrostFree(season.frame) ? seasonEnds(season.frame) : null,
      order: order.value,
    },
    kitchen: household.kitchen,
  }))
  const heard = computed((): ReadLine | null =>
    text.value.trim() ? readLine(text.value, known.value) : null,
  )
  const read = computed((): ReadLine | null => heard.value && { ...heard.value, ...chosen.value })
  const asks = computed((): LineAsk[] =>
    (heard.value?.asks ?? []).filter((ask) => !settled.value.includes(`${ask.about} ${ask.question}`)),
  )
  const tray = computed(() =>
    read.value?.trayIds.length === 1 ? trays.find(read.value.trayIds[0]!) : undefined,
  )
  const facts = computed((): TrayFacts | null => {
    const one = tray.value
    if (!one || !read.value) return null
    const { runs } = trays.stands(one)
    const own = read.value.run ? runs.filter(({ run }) => run.code === read.value!.run) : runs
    const begun = own.flatMap(({ sownOn, setOn }) => [sownOn, setOn].flatMap((day) => day ?? []))
    const store = water.of(one)
    return {
      number: one.number,
      runs: own,
      since: begun.length ? begun.reduce((a, b) => (a < b ? a : b)) : null,
      takesL: store ? store.store.capacityL.value : null,
      soakedG: store ? store.store.dryMixG.value + store.store.capacityL.value * 1000 : null,
      cellsUp: one.body.cells.reduce(
        (sum, code, cell) =>
          sum + (own.some(({ run }) => run.code === code) ? trays.stands(one).cells[cell]!.up : 0),
        0,
      ),
      seedlings: context.whole.crops.get(own[0]?.run.cropId ?? '')?.seedlings ?? 1,
    }
  })
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
    settled.value = [...settled.value, `${ask.about} ${ask.question}`]
    if (ask.about === 'sign') change({ signs: [...(read.value?.signs ?? []), id as SeenId] })
    else if (ask.about === 'run') change({ run: id })
    else if (ask.about === 'what') change(id === 'tray' ? { cropId: null } : { trayIds: [], run: null })
    else {
      const those = id === 'all' ? ask.choices.filter((one) => one.id !== 'all').map((one) => one.id) : [id]
      const runs = those.length === 1 ? (trays.find(those[0]!)?.body.runs ?? []) : []
      const own = read.value?.cropId ? runs.filter(({ cropId }) => cropId === read.value!.cropId) : runs
      change({
        trayIds: those,
        run: own.length === 1 ? own[0]!.code : null,
        sowingIds: own.flatMap(({ sowingId }) => sowingId ?? []),
      })
    }
  }
  const settle = (doubt: Doubt, choice: Doubt['choices'][number]) => {
    settled.value = [...settled.value, doubt.id]
    change(choice.change)
  }
  const change = (part: Partial<ReadLine>) => (chosen.value = { ...chosen.value, ...part })

  /** The entry it comes to; what happens to cells is written by the tray. */
  function entryOf(line: ReadLine): Parameters<typeof keeping.happened>[0] {
    const kind = ENTRY_OF[line.kind] ?? (line.kind as EntryKind)
    const said = text.value.trim()
    const rungOf = (id: string) => {
      const runs = line.trayIds.flatMap((trayId) => trays.find(trayId)?.body.runs ?? [])
      return runs.find(({ sowingId }) => sowingId === id)?.rung ?? 0
    }
    const ofSeason = ['look', 'thin', 'feed', 'out', 'rung'].includes(kind)
    const about: EntryRecord['about'] = [
      ...line.trayIds.map((id) => ({ what: 'trays' as const, id, rung: null })),
      // What is only seen of a crop that stands in a tray is of the tray.
      ...(line.trayIds.length && !ofSeason
        ? []
        : line.sowingIds.map((id) => ({
            what: 'sowings' as const,
            id,
            rung: ofSeason ? rungOf(id) : null,
          }))),
      ...(line.batchId ? [{ what: 'batches' as const, id: line.batchId, rung: null }] : []),
    ]
    const rows = (more: Partial<EntryRecord['water'][number]>) =>
      line.trayIds.map((trayId) => waterRow({ trayId, ...more }))
    const feels = FEELS_LIKE.find((one) => said.toLowerCase().includes(one)) as FeelsLike | undefined
    const strength = season.row(line.sowingIds[0] ?? '')?.planned.rungs[rungOf(line.sowingIds[0] ?? '')]?.care
      .nMgPerL
    const given = line.litres === null ? null : line.litres / Math.max(1, line.trayIds.length)
    return {
      name: said.slice(0, 120),
      note: said.length > 120 ? said.slice(0, 600) : '',
      kind,
      on: line.on,
      at:
        line.at ??
        (line.on === season.today && ['watered', 'weighed', 'felt', 'feed'].includes(kind)
          ? water.time
          : null),
      about,
      placeId: line.placeId,
      count: line.count,
      signs: [...line.signs],
      grams: line.kind === 'harvest' ? line.grams : null,
      remindOn: line.remindOn,
      water:
        kind === 'watered'
          ? rows({
              how: /mist/i.test(said) ? 'mist' : /above|rose|overhead/i.test(said) ? 'above' : 'below',
              litres: given,
            })
          : kind === 'feed'
            ? rows({ how: 'below', litres: given, nMgPerL: strength ?? null })
            : kind === 'weighed'
              ? rows({ grams: line.grams, moment: 'now' })
              : kind === 'felt'
                ? rows({ feels: feels ?? 'light' })
                : [],
    }
  }

  async function write(): Promise<boolean> {
    const line = read.value
    if (!line || !ready.value) return false
    busy.value = true
    try {
      const opposite = await written(line)
      if (!opposite) return false
      note(`Written down: ${text.value.trim().slice(0, 80)}`, {
        name: 'Undo',
        run: () => undoing.takeBack(opposite),
      })
      text.value = ''
      return true
    } catch (error) {
      // What was typed stands in the field still.
      note(whyNot(error))
      return false
    } finally {
      busy.value = false
    }
  }
  async function written(line: ReadLine): Promise<Act | null> {
    const what = CHANGE_OF[line.kind]
    const stands =
      tray.value && line.run
        ? trays.stands(tray.value).runs.find(({ run }) => run.code === line.run)
        : undefined
    if (line.kind === 'sown' && tray.value && stands && stands.sown === 0)
      return trays.sow(tray.value, line.on, [stands])
    if (what && tray.value && stands && line.count !== null) {
      const noted = line.signs.length || line.rest.length || line.taken.length ? text.value.trim() : ''
      return trays.happened(
        tray.value,
        line.on,
        what,
        [{ stands, cells: [], count: line.count }],
        undefined,
        {
          note: noted.slice(0, 600),
          signs: [...line.signs],
        },
      )
    }
    const entry = entryOf(line)
    const { stored, opposite } = await keeping.happened({ ...entry, act: newId() }, { quiet: true })
    // What stands already is not written a second time: taking this back must not take that.
    if (stored.body.name !== entry.name)
      throw new NotTried(`This stands already: “${stored.body.name}”, ${printDay(stored.body.on)}.`)
    undoing.did(opposite)
    return opposite
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
