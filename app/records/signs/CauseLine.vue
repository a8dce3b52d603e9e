<script setup lang="ts">
import type { Cause } from '#core/signs/causes'
import { capital } from '#core/text/capital'
import type { SignRecord } from '#core/signs/record'
import { CAUSE_WORDS, sayBecause } from '#shared/messages/signs'

/** What may be behind a sign: how likely, why, what to do, and what would tell it from the others. */
const props = defineProps<{ cause: Cause; record: SignRecord; first?: boolean }>()
const words = computed(() => CAUSE_WORDS[props.cause.id])
const { said } = useMeasures()
const likely = ({ weight, known }: Cause) =>
  !known ? 'unknown' : weight > 0.6 ? 'likely' : weight > 0.3 ? 'possible' : 'less likely'
</script>

<template>
  <li class="stack-s" :class="{ first: first && cause.known, nothing: cause.nothing }">
    <h3>
      {{ said(words.name) }} <span class="how">{{ likely(cause) }}</span>
    </h3>
    <p class="then strong">{{ said(words.then) }}</p>
    <p>{{ capital(said(sayBecause(cause, record))) }}.</p>
    <p class="soft"><b>To tell:</b> {{ said(words.look) }}</p>
  </li>
</template>

<style scoped>
li {
  padding: 0.7rem 0 0.7rem 1rem;
  border-left: 4px solid var(--line-strong);
  margin-bottom: 0.7rem;
}

.first {
  border-color: var(--marigold);
}

.nothing {
  border-color: var(--enamel);
}

.how {
  margin-left: 0.4rem;
  padding: 0 0.5em;
  border: 1.5px solid var(--line-strong);
  border-radius: 1em;
  color: var(--ink-soft);
  font: 500 0.9375rem/1.5 var(--text);
}
</style>
