<script setup lang="ts">
import { present } from '#core/present'
import { computed, onMounted, ref } from 'vue'
import FirstStep from '~/first-hour/FirstStep.vue'
import ChoiceField from '~/kit/fields/ChoiceField.vue'
import { UNIT_SYSTEM_CHOICES } from '~/kit/fields/unit-systems'
import { useMeasures } from '~/kit/useMeasures'
import { useHousehold } from '~/household/household'
import { useUnitsAnswer } from '~/first-hour/useUnitsAnswer'
import { BUILT_IN_CONTAINERS } from '#core/containers/catalogue'
import { cellVolume } from '#core/containers/container'
import { BUILT_IN_CROPS } from '#core/sowing/crops'
import { unitsOfRegion } from '#core/units/region'
import { parseQuantity } from '#core/units/parse'
import { printNumber } from '#core/units/format'

/** What a bare cup or gallon means here; guessed from the browser when the household was begun. */
const household = useHousehold()
const { temperature, volume } = useMeasures()
const { save } = useUnitsAnswer()
/** What shows how amounts are said: a tray of the book, and a crop. */
const tray = present(BUILT_IN_CONTAINERS.get('tray-72'))
const trayL = (cellVolume(tray).value * tray.cells) / 1000
const warm = present(BUILT_IN_CROPS.get('tomato'))
const guess = ref<ReturnType<typeof unitsOfRegion> | null>(null)
onMounted(() => (guess.value = unitsOfRegion(navigator.languages)))
const inMl = (word: string) => {
  const read = parseQuantity(`1 ${word}`, { dimension: 'volume', units: household.units })
  return read.ok ? `${printNumber(read.base * 1000, 4)} mL` : null
}
const measures = computed(() =>
  (household.units === 'metric' ? ['tsp', 'tbsp', 'cup'] : ['tsp', 'cup', 'pint', 'gallon']).flatMap(
    (word) => {
      const ml = inMl(word)
      return ml ? [`1 ${word} is ${ml}`] : []
    },
  ),
)
</script>

<template>
  <FirstStep
    step="kitchen"
    title="Your kitchen"
    why="A cup, a spoon and a gallon are not the same everywhere."
    later="the switch at the top changes it on any page."
    done
  >
    <ChoiceField
      :model-value="household.units"
      label="Kitchen measures"
      :choices="UNIT_SYSTEM_CHOICES"
      :hint="
        guess?.region && guess.units === household.units
          ? `guessed from your browser, which says ${guess.region}`
          : 'changed here or at the top of any page'
      "
      @update:model-value="save({ units: $event })"
    />
    <template #changed>
      <p>
        {{ measures.join(', ') }}. A {{ tray.name }} holds {{ volume(trayL) }} to the brim;
        {{ warm.name.toLowerCase() }} comes up best at {{ temperature(warm.warmthC) }}.
      </p>
    </template>
  </FirstStep>
</template>
