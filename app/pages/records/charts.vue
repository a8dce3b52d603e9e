<script setup lang="ts">
import { present } from '#core/present'
import { printNumber, printShare } from '#core/units/format'
import { degreeDays } from '#core/sowing/warmth'
import { climateByPlace } from '#shared/derived/measured'
import { germinationCurves, perPlant, timelines, yearReport } from '#shared/derived/year'

definePageMeta({
  place: {
    title: 'Charts',
    what: 'the year in charts',
    words: 'graph germination curve timeline cost per plant csv',
    parent: '/records',
    tab: 2,
  },
})
const context = useContext()
const season = useSeason()
const { aboutVolume, temperature } = useMeasures()
const { year, years, choose, records, problem } = useYear()

const report = computed(() => records.value && yearReport(records.value, context.whole, year.value))
const lines = computed(() =>
  report.value && records.value ? timelines(report.value.facts, records.value.entries) : [],
)
const curves = computed(() =>
  report.value
    ? germinationCurves(report.value.facts, ({ packetId, cropId }) => {
        const packet = packetId ? context.whole.packets.get(packetId) : undefined
        return packet && packetId
          ? { id: packetId, name: `${packet.name} ${packet.year}` }
          : { id: cropId, name: context.crops.get(cropId)?.name ?? cropId }
      })
    : [],
)
const water = computed(() =>
  report.value && records.value ? perPlant(report.value.facts, records.value.entries) : [],
)
/** Most seedlings stand still below it [common practice]. */
const BASE_C = 10
const air = computed(() => {
  const byPlace = climateByPlace(records.value?.entries ?? [])
  return [...byPlace].map(([id, days]) => {
    let sum = 0
    const name = season.frame?.places.find((place) => place.id === id)?.name ?? id
    return {
      id,
      name,
      days: days.map((day) => ({ ...day, sum: (sum += degreeDays(day.lowC, day.highC, BASE_C)) })),
    }
  })
})
const cost = computed(() => report.value?.spent ?? [])
const { money } = useMoney()
const percent = (value: number) => Math.round(value * 1000) / 10
const nothing = computed(
  () => report.value && ![lines.value, water.value, cost.value, air.value].some(({ length }) => length > 0),
)
</script>

<template>
  <div class="charts stack-l">
    <PageTop title="Charts" />
    <YearChoice :year="year" :years="years" @choose="choose" />
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-else-if="!report" class="soft">Reading the year …</p>
    <p v-else-if="nothing" class="slip">Nothing was sown or given in {{ year }} yet that could be drawn.</p>
    <template v-else>
      <ChartFrame
        v-if="lines.length"
        title="Sown to out"
        hint="Each group of a tray on its way."
        :columns="['Group', 'sown', 'up', 'moved on', 'out']"
        :rows="lines.map((one) => [one.name, one.sownOn, one.upOn, one.movedOn, one.outOn])"
        :file="`sown-to-out-${year}`"
      >
        <TimelineChart :lines="lines" :today="season.today" />
      </ChartFrame>
      <ChartFrame
        v-if="curves.length"
        title="Coming up"
        hint="By days after sowing, with what chance alone would do: 19 times in 20 it lies in the band."
        :columns="['Packet', 'day', 'up, %', 'at least, %', 'at most, %', 'of']"
        :rows="
          curves.flatMap((curve) =>
            curve.points.map((point) => [
              curve.name,
              point.day,
              percent(point.up),
              percent(point.low),
              percent(point.high),
              curve.of,
            ]),
          )
        "
        :file="`coming-up-${year}`"
      >
        <CurveChart :curves="curves" />
      </ChartFrame>
      <ChartFrame
        v-if="water.length"
        title="Water and feed a plant"
        hint="As far as it was measured: what was poured, less what came back."
        :columns="['Tray', 'plants', 'in all', 'mL a plant', 'mg of nitrogen a plant']"
        :rows="
          water.map((one) => [
            one.name,
            one.plants,
            aboutVolume(one.litres),
            Math.round(one.mlEach),
            Math.round(one.mgEach),
          ])
        "
        :file="`water-${year}`"
      >
        <BarsChart
          label="Water a plant"
          :bars="
            water.map((one) => ({
              id: one.trayId,
              name: one.name,
              value: one.mlEach,
              says: `${aboutVolume(one.mlEach / 1000)}${one.mgEach >= 0.5 ? `, ${printNumber(Math.round(one.mgEach))} mg N` : ''}`,
            }))
          "
        />
      </ChartFrame>
      <ChartFrame
        v-for="place in air"
        :key="place.id"
        :title="`The air of ${place.name}`"
        :hint="`From low to high each day; the line sums degree days over ${temperature(BASE_C)}.`"
        :columns="[
          'Day',
          { value: 'low, °C', says: 'low' },
          { value: 'high, °C', says: 'high' },
          'degree days in all',
        ]"
        :rows="
          place.days.map((day) => [
            day.on,
            { value: Number(day.lowC.toFixed(1)), says: temperature(day.lowC) },
            { value: Number(day.highC.toFixed(1)), says: temperature(day.highC) },
            Math.round(day.sum),
          ])
        "
        :file="`air-${place.id}-${year}`"
      >
        <AirChart :days="place.days" :name="place.name" />
      </ChartFrame>
      <ChartFrame
        v-if="cost.length"
        title="What it cost"
        :hint="
          report.plantsOut
            ? `${money((report.money ?? 0) / report.plantsOut)} a plant that went out or was given away.`
            : 'What was used, at the price of its pack.'
        "
        :columns="['Of', 'cost', 'share']"
        :rows="
          cost.map((one) => [
            one.name,
            { value: Number(one.money.toFixed(2)), says: money(one.money) },
            printShare(one.money / (present(report).money || 1)),
          ])
        "
        :file="`cost-${year}`"
      >
        <BarsChart
          label="Cost"
          :bars="
            cost.map((one) => ({ id: one.name, name: one.name, value: one.money, says: money(one.money) }))
          "
        />
      </ChartFrame>
    </template>
  </div>
</template>
