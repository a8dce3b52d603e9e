import { dequal } from 'dequal'
import type { Sent } from '#shared/commands/commands'
import type { Performed } from '#shared/commands/written'

/** An act on its way: its key was made when the person acted, and stays with it until it is acknowledged. */
interface Waiting {
  readonly name: string
  readonly press: Press
}
/** What was done, and the act that undoes it. */
export interface Done {
  readonly performed: Performed
  readonly act: UndoStep
}

interface How {
  /** Left out of what can be undone. */
  readonly quiet?: boolean
  readonly by?: string
  /** False for what waits elsewhere until it is acknowledged. */
  readonly keepsKey?: boolean
}

/** What a person does is sent as commands, in one request, and is on the page once the server has done it. */
export const useCommands = defineStore('commands', () => {
  const household = useHousehold()
  const undoing = useUndo()
  const { note } = useNotes()
  const today = useToday()
  /** Acts the server has not answered yet, by household: a reload sends them again under the same key. */
  const waiting = useKept<Record<string, Waiting[]>>('acts', {}, { initOnMounted: true })
  const waitingHere = () => waiting.value[household.id] ?? []
  const keepWaiting = (id: string, list: Waiting[]) => {
    const { [id]: _, ...others } = waiting.value
    waiting.value = list.length ? { ...others, [id]: list } : others
  }

  async function deliver(id: string, one: Waiting, keepsKey = true): Promise<Performed> {
    const settle = () =>
      keepWaiting(
        id,
        (waiting.value[id] ?? []).filter(({ press }) => press.act !== one.press.act),
      )
    if (keepsKey)
      keepWaiting(id, [...(waiting.value[id] ?? []).filter(({ press }) => press.act !== one.press.act), one])
    try {
      const performed = await sendPress(id, one.press)
      settle()
      if (household.id === id) household.apply(performed)
      return performed
    } catch (error) {
      // What was refused is answered; what was not answered keeps its key.
      const problem = readProblem(error)
      if (problem && problem.status !== 503) {
        settle()
        // Somebody else may have been faster: what stands is read again.
        void household.load()
      } else if (keepsKey) onceServerIsBack(resend)
      throw error
    }
  }

  /** A record that is saved once more, otherwise, before the first was answered: only the last is sent again after a reload. */
  function supersede([command, ...more]: readonly Sent[]) {
    if (more.length || command?.name !== 'save record') return
    const isSame = (one: Sent | undefined) =>
      one?.name === 'save record' && one.collection === command.collection && one.id === command.id
    keepWaiting(
      household.id,
      waitingHere().filter(({ press: { commands } }) => commands.length > 1 || !isSame(commands[0])),
    )
  }

  /** Under way until it can be undone: an undo pressed meanwhile waits for it. */
  const perform = (name: string, commands: readonly Sent[], how: How = {}): Promise<Done> =>
    undoing.during(performNow(name, commands, how))

  /** The same act pressed again, because no answer came, goes under the key it had. */
  async function performNow(name: string, commands: readonly Sent[], how: How): Promise<Done> {
    const same = waitingHere().find(({ press }) => dequal(press.commands, commands))
    if (!same) supersede(commands)
    const press = same?.press ?? { act: newId(), commands, by: how.by ?? '', today: today.value }
    const performed = await deliver(household.id, { name, press }, how.keepsKey)
    const act = opposite(name, performed, 'undo')
    if (!how.quiet && performed.wrote.length) undoing.did(act)
    return { performed, act }
  }

  /** The opposite of a command is a command. */
  const opposite = (name: string, { act, wrote }: Performed, way: 'undo' | 'redo'): UndoStep => ({
    name,
    run: async () => {
      const seen = wrote.flatMap(({ collection, id }) => {
        const version = household.versionOf(collection, id)
        return version ? [{ collection, id, version }] : []
      })
      const { performed } = await perform(name, [{ name: way, act, seen }], { quiet: true })
      return opposite(name, performed, way === 'undo' ? 'redo' : 'undo')
    },
  })

  /** Done, with a note from which it can be undone; where it cannot be, the note says why. @returns null then */
  async function attempt(
    name: string,
    commands: readonly Sent[],
    said?: string | ((done: Performed) => string),
    how: How = {},
  ): Promise<Done | null> {
    try {
      const done = await perform(name, commands, how)
      if (said) noteDone(typeof said === 'string' ? said : said(done.performed), done.act)
      return done
    } catch (error) {
      note(
        readProblem(error) || how.keepsKey === false
          ? whyNot(error)
          : `The server does not answer. ${name} is sent again by itself, once, as soon as it does.`,
      )
      return null
    }
  }
  const noteDone = (said: string, act: UndoStep) =>
    note(said, { name: 'Undo', run: () => undoing.takeBack(act) })

  /** What was on its way when the page was left is sent again, each under its own key. */
  async function resend() {
    const { id } = household
    for (const one of waiting.value[id] ?? []) await undoing.during(sendAgain(id, one))
  }
  async function sendAgain(id: string, one: Waiting) {
    try {
      const performed = await deliver(id, one)
      const act = opposite(one.name, performed, 'undo')
      if (performed.wrote.length) undoing.did(act)
      noteDone(`Saved now, as it had been waiting: ${one.name}.`, act)
    } catch (error) {
      if (readProblem(error)) note(`${one.name} was not saved: ${whyNot(error)}`)
    }
  }

  return {
    perform,
    attempt,
    noteDone,
    resend,
    /** The opposite of an act that was done in another way. */
    undoOf: (name: string, act: string): UndoStep =>
      opposite(name, { act, wrote: [], changed: [], household: null }, 'undo'),
  }
})
