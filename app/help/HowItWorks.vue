<script setup lang="ts">
import { present } from '#core/present'

/** How everything works together, drawn: what is said flows to the right into what is done, and what happened flows back. */
interface Node {
  id: string
  x: number
  y: number
  title: string
  text: string
  to: string
  kind: 'said' | 'worked out' | 'done'
}
const W = 188
const H = 62
const NODES: readonly Node[] = [
  { id: 'wish', x: 10, y: 40, title: 'What you want', text: '48 basil by 20 May', to: '/plan', kind: 'said' },
  {
    id: 'frost',
    x: 10,
    y: 150,
    title: 'Frosts and places',
    text: 'when, where, light',
    to: '/plan?frame=open',
    kind: 'said',
  },
  {
    id: 'supplies',
    x: 10,
    y: 260,
    title: 'Your supplies',
    text: 'materials, feeds, tools',
    to: '/supplies',
    kind: 'said',
  },
  {
    id: 'schedule',
    x: 250,
    y: 95,
    title: 'Schedule',
    text: 'seed to planting out',
    to: '/plan',
    kind: 'worked out',
  },
  {
    id: 'mix',
    x: 490,
    y: 40,
    title: 'Mix',
    text: 'litres for every stage',
    to: '/batches',
    kind: 'worked out',
  },
  { id: 'feed', x: 490, y: 150, title: 'Feed', text: 'from mg/L to spoons', to: '/feed', kind: 'worked out' },
  {
    id: 'buy',
    x: 490,
    y: 260,
    title: 'Shopping list',
    text: 'what you need to buy',
    to: '/plan/shopping',
    kind: 'worked out',
  },
  { id: 'trays', x: 730, y: 40, title: 'Trays', text: 'cells and counts', to: '/trays', kind: 'done' },
  { id: 'today', x: 730, y: 150, title: 'Today', text: 'jobs, step by step', to: '/', kind: 'done' },
  { id: 'log', x: 730, y: 260, title: 'Log', text: 'what happened', to: '/records', kind: 'done' },
  {
    id: 'learned',
    x: 250,
    y: 330,
    title: 'Your own figures',
    text: 'from your records',
    to: '/records/learned',
    kind: 'worked out',
  },
]
const node = (id: string) => present(NODES.find((one) => one.id === id))
const right = (id: string) => ({ x: node(id).x + W, y: node(id).y + H / 2 })
const left = (id: string) => ({ x: node(id).x, y: node(id).y + H / 2 })
const FLOWS: readonly (readonly [from: string, to: string])[] = [
  ['wish', 'schedule'],
  ['frost', 'schedule'],
  ['schedule', 'mix'],
  ['schedule', 'feed'],
  ['supplies', 'buy'],
  ['mix', 'trays'],
  ['mix', 'today'],
  ['feed', 'today'],
]
const curve = ([from, to]: readonly [string, string]) => {
  const [a, b] = [right(from), left(to)]
  const bend = (b.x - a.x) / 2
  return `M${a.x} ${a.y} C${a.x + bend} ${a.y} ${b.x - bend} ${b.y} ${b.x} ${b.y}`
}
const down = (from: string, to: string) =>
  `M${node(from).x + W / 2} ${node(from).y + H} L${node(to).x + W / 2} ${node(to).y}`
const BACK = `M${node('log').x + W / 2} ${node('log').y + H} C${node('log').x + W / 2} 400 ${node('learned').x + W + 120} 390 ${node('learned').x + W} ${node('learned').y + H / 2}`
const AGAIN = `M${node('learned').x + W / 2} ${node('learned').y} L${node('schedule').x + W / 2} ${node('schedule').y + H}`
</script>

