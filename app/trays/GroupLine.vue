<script setup lang="ts">
import { hatchOf, HATCHES } from '#shared/drawings/tray-marks'
import { counted } from '#core/text/plurals'
import { coverOf } from '#core/sowing/crop'
import { daysBetween, type Day } from '#core/calendar/day'
import { LATE_AT, RESOW_AT } from '#core/sowing/emergence'
import { germinationOf, type GroupStands } from '#core/trays/standing'
import { printNumber } from '#core/units/format'

/** One run of a tray: its letter and hatch, how it stands, and what is done to it as a whole. */
const props = defineProps<{
  /** Cells that were sown and counted, and hold nothing. */
  gaps: number
  stands: GroupStands
  index: number
  mode: 'lay' | 'count' | 'choose'
  /** Painted with next. */
  brush: boolean
  each: boolean
  short: string | null
  /** What one hollow of the tray is called. */
  word: 'cell' | 'pot' | 'block' | 'furrow'
  /** The day it is to be up. */
  expected: { readonly on: Day; readonly mixC: number | null } | null
}>()
const emit = defineEmits<{ brush: []; sow: []; again: []; count: [n: number]; remove: [] }>()
const context = useContext()
const { printDay } = useDates()
const { length, temperature } = useMeasures()

const season = useSeason()
/** As its sowing is sown, where the plan knows it. */
const crop = computed(() => {
  const { sowingId, cropId } = props.stands.group
  return (sowingId && season.row(sowingId)?.crop) || context.whole.crops.get(cropId)
})
const seen = computed(() => germinationOf(props.stands, props.each))
const percent = (share: number) => `${printNumber(Math.round(share * 100))} %`
const open = computed(
  () => props.stands.cells - props.stands.sownCells - (props.stands.set > 0 ? props.stands.cells : 0),
)
const how = computed(() => {
  if (!crop.value) return ''
  const { light } = crop.value
  const dark = light === 'either' ? '' : `, ${light}`
  return `${counted(props.stands.group.seedsPerCell, 'seed')} each, ${coverOf(crop.value, length)}${dark}`
})
/** When it came up beside when it was to; past its days, whether to wait or to sow again. */
const emerged = computed(() => {
  const { sownOn, firstUpOn } = props.stands
  if (!sownOn || !props.expected) return null
  const { on, mixC } = props.expected
  const by = mixC === null ? 'by its packet' : `at ${temperature(mixC)}`
  if (firstUpOn) {
    const late = daysBetween(on, firstUpOn)
    const said =
      late === 0 ? 'on' : late > 0 ? `${counted(late, 'day')} after` : `${counted(-late, 'day')} before`
    return `first up ${printDay(firstUpOn)}, ${said} the day expected ${by}`
  }
  const share = daysBetween(sownOn, season.today) / Math.max(1, daysBetween(sownOn, on))
  const again = share >= RESOW_AT ? ': twice its days are over, sow it again' : ': late, wait a little'
  return `up about ${printDay(on)} ${by}${share >= LATE_AT ? again : ''}`
})
const facts = computed(() => {
  const { sownOn, setOn, up, upCells, sown, sownCells, standing, thinned, lost, moved, set, cells } =
    props.stands
  const list: string[] = []
  if (!sown && !set) return [`${counted(cells, props.word)}, not sown yet`]
  if (sown)
    list.push(
      `${printNumber(sown)} seeds in ${counted(sownCells, props.word)}${sownOn ? `, ${printDay(sownOn)}` : ''}`,
    )
  if (set) list.push(`${counted(set, 'plant')} set${setOn ? `, ${printDay(setOn)}` : ''}`)
  if (emerged.value) list.push(emerged.value)
  if (seen.value)
    list.push(
      props.each ? `${printNumber(up)} up` : `${printNumber(upCells)} of ${printNumber(sownCells)} up`,
    )
  if (thinned) list.push(`${printNumber(thinned)} thinned`)
  if (lost) list.push(`${printNumber(lost)} lost`)
  if (moved) list.push(`${printNumber(moved)} moved on`)
  if (standing || moved || lost) list.push(`${printNumber(standing)} growing`)
  return list
})

