import {
  COVER_IS_THE_MIX,
  DEFAULT_ALLOWANCES,
  plainBatch,
  planBatch,
  type BatchPlan,
} from '#core/media/batch'
import { STARTING_RECIPES, type StartingRecipe } from '#core/media/recipes'
import { moveBoundary } from '#core/media/recipe'
import { printPath } from '#core/problem'
import { asBatchRequest, batchRecordProblems, type BatchRecord } from '#shared/records/batch'
import type { Stored } from '#shared/collections'

/** A batch on the bench, not yet or no longer as it is saved. */
export interface MixDraft extends BatchRecord {
  /** Id and version of the saved batch this draft is of; version 0 when it is new. */
  id: string
  version: number
}

/** What a recipe says about making the mix. */
type Making = Pick<StartingRecipe, 'parts' | 'extras' | 'preparations'>

const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

function newDraft(): MixDraft {
  const recipe = STARTING_RECIPES[0]!
  return {
    id: '',
    version: 0,
    name: '',
    recipeId: recipe.id,
    parts: copy([...recipe.parts]),
    fills: [{ containerId: 'tray-72', count: 1, coverMm: 0, coverMaterialId: COVER_IS_THE_MIX }],
    allowances: { ...DEFAULT_ALLOWANCES },
    scoop: { name: '1 L measure', volumeL: 1 },
    ...plainBatch(),
    extras: copy([...recipe.extras]),
    preparations: [...recipe.preparations],
  }
}

export const useMixDraft = defineStore('mixDraft', () => {
  const household = useHousehold()
  const { draft, change, undo, redo, canUndo, canRedo, restart } = useHistory(newDraft)
  const { saving, save: saveRecord, dismiss } = useSaving('batches')

  const problems = computed(() => batchRecordProblems(draft.value, household.shed))
  /** Litres, scoops, packs: null while something is wrong with what was asked. */
  const plan = computed((): BatchPlan | null =>
    problems.value.length ? null : planBatch(asBatchRequest(draft.value, household.shed)),
  )
  /** The message for a field, from the rules or from the server's refusal. */
  function problemAt(field: string): string | undefined {
    const own = problems.value.find(({ path }) => printPath(path) === field)
    if (own) return own.message
    return saving.value.state === 'refused'
      ? saving.value.errors.find((error) => error.field === field)?.message
      : undefined
  }

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
    return (
      !saved.value || JSON.stringify(saved.value.body) !== JSON.stringify(orderedLike(saved.value.body, body))
    )
  })

  const chooseRecipe = (id: string) =>
    change('recipe', (mix) => {
      mix.recipeId = id
      const chosen = recipes.value.find((candidate) => candidate.id === id)
      if (chosen)
        Object.assign(
          mix,
          copy({ parts: chosen.parts, extras: chosen.extras, preparations: chosen.preparations }),
        )
    })
  const setParts = (index: number, parts: number) =>
    change(`parts-${index}`, (mix) => (mix.parts[index]!.parts = parts))
  const dragBoundary = (boundary: number, upperParts: number) =>
    change(`boundary-${boundary}`, (mix) => (mix.parts = moveBoundary(mix.parts, boundary, upperParts)))
  const addMaterial = (materialId: string) =>
    change('material', (mix) => mix.parts.push({ materialId, parts: 1 }))
  const removeMaterial = (index: number) => change('material', (mix) => mix.parts.splice(index, 1))
  const addFill = (containerId: string) =>
    change('container', (mix) =>
      mix.fills.push({ containerId, count: 1, coverMm: 0, coverMaterialId: COVER_IS_THE_MIX }),
    )
  const removeFill = (index: number) => change('container', (mix) => mix.fills.splice(index, 1))

  function open(batch: Stored<BatchRecord>) {
    restart({ ...copy(batch.body), id: batch.id, version: batch.version })
    dismiss()
  }
  function begin() {
    restart(newDraft())
    dismiss()
  }

  function adopt(stored: Stored<BatchRecord> | null) {
    if (!stored) return null
    draft.value.id = stored.id
    draft.value.version = stored.version
    draft.value.name = stored.body.name
    return stored
  }

  async function save(): Promise<Stored<BatchRecord> | null> {
    const { id, version, ...body } = copy(draft.value)
    body.name = body.name.trim() || (recipe.value ? `${recipe.value.name} batch` : 'Batch')
    return adopt(await saveRecord(id || crypto.randomUUID(), version, body))
  }
  /** After a stale write: put this draft in the place of what is stored. */
  async function keepMine() {
    if (saving.value.state === 'stale') return adopt(await saving.value.again())
  }
  function takeTheirs() {
    if (saving.value.state !== 'stale' || !saving.value.current) return
    household.put('batches', saving.value.current)
    open(saving.value.current)
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
    plan,
    problemAt,
    saving,
    dismiss,
    recipes,
    recipe,
    adjusted,
    saved,
    unsaved,
    chooseRecipe,
    setParts,
    dragBoundary,
    addMaterial,
    removeMaterial,
    addFill,
    removeFill,
    open,
    begin,
    save,
    keepMine,
    takeTheirs,
  }
})

/** jsonb keeps no order of keys; compare in the stored one's. */
function orderedLike<T extends object>(model: T, value: T): T {
  return Object.fromEntries(Object.keys(model).map((key) => [key, value[key as keyof T]])) as T
}
