/** Something that can be done and answers with its opposite. */
export interface UndoStep {
  /** What it is about, in a few words: `the recipe’s parts`, `Perlite, 10 L bag`. */
  readonly name: string
  /** Changes of the same kind that follow each other closely (a drag, typing) count as one. */
  readonly gesture?: string
  readonly run: () => Promise<UndoStep> | UndoStep
}

const DEPTH = 200
const SAME_GESTURE_MS = 900

/** One way back for everything that is done in this tab, and forward again: drafts, records, entries alike. */
export const useUndo = defineStore('undo', () => {
  const household = useHousehold()
  const { note } = useNotes()
  const past = shallowRef<UndoStep[]>([])
  const future = shallowRef<UndoStep[]>([])
  let lastAt = 0
  let busy: Promise<void> = Promise.resolve()

  /** Writes on their way: what they did can be taken back once it is known, and nothing older before it. */
  const underWay = new Set<Promise<unknown>>()
  function during<Done>(write: Promise<Done>): Promise<Done> {
    underWay.add(write)
    const ended = () => void underWay.delete(write)
    write.then(ended, ended)
    return write
  }

  /** Something was done; `opposite` takes it back. */
  function did(opposite: UndoStep) {
    const now = Date.now()
    const last = past.value.at(-1)
    const goesOn = opposite.gesture && last?.gesture === opposite.gesture && now - lastAt <= SAME_GESTURE_MS
    lastAt = now
    future.value = []
    if (!goesOn) past.value = [...past.value.slice(-DEPTH), opposite]
  }

  /** One after the other: a second press waits for the first, and both for what is still being written. */
  const move = (from: typeof past, to: typeof past, said: string, nothing: string) => {
    busy = busy.then(async () => {
      while (underWay.size) await Promise.allSettled(underWay)
      const act = from.value.at(-1)
      if (!act) return note(nothing)
      try {
        const opposite = await act.run()
        from.value = from.value.filter((one) => one !== act)
        to.value = [...to.value, opposite]
        note(`${said}: ${act.name}.`)
      } catch (error) {
        note(`${act.name} stays as it is. ${whyNot(error)}`)
      }
      lastAt = 0
    })
    return busy
  }

  /** Take this one back, wherever it stands in the row; what was done after it stays. */
  async function takeBack(act: UndoStep) {
    if (past.value.at(-1) === act) return undo()
    if (!past.value.includes(act)) return
    past.value = [...past.value.filter((one) => one !== act), act]
    return undo()
  }
  const undo = () => move(past, future, 'Undone', 'Nothing to undo.')
  const redo = () => move(future, past, 'Redone', 'Nothing to redo.')

  // What was done in another household stays there.
  watch(
    () => household.id,
    () => {
      past.value = []
      future.value = []
    },
  )
  return {
    did,
    during,
    undo,
    redo,
    takeBack,
    canUndo: computed(() => past.value.length > 0),
    canRedo: computed(() => future.value.length > 0),
  }
})
