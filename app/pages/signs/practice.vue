<script setup lang="ts">
import { counted } from '#core/text/plurals'
import type { CauseId } from '#core/signs/causes'
import { CAUSE_WORDS, sayBecause } from '#shared/messages/signs'
import type { SignRecord } from '#core/signs/record'
import { signById } from '#core/signs/seen'
import { printNumber, printShare } from '#core/units/format'
import { contextOf } from '#shared/derived/context'
import {
  PRACTICE_ASKS,
  practiceChoices,
  practiceTray,
  tellingAsks,
  type PracticeAsk,
} from '#shared/derived/practice-tray'

definePageMeta({
  place: {
    title: 'Diagnosis practice',
    what: 'a made-up tray with a problem to find',
    words: 'learn quiz train exercise signs',
    parent: '/trays',
  },
})

const { said, temperature } = useMeasures()
// The book alone: a made-up tray is nobody's.
const book = contextOf({})
const seed = ref(Math.floor(Math.random() * 100_000))
const tray = computed(() => practiceTray(seed.value, book))
const asked = ref<PracticeAsk[]>([])
const decided = ref<CauseId | null>(null)
const score = ref({ right: 0, of: 0 })

function next() {
  seed.value = Math.floor(Math.random() * 100_000)
  asked.value = []
  decided.value = null
}
function decide(id: CauseId) {
  if (decided.value) return
  decided.value = id
  score.value = { right: score.value.right + (id === tray.value.cause ? 1 : 0), of: score.value.of + 1 }
}
const telling = computed(() => tellingAsks(tray.value))

const n = (value: number | null, unit = '') =>
  value === null ? 'unknown' : `${printNumber(value, 2)}${unit}`
const share = (value: number | null) =>
  value === null ? 'unknown' : printShare(Math.round(value * 100) / 100)
const days = (value: number | null) => (value === null ? 'unknown' : counted(Math.round(value), 'day'))
/** What is read when it is asked, as at the bench. */
const READS: Record<PracticeAsk, (record: SignRecord) => string[]> = {
  weight: ({ waterGone }) => [
    `${share(waterGone === null ? null : Math.min(1.2, waterGone))} of the water it can easily have is gone`,
    waterGone !== null && waterGone > 0.45
      ? 'light to lift'
      : waterGone !== null && waterGone < 0.15
        ? 'heavy'
        : 'middling',
  ],
  week: ({ wetDays, dryDays, fromAbove }) => [
    `wet on ${days(wetDays)} of the last seven, dry on ${days(dryDays)}`,
    fromAbove ? 'watered from above' : 'watered from below',
  ],
  roots: ({ air, airLeast, roots, overstayed }) => [
    `roots: ${roots}`,
    `${share(air)} of the drained cell is air; ${share(airLeast)} is the least`,
    `${share(overstayed)} of its usual days in this container`,
  ],
  feed: ({ lastNMgPerL, daysSinceFed, daysPastFood, band }) => [
    lastNMgPerL === null
      ? 'never fed'
      : `last feed ${n(lastNMgPerL)} mg/L, ${days(daysSinceFed)} ago; ${band[0]}–${band[1]} is usual`,
    daysPastFood !== null && daysPastFood > 0
      ? `the mix ran out of food ${days(daysPastFood)} ago`
      : 'food in reach',
  ],
  salts: ({ ecMsPerCm, saltsMsPerCm, ecLimitMsPerCm }) => [
    `what drains off: ${n(ecMsPerCm, ' mS/cm')}; ${n(ecLimitMsPerCm)} is the most`,
    `the mix as made: ${n(saltsMsPerCm, ' mS/cm')}`,
  ],
  water: ({ alkalinityMgPerL, ph }) => [
    `alkalinity of the tap ${n(alkalinityMgPerL, ' mg/L')}`,
    `pH of the mix ${n(ph)}`,
  ],
  warmth: ({ coldestC, warmestC, mixC, humidity }) => [
    `air ${coldestC === null ? '?' : temperature(coldestC)} to ${warmestC === null ? '?' : temperature(warmestC)}, mix ${mixC === null ? '?' : temperature(mixC)}`,
    `humidity ${share(humidity)}`,
  ],
  light: ({ lightMol, lightLeast }) => [`${n(lightMol, ' mol/m² a day')}; ${n(lightLeast)} is the least`],
  mix: ({ peat, perlite, living }) => [
    `peat ${share(peat)}, perlite ${share(perlite)}, compost and castings ${share(living)}`,
  ],
  days: ({ daysUp, daysOutside }) => [
    `up since ${days(daysUp)}`,
    daysOutside === null ? 'never outside' : `outside since ${days(daysOutside)}`,
  ],
}
</script>

