<script setup lang="ts" generic="C extends Collection">
import { Form } from '@primevue/forms'
import { zodResolver } from '@primevue/forms/resolvers/zod'
import type { AnyProblem } from '#shared/messages/refusals'
import { bodyOf, type Bodies, type Stored } from '#shared/records/collections'
import type { Collection } from '#shared/records/collection-names'
import { problemsFrom } from '#shared/records/rules'

/**
 * A record of any collection in a dialog: its fields, what is wrong at each by the rules it is kept by, and what to do
 * when somebody else was faster.
 */
const props = defineProps<{
  collection: C
  header: string
  /** The record that is changed; none for a new one. */
  stored?: Stored<Bodies[C]> | undefined
  /** What a new one begins with. */
  first: Bodies[C]
  /** Rules that need to know more than the record. */
  alsoWrong?: (body: Bodies[C]) => readonly AnyProblem[]
  /** The last touch before it is kept, such as a name that was left open. */
  finish?: (body: Bodies[C]) => Bodies[C]
}>()
const emit = defineEmits<{ saved: [stored: Stored<Bodies[C]>]; close: [] }>()

const draft = ref(copyOf(props.stored?.body ?? props.first)) as Ref<Bodies[C]>
const { saving, save, dismiss } = useSaving(props.collection)
const { first: unreadable } = provideUnreadable()

const schema = bodyOf(props.collection)
const whole = () => props.finish?.(copyOf(draft.value)) ?? draft.value
const problems = computed((): readonly AnyProblem[] => {
  const read = schema.safeParse(whole())
  if (!read.success) return problemsFrom(read.error)
  return props.alsoWrong?.(draft.value) ?? []
})
const problemAt = useProblemAt(() => problems.value, saving)
provideRecordDraft({ draft, schema, words: props.collection, problemAt })
const blocked = computed(
  () => problems.value.length > 0 || !!unreadable.value || saving.value.state === 'busy',
)
// The form reads what the fields hold, which is the draft, by the schema it is kept by.
const resolve = () =>
  zodResolver(schema as never)({ values: whole() as Record<string, unknown>, names: [] } as never)

/** One form is one record, however often its button is pressed. */
const ownId = newId()
async function keep({ valid }: { valid: boolean }) {
  if (!valid || blocked.value) return
  const { stored } = props
  const kept = await save(stored?.id ?? ownId, stored?.version ?? 0, schema.parse(whole()))
  if (!kept) return
  emit('saved', kept.stored)
  emit('close')
}
</script>

<template>
  <Dialog visible modal :header="header" :draggable="false" @update:visible="emit('close')">
    <Form class="record stack-l" :resolver="resolve" @submit="keep">
      <slot :draft="draft" :problem-at="problemAt" :problems="problems" />
      <SaveProblem :saving="saving" @settled="emit('close')" @later="dismiss" />
      <div class="buttons">
        <Button type="submit" class="main" :disabled="blocked">Save</Button>
        <slot name="more" :draft="draft" />
        <Button @click="emit('close')">Cancel</Button>
      </div>
    </Form>
  </Dialog>
</template>
