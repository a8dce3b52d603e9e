<script setup lang="ts">
import { shareDaysOf } from '#core/season/frame'
import { daysUp } from '#core/sowing/emergence'
import type { Container } from '#core/containers/container'
import { disagreements, type Neighbour } from '#core/season/packing/disagreements'
import { cellSizeFor } from '#core/trays/cell-size'
import { boundaries, surfaceOf } from '#core/trays/layout'
import { pressesFor } from '#core/trays/presses'
import { seedsLieApart, seedsToScatter } from '#core/trays/scatter'
import { cellTopArea } from '#core/containers/container'
import { derive, given } from '#core/working/figure'
import { yours } from '#core/working/source'
import type { TrayStands } from '#core/trays/standing'
import { printNumber } from '#core/units/format'
import type { TrayRecord } from '#shared/records/tray'
import { layoutOf } from '#shared/records/tray-layout'

/** What is worth knowing before it is sown: neighbours that want different things, look-alikes side by side, the size of cell. */
const props = defineProps<{ tray: TrayRecord; stands: TrayStands; container: Container; together: boolean }>()
const season = useSeason()
const context = useContext()
const { temperature, roughVolume } = useMeasures()

const neighbours = computed(() =>
  props.stands.groups.flatMap(({ group, sownOn, set }): Neighbour[] => {
    const crop = context.whole.crops.get(group.cropId)
    if (!crop || set > 0) return []
    const planned = group.sowingId ? season.row(group.sowingId)?.planned : undefined
    const mixC = planned?.stages[0]?.care.mixC ?? crop.warmthC
    const packet = group.packetId ? context.whole.packets.get(group.packetId)?.upDays : null
    return [
      {
        name: group.name,
        on: sownOn ?? planned?.sowOn ?? season.today,
        mixC: crop.warmthC,
        light: crop.light,
        upDays: daysUp(crop, packet ?? null, mixC)?.value ?? null,
        sown: true,
      },
    ]
  }),
)
const SAID = {
  'another day': 'are sown on other days: the cover comes off for one while the other is still to come up',
  'another place': 'stand in other places',
  'another warmth': 'need a different temperature',
  'light and dark': 'one needs light and one dark: cover one with vermiculite, the other with mix',
  'comes up at another time':
    'come up at other times: the cover comes off, and the lamp goes on, for the first of them',
} as const
const apart = computed(() =>
  disagreements(neighbours.value, season.frame ? shareDaysOf(season.frame) : 2).map(
    ({ names, why, days, mixC }) => ({
      key: names.join(),
      text: `${names.join(' and ')} ${SAID[why]}${
        why === 'another warmth'
          ? ` (${temperature(mixC[0])} and ${temperature(mixC[1])})`
          : why === 'comes up at another time' && days[0] !== null && days[1] !== null
            ? ` (after ${printNumber(Math.round(days[0]))} and ${printNumber(Math.round(days[1]))} days)`
            : ''
      }.`,
    }),
  ),
)
const alike = computed(() => boundaries(layoutOf(props.tray)).length > 0)
const sizes = computed(() =>
  props.stands.groups.flatMap(({ group, sown, set }) => {
    const crop = context.whole.crops.get(group.cropId)
    if (!crop || sown > 0 || set > 0 || props.container.kind === 'open tray') return []
    const { verdict, ml, wanted, why } = cellSizeFor(crop, props.container)
    return verdict === 'right'
      ? []
      : [
          `${group.name}: ${why}; ${roughVolume(ml / 1000)} a cell is ${verdict === 'small' ? 'little' : 'a lot'}, ${roughVolume(wanted[0] / 1000)} to ${roughVolume(wanted[1] / 1000)} suits it.`,
        ]
  }),
)

/** Blocks are pressed, open trays scattered over: how often, how thick. */
const ways = computed(() => {
  const laid = props.tray.cells.filter((code) => code !== '').length
  const surface = surfaceOf(props.container)
  if (surface === 'blocks')
    return [
      { before: '', figure: pressesFor(laid, props.container.shape), after: ' presses of the hand tool.' },
    ]
  if (surface !== 'furrows') return []
  const area = cellTopArea(props.container)
  const each = derive(
    'Area of a furrow or field',
    'cm²',
    'A / n',
    { A: area, n: given('Furrows and fields', props.tray.cells.length, '', yours()) },
    ({ A, n }) => A / n,
  )
  return props.stands.groups
    .filter(({ sown }) => sown === 0)
    .flatMap(({ group }) => [
      {
        before: `${group.name}: `,
        figure: seedsToScatter(each),
        after: ' seeds make an even scatter in each;',
      },
      {
        before: `${group.seedsPerCell} lie `,
        figure: seedsLieApart(group.seedsPerCell, each),
        after: ' mm apart.',
      },
    ])
})
</script>

<template>
  <p v-for="(one, i) in ways" :key="i" class="soft way">
    {{ one.before
    }}<FigureValue :figure="{ ...one.figure, value: Math.round(one.figure.value), unit: '' }" />{{
      one.after
    }}
  </p>
  <ul v-if="apart.length || alike || sizes.length" class="advice stack-s">
    <li v-for="one in apart" :key="one.key">{{ one.text }}</li>
    <li v-if="alike">
      Two kinds of one crop stand side by side: mark the heavy edge in the tray, with a strip or a stick.
    </li>
    <li v-for="one in sizes" :key="one">{{ one }}</li>
  </ul>
</template>

<style scoped>
.advice {
  padding: 0.6rem 0.9rem;
  background: var(--marigold-wash);
  border-left: 4px solid var(--marigold);
}
</style>
