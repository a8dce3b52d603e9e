import { doseProblems, planDose, strengthAtLabelRate, type DosePlan } from '#core/feed/dose'
import { feedProblems, type Feed } from '#core/feed/feed'
import { FEEDS } from '#core/feed/feeds'
import { STAGES, stageById } from '#core/feed/stage'
import { printPath } from '#core/problem'
import { asFeed, type FeedRecord } from '#shared/records/feed'
import type { FeedingRecord } from '#shared/records/feeding'
import type { Stored } from '#shared/collections'

/** A feed on the bench. The label stands in the draft, so that it can be typed over. */
export interface FeedDraft extends FeedingRecord {
  id: string
  version: number
  label: FeedRecord
}

const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
const labelOf = ({ id: _id, ...label }: Feed): FeedRecord => ({ ...label })

function newDraft(): FeedDraft {
  return {
    id: '',
    version: 0,
    name: '',
    feedId: FEEDS[0]!.id,
    label: labelOf(FEEDS[0]!),
    stageId: 'true-leaves',
    targetNMgPerL: 60,
    vessel: { name: 'Jug', volumeL: 2 },
    batchId: null,
    toolId: null,
  }
}

export const useFeedDraft = defineStore('feedDraft', () => {
  const household = useHousehold()
  const { draft, change, undo, redo, canUndo, canRedo, restart } = useHistory(newDraft)
  const feeding = useSaving('feedings')
  const label = useSaving('feeds')

  const stage = computed(() => stageById(draft.value.stageId))
  const feed = computed(() => asFeed(draft.value.feedId, draft.value.label))
  const request = computed(() => ({ ...draft.value, feed: feed.value, tools: household.tools }))
  const problems = computed(() => doseProblems(request.value))
  const plan = computed((): DosePlan | null => (problems.value.length ? null : planDose(request.value)))
  const labelStrength = computed(() =>
    feedProblems(feed.value).length ? null : strengthAtLabelRate(feed.value),
  )

  function problemAt(field: string): string | undefined {
    const own = problems.value.find(({ path }) => printPath(path) === field)
    if (own) return own.message
    for (const { saving } of [feeding, label])
      if (saving.value.state === 'refused') {
        const refused = saving.value.errors.find((error) => error.field === field)
        if (refused) return refused.message
      }
    return undefined
  }

  const original = computed(() => household.findFeed(draft.value.feedId))
  /** The label was typed over: it is no longer the feed it was chosen as. */
  const relabelled = computed(() => {
    const own = original.value && labelOf(original.value)
    return (
      !own ||
      Object.keys(own).some(
        (key) => own[key as keyof FeedRecord] !== draft.value.label[key as keyof FeedRecord],
      )
    )
  })
  const ownFeed = computed(() => household.everything?.feeds.find(({ id }) => id === draft.value.feedId))
  const saved = computed(() => household.feedings.find(({ id }) => id === draft.value.id))

  const chooseFeed = (feedId: string) =>
    change('feed', (drafted) => {
      const found = household.findFeed(feedId)
      if (!found) return
      drafted.feedId = feedId
      drafted.label = labelOf(found)
      drafted.toolId = null
    })
  const setLabel = <K extends keyof FeedRecord>(key: K, value: FeedRecord[K]) =>
    change(`label-${key}`, (drafted) => (drafted.label[key] = value))
  const chooseStage = (stageId: string) =>
    change('stage', (drafted) => {
      drafted.stageId = stageId
      const { lowNMgPerL, highNMgPerL } = stageById(stageId)
      if (highNMgPerL > 0) drafted.targetNMgPerL = (lowNMgPerL + highNMgPerL) / 2
    })
  const setTarget = (nMgPerL: number) => change('target', (drafted) => (drafted.targetNMgPerL = nMgPerL))

  function open(record: Stored<FeedingRecord>) {
    const found = household.findFeed(record.body.feedId)
    restart({
      ...copy(record.body),
      id: record.id,
      version: record.version,
      label: labelOf(found ?? FEEDS[0]!),
    })
    feeding.dismiss()
  }
  function begin(batchId: string | null = null) {
    restart({ ...newDraft(), batchId })
    feeding.dismiss()
  }

  /** Save the plan; a label that was typed over is kept first, as a feed of the household's own. */
  async function save(): Promise<Stored<FeedingRecord> | null> {
    if (relabelled.value && !(await keepLabel())) return null
    const { id, version, label: _label, ...body } = copy(draft.value)
    body.name = body.name.trim() || `${draft.value.label.name}, ${stage.value.name.toLowerCase()}`
    return adopt(await feeding.save(id || crypto.randomUUID(), version, body))
  }

  async function keepLabel() {
    const own = ownFeed.value
    const body = copy(draft.value.label)
    if (!own && original.value?.name === body.name) body.name = `${body.name}, ours`
    const kept = await label.save(own?.id ?? crypto.randomUUID(), own?.version ?? 0, body)
    if (kept) {
      draft.value.feedId = kept.id
      draft.value.label = kept.body
    }
    return kept
  }

  function adopt(stored: Stored<FeedingRecord> | null) {
    if (!stored) return null
    Object.assign(draft.value, { id: stored.id, version: stored.version, name: stored.body.name })
    return stored
  }
  async function keepMine() {
    if (feeding.saving.value.state === 'stale') return adopt(await feeding.saving.value.again())
  }
  function takeTheirs() {
    const { value } = feeding.saving
    if (value.state !== 'stale' || !value.current) return
    household.put('feedings', value.current)
    open(value.current)
  }

  return {
    draft,
    change,
    undo,
    redo,
    canUndo,
    canRedo,
    restart,
    stages: STAGES,
    stage,
    feed,
    problems,
    plan,
    labelStrength,
    problemAt,
    saving: feeding.saving,
    labelSaving: label.saving,
    dismiss: feeding.dismiss,
    relabelled,
    ownFeed,
    saved,
    chooseFeed,
    setLabel,
    chooseStage,
    setTarget,
    open,
    begin,
    save,
    keepMine,
    takeTheirs,
  }
})
