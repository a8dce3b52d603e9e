<script setup lang="ts">
import { at } from '#core/numeric/at'
import { behaviourOf, COMPARED_IN } from '#core/media/behaviour'
import { recipeProblems, type Mix } from '#core/media/recipe'
import { printNumber, printShare } from '#core/units/format'

/** Two or three mixes by how they behave: air and water at three depths in one drawing, and what else tells them apart. */
const context = useContext()
const mix = useMixDraft()
const { mass } = useMeasures()

const NONE = 'none'
const others = ref<[string, string]>([NONE, NONE])
const choices = computed(() => mix.recipes.map(({ id, name }) => ({ value: id, name })))
const columns = computed(() => {
  const here: { name: string; mix: Mix }[] = [{ name: 'This one', mix: mix.draft }]
  const chosen = others.value.flatMap((id) => {
    const recipe = mix.recipes.find((one) => one.id === id)
    return recipe ? [{ name: recipe.name, mix: recipe }] : []
  })
  return [...here, ...chosen]
    .filter(({ mix: { parts } }) => !recipeProblems(parts, context.materials).length)
    .map((one) => ({
      ...one,
      is: behaviourOf(
        one.mix,
        context.materials,
        (id) => context.priceOf('material', id),
        context.whole.homeTests,
      ),
    }))
})
const deepest = Math.max(...COMPARED_IN.map(({ shape }) => shape.depthMm))
const SCALE = 120 / deepest
const { money } = useMoney()
const price = (value: number | null) => (value === null ? 'not known' : money(value))
type Column = (typeof columns.value)[number]
const rows = computed((): { name: string; of: (one: Column) => string }[] => [
  { name: 'A full 72-cell tray weighs', of: (one: Column) => mass(one.is.trayG) },
  {
    name: 'Days of food in it',
    of: (one: Column) => printNumber(one.is.foodDays, 2),
  },
  { name: 'Once dry, wets again', of: (one: Column) => one.is.rewets },
  {
    name: 'Dust',
    of: (one: Column) => (one.is.dusty ? 'wet it first, mask' : 'little'),
  },
  { name: 'Weeds and germs', of: (one: Column) => one.is.germs },
  {
    name: 'Peat in it',
    of: (one: Column) => (one.is.peat ? printShare(one.is.peat) : 'none'),
  },
  { name: 'Renewable', of: (one: Column) => printShare(one.is.renewable) },
  { name: 'Price of a tray', of: (one: Column) => price(one.is.trayPrice) },
])
</script>

<template>
  <section class="stack" aria-label="Compare">
    <div class="pair">
      <ChoiceField
        v-for="n in [0, 1] as const"
        :key="n"
        :model-value="others[n]"
        :label="n ? 'and with' : 'Compare with'"
        :choices="[{ value: NONE, name: 'no other' }, ...choices]"
        @update:model-value="others = n ? [others[0], $event] : [$event, others[1]]"
      />
    </div>
    <div v-if="columns.length > 1" class="scrolls">
      <table class="figures">
        <thead>
          <tr>
            <td></td>
            <th v-for="one in columns" :key="one.name" scope="col">{{ one.name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">Its parts</th>
            <td v-for="one in columns" :key="one.name"><RecipeBar :parts="one.mix.parts" :height="18" /></td>
          </tr>
          <tr v-for="(container, i) in COMPARED_IN" :key="container.id">
            <th scope="row">{{ container.name }}</th>
            <td v-for="one in columns" :key="one.name">
              <AirSection :container="container" :blend="one.is" :scale="SCALE" />
              {{ printShare(at(one.is.at, i).air) }} air, {{ printShare(at(one.is.at, i).water) }} water
            </td>
          </tr>
          <tr v-for="row in rows" :key="row.name">
            <th scope="row">{{ row.name }}</th>
            <td v-for="one in columns" :key="one.name">{{ row.of(one) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
td,
th {
  text-align: left;
  vertical-align: bottom;
}
</style>
