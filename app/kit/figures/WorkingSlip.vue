<script setup lang="ts">
import { present } from '#core/present'
import type { Figure } from '#core/working/figure'
import { withNumbers } from '#core/working/explain'
import { printFigure, printFormula } from '#core/working/print'
import { printNumber } from '#core/units/format'

/** One slip for the whole application: the figure last pressed, its formula, its inputs and where each came from. */
const working = useWorking()
const household = useHousehold()
const popover = useTemplateRef('popover')

async function show() {
  const { anchor } = working
  if (!anchor) return
  await nextTick()
  popover.value?.show({ currentTarget: anchor } as unknown as Event, anchor)
}
watch(() => working.anchor, show)
// The first figure that is pressed is what it was loaded for.
onMounted(show)

const figure = computed(() => working.figure)
const derived = computed(() => (figure.value?.working.kind === 'derived' ? figure.value.working : null))
/** In the order of the formula. */
const inputs = computed(() => {
  const { formula = '', inputs: all = {} } = derived.value ?? {}
  const at = (name: string) => formula.search(new RegExp(`\\b${name}\\b`))
  return Object.entries(all).sort(([a], [b]) => at(a) - at(b))
})
const exact = (shown: Figure) =>
  shown.unit === 'share'
    ? printNumber(shown.value, 4)
    : `${printNumber(shown.value, 5)}${shown.unit ? ` ${shown.unit}` : ''}`
const symbol = (name: string) => name.split('_')
</script>

<template>
  <Popover ref="popover" :pt="{ root: { 'aria-label': 'Working' } }" @hide="working.close()">
    <section v-if="figure" class="slip" data-testid="working">
      <header>
        <p class="soft small">
          <button v-if="working.trail.length > 1" type="button" class="back" @click="working.back()">
            ← {{ present(working.trail.at(-2)).name }}
          </button>
          <span v-else>Working</span>
        </p>
        <h2>{{ figure.name }}</h2>
        <p class="value">{{ printFigure(figure, household.units, household.thermometer) }}</p>
      </header>

      <template v-if="derived">
        <p class="formula">{{ printFormula(derived.formula) }}</p>
        <p class="formula numbers">
          = {{ printFormula(withNumbers(figure)) }}<br />= <strong>{{ exact(figure) }}</strong>
        </p>
        <p v-if="derived.why" class="why">{{ derived.why }}</p>
        <dl v-if="inputs.length">
          <div v-for="[name, input] in inputs" :key="name">
            <dt>
              <i
                >{{ symbol(name)[0] }}<sub v-if="symbol(name)[1]">{{ symbol(name)[1] }}</sub></i
              >
              {{ input.name }}
            </dt>
            <dd>
              <span class="amount strong">{{ exact(input) }}</span>
              <span v-if="input.working.kind === 'given'" class="source soft small">
                <SourceMark :tag="input.working.source.tag" />
                {{ input.working.source.cite }}
              </span>
              <button v-else type="button" class="deeper" @click="working.into(input)">
                how this was reached →
              </button>
            </dd>
          </div>
        </dl>
      </template>
      <p v-else-if="figure.working.kind === 'given'" class="source soft small">
        <SourceMark :tag="figure.working.source.tag" />
        {{ figure.working.source.cite }}
      </p>
    </section>
  </Popover>
</template>

<style scoped>
.slip {
  padding: 1rem 1.1rem 1.1rem;
}

.back,
.deeper {
  padding: 0.15rem 0;
  color: var(--enamel);
  text-align: left;
}

.back:hover,
.deeper:hover {
  text-decoration: underline;
}

.value {
  margin-top: 0.15rem;
  font: 700 1.5rem/1.2 var(--heading);
  color: var(--enamel);
}

.formula {
  margin-top: 0.6rem;
  font-style: italic;
  overflow-wrap: anywhere;
}

.numbers {
  margin-top: 0.15rem;
  font-style: normal;
}

.why {
  margin-top: 0.4rem;
  color: var(--ink-soft);
}

dl {
  margin-top: 0.7rem;
  border-top: 1px solid var(--line);
}

dl > div {
  padding: 0.4rem 0;
  border-bottom: 1px solid var(--line);
}

dt i {
  display: inline-block;
  min-width: 1.6em;
  color: var(--enamel);
  font-weight: 650;
}

dd {
  display: flex;
  flex-wrap: wrap;
  gap: 0.1rem 0.6rem;
  align-items: baseline;
  padding-left: 1.6em;
}
</style>
