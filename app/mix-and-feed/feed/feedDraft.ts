import { first, at } from '#core/numeric/at'
import { sayProblemOf } from '#shared/messages/refusals'
import { dequal } from 'dequal'
import { doseProblems, planDose, strengthAtLabelRate, type DosePlan } from '#core/feed/dose'
import { dissolvesNitrogen, feedProblems, type Feed } from '#core/feed/feed'
import type { Tool } from '#core/feed/tool'
import { present } from '#core/present'
import { FEEDS } from '#core/feed/feeds'
import { USUAL_JUG_L } from '#core/feed/usual-tools'
import type { UnitSystem } from '#core/units/unit'
import { strengthOfRate } from '#core/feed/rate'
import { readRate } from '#core/language/rule'
import type { RatioMeaning } from '#core/feed/strength'
import { GROWTH_STAGES, growthStageById } from '#core/feed/growth-stage'
import type { FeedRecord } from '#shared/records/feed'
import { asFeed, feedRecordOf } from '#shared/records/as-feed'
import type { FeedingRecord } from '#shared/records/feeding'
import type { Stored } from '#shared/records/collections'
import { learnedFeed, learnedVessel } from '#shared/derived/calibrated-catalogues'

/** A feed on the bench. The label stands in the draft, so that it can be typed over. */
export interface FeedDraft extends FeedingRecord {
  id: string
  version: number
  label: FeedRecord
  /** Rules marked on the scale, as they were typed; a ratio is read as one part in n unless it was turned. */
  rules: { text: string; meaning: RatioMeaning }[]
}

const SAYS_NOTHING: Partial<Record<string, string>> = {
  'label numbers': 'is what the bottle contains, not how strong to mix it. How much goes in how much water?',
  label: 'needs the label’s own rate.',
  strength: 'needs nitrogen in the feed.',
}

function newDraft(units: UnitSystem, usual: Feed, jug: Tool | undefined): FeedDraft {
  return {
    id: '',
    version: 0,
    name: '',
    feedId: usual.id,
    label: feedRecordOf(usual),
    growthStageId: 'true-leaves',
    targetNMgPerL: 60,
    vessel: jug
      ? { name: jug.name, volumeL: present(jug.capacityMl) / 1000 }
      : { name: 'Jug', volumeL: USUAL_JUG_L[units] },
    batchId: null,
    toolId: null,
    rules: [],
  }
}