/** As many as can be up. */
const most = computed(() =>
  props.each ? props.stands.sown * (crop.value?.seedlings ?? 1) : props.stands.sownCells,
)

/** `31 of 36`, or `31`. */
const typed = ref('')
const problem = ref<string | null>(null)
function keepCount() {
  const found = /^\s*(\d+)\s*(?:(?:of|\/)\s*(\d+)\s*)?(?:up)?\s*$/i.exec(typed.value)
  if (!found) problem.value = `Say it like: ${Math.round(0.85 * most.value)} of ${most.value}.`
  else if (found[2] && Number(found[2]) !== most.value)
    problem.value = `${most.value} ${props.each ? 'seeds' : `${props.word}s`} of it are sown in this tray.`
  else if (Number(found[1]) > most.value) problem.value = `${found[1]} cannot be up of ${most.value}.`
  else {
    problem.value = null
    emit('count', Number(found[1]))
    typed.value = ''
  }
}
</script>

<template>
  <li :class="['group', { brush: mode === 'lay' && brush }]">
    <svg viewBox="0 0 24 24" class="sample" aria-hidden="true">
      <defs>
        <pattern :id="`sample-${stands.group.code}`" width="6" height="6" patternUnits="userSpaceOnUse">
          <rect width="6" height="6" fill="var(--paper)" />
          <path :d="HATCHES[hatchOf(index)]" fill="none" stroke="var(--line-strong)" stroke-width="0.8" />
        </pattern>
      </defs>
      <rect
        x="1"
        y="1"
        width="22"
        height="22"
        rx="3"
        :fill="`url(#sample-${stands.group.code})`"
        stroke="var(--ink-soft)"
      />
      <text x="12" y="17" text-anchor="middle">{{ stands.group.code }}</text>
    </svg>
    <div class="text stack-s">
      <strong>{{ stands.group.name }}</strong>
      <span class="soft">{{ facts.join(' · ') }}</span>
      <span v-if="seen" class="soft"
        >{{ percent(seen.share) }} of {{ seen.counted }}; 19 times in 20 it lies between
        {{ percent(seen.low) }} and {{ percent(seen.high)
        }}<template v-if="seen.perSeed !== null && seen.counted === 'cells'"
          >; about {{ percent(seen.perSeed) }} a seed</template
        ></span
      >
      <span v-if="short" class="short">{{ short }}</span>
      <span v-if="open > 0 && mode !== 'choose'" class="soft">{{ how }}</span>
      <span v-if="mode === 'count' && stands.sown > 0" class="count row-s">
        <label>
          <span class="unseen">{{ stands.group.name }}: so many up</span>
          <input
            v-model="typed"
            class="input"
            :placeholder="`${Math.round(0.85 * most)} of ${most}`"
            :aria-invalid="problem ? 'true' : undefined"
            @keydown.enter.prevent="keepCount"
          />
        </label>
        <Button :disabled="!typed.trim()" @click="keepCount">Up</Button>
        <span v-if="problem" class="problem" role="alert">{{ problem }}</span>
      </span>
    </div>
    <span class="acts row-s">
      <Button v-if="mode === 'lay'" :aria-pressed="brush" :class="{ main: brush }" @click="emit('brush')"
        >Paint</Button
      >
      <Button v-if="open > 0" @click="emit('sow')">Sown</Button>
      <Button v-if="gaps > 0 && mode !== 'choose'" @click="emit('again')"
        >Sow the {{ counted(gaps, 'gap') }} again</Button
      >
      <Button v-if="mode === 'lay' && !stands.sown && !stands.set" text @click="emit('remove')"
        >Take out</Button
      >
    </span>
  </li>
</template>

<style scoped>
.group {
  display: grid;
  grid-template-columns: 2.2rem minmax(0, 1fr);
  gap: 0.2rem 0.8rem;
  align-items: start;
  padding: 0.6rem 0;
  border-top: 1px solid var(--line);
}

.sample {
  width: 2.2rem;
}

.sample text {
  fill: var(--ink);
  font-size: 13px;
  font-weight: 700;
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 3px;
}

.short {
  color: var(--marigold-ink);
  font-weight: 600;
}

.acts {
  grid-column: 2;
}

.count input {
  width: 7rem;
}
</style>
