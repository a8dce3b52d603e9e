<script setup lang="ts">
import Accordion from 'primevue/accordion'
import AccordionContent from 'primevue/accordioncontent'
import AccordionHeader from 'primevue/accordionheader'
import AccordionPanel from 'primevue/accordionpanel'

/** Something that is there when it is wanted: what is folded away is not drawn. */
const props = defineProps<{
  title?: string
  /** Under this name it stays, on this device, as it was left. */
  keptAs?: string
  /** Something in it has to be seen: it opens, and stays open. */
  needed?: boolean
}>()
const open = defineModel<boolean>('open', { default: false })
const value = useId()
const left = useKept<Record<string, boolean>>('folds', {})
if (props.keptAs && left.value[props.keptAs] !== undefined) open.value = left.value[props.keptAs] ?? false
watch(
  () => props.needed,
  (now) => now && (open.value = true),
  { immediate: true },
)
function set(to: boolean) {
  open.value = to
  if (props.keptAs) left.value = { ...left.value, [props.keptAs]: to }
}
</script>

<template>
  <Accordion lazy :value="open ? value : null" @update:value="set($event === value)">
    <AccordionPanel :value="value">
      <AccordionHeader
        ><slot name="title">{{ title }}</slot></AccordionHeader
      >
      <AccordionContent><slot /></AccordionContent>
    </AccordionPanel>
  </Accordion>
</template>