export const useFeedDraft = defineStore('feedDraft', () => {
  const household = useHousehold()
  const context = useContext()
  /** It opens with a feed the household has, and its first jug. */
  const usual = computed(
    () =>
      context.feedList.find((one) => dissolvesNitrogen(one) && context.shelves('feed', one.id).length) ??
      first(FEEDS),
  )
  const jug = computed(() => context.jugs.find(({ kind }) => kind === 'jug'))
  const fresh = () => newDraft(household.units, usual.value, jug.value)
  const { draft, change, restart } = useDraft('Feed', fresh)
  const feeding = useRecordSaving('feedings', draft, (stored) => put(stored))
  const label = useSaving('feeds')

  watch(usual, (_now, before) => {
    if (dequal(draft.value, newDraft(household.units, before, jug.value))) restart(fresh())
  })

  const growthStage = computed(() => growthStageById(draft.value.growthStageId))
  const feed = computed(() =>
    learnedFeed(asFeed(draft.value.feedId, draft.value.label), context.whole.calibrations),
  )
  const request = computed(() => ({
    ...draft.value,
    // The jug holds what it was found to hold.
    vessel: learnedVessel(draft.value.vessel, context.whole.calibrations),
    feed: feed.value,
    tools: context.tools,
  }))
  const problems = computed(() => doseProblems(request.value))
  const problem = computed(() => problems.value[0] && sayProblemOf(problems.value[0], 'feedings'))
  const plan = computed((): DosePlan | null => (problems.value.length ? null : planDose(request.value)))
  const labelStrength = computed(() =>
    feedProblems(feed.value).length ? null : strengthAtLabelRate(feed.value),
  )

  const ofPlan = useProblemAt(() => problems.value, feeding.saving)
  const ofLabel = useProblemAt(() => [], label.saving)
  const problemAt = (field: string) => ofPlan(field) ?? ofLabel(field)

  /** Tools and vessels that a rule may name. */
  const named = computed(() =>
    [
      ...context.tools,
      { name: draft.value.vessel.name, capacityMl: draft.value.vessel.volumeL * 1000 },
    ].flatMap(({ name, capacityMl }) => (capacityMl ? [{ name, volumeL: capacityMl / 1000 }] : [])),
  )

  /** Every rule as a strength of this feed, or why it says nothing. */
  const rules = computed(() =>
    (draft.value.rules ?? []).map(({ text, meaning }) => {
      const read = readRate(text, draft.value.label.form, household.units, named.value)
      if (!read.ok) return { text, meaning, ratio: false, strength: null, eachL: null, why: read.message }
      const { rate } = read
      const ratio = rate.kind === 'ratio' && rate.meaning === null
      const readable = feedProblems(feed.value).length === 0
      const strength = readable ? strengthOfRate(rate, feed.value, meaning) : null
      const eachL = rate.kind === 'amount' ? (rate.eachL ?? null) : null
      return {
        text,
        meaning,
        ratio,
        strength,
        eachL,
        why: SAYS_NOTHING[rate.kind] ?? 'says nothing of this feed.',
      }
    }),
  )
  const addRule = (text: string) =>
    change('rule', (drafted) => {
      drafted.rules = [...(drafted.rules ?? []).filter((rule) => rule.text !== text), { text, meaning: 'in' }]
    })
  const removeRule = (index: number) => change('rule', (drafted) => drafted.rules.splice(index, 1))
  const turnRule = (index: number) =>
    change('rule', (drafted) => {
      const rule = at(drafted.rules, index)
      rule.meaning = rule.meaning === 'in' ? 'to' : 'in'
    })

  const original = computed(() => context.feeds.get(draft.value.feedId))
  /** The label was typed over: it is no longer the feed it was chosen as. */
  const relabelled = computed(() => {
    return !original.value || !dequal(feedRecordOf(original.value), draft.value.label)
  })
  const ownFeed = computed(() =>
    household.everything?.feeds.find(({ id, body }) => (body.basedOn ?? id) === draft.value.feedId),
  )
  const saved = computed(() => household.feedings.find(({ id }) => id === draft.value.id))

  const chooseFeed = (feedId: string) =>
    change('feed', (drafted) => {
      const found = context.feeds.get(feedId)
      if (!found) return
      drafted.feedId = feedId
      drafted.label = feedRecordOf(found)
      drafted.toolId = null
    })
  const setLabel = <K extends keyof FeedRecord>(key: K, value: FeedRecord[K]) =>
    change(`label-${key}`, (drafted) => (drafted.label[key] = value))
  const chooseGrowthStage = (growthStageId: string) =>
    change('growthStage', (drafted) => {
      drafted.growthStageId = growthStageId
      const { lowNMgPerL, highNMgPerL } = growthStageById(growthStageId)
      if (highNMgPerL > 0) drafted.targetNMgPerL = (lowNMgPerL + highNMgPerL) / 2
    })
  const setTarget = (nMgPerL: number) => change('target', (drafted) => (drafted.targetNMgPerL = nMgPerL))

  const asDraft = ({ id, version, body }: Stored<FeedingRecord>): FeedDraft => ({
    ...copyOf(body),
    id,
    version,
    label: feedRecordOf(context.feeds.get(body.feedId) ?? first(FEEDS)),
    rules: draft.value.rules ?? [],
  })
  const put = (record: Stored<FeedingRecord>) => (draft.value = asDraft(record))
  function open(record: Stored<FeedingRecord>) {
    restart(asDraft(record))
    feeding.dismiss()
  }
  /** Something stands on the bench that is kept nowhere. */
  const loose = computed(() =>
    saved.value
      ? !dequal(asDraft(saved.value), draft.value)
      : !dequal({ ...draft.value, batchId: null, rules: [] }, fresh()),
  )
  function begin(batchId: string | null = null) {
    restart({ ...fresh(), rules: draft.value.rules ?? [], batchId })
    feeding.dismiss()
  }

  /** Save the plan; a label that was typed over is kept first, as a feed of the household's own. */
  async function save(): Promise<Stored<FeedingRecord> | null> {
    if (relabelled.value && !(await keepLabel())) return null
    const { id: _id, version: _version, label: _label, rules: _rules, ...body } = copyOf(draft.value)
    body.name = body.name.trim() || `${draft.value.label.name}, ${growthStage.value.name.toLowerCase()}`
    return feeding.keep(body)
  }

  async function keepLabel() {
    const own = ownFeed.value
    const body = copyOf(draft.value.label)
    // A label that was typed over is another feed: the generic one stays as it is.
    if (!own) body.basedOn = null
    if (!own && original.value?.name === body.name) body.name = `${body.name}, ours`
    const kept = await label.save(own?.id ?? newId(), own?.version ?? 0, body)
    if (kept) {
      draft.value.feedId = kept.stored.body.basedOn ?? kept.stored.id
      draft.value.label = kept.stored.body
    }
    return kept
  }

  return {
    draft,
    change,
    restart,
    growthStages: GROWTH_STAGES,
    growthStage,
    feed,
    problems,
    problem,
    plan,
    labelStrength,
    problemAt,
    saving: feeding.saving,
    labelSaving: label.saving,
    dismiss: feeding.dismiss,
    relabelled,
    ownFeed,
    saved,
    loose,
    rules,
    named,
    addRule,
    removeRule,
    turnRule,
    chooseFeed,
    setLabel,
    chooseGrowthStage,
    setTarget,
    open,
    begin,
    save,
  }
})
