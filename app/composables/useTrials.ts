import { computed } from 'vue'
import { newId } from '~/composables/newId'
import { useNotes } from '~/composables/useNotes'
import { whyNot } from '~/composables/whyNot'
import { useContext } from '~/state/context'
import { useHousehold } from '~/state/household'
import { useKeeping } from '~/state/keeping'
import { useSeason } from '~/state/season'
import { useTrays } from '~/state/trays'
import { useUndo } from '~/state/undo'
import { dealt, type TrialQuestion } from '#core/records/trial'
import { cellsOf, freeCode } from '#core/trays/layout'
import type { Stored } from '#shared/collections'
import type { TrayRecord } from '#shared/records/tray'
import type { TrialRecord } from '#shared/records/trial'
import { judgedTrial, runFacts } from '#shared/run-facts'

export interface SideWanted {
  readonly name: string
  readonly recipeId: string | null
  readonly packetId: string | null
}

/** Trials: set up with one press before anything is sown, counted as usual, judged at the end. */
export function useTrials() {
  const household = useHousehold()
  const context = useContext()
  const trays = useTrays()
  const season = useSeason()
  const keeping = useKeeping()
  const undoing = useUndo()
  const { note } = useNotes()

  const all = computed(() => [...household.trials].reverse())
  const facts = computed(() => runFacts(trays.all, household.entries, context.whole))
  /** Runs whose cells are laid out and not sown: these can be dealt. */
  const unsown = computed(() =>
    trays.standing.flatMap((tray) =>
      trays
        .stands(tray)
        .runs.filter(({ sown, cells, run }) => sown === 0 && cells >= 4 && run.rung === 0)
        .map((stands) => ({ tray, stands })),
    ),
  )

  /** A lot of its own, which is kept: the same cells come of it again. */
  const lot = () => crypto.getRandomValues(new Uint32Array(1))[0]! % 10_000_000

  async function setUp(
    {
      name,
      question,
      blind,
      sides,
    }: { name: string; question: TrialQuestion; blind: boolean; sides: readonly SideWanted[] },
    tray: Stored<TrayRecord>,
    code: string,
  ): Promise<string | null> {
    const seed = lot()
    const run = tray.body.runs.find((one) => one.code === code)
    if (!run) return null
    const shares = dealt(cellsOf(tray.body, code), sides.length, seed)
    const runs = [...tray.body.runs]
    const cells = [...tray.body.cells]
    const arms = sides.map((side, i): TrialRecord['arms'][number] => {
      const letter = String.fromCharCode(65 + i)
      const own = i === 0 ? code : freeCode(runs)
      const shown = blind ? `${run.name} · side ${letter}` : `${run.name} · ${side.name}`
      const next = { ...run, code: own, name: shown.slice(0, 120), packetId: side.packetId ?? run.packetId }
      if (i === 0) runs[runs.findIndex((one) => one.code === code)] = next
      else runs.push(next)
      for (const cell of shares[i]!) cells[cell] = own
      return {
        code: letter,
        name: side.name.slice(0, 120),
        runs: [{ trayId: tray.id, run: own }],
        recipeId: side.recipeId,
        packetId: side.packetId,
      }
    })
    const id = newId()
    const body: TrialRecord = { name, question, on: season.today, seed, blind, arms, note: '', endedOn: null }
    try {
      const opposite = await keeping.doTogether(`Trial: ${name}`, [
        keeping.toBody('trays', tray.id, tray.body.name, { ...tray.body, runs, cells }),
        keeping.toBody('trials', id, name, body),
      ])
      note('The cells are dealt.', { name: 'Undo', run: () => undoing.takeBack(opposite) })
      return id
    } catch (error) {
      note(whyNot(error))
      return null
    }
  }

  /** Whole trays dealt to places, or to ways of watering. */
  async function setUpTrays(
    {
      name,
      question,
      blind,
      sides,
    }: { name: string; question: TrialQuestion; blind: boolean; sides: readonly SideWanted[] },
    chosen: readonly Stored<TrayRecord>[],
  ): Promise<string | null> {
    const seed = lot()
    const shares = dealt(
      chosen.map((_, i) => i),
      sides.length,
      seed,
    )
    const arms = sides.map((side, i): TrialRecord['arms'][number] => ({
      code: String.fromCharCode(65 + i),
      name: side.name.slice(0, 120),
      runs: shares[i]!.flatMap((at) =>
        chosen[at]!.body.runs.map(({ code }) => ({ trayId: chosen[at]!.id, run: code })),
      ),
      recipeId: side.recipeId,
      packetId: side.packetId,
    }))
    const id = newId()
    try {
      const { opposite } = await keeping.save('trials', id, 0, {
        name,
        question,
        on: season.today,
        seed,
        blind,
        arms,
        note: '',
        endedOn: null,
      })
      note('The trays are dealt.', { name: 'Undo', run: () => undoing.takeBack(opposite) })
      return id
    } catch (error) {
      note(whyNot(error))
      return null
    }
  }

  const verdictOf = (trial: Stored<TrialRecord>) =>
    judgedTrial(trial.body, facts.value, (arm) =>
      trial.body.blind && trial.body.endedOn === null ? `side ${arm.code}` : arm.name,
    )
  async function end(trial: Stored<TrialRecord>, over: boolean) {
    try {
      await keeping.save('trials', trial.id, trial.version, {
        ...trial.body,
        endedOn: over ? season.today : null,
      })
    } catch (error) {
      note(whyNot(error))
    }
  }
  return { all, facts, unsown, setUp, setUpTrays, verdictOf, end }
}