<template>
  <div class="practice">
    <PageTop title="Diagnosis practice" />
    <section class="tray" aria-label="The tray">
      <SignPicture :sign="tray.sign" :label="signById(tray.sign).name" class="picture" />
      <div>
        <p class="soft small">made up, day {{ tray.day }} after sowing</p>
        <h2>{{ tray.crop }}: {{ signById(tray.sign).name.toLowerCase() }}</h2>
        <p v-if="score.of" class="soft">{{ score.right }} of {{ score.of }} found so far.</p>
      </div>
    </section>
    <section class="column stack-l" aria-labelledby="ask-title">
      <h2 id="ask-title">Ask for a measurement</h2>
      <ul class="asks stack-s">
        <li v-for="ask in PRACTICE_ASKS" :key="ask.id">
          <Button :disabled="asked.includes(ask.id)" @click="asked.push(ask.id)">{{ ask.name }}</Button>
          <p
            v-if="asked.includes(ask.id) || decided"
            :class="{ telling: decided && telling.includes(ask.id) }"
          >
            {{ READS[ask.id](tray.record).map(said).join('; ') }}
          </p>
        </li>
      </ul>
    </section>
    <section class="column stack-l" aria-labelledby="decide-title" aria-live="polite">
      <h2 id="decide-title">What is it?</h2>
      <div class="choices stack-s">
        <Button
          v-for="choice in practiceChoices(tray.sign)"
          :key="choice.id"
          :disabled="decided !== null && decided !== choice.id && tray.cause !== choice.id"
          :class="{ chosen: decided === choice.id }"
          @click="decide(choice.id)"
          >{{ choice.name }}</Button
        >
      </div>
      <template v-if="decided">
        <p class="verdict">
          {{ decided === tray.cause ? 'Yes:' : 'No. It was:' }}
          {{ CAUSE_WORDS[tray.cause].name.toLowerCase() }}.
          {{ said(CAUSE_WORDS[tray.cause].then) }}
        </p>
        <p>
          You asked for {{ counted(asked.length, 'measurement') }}.
          {{
            telling.length
              ? `What told: ${PRACTICE_ASKS.filter(({ id }) => telling.includes(id))
                  .map(({ name }) => name.toLowerCase())
                  .join(', ')}.`
              : 'The sign alone told it.'
          }}
        </p>
        <h3>What the record would have said</h3>
        <ol class="stack-s">
          <li v-for="cause in tray.causes.slice(0, 4)" :key="cause.id">
            <b>{{ CAUSE_WORDS[cause.id].name }}</b> {{ printShare(Math.round(cause.weight * 100) / 100) }}:
            {{ said(sayBecause(cause, tray.record)) }}.
          </li>
        </ol>
        <Button class="main" @click="next">Another tray</Button>
      </template>
    </section>
  </div>
</template>

<style scoped>
.practice {
  display: grid;
  grid-template-columns: minmax(18rem, 1fr) minmax(18rem, 1fr);
  gap: 1.2rem 2rem;
  align-items: start;
  max-width: 66rem;
}

.tray {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: 11rem minmax(0, 1fr);
  gap: 1.2rem;
  align-items: end;
}

.tray h2 {
  font-size: 1.6rem;
}

.asks p {
  padding: 0.2rem 0 0.2rem 0.8rem;
  border-left: 3px solid var(--line-strong);
}

.asks .telling {
  border-color: var(--marigold);
  background: var(--paper-deep);
}

.choices :deep(.button),
.asks :deep(.button) {
  white-space: normal;
  text-align: left;
}

.choices .chosen {
  border-color: var(--enamel);
}

.verdict {
  font-size: 1.125rem;
  font-weight: 600;
}

@media (max-width: 52rem) {
  .practice {
    grid-template-columns: minmax(0, 1fr);
  }

  .tray {
    grid-template-columns: 7rem minmax(0, 1fr);
  }
}
</style>
