import { computed } from 'vue'
import { defineStore } from 'pinia'
import { copyOf } from '~/composables/copyOf'
import { useHistory } from '~/composables/useHistory'
import { useProblemAt } from '~/composables/useProblemAt'
import { useKeeping, useSaving } from '~/composables/useSaving'
import { useHousehold } from '~/state/household'
import { FEEDS } from '#core/feed/feeds'
import { habitOf, planProgramme, type FeedingSchool, type ProgrammePlan } from '#core/feed/programme'
import { asProgrammeRequest, programmeRecordProblems, type ProgrammeRecord } from '#shared/records/programme'
import type { Stored } from '#shared/collections'

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
  const { draft, change, undo, redo, canUndo, canRedo, restart } = useHistory(newDraft)
  const { saving, save: saveRecord, dismiss } = useSaving('programmes')

  const problems = computed(() => programmeRecordProblems(draft.value, household.greenhouse))
  const request = computed(() =>
    problems.value.length ? null : asProgrammeRequest(draft.value, household.greenhouse),
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

  function open(record: Stored<ProgrammeRecord>) {
    restart({ ...copyOf(record.body), id: record.id, version: record.version })
    dismiss()
  }
  function begin() {
    restart(newDraft())
    dismiss()
  }
  const { adopt, keepMine, takeTheirs } = useKeeping('programmes', draft, saving, open)
  async function save() {
    const { id, version, ...body } = copyOf(draft.value)
    body.name = body.name.trim() || 'Ladder of feeds'
    return adopt(await saveRecord(id || crypto.randomUUID(), version, body))
  }
  return {
    draft,
    change,
    undo,
    redo,
    canUndo,
    canRedo,
    restart,
    problems,
    request,
    plan,
    problemAt,
    saving,
    saved,
    dismiss,
    chooseSchool,
    setRung,
    addRung,
    removeRung,
    open,
    begin,
    save,
    keepMine,
    takeTheirs,
  }
})
