<script setup lang="ts">
import { present } from '#core/present'
import { heightFor, LIGHT_WANTED, lightMethodById, type Lamp } from '#core/places/light'
import { MEASURED_LIGHT } from '#core/places/light-kinds'
import { isLamp, lampHeight, lampOf, lightOfDay, lightVerdict } from '#core/places/place-light'

/** How high the lamp of a place hangs: what it gives in a day at that height, and the height that gives what is wanted. */
const season = useSeason()
const { note } = useNotes()
const { length } = useMeasures()

const lit = computed(() => present(season.frame).places.filter(({ light }) => light && isLamp(light)))
const chosen = ref<string | null>(lit.value[0]?.id ?? null)
const place = computed(() => lit.value.find(({ id }) => id === chosen.value) ?? lit.value[0])
const heightCm = ref(30)
watch(place, (one) => one?.light && (heightCm.value = lampHeight(one.light)), { immediate: true })
/** The lamp by the meter under it. */
const measured = ref<Lamp | null>(null)
watch(place, () => (measured.value = null))
const hours = computed(() => lightMethodById(present(season.frame).lightMethod).hours)
const light = computed(() =>
  place.value?.light && heightCm.value >= 1 && heightCm.value <= 300
    ? {
        ...place.value.light,
        ...(measured.value && { kindId: MEASURED_LIGHT, measured: measured.value }),
        heightCm: heightCm.value,
      }
    : null,
)
const day = computed(() => light.value && lightOfDay(light.value, hours.value))
const ages = computed(() =>
  (['seedling', 'transplant'] as const).map((age) => {
    const { low, high } = LIGHT_WANTED[age]
    const lamp = light.value && lampOf(light.value)
    const at = lamp ? heightFor(lamp, hours.value, (low + high) / 2) : null
    return { age, low, high, at, verdict: lightVerdict(day.value?.value ?? 0, age) }
  }),
)
const changed = computed(
  () =>
    !!light.value &&
    (!!measured.value || light.value.heightCm !== lampHeight(present(present(place.value).light))),
)
const { saving, save, dismiss } = useHouseholdPart('season', 'the lamp')
async function keep() {
  const { frame } = season
  const places = present(frame).places.map((one) =>
    one.id === present(place.value).id ? { ...one, light: light.value } : one,
  )
  if (await save({ ...present(frame), places })) note(`The lamp of ${present(place.value).name} is kept.`)
}
</script>

<template>
  <section class="lamp stack" aria-labelledby="lamp-title">
    <h2 id="lamp-title">The lamp</h2>
    <template v-if="place">
      <div class="three">
        <ChoiceField
          v-if="lit.length > 1"
          v-model="chosen"
          label="Lamp"
          :choices="lit.map(({ id, name }) => ({ value: id as string | null, name }))"
        />
        <TypedField
          v-model="heightCm"
          :label="lit.length > 1 ? 'It hangs at' : `In ${place.name} it hangs at`"
          dimension="length"
          :unit-in-base="10"
        />
      </div>
      <LiveLight
        v-if="lampOf(present(place.light))"
        :place-id="place.id"
        :lamp="present(lampOf(present(place.light)))"
        :height-cm="heightCm"
        :hours="hours"
        @take="measured = $event"
      />
      <p v-if="day">
        <FigureValue :figure="day" /> a day, burning {{ hours }} h:
        <template v-for="(one, i) in ages" :key="one.age">
          <template v-if="i"> · </template>
          <strong :class="{ problem: one.verdict === 'too little' }">{{ one.verdict }}</strong> for a
          {{ one.age }} ({{ one.low }}–{{ one.high }})
        </template>
      </p>
      <p v-for="one in ages" :key="one.age" class="soft">
        For a {{ one.age }}:
        <template v-if="one.at">hang it at {{ length(Math.round(one.at.value) * 10) }}.</template>
        <template v-else>this lamp is too weak at any height; burn it longer or add another.</template>
      </p>
    </template>
    <p v-else class="soft">
      No lamp is named yet: say which lamps a place has under <em>Frosts and places</em>, and how high they
      hang is worked out here.
      <NuxtLink to="/plan">Season</NuxtLink>
    </p>
    <p class="caution small">
      <strong>Lamps near water:</strong> rated fittings, residual-current protection, a drip loop in every
      cable, clear of plastic. Local codes and an electrician’s word come first.
    </p>
    <SaveProblem :saving="saving" @settled="dismiss" @later="dismiss" />
    <Button v-if="changed" @click="keep"> Keep this height </Button>
  </section>
</template>

<style scoped>
.lamp {
  justify-items: start;
  align-content: start;
}

/* A height is a few letters: a field as wide as the page looks for more. */
.three {
  width: min(100%, 32rem);
}
</style>
