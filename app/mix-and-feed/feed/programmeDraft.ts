import { dequal } from 'dequal'
import { computed } from 'vue'
import { defineStore } from 'pinia'
import { copyOf } from '~/kit/copyOf'
import { useDraft } from '~/household/draft'
import { useProblemAt } from '~/kit/record-forms/useProblemAt'
import { useRecordSaving } from '~/household/saving'
import { useContext } from '~/household/context'
import { useHousehold } from '~/household/household'
import { FEEDS } from '#core/feed/feeds'
import { habitOf, planProgramme, type FeedingSchool, type ProgrammePlan } from '#core/feed/programme'
import { type ProgrammeRecord } from '#shared/records/programme'
import { asProgrammeRequest, programmeRecordProblems } from '#shared/reckoning/programme-request'
import type { Stored } from '#shared/records/collections'

export interface ProgrammeDraft extends ProgrammeRecord {
  id: string
  version: number
}

type Rung = ProgrammeRecord['rungs'][number]

const rung = (stageId: string, days: number, containerId: string, recipeId: string): Rung => ({
  stageId,
  days,
  containerId,
  recipeId,
  ...habitOf('weak and often', stageId),
})

function newDraft(): ProgrammeDraft {
  return {
    id: '',
    version: 0,
    name: '',
    feedId: FEEDS[0]!.id,
    appetite: 'medium',
    school: 'weak and often',
    plants: 72,
    batchId: null,
    startOn: null,
    rungs: [
      rung('seed-leaves', 8, 'tray-72', 'lean-and-light'),
      rung('true-leaves', 14, 'tray-72', 'lean-and-light'),
      rung('potted-up', 21, 'pot-10cm', 'stretched-potting'),
      rung('hardening', 10, 'pot-10cm', 'stretched-potting'),
    ],
  }
}

export const useProgrammeDraft = defineStore('programmeDraft', () => {
  const household = useHousehold()
  const context = useContext()
  const { draft, change, restart } = useDraft('Ladder of feeds', newDraft)
  const { saving, dismiss, keep } = useRecordSaving('programmes', draft, (stored) => put(stored))

  const problems = computed(() => programmeRecordProblems(draft.value, context.whole))
  const request = computed(() =>
    problems.value.length ? null : asProgrammeRequest(draft.value, context.whole),
  )
  const plan = computed((): ProgrammePlan | null => (request.value ? planProgramme(request.value) : null))
  const problemAt = useProblemAt(() => problems.value, saving)
  const saved = computed(() => household.programmes.find(({ id }) => id === draft.value.id))

  /** A school sets every rung's habit; each can be changed afterwards. */
  const chooseSchool = (school: FeedingSchool['id']) =>
    change('school', (programme) => {
      programme.school = school
      programme.rungs = programme.rungs.map((one) => ({ ...one, ...habitOf(school, one.stageId) }))
    })
  const setRung = <K extends keyof Rung>(index: number, key: K, value: Rung[K]) =>
    change(`rung-${index}-${key}`, (programme) => {
      programme.rungs[index]![key] = value
      if (key === 'stageId')
        Object.assign(programme.rungs[index]!, habitOf(programme.school, value as string))
    })
  const addRung = () =>
    change('rung', (programme) => {
      const before = programme.rungs.at(-1)
      programme.rungs.push(before ? copyOf(before) : rung('true-leaves', 14, 'tray-72', 'lean-and-light'))
    })
  const removeRung = (index: number) => change('rung', (programme) => programme.rungs.splice(index, 1))

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
    body.name = body.name.trim() || 'Ladder of feeds'
    return keep(body)
  }
  return {
    draft,
    change,
    restart,
    problems,
    request,
    plan,
    problemAt,
    saving,
    saved,
    loose,
    dismiss,
    chooseSchool,
    setRung,
    addRung,
    removeRung,
    open,
    begin,
    save,
  }
})
