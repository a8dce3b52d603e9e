import { first } from '#core/numeric/at'
import { sayProblemOf } from '#shared/messages/refusals'
import { dequal } from 'dequal'
import { FEEDS } from '#core/feed/feeds'
import { habitOf, planProgramme, type FeedingMethod, type ProgrammePlan } from '#core/feed/programme'
import type { ProgrammeRecord } from '#shared/records/programme'
import { asProgrammeRequest, programmeRecordProblems } from '#shared/derived/programme-request'
import type { Stored } from '#shared/records/collections'

export interface ProgrammeDraft extends ProgrammeRecord {
  id: string
  version: number
}

type Stage = ProgrammeRecord['stages'][number]

const stage = (growthStageId: string, days: number, containerId: string, recipeId: string): Stage => ({
  growthStageId,
  days,
  containerId,
  recipeId,
  ...habitOf('weak and often', growthStageId),
})

function newDraft(): ProgrammeDraft {
  return {
    id: '',
    version: 0,
    name: '',
    feedId: first(FEEDS).id,
    appetite: 'medium',
    method: 'weak and often',
    plants: 72,
    batchId: null,
    startOn: null,
    stages: [
      stage('seed-leaves', 8, 'tray-72', 'lean-and-light'),
      stage('true-leaves', 14, 'tray-72', 'lean-and-light'),
      stage('potted-up', 21, 'pot-10cm', 'stretched-potting'),
      stage('hardening', 10, 'pot-10cm', 'stretched-potting'),
    ],
  }
}

export const useProgrammeDraft = defineStore('programmeDraft', () => {
  const household = useHousehold()
  const context = useContext()
  const { draft, change, restart } = useDraft('Feeding schedule', newDraft)
  const { saving, dismiss, keep } = useRecordSaving('programmes', draft, (stored) => put(stored))

  const problems = computed(() => programmeRecordProblems(draft.value, context.whole))
  const problem = computed(() => problems.value[0] && sayProblemOf(problems.value[0], 'programmes'))
  const request = computed(() =>
    problems.value.length ? null : asProgrammeRequest(draft.value, context.whole),
  )
  const plan = computed((): ProgrammePlan | null => (request.value ? planProgramme(request.value) : null))
  const problemAt = useProblemAt(() => problems.value, saving)
  const saved = computed(() => household.programmes.find(({ id }) => id === draft.value.id))

  /** A method sets every stage's habit; each can be changed afterwards. */
  const chooseMethod = (method: FeedingMethod['id']) =>
    change('method', (programme) => {
      programme.method = method
      programme.stages = programme.stages.map((one) => ({ ...one, ...habitOf(method, one.growthStageId) }))
    })
  /** A field as it was changed by hand; another growth stage brings the habits of its method. */
  const changeField = (path: string, next: object) =>
    change(path, (programme) => {
      Object.assign(programme, next)
      const index = /^stages\[(\d+)\]\.growthStageId$/.exec(path)?.[1]
      const changed = index === undefined ? undefined : programme.stages[Number(index)]
      if (changed) Object.assign(changed, habitOf(programme.method, changed.growthStageId))
    })
  const addStage = () =>
    change('stage', (programme) => {
      const before = programme.stages.at(-1)
      programme.stages.push(before ? copyOf(before) : stage('true-leaves', 14, 'tray-72', 'lean-and-light'))
    })
  const removeStage = (index: number) => change('stage', (programme) => programme.stages.splice(index, 1))

  const asDraft = ({ id, version, body }: Stored<ProgrammeRecord>): ProgrammeDraft => ({
    ...copyOf(body),
    id,
    version,
  })
  const put = (record: Stored<ProgrammeRecord>) => (draft.value = asDraft(record))
  function open(record: Stored<ProgrammeRecord>) {
    restart(asDraft(record))
    dismiss()
  }
  /** Something stands on the bench that is kept nowhere. */
  const loose = computed(() =>
    saved.value ? !dequal(asDraft(saved.value), draft.value) : !dequal(draft.value, newDraft()),
  )
  function begin() {
    restart(newDraft())
    dismiss()
  }
  async function save() {
    const { id: _id, version: _version, ...body } = copyOf(draft.value)
    body.name = body.name.trim() || 'Feeding schedule'
    return keep(body)
  }
  return {
    draft,
    change,
    restart,
    problems,
    problem,
    request,
    plan,
    problemAt,
    saving,
    saved,
    loose,
    dismiss,
    chooseMethod,
    changeField,
    addStage,
    removeStage,
    open,
    begin,
    save,
  }
})
