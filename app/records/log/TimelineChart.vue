<script setup lang="ts">
import { scaleUtc } from 'd3-scale'
import type { Line } from '#shared/derived/year'

/** From sown to out, group by group: seed in the ground, up, moved on, out. */
const props = defineProps<{ lines: readonly Line[]; today: string }>()
const { printDay, printDate } = useDates()
const ROW = 26
const MOST_PX = 1240
const width = useDrawnWidth(useTemplateRef<SVGSVGElement>('chart'), MOST_PX)
/** Room for the names, px. */
const left = computed(() => Math.min(230, width.value * 0.4))
const at = (day: string) => new Date(`${day}T12:00Z`)
const last = computed(() => {
  const ends = props.lines.flatMap(({ outOn, movedOn, upOn, sownOn }) => [outOn ?? movedOn ?? upOn ?? sownOn])
  const latest = ends.reduce((a, b) => (a > b ? a : b), props.lines[0]?.sownOn ?? props.today)
  return props.lines.some(({ outOn }) => !outOn) && props.today > latest ? props.today : latest
})
const x = computed(() =>
  scaleUtc()
    .domain([at(props.lines[0]?.sownOn ?? props.today), at(last.value)])
    .range([left.value, width.value - 20]),
)
const height = computed(() => props.lines.length * ROW + 34)
const months = computed(() =>
  spaced(
    x.value.ticks(8).map((tick) => ({ at: x.value(tick), name: printDate(tick.toISOString()) })),
    (month) => month.at,
    76,
  ),
)
const rows = computed(() =>
  props.lines.map((line, i) => {
    const end = line.outOn ?? last.value
    return {
      ...line,
      y: 30 + i * ROW,
      seed: [x.value(at(line.sownOn)), x.value(at(line.upOn ?? end))] as const,
      plant: line.upOn ? ([x.value(at(line.upOn)), x.value(at(end))] as const) : null,
      moved: line.movedOn ? x.value(at(line.movedOn)) : null,
      out: line.outOn ? x.value(at(line.outOn)) : null,
    }
  }),
)
const said = computed(() =>
  props.lines
    .map(
      ({ name, sownOn, upOn, outOn }) =>
        `${name}: sown ${printDay(sownOn)}${upOn ? `, up ${printDay(upOn)}` : ''}${outOn ? `, out ${printDay(outOn)}` : ''}`,
    )
    .join('. '),
)
</script>

<template>
  <div class="scroll scrolls" role="region" aria-label="Sown to out" tabindex="0">
    <svg
      ref="chart"
      class="drawn"
      :style="{ maxWidth: `${MOST_PX}px` }"
      :viewBox="`0 0 ${width} ${height}`"
      role="img"
      :aria-label="said"
    >
      <g v-for="month in months" :key="month.at" class="axis">
        <line :x1="month.at" :x2="month.at" y1="22" :y2="height" />
        <text :x="month.at" y="15" text-anchor="middle">{{ month.name }}</text>
      </g>
      <g v-for="row in rows" :key="row.id">
        <text :x="left - 10" :y="row.y + 12" text-anchor="end">{{ shortened(row.name, left) }}</text>
        <line :x1="row.seed[0]" :x2="row.seed[1]" :y1="row.y + 7" :y2="row.y + 7" class="seed" />
        <rect
          v-if="row.plant"
          :x="row.plant[0]"
          :width="Math.max(2, row.plant[1] - row.plant[0])"
          :y="row.y + 1"
          height="12"
          rx="3"
          fill="var(--enamel)"
        />
        <path v-if="row.moved" :d="`M${row.moved} ${row.y - 3}v20`" class="moved" />
        <circle v-if="row.out" :cx="row.out" :cy="row.y + 7" r="6" class="out" />
      </g>
    </svg>
  </div>
  <p class="soft small">Dots: seed in the mix. Bar: up. Stroke: moved on. Disc: planted out.</p>
</template>

<style scoped>
.seed {
  stroke: var(--ink-soft);
  stroke-width: 3;
  stroke-dasharray: 1 6;
  stroke-linecap: round;
}

.moved {
  stroke: var(--marigold);
  stroke-width: 3;
}

.out {
  fill: var(--paper-raised);
  stroke: var(--ink);
  stroke-width: 2.5;
}
</style>
