import { first } from '#core/numeric/at'
import type { TrialQuestion } from '#core/trials/trial'
import type { Stored } from '#shared/records/collections'
import type { TrayRecord } from '#shared/records/tray'
import type { TrialRecord } from '#shared/records/trial'
import { judgedTrial, groupFacts } from '#shared/derived/group-facts'

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
  const { attempt } = useCommands()

  const all = computed(() => [...household.trials].reverse())
  const facts = computed(() => groupFacts(trays.all, household.entries, context.whole))
  /** Groups whose cells are laid out and not sown: these can be dealt. */
  const unsown = computed(() =>
    trays.standing.flatMap((tray) =>
      trays
        .stands(tray)
        .groups.filter(({ sown, cells, group }) => sown === 0 && cells >= 4 && group.stage === 0)
        .map((stands) => ({ tray, stands })),
    ),
  )

  /** A lot of its own, which is kept: the same cells come of it again. */
  const lot = () => first(crypto.getRandomValues(new Uint32Array(1))) % 10_000_000

  type Asked = { name: string; question: TrialQuestion; blind: boolean; sides: readonly SideWanted[] }
  const intent = (id: string, { name, question, blind, sides }: Asked) => ({
    id,
    title: name,
    question,
    blind,
    seed: lot(),
    sides: sides.map((side) => ({ ...side })),
  })
  async function setUp(asked: Asked, tray: Stored<TrayRecord>, group: string): Promise<string | null> {
    const id = newId()
    const command = { name: 'deal cells', ...intent(id, asked), trayId: tray.id, group } as const
    return (await attempt(`Trial: ${asked.name}`, [command], 'The cells are dealt.')) && id
  }
  /** Whole trays dealt to places, or to ways of watering. */
  async function setUpTrays(asked: Asked, chosen: readonly Stored<TrayRecord>[]): Promise<string | null> {
    const id = newId()
    const command = {
      name: 'deal trays',
      ...intent(id, asked),
      trayIds: chosen.map((tray) => tray.id),
    } as const
    return (await attempt(`Trial: ${asked.name}`, [command], 'The trays are dealt.')) && id
  }

  const verdictOf = (trial: Stored<TrialRecord>) =>
    judgedTrial(trial.body, facts.value, (arm) =>
      trial.body.blind && trial.body.endedOn === null ? `side ${arm.code}` : arm.name,
    )
  const end = ({ id, version, body }: Stored<TrialRecord>, over: boolean) =>
    attempt(body.name, [saving('trials', id, version, { ...body, endedOn: over ? season.today : null })])
  return { all, facts, unsown, setUp, setUpTrays, verdictOf, end }
}