<template>
  <figure class="stack-l">
    <DrawingFrame file="how-it-works" title="How it works"
      ><div class="scrolls" tabindex="0" role="region" aria-label="The drawing">
        <svg class="drawn" viewBox="0 0 930 410" role="img" aria-labelledby="how-title how-text">
          <title id="how-title">How it works</title>
          <desc id="how-text">
            What you tell it on the left becomes a plan in the middle and jobs on the right; what happened
            flows back as your own figures. The list below says the same.
          </desc>
          <defs>
            <marker
              id="tip"
              viewBox="0 0 8 8"
              refX="7"
              refY="4"
              markerWidth="7"
              markerHeight="7"
              orient="auto"
            >
              <path d="M0 0L8 4L0 8Z" fill="var(--line-strong)" />
            </marker>
          </defs>
          <g class="heads" aria-hidden="true">
            <text :x="10 + W / 2" y="22">You tell it</text>
            <text :x="250 + W + 36" y="22">It works out</text>
            <text :x="730 + W / 2" y="22">You do</text>
          </g>
          <path
            v-for="flow in FLOWS"
            :key="flow.join()"
            :d="curve(flow)"
            class="flow"
            marker-end="url(#tip)"
          />
          <path :d="down('feed', 'buy')" class="flow" marker-end="url(#tip)" />
          <path :d="down('trays', 'today')" class="flow" marker-end="url(#tip)" />
          <path :d="down('today', 'log')" class="flow" marker-end="url(#tip)" />
          <path :d="BACK" class="flow back" marker-end="url(#tip)" />
          <path :d="AGAIN" class="flow back" marker-end="url(#tip)" />
          <g
            v-for="one in NODES"
            :key="one.id"
            class="node"
            :class="one.kind.replace(' ', '-')"
            :transform="`translate(${one.x} ${one.y})`"
            aria-hidden="true"
            @click="navigateTo(one.to)"
          >
            <rect :width="W" :height="H" rx="9" />
            <text x="12" y="26" class="title">{{ one.title }}</text>
            <text x="12" y="47">{{ one.text }}</text>
          </g>
        </svg>
      </div></DrawingFrame
    >
    <figcaption>
      <ol>
        <li>
          You tell it <NuxtLink to="/plan">what you want to grow</NuxtLink>, your
          <NuxtLink to="/plan?frame=open">frosts and places</NuxtLink>, and
          <NuxtLink to="/supplies">what you have</NuxtLink>.
        </li>
        <li>
          It works out a <NuxtLink to="/plan">schedule</NuxtLink>: containers, mixes and feeds with their
          dates, <NuxtLink to="/batches">how much mix</NuxtLink>,
          <NuxtLink to="/feed">how much feed</NuxtLink> and
          <NuxtLink to="/plan/shopping">what to buy</NuxtLink>.
        </li>
        <li>
          <NuxtLink to="/">Today</NuxtLink> and the <NuxtLink to="/trays">trays</NuxtLink> guide the work;
          what happened goes into the <NuxtLink to="/records">log</NuxtLink>.
        </li>
        <li>
          Your records correct <NuxtLink to="/records/learned">your own figures</NuxtLink>, and the next plan
          uses them.
        </li>
      </ol>
    </figcaption>
  </figure>
</template>

<style scoped>
.heads text {
  text-anchor: middle;
  font: 650 17px var(--heading);
  fill: var(--ink-soft);
}

.flow {
  fill: none;
  stroke: var(--line-strong);
  stroke-width: 2.5;
}

.back {
  stroke: var(--enamel);
  stroke-dasharray: 6 5;
}

.node {
  cursor: pointer;
}

.node rect {
  fill: var(--paper-raised);
  stroke: var(--line-strong);
  stroke-width: 1.6;
}

.node.said rect {
  fill: var(--paper-deep);
}

.node.worked-out rect {
  stroke: var(--enamel);
}

.node.done rect {
  fill: var(--enamel);
  stroke: var(--enamel);
}

.node text {
  font-size: 14.5px;
  fill: var(--ink);
}

.node .title {
  font: 700 17px var(--heading);
}

.node.done text {
  fill: var(--on-enamel);
}

/* On a phone it is moved sideways rather than made too small to read. */

@media (max-width: 46rem) {
  svg {
    width: 46rem;
  }
}
</style>
