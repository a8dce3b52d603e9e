import { present } from '#core/present'
import { lowerIn, type BatchPlan } from '#core/media/batch'
import { insideOf } from '#core/media/inside'

/** What a seedling finds in one of the containers of the mix on the bench. */
export function useInside(plan: Readonly<Ref<BatchPlan | null>>, index: () => number) {
  const mix = useMixDraft()
  const fill = computed(() => plan.value?.fills[index()]?.fill)
  /** The mix below it in this container, where it is filled in layers. */
  const lower = computed(() => (plan.value ? lowerIn(plan.value, index()) : null))
  const press = computed(() => mix.draft.allowances.blockCompression)
  const seen = computed(() =>
    plan.value && fill.value
      ? insideOf(fill.value.container, plan.value, plan.value.chemistry, {
          lower: lower.value,
          press: press.value,
          plants: present(fill.value).plants ?? 1,
        })
      : null,
  )
  return { seen, lower, press }
}
