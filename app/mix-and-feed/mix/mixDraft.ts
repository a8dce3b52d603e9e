import { at, first } from '#core/numeric/at'
import { sayProblemOf } from '#shared/messages/refusals'
import { dequal } from 'dequal'
import { COVER_IS_THE_MIX, DEFAULT_ALLOWANCES, plainBatch } from '#core/media/batch-request'
import { planBatch, type BatchPlan } from '#core/media/batch'
import { STARTING_RECIPES, type StartingRecipe } from '#core/media/recipes'
import { moveBoundary, setShare } from '#core/media/recipe'
import type { BatchRecord } from '#shared/records/batch'
import { asBatchRequest, batchRecordProblems } from '#shared/derived/batch-request'
import type { UnitSystem } from '#core/units/unit'
import { usualScoops } from '#core/media/usual-scoop'
import type { Stored } from '#shared/records/collections'

/** A batch on the bench, not yet or no longer as it is saved. */
export interface MixDraft extends BatchRecord {
  /** Id and version of the saved batch this draft is of; version 0 when it is new. */
  id: string
  version: number
}

/** What a recipe says about making the mix. */
type Making = Pick<StartingRecipe, 'parts' | 'extras' | 'preparations'>

function newDraft(units: UnitSystem, recipe: StartingRecipe): MixDraft {
  return {
    id: '',
    version: 0,
    name: '',
    recipeId: recipe.id,
    parts: copyOf([...recipe.parts]),
    fills: [{ containerId: 'tray-72', count: 1, coverMm: 0, coverMaterialId: COVER_IS_THE_MIX }],
    allowances: { ...DEFAULT_ALLOWANCES },
    scoop: { ...first(usualScoops(units)) },
    ...plainBatch(),
    lowerRecipeId: null,
    onDate: null,
    sowings: [],
    extras: copyOf([...recipe.extras]),
    preparations: [...recipe.preparations],
  }
}

