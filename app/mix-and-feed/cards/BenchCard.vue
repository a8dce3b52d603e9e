<script setup lang="ts">
import { present } from '#core/present'
import { ArrowLeft, Printer } from '@lucide/vue'
import type { CautionId } from '#core/cautions/caution'
import { sayCautions } from '#shared/messages/cautions'

/** One A4 page to stand on the bench. */
defineProps<{
  title: string
  kicker: string
  cautions: readonly CautionId[]
  back: string
  backLabel?: string
  /** The same card as PDF. */
  pdf?: string
}>()
const household = useHousehold()
const printPage = () => window.print()
const { said } = useMeasures()
</script>

<template>
  <div class="wrap">
    <div class="bar no-print row">
      <NuxtLink :to="back" class="button"
        ><ArrowLeft aria-hidden="true" /> {{ backLabel ?? 'Edit' }}</NuxtLink
      >
      <slot name="bar" />
      <a v-if="pdf" class="button" :href="pdf">PDF</a>
      <Button @click="printPage"> <Printer aria-hidden="true" /> Print </Button>
    </div>
    <article class="card" data-testid="bench-card">
      <header>
        <p class="kicker">{{ kicker }}</p>
        <h1>{{ title }}</h1>
      </header>
      <slot />
      <section v-if="cautions.length" class="cautions" :aria-label="`Take care: ${title}`">
        <h2>Take care</h2>
        <ul>
          <li v-for="caution in sayCautions(cautions, said)" :key="caution.id" class="caution">
            <strong>{{ caution.title }}.</strong> {{ caution.text }}
          </li>
        </ul>
      </section>
      <footer class="soft small">
        {{ present(household.record).name }} · Calculated by Blastomix. Always follow product labels, local
        codes and licensed advice.
      </footer>
    </article>
  </div>
</template>

<style scoped>
.wrap {
  max-width: 52rem;
  margin: 0 auto;
}

.bar {
  padding-bottom: 1rem;
}

.bar > :first-child {
  margin-right: auto;
}

.card {
  display: grid;
  gap: 1.3rem;
  padding: clamp(1.1rem, 4vw, 2.6rem);
  background: var(--paper-raised);
  box-shadow: var(--shade);
}

.kicker {
  color: var(--enamel);
  font-weight: 650;
}

h1 {
  font-size: clamp(1.8rem, 1.3rem + 2.4vw, 2.6rem);
}

.cautions {
  display: grid;
  gap: 0.6rem;
  padding-top: 1rem;
  border-top: 2px solid var(--ink);
}

.cautions ul {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(17rem, 1fr));
  gap: 0.6rem 1.4rem;
}

.cautions li {
  font-size: 0.9375rem;
  line-height: 1.3;
  break-inside: avoid;
}

@media print {
  .wrap {
    max-width: none;
  }

  .card {
    gap: 0.5rem;
    padding: 0;
    box-shadow: none;
  }

  h1 {
    font-size: 18pt;
  }

  .cautions {
    gap: 0.3rem;
    padding-top: 0.5rem;
  }

  .cautions li {
    font-size: 9pt;
    line-height: 1.2;
  }
}
</style>
