<script setup lang="ts">
import { present } from '#core/present'
import { first, at } from '#core/numeric/at'
import { FINDER_TRAITS, type FinderRequest, type FinderTrait } from '#core/media/finder'
import { saidInParts, type Part } from '#core/media/recipe'
import { TRAITS } from '#shared/drawings/traits'

/** Any three materials, and the blend of them that is looked at. */
const props = defineProps<{ request: FinderRequest }>()
const emit = defineEmits<{ use: [parts: Part[]] }>()
const context = useContext()
const traitChoices = FINDER_TRAITS.map((trait) => ({ value: trait, name: TRAITS[trait].name }))
const price = (id: string) =>
  props.request.pricePerL[props.request.materials.findIndex((one) => one.id === id)] ?? 0

const three = ref<[string, string, string]>(['coir', 'perlite', 'castings'])
const mapped = ref<FinderTrait>('air')
const shares = ref<[number, number, number]>([0.6, 0.2, 0.2])
const triangle = computed((): FinderRequest => {
  const materials = three.value.map((id) => present(context.materials.get(id)))
  return { ...props.request, materials, pricePerL: materials.map(({ id }) => price(id)) }
})
/** For a corner: every material but those of the other two. */
const choicesFor = (corner: number) =>
  context.media
    .filter(({ id }) => !three.value.some((taken, i) => i !== corner && taken === id))
    .map(({ id, name }) => ({ value: id, name }))
const triangleParts = computed((): Part[] => {
  const twentieths = shares.value.map((share) => Math.round(share * 20))
  const gcd = (a: number, b: number): number => (b ? gcd(b, a % b) : a)
  const common = twentieths.reduce(gcd) || 1
  return three.value.flatMap((materialId, i) =>
    at(twentieths, i) > 0 ? [{ materialId, parts: at(twentieths, i) / common }] : [],
  )
})
</script>

<template>
  <div class="stack-l">
    <div class="pair">
      <ChoiceField
        v-for="i in [0, 1, 2] as const"
        :key="i"
        v-model="three[i]"
        :label="at(['Left', 'Right', 'Top'], i)"
        :choices="choicesFor(i)"
      />
      <ChoiceField v-model="mapped" label="Shows" :choices="traitChoices" />
    </div>
    <TriangleMap
      :request="triangle"
      :names="three.map((id) => first(present(context.materials.get(id)).name.split(',')))"
      :trait="mapped"
      :shares="shares"
      @shares="shares = $event"
    />
    <p>
      <strong>{{ saidInParts(triangleParts) }}</strong>
      <Button class="use" @click="emit('use', triangleParts)">Use this blend</Button>
    </p>
  </div>
</template>

<style scoped>
.use {
  margin-left: 0.7rem;
}
</style>
