<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { intervalOf, WILD_AT, type Belief } from '#core/learning/learning'

/** What the book says and what was measured, on one line: the book's span thin, yours thick, each measurement a dot. */
const props = defineProps<{
  book: Belief
  yours: Belief | null
  measured: readonly { readonly value: number; readonly far: number }[]
  print: (value: number) => string
  label: string
}>()
const WIDTH = 360
const span = computed(() => {
  const book = intervalOf(props.book)
  const own = props.yours ? intervalOf(props.yours) : book
  const values = [...book, ...own, ...props.measured.map(({ value }) => value)]
  return [Math.min(...values), Math.max(...values)] as const
})
const x = computed(() =>
  scaleLinear()
    .domain(span.value)
    .range([10, WIDTH - 10]),
)
const bar = (belief: Belief) => {
  const [low, high] = intervalOf(belief)
  return { x1: x.value(low), x2: x.value(high), at: x.value(belief.mean) }
}
const said = computed(() => {
  const [low, high] = intervalOf(props.book)
  const own = props.yours ? intervalOf(props.yours) : null
  return `${props.label}. The book: ${props.print(props.book.mean)}, between ${props.print(low)} and ${props.print(high)}. ${
    own && props.yours
      ? `Yours: ${props.print(props.yours.mean)}, between ${props.print(own[0])} and ${props.print(own[1])}.`
      : 'Nothing measured yet.'
  }`
})
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} 62`" role="img" :aria-label="said" class="belief">
    <g class="book">
      <line :x1="bar(book).x1" :x2="bar(book).x2" y1="14" y2="14" />
      <line :x1="bar(book).at" :x2="bar(book).at" y1="8" y2="20" class="tick" />
    </g>
    <g v-if="yours" class="yours">
      <line :x1="bar(yours).x1" :x2="bar(yours).x2" y1="36" y2="36" />
      <line :x1="bar(yours).at" :x2="bar(yours).at" y1="27" y2="45" class="tick" />
    </g>
    <circle
      v-for="(one, i) in measured"
      :key="i"
      :cx="x(one.value)"
      cy="54"
      r="4"
      :class="{ wild: one.far > WILD_AT }"
    />
  </svg>
</template>

<style scoped>
.belief {
  width: 100%;
  max-width: 24rem;
  height: auto;
}

.book line {
  stroke: var(--ink-soft);
  stroke-width: 2;
}

.book .tick {
  stroke-width: 2.5;
}

.yours line {
  stroke: var(--enamel);
  stroke-width: 7;
  stroke-linecap: round;
}

.yours .tick {
  stroke: var(--ink);
  stroke-width: 3;
}

circle {
  fill: var(--marigold);
}

.wild {
  fill: none;
  stroke: var(--marigold);
  stroke-width: 2;
  stroke-dasharray: 2 2;
}
</style>
