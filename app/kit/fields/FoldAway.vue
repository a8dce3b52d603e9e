<script setup lang="ts">
import { useId } from 'vue'
import Accordion from 'primevue/accordion'
import AccordionContent from 'primevue/accordioncontent'
import AccordionHeader from 'primevue/accordionheader'
import AccordionPanel from 'primevue/accordionpanel'

/** Something that is there when it is wanted: what is folded away is not drawn. */
defineProps<{ title?: string }>()
const open = defineModel<boolean>('open', { default: false })
const value = useId()
</script>

<template>
  <Accordion lazy :value="open ? value : null" @update:value="open = $event === value">
    <AccordionPanel :value="value">
      <AccordionHeader
        ><slot name="title">{{ title }}</slot></AccordionHeader
      >
      <AccordionContent><slot /></AccordionContent>
    </AccordionPanel>
  </Accordion>
</template>