export const useMixDraft = defineStore('mixDraft', () => {
  const household = useHousehold()
  const context = useContext()
  /** The recipe it opens with: the one the household sows in. */
  const usual = computed(() => context.recipes.get(context.whole.usualMixes.seed) ?? first(STARTING_RECIPES))
  const fresh = () => newDraft(household.units, usual.value)
  const { draft, change, restart } = useDraft('Mix', fresh)
  const { saving, dismiss, keep } = useRecordSaving('batches', draft, (stored) => put(stored))

  // A scoop nobody chose is the usual one of the kitchen, also when that changes.
  watch(
    () => household.units,
    (now, before) => {
      const { scoop, version } = draft.value
      if (version === 0 && scoop.name === first(usualScoops(before)).name)
        draft.value.scoop = { ...first(usualScoops(now)) }
    },
  )

  watch(usual, (_now, before) => {
    if (dequal(draft.value, newDraft(household.units, before))) restart(fresh())
  })

  const problems = computed(() => batchRecordProblems(draft.value, context.whole))
  const problem = computed(() => problems.value[0] && sayProblemOf(problems.value[0], 'batches'))
  /** Litres, scoops, packs: null while something is wrong with what was asked. */
  const plan = computed((): BatchPlan | null =>
    problems.value.length ? null : planBatch(asBatchRequest(draft.value, context.whole)),
  )
  const problemAt = useProblemAt(() => problems.value, saving)

  const recipes = computed(() => [
    ...household.recipes.map(({ id, body }) => ({
      id,
      name: body.name,
      reasoning: body.reasoning,
      parts: body.parts,
      extras: body.extras,
      preparations: body.preparations,
      own: true,
    })),
    ...STARTING_RECIPES.map((recipe) => ({ ...recipe, own: false })),
  ])
  const recipe = computed(() => recipes.value.find(({ id }) => id === draft.value.recipeId))
  const made = ({ parts, extras, preparations }: Making) =>
    JSON.stringify([
      parts.map((part) => [part.materialId, part.parts]),
      extras.map((extra) => [extra.materialId, extra.gPerL]),
      preparations,
    ])
  const adjusted = computed(() => !recipe.value || made(recipe.value) !== made(draft.value))
  const saved = computed(() => household.batches.find(({ id }) => id === draft.value.id))
  const unsaved = computed(() => {
    const { id: _id, version: _version, ...body } = draft.value
    return !saved.value || !dequal(saved.value.body, body)
  })

  /** Materials whose share was typed: it stays while others are typed. */
  const typedShares = new Set<string>()
  const chooseRecipe = (id: string) =>
    change('recipe', (mix) => {
      typedShares.clear()
      mix.recipeId = id
      const chosen = recipes.value.find((candidate) => candidate.id === id)
      if (chosen)
        Object.assign(
          mix,
          copyOf({ parts: chosen.parts, extras: chosen.extras, preparations: chosen.preparations }),
        )
    })
  const setParts = (index: number, parts: number) => {
    typedShares.clear()
    return change(`parts-${index}`, (mix) => (at(mix.parts, index).parts = parts))
  }
  const setShareOf = (index: number, share: number) =>
    change(`parts-${index}`, (mix) => {
      typedShares.add(at(mix.parts, index).materialId)
      mix.parts = setShare(mix.parts, index, share, ({ materialId }) => typedShares.has(materialId))
    })
  const dragBoundary = (boundary: number, upperParts: number) =>
    change(`boundary-${boundary}`, (mix) => (mix.parts = moveBoundary(mix.parts, boundary, upperParts)))
  const addMaterial = (materialId: string) =>
    change('material', (mix) => mix.parts.push({ materialId, parts: 1 }))
  const removeMaterial = (index: number) => change('material', (mix) => mix.parts.splice(index, 1))
  const addFill = (containerId: string) =>
    change('container', (mix) =>
      mix.fills.push({ containerId, count: 1, coverMm: 0, coverMaterialId: COVER_IS_THE_MIX }),
    )
  /** The mix that lies below in layered containers. */
  const chooseLower = (id: string) =>
    change('lower', (mix) => {
      const chosen = recipes.value.find((candidate) => candidate.id === id)
      mix.lowerRecipeId = id
      if (chosen) mix.lowerParts = copyOf([...chosen.parts])
    })
  const DEFAULT_TOP_MM = 25
  const setLayer = (index: number, topMm: number | null) =>
    change(`layer-${index}`, (mix) => {
      at(mix.fills, index).topMm = topMm
    })
  function layer(index: number, on: boolean) {
    const depthMm = context.containers.get(at(draft.value.fills, index).containerId)?.shape.depthMm ?? 60
    setLayer(index, on ? Math.min(DEFAULT_TOP_MM, Math.round(depthMm / 2)) : null)
    if (on && draft.value.lowerParts.length === 0) chooseLower('stretched-potting')
  }
  /** So many whole containers: parts of a shared tray are whole again. */
  const setCount = (index: number, count: number) =>
    change(`count-${index}`, (mix) => {
      at(mix.fills, index).count = count
      at(mix.fills, index).cells = null
    })
  const removeFill = (index: number) => change('container', (mix) => mix.fills.splice(index, 1))

  const asDraft = ({ id, version, body }: Stored<BatchRecord>): MixDraft => ({ ...copyOf(body), id, version })
  const put = (batch: Stored<BatchRecord>) => (draft.value = asDraft(batch))
  function open(batch: Stored<BatchRecord>) {
    restart(asDraft(batch))
    dismiss()
  }
  /** Something stands on the bench that is kept nowhere. */
  const loose = computed(() => (saved.value ? unsaved.value : !dequal(draft.value, fresh())))
  function begin() {
    restart(fresh())
    dismiss()
  }

  async function save(): Promise<Stored<BatchRecord> | null> {
    const { id: _id, version: _version, ...body } = copyOf(draft.value)
    body.name = body.name.trim() || (recipe.value ? `${recipe.value.name} batch` : 'Batch')
    return keep(body)
  }
  return {
    draft,
    change,
    restart,
    problems,
    problem,
    plan,
    problemAt,
    saving,
    dismiss,
    recipes,
    recipe,
    adjusted,
    saved,
    unsaved,
    loose,
    chooseRecipe,
    setParts,
    setShareOf,
    dragBoundary,
    addMaterial,
    removeMaterial,
    addFill,
    setCount,
    removeFill,
    chooseLower,
    setLayer,
    layer,
    open,
    begin,
    save,
  }
})
