<script setup lang="ts">
import { inSentence } from '#core/text/plurals'

/** What to take care of, named where the hazard arises; what to do about it a press away. */
const props = defineProps<{
  cautions: readonly { readonly id: string; readonly title: string; readonly text: string }[]
  open?: boolean
}>()
const names = computed(() => props.cautions.map(({ title }, i) => (i ? inSentence(title) : title)).join(', '))
const { said } = useMeasures()
</script>

<template>
  <div v-if="cautions.length" class="caution">
    <FoldAway :open="open ?? false">
      <template #title
        ><span><strong>Take care:</strong> {{ names }}</span></template
      >
      <ul class="cautions" aria-label="Cautions">
        <li v-for="one in cautions" :key="one.id">
          <strong>{{ one.title }}.</strong> <slot :name="one.id" />{{ said(one.text) }}
        </li>
      </ul>
    </FoldAway>
  </div>
</template>
