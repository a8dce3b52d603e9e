<script setup lang="ts">
import type { CautionId } from '#core/cautions/caution'
import { inSentence } from '#core/text/plurals'
import { sayCautions } from '#shared/messages/cautions'

/** What to take care of, named where the hazard arises; what to do about it a press away. */
const props = defineProps<{
  cautions: readonly CautionId[]
  open?: boolean
}>()
const { said } = useMeasures()
const list = computed(() => sayCautions(props.cautions, said))
const names = computed(() => list.value.map(({ title }, i) => (i ? inSentence(title) : title)).join(', '))
</script>

<template>
  <div v-if="cautions.length" class="caution">
    <FoldAway :open="open ?? false">
      <template #title
        ><span><strong>Take care:</strong> {{ names }}</span></template
      >
      <ul class="cautions" aria-label="Cautions">
        <li v-for="one in list" :key="one.id">
          <strong>{{ one.title }}.</strong> <slot :name="one.id" />{{ one.text }}
        </li>
      </ul>
    </FoldAway>
  </div>
</template>
