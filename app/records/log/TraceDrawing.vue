<script setup lang="ts">
import type { Trace, TraceNode } from '#shared/derived/trace'

/** The way of a tray, from left to right: what it is made of, the batch, the trays, what happened to it. */
const props = defineProps<{ trace: Trace }>()
const [WIDTH, BOX, ROW, GAP] = [1120, 228, 58, 14]
const HEADS = ['Seed and materials', 'Batch', 'Trays', 'What it was given']

const columns = computed(() =>
  [0, 1, 2, 3].map((column) => props.trace.nodes.filter((node) => node.column === column)),
)
const height = computed(() => Math.max(...columns.value.map((list) => list.length)) * (ROW + GAP) + 40)
const x = (column: number) => 4 + (column * (WIDTH - BOX - 8)) / 3
const at = computed(() => {
  const placed = new Map<string, { x: number; y: number; node: TraceNode }>()
  columns.value.forEach((list, column) => {
    const top = 34 + (height.value - 40 - list.length * (ROW + GAP)) / 2
    list.forEach((node, i) => placed.set(node.id, { x: x(column), y: top + i * (ROW + GAP), node }))
  })
  return placed
})
const ways = computed(() =>
  props.trace.links.flatMap(({ from, to, says }) => {
    const [a, b] = [at.value.get(from), at.value.get(to)]
    if (!a || !b) return []
    const own = [from, to].some((id) => at.value.get(id)?.node.isAsked)
    // Trays that gave plants to one another stand above one another: the way goes round.
    if (a.x === b.x) {
      const side = a.x + BOX
      return [
        {
          key: `${from}${to}`,
          own,
          says,
          d: `M${side},${a.y + ROW / 2}C${side + 44},${a.y + ROW / 2} ${side + 44},${b.y + ROW / 2} ${side},${b.y + ROW / 2}`,
        },
      ]
    }
    const [x1, y1, x2, y2] = [a.x + BOX, a.y + ROW / 2, b.x, b.y + ROW / 2]
    const bend = (x2 - x1) / 2
    return [
      { key: `${from}${to}`, own, says, d: `M${x1},${y1}C${x1 + bend},${y1} ${x2 - bend},${y2} ${x2},${y2}` },
    ]
  }),
)
const short = (text: string, most: number) => (text.length > most ? `${text.slice(0, most - 1)}…` : text)
const said = computed(() => props.trace.nodes.map(({ name, says }) => `${name}: ${says}`).join('. '))
const go = (node: TraceNode) => node.to && navigateTo(node.to)
</script>

<template>
  <div class="scroll scrolls" role="region" aria-label="The way of the tray" tabindex="0">
    <svg class="drawn" :viewBox="`0 0 ${WIDTH} ${height}`" role="img" :aria-label="said">
      <text
        v-for="(head, i) in HEADS"
        :key="head"
        :x="x(i) + 2"
        y="18"
        fill="var(--ink-soft)"
        font-size="14px"
        font-weight="600"
      >
        {{ head }}
      </text>
      <path v-for="way in ways" :key="way.key" :d="way.d" :class="{ own: way.own }" class="way" />
      <g
        v-for="{ x: left, y: top, node } in at.values()"
        :key="node.id"
        :class="['node', node.kind, { sick: node.isSick, asked: node.isAsked, opens: node.to }]"
        :transform="`translate(${left} ${top})`"
        @click="go(node)"
      >
        <rect :width="BOX" :height="ROW" rx="6" />
        <path v-if="node.isSick" d="M0 6a6 6 0 0 1 6-6h3v58h-3a6 6 0 0 1-6-6z" fill="var(--beet)" />
        <text x="16" y="23" font-size="15px" font-weight="600">
          {{ short(node.name, 27) }}{{ node.isSick ? ' · does badly' : '' }}
        </text>
        <text x="16" y="44">{{ short(node.says, 32) }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
svg {
  min-width: 56rem;
}

.way {
  fill: none;
  stroke: var(--line-strong);
  stroke-width: 1.5;
}

.way.own {
  stroke: var(--enamel);
  stroke-width: 3;
}

rect {
  fill: var(--paper-raised);
  stroke: var(--line-strong);
  stroke-width: 1.5;
}

.asked rect {
  stroke: var(--enamel);
  stroke-width: 3;
}

.batch rect {
  fill: var(--paper-deep);
}

.water rect,
.feed rect {
  fill: var(--water-wash);
}

.opens {
  cursor: pointer;
}

@media print {
  svg {
    min-width: 0;
  }
}
</style>
