<script setup lang="ts">
import { programme as schema } from '#shared/records/programme'
import { present } from '#core/present'
import { counted } from '#core/text/plurals'
import { FEEDING_METHODS, runsOutOn } from '#core/feed/programme'
import { dissolvesNitrogen } from '#core/feed/feed'
import type { Bodies } from '#shared/records/collections'
import { onShelves } from '#core/supplies/draw'

const { said } = useMeasures()

definePageMeta({
  place: {
    title: 'Feeding schedule',
    what: 'how strong and how often, week by week',
    words: 'programme program feed plan',
    parent: '/mix',
    tab: 5,
  },
})

const route = useRoute()
const router = useRouter()
const household = useHousehold()
const { money } = useMoney()
const context = useContext()
const programme = useProgrammeDraft()
const sharing = shallowRef<Bodies['programmes'] | null>(null)
const { note } = useNotes()
const remove = useRemoval()
const { printAmount } = useShopping()
const { first: unreadable } = provideUnreadable()
const dayText = useProgrammeDay()

useOnBench(programme, 'a feeding schedule', () => {
  const found = household.programmes.find(({ id }) => id === route.query.programme)
  return found && programme.draft.id !== found.id ? () => programme.open(found) : null
})

const feedChoices = computed(() =>
  context.feedList.filter(dissolvesNitrogen).map(({ id, name }) => ({ value: id, name })),
)
const batchChoices = computed(() => [
  { value: null, name: 'no batch' },
  ...household.batches.map(({ id, number, body }) => ({ value: id, name: `${number} · ${body.name}` })),
])
const method = computed(() => present(FEEDING_METHODS.find(({ id }) => id === programme.draft.method)))

const goods = computed(() => context.goods('feed', programme.draft.feedId))
const inSupplies = computed(() => onShelves(context.shelves('feed', programme.draft.feedId)))
const price = computed(() => context.priceOf('feed', programme.draft.feedId))
const runsOut = computed(() =>
  programme.plan && programme.request && context.shelves('feed', programme.draft.feedId).length
    ? runsOutOn(programme.plan, programme.request, inSupplies.value)
    : null,
)
async function save() {
  const stored = await programme.save()
  if (!stored) return
  note('The feeding schedule is kept.')
  await router.replace({ query: { programme: stored.id } })
}
async function begin() {
  programme.begin()
  await router.replace({ query: {} })
}
provideRecordDraft({
  draft: toRef(programme, 'draft'),
  schema,
  words: 'programmes',
  problemAt: programme.problemAt,
  change: programme.changeField,
})
const blocked = computed(() =>
  unreadable.value ? `${unreadable.value[1]} cannot be read yet.` : programme.problem,
)
</script>

<template>
  <div class="programme">
    <PageTop class="whole" :title="programme.saved ? programme.saved.body.name : 'Feeding schedule'">
      <Button v-if="programme.draft.version > 0" @click="begin"> New schedule </Button>
    </PageTop>

    <section class="column stack-l" aria-labelledby="who-title">
      <h2 id="who-title" class="unseen">Who is fed</h2>
      <div class="pair">
        <RecordField at="plants" />
        <RecordField at="appetite" />
        <RecordField at="batchId" placeholder="no batch" :choices="batchChoices" />
        <RecordField at="startOn" />
      </div>
      <ChoiceField
        :model-value="programme.draft.method"
        label="Method"
        :choices="FEEDING_METHODS.map(({ id, name }) => ({ value: id, name }))"
        :hint="method.why"
        @update:model-value="programme.chooseMethod"
      />
      <RecordField at="feedId" :choices="feedChoices" />
    </section>

    <section class="stack-l" aria-labelledby="chart-title">
      <h2 id="chart-title" class="unseen">Needed and given</h2>
      <template v-if="programme.plan && programme.request">
        <DrawingFrame file="feeding" title="The feeding schedule"
          ><ProgrammeChart :plan="programme.plan" :request="programme.request"
        /></DrawingFrame>
        <p class="verdict" :class="{ bad: programme.plan.hungryFrom !== null }" role="status">
          <template v-if="programme.plan.hungryFrom !== null">
            Hungry from {{ dayText(programme.plan.hungryFrom) }}: stronger, more often, or a richer mix.
          </template>
          <template v-else>Never hungry.</template>
          Seed and first mix last {{ counted(programme.plan.mixLasts, 'day') }} on their own.
        </p>
        <p>
          In total <FigureValue :figure="programme.plan.solutionL" /> of solution,
          <FigureValue :figure="programme.plan.feedAmount" /> of feed<template v-if="price !== null && goods"
            >, {{ money(price * programme.plan.feedAmount.value) }} in total</template
          >.
          <template v-if="goods && inSupplies > 0"
            >You have {{ printAmount(goods, inSupplies)
            }}<strong v-if="runsOut !== null">, which runs out on {{ dayText(runsOut) }}</strong
            ><template v-else>, enough</template>.</template
          >
        </p>
      </template>
      <p v-else class="problem">{{ said(programme.problem ?? '') }}</p>
    </section>

    <FoldAway
      class="whole"
      :title="`${counted(programme.draft.stages.length, 'stage')}: strength and how often`"
      :needed="programme.problems.some(({ path }) => path[0] === 'stages')"
      kept-as="feeding-stages"
      ><ProgrammeStages
    /></FoldAway>

    <form class="save no-print whole" @submit.prevent="save">
      <TextField
        label="Name"
        :problem="programme.problemAt('name')"
        :model-value="programme.draft.name"
        placeholder="Feeding schedule"
        @update:model-value="programme.change('name', (draft) => (draft.name = $event))"
      />
      <Button type="submit" class="main" :disabled="!!blocked || programme.saving.state === 'busy'">
        {{ programme.saved ? 'Save the changes' : 'Save this schedule' }}
      </Button>
      <p v-if="blocked" class="problem">{{ blocked }}</p>
      <SaveProblem :saving="programme.saving" @later="programme.dismiss()" @settled="programme.dismiss()" />
    </form>

    <ShareCard v-if="sharing" kind="schedule" :body="sharing" @close="sharing = null" />
    <section v-if="household.programmes.length" class="whole" aria-labelledby="kept-title">
      <h2 id="kept-title">Saved schedules</h2>
      <ul>
        <li v-for="one in household.programmes" :key="one.id" class="row nowrap">
          <NuxtLink :to="`/programme?programme=${one.id}`">{{ one.body.name }}</NuxtLink>
          <span class="soft">· {{ counted(one.body.plants, 'plant') }}, {{ one.body.method }}</span>
          <Button text @click="sharing = one.body"
            >Share<span class="unseen"> {{ one.body.name }}</span></Button
          >
          <DeleteButton :of="one.body.name" @click="remove('programmes', one)" />
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.programme {
  display: grid;
  grid-template-columns: minmax(19rem, 1fr) minmax(24rem, 2fr);
  gap: 1.2rem clamp(1rem, 2.2vw, 2.2rem);
  align-items: start;
}

.verdict {
  padding: 0.5rem 0.8rem;
  border-left: 4px solid var(--enamel);
  background: var(--water-wash);
  color: var(--water-ink);
  font-weight: 650;
}

.verdict.bad {
  border-color: var(--beet);
  background: var(--beet-wash);
  color: var(--beet);
}

.save {
  display: grid;
  grid-template-columns: minmax(12rem, 22rem) auto;
  gap: 0.7rem;
  align-items: end;
  justify-content: start;
}

@media (max-width: 64rem) {
  .programme {
    grid-template-columns: minmax(0, 1fr);
  }

  .save {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
