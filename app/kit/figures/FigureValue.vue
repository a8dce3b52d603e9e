<script setup lang="ts">
import type { Figure } from '#core/working/figure'
import { printFigure } from '#core/working/print'

/** A computed number. Pressing it shows how it was reached. */
const props = defineProps<{ figure: Figure; digits?: string }>()
const working = useWorking()
const household = useHousehold()
const printed = computed(() => printFigure(props.figure, household.units, household.thermometer))
</script>

<template>
  <button
    type="button"
    class="figure"
    :title="`How ${figure.name.toLowerCase()} was reached`"
    :aria-label="`${figure.name}: ${digits ?? printed}. Show the working.`"
    aria-haspopup="dialog"
    @click="working.open(figure, $event.currentTarget as HTMLElement)"
  >
    <slot>{{ digits ?? printed }}</slot>
  </button>
</template>

<style scoped>
.figure {
  display: inline;
  padding: 0.1em 0.1em;
  margin: -0.1em;
  border-radius: 0.2em;
  font-weight: inherit;
  letter-spacing: inherit;
  text-align: inherit;
  cursor: help;
  text-decoration: underline dotted color-mix(in srgb, currentColor 55%, transparent);
  text-decoration-thickness: 1.5px;
  text-underline-offset: 0.22em;
}

.figure:hover {
  background: var(--water-wash);
}

/* In a table it stands alone and wants a fingertip's room. */
:where(td, th) .figure {
  display: inline-block;
  min-width: 1.5rem;
  min-height: 1.5rem;
  margin: 0;
}

@media print {
  .figure {
    text-decoration: none;
  }
}
</style>
