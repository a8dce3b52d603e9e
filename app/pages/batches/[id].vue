<script setup lang="ts">
import { CheckCheck, Play } from '@lucide/vue'
import { saidInParts } from '#core/media/recipe'
import { printFraction } from '#core/units/fraction'
import { namesListed } from '#shared/messages/message'
import { textureFill } from '#shared/drawings/textures'

const route = useRoute()
/** When the first container is filled: every other step is counted back from it. */
const fillsAt = ref('09:00')
const fillsAtMin = computed(() => {
  const [hours, minutes] = fillsAt.value.split(':').map(Number)
  return hours === undefined || minutes === undefined || Number.isNaN(hours + minutes)
    ? 540
    : hours * 60 + minutes
})
const household = useHousehold()
const guidedJobs = useGuidedJobs()
const batch = computed(() => household.batches.find(({ id }) => id === route.params.id))
if (!batch.value) throw createError({ statusCode: 404, message: 'This batch is not on the bench.' })
useHead({ title: () => `Card of batch ${batch.value?.number ?? ''}` })

const made = computed(() => household.making(String(route.params.id)))
const making = ref(false)
const removal = useRemoval()
const { printDay } = useDates()
async function takeBack() {
  if (made.value) await removal('entries', made.value)
}
const missing = useToBuy()
const toBuy = computed(() => missing(batch.value?.body))
const planned = computed(() => batch.value && usePlannedBatch(batch.value))
const feedings = computed(() => household.feedings.filter(({ body }) => body.batchId === batch.value?.id))
/** Of the mix and of its feeds. */
const allCautions = computed(() =>
  [planned.value?.plan, ...feedings.value.map((feeding) => usePlannedFeed(feeding)?.plan)].flatMap(
    (plan) => plan?.cautions ?? [],
  ),
)
</script>

<template>
  <BenchCard
    v-if="batch"
    :title="batch.body.name"
    :kicker="`Batch ${batch.number}`"
    :cautions="allCautions"
    :back="`/mix?batch=${batch.id}`"
    :pdf="`/api/households/${household.id}/papers/batch?id=${batch.id}`"
  >
    <template #bar>
      <Button
        v-if="planned && !made"
        class="main"
        @click="
          guidedJobs.start('mix', `Mix batch ${batch.number}: ${batch.body.name}`, [
            { what: 'batches', id: batch.id, stage: null },
          ])
        "
      >
        <Play aria-hidden="true" /> Start
      </Button>
      <Button v-if="planned && !made" @click="making = true">
        <CheckCheck aria-hidden="true" /> Mark as made
      </Button>
    </template>
    <p v-if="made" class="made row">
      <CheckCheck aria-hidden="true" />
      Made {{ printDay(made.body.on) }}<template v-if="made.body.by"> by {{ made.body.by }}</template
      >. <template v-if="made.body.note">{{ made.body.note }}</template>
      <button type="button" class="link no-print" @click="takeBack">Not made</button>
    </p>
    <p v-else-if="toBuy.length" class="no-print">
      You would need to buy {{ namesListed(toBuy, 5) }}.
      <NuxtLink :to="`/mix?batch=${batch.id}`">Use another mix</NuxtLink>
    </p>
    <StandsIn :batch-id="batch.id" />
    <MakeForm v-if="making && planned" :batch="batch" :plan="planned.plan" @close="making = false" />
    <template v-if="planned">
      <section class="mix stack" aria-labelledby="mix-title">
        <h2 id="mix-title">
          <FigureValue :figure="planned.plan.mixL" /> of mix, {{ saidInParts(batch.body.parts) }}
        </h2>
        <RecipeBar :parts="batch.body.parts" :height="30" />
        <FigureTable :columns="['Material', batch.body.scoop.name, 'Loose', 'Open']">
          <tr v-for="line in planned.plan.lines" :key="line.material.id">
            <th scope="row">
              <svg width="22" height="22" aria-hidden="true">
                <rect width="22" height="22" rx="3" :fill="textureFill(line.material.id)" />
              </svg>
              {{ line.material.name }}<template v-if="!line.share">, cover</template>
            </th>
            <td class="scoops">
              <FigureValue
                :figure="line.scoops.scoops"
                :digits="printFraction(line.scoops.scoops.value, 0.25)"
              />
            </td>
            <td><FigureValue :figure="line.looseL" /></td>
            <td>
              <PackToOpen :line="line" />
            </td>
          </tr>
        </FigureTable>
      </section>
      <label class="fills-at no-print row nowrap strong">
        Start filling at <InputText v-model="fillsAt" type="time" aria-label="Start filling at" />
      </label>
      <StepList :steps="planned.steps" boxes timed :on-date="batch.body.onDate" :fills-at-min="fillsAtMin" />
    </template>
    <p v-else>
      This batch can no longer be worked out: something it uses was deleted.
      <NuxtLink :to="`/mix?batch=${batch.id}`">Edit</NuxtLink>
    </p>
    <FeedCardPart v-for="feeding in feedings" :key="feeding.id" :feeding="feeding" />
  </BenchCard>
</template>

<style scoped>
.fills-at input {
  width: 10rem;
}

.made {
  padding: 0.5rem 0.8rem;
  border-left: 4px solid var(--enamel);
  background: var(--water-wash);
  color: var(--water-ink);
}

tbody th svg {
  margin-right: 0.45rem;
  vertical-align: -0.3em;
}

.scoops {
  font: 720 1.35rem/1 var(--heading);
}

tbody td:nth-child(3) {
  white-space: nowrap;
}

@media print {
  tbody th,
  td {
    padding-block: 0.18rem;
  }
}
</style>
