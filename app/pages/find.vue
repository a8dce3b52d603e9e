<script setup lang="ts">
import { present } from '#core/present'
import { at, first } from '#core/numeric/at'
import { inSentence } from '#core/text/plurals'
import { onShelves } from '#core/supplies/draw'
import {
  FINDER_TRAITS,
  moreThan,
  type Found,
  type FinderRequest,
  type FinderTrait,
  type Wants,
} from '#core/media/finder'
import type { Part } from '#core/media/recipe'
import { printNumber } from '#core/units/format'
import { TRAITS } from '#shared/drawings/traits'
import { textureFill } from '#shared/drawings/textures'

definePageMeta({
  place: {
    title: 'Find a mix',
    what: 'mixes that meet your limits, from what you have',
    parent: '/mix',
    tab: 4,
  },
})

const context = useContext()
const mix = useMixDraft()
const router = useRouter()
const { answer: result, done, tookMs, ask, cancel } = useWorkerCall('findMixes')
/** What the result answers: a search that was cancelled leaves the last one standing. */
const searched = shallowRef<FinderRequest | null>(null)
provideUnreadable()

/** What the supplies hold; where that makes no mix, what most people have. */
const mediaAtHand = context.media
  .filter(({ id }) => onShelves(context.shelves('material', id)) > 0)
  .map(({ id }) => id)
const ticked = ref(
  mediaAtHand.length >= 3
    ? mediaAtHand
    : ['coir', 'perlite', 'vermiculite', 'castings', 'compost', 'rice-hulls'],
)
const containerId = ref(mix.draft.fills[0]?.containerId ?? 'tray-72')
const mostMaterials = ref(4)
/** Prices typed here, over those of the packs in the supplies. */
const typedPrices = ref<Record<string, number | null>>({})
const priceOf = (id: string) => typedPrices.value[id] ?? context.priceOf('material', id)
const peatFree = ref(false)
const fitScoop = ref(false)
const wants = ref<Record<FinderTrait, { low: number | null; high: number | null }>>({
  air: { low: 0.1, high: 0.25 },
  water: { low: 0.2, high: null },
  ph: { low: 5.5, high: 6.8 },
  salts: { low: null, high: 1 },
  food: { low: null, high: null },
  cost: { low: null, high: null },
})
const chosen = ref(0)
const axes = ref<{ x: FinderTrait; y: FinderTrait }>({ x: 'food', y: 'air' })

const isPeat = (id: string) => id.startsWith('peat')
const materials = computed(() =>
  context.media.filter(({ id }) => ticked.value.includes(id) && !(peatFree.value && isPeat(id))),
)
const inSupplies = computed(() =>
  context.media.filter(({ id }) => onShelves(context.shelves('material', id)) > 0).map(({ id }) => id),
)
const container = computed(() => context.containers.get(containerId.value) ?? first(context.containerList))
const request = computed((): FinderRequest => ({
  materials: materials.value,
  pricePerL: materials.value.map(({ id }) => priceOf(id) ?? 0),
  container: container.value,
  wants: Object.fromEntries(
    FINDER_TRAITS.map((trait) => {
      const { low, high } = wants.value[trait]
      return [trait, { ...(low === null ? {} : { low }), ...(high === null ? {} : { high }) }]
    }),
  ) as Wants,
  mostParts: 12,
  mostMaterials: mostMaterials.value,
  keep: 24,
  scoop:
    fitScoop.value && mix.plan ? { mixL: mix.plan.mixL.value, volumeL: mix.draft.scoop.volumeL } : undefined,
}))
const containerChoices = computed(() => context.containerList.map(({ id, name }) => ({ value: id, name })))
const traitChoices = FINDER_TRAITS.map((trait) => ({ value: trait, name: TRAITS[trait].name }))

function toggle(id: string, on: boolean) {
  ticked.value = on ? [...ticked.value, id] : ticked.value.filter((one) => one !== id)
}
function search() {
  chosen.value = 0
  const asked = request.value
  void ask(asked).then(() => {
    if (done.value === null) searched.value = asked
  })
}
// What most seedlings like is found at once, so that nobody begins at an empty page.
onMounted(search)
const partsOf = (amounts: readonly number[], from: FinderRequest): Part[] =>
  amounts.flatMap((parts, i) => (parts > 0 ? [{ materialId: at(from.materials, i).id, parts }] : []))

/** Where nothing fits: the want that alone turned away the most. */
const tightest = computed(() => {
  const all = Object.entries(result.value?.excludedBy ?? {}) as [FinderTrait | 'scoop', number][]
  return all.sort((a, b) => b[1] - a[1])[0]
})

/** What another has that the best has not, or has less of. */
function otherThan(best: Found, found: Found) {
  const { index, isNew } = moreThan(best.parts, found.parts)
  const name = inSentence(first(present(searched.value?.materials[index]).name.split(',')))
  return `${isNew ? 'With' : 'More'} ${name}`
}
/** What each of the four is known by: what it is the most of, else what it has. */
const KNOWN = { air: 'most air', water: 'holds most water', food: 'feeds longest' } as const
const four = computed(() => {
  const all = result.value?.contrasting ?? []
  const said = new Set<string>()
  return all.map((found, index) => {
    const most = (['food', 'water', 'air'] as const).find(
      (trait) =>
        !said.has(trait) &&
        found.traits[trait] > 0 &&
        all.every((other) => other.traits[trait] <= found.traits[trait]),
    )
    if (index && most) said.add(most)
    const known = index ? `${otherThan(first(all), found)}${most ? `: ${KNOWN[most]}` : ''}` : 'Best match'
    return { found, known }
  })
})
/** What is ticked, and what most people look for; the rest when it is asked for. */
const every = ref(false)
const USUAL = new Set(['coir', 'peat', 'perlite', 'vermiculite', 'castings', 'compost', 'seed-mix', 'sand'])
const offered = computed(() =>
  context.media.filter(({ id }) => every.value || USUAL.has(id) || mediaAtHand.includes(id)),
)

function use(parts: readonly Part[]) {
  mix.change('recipe', (draft) => {
    draft.recipeId = null
    draft.parts = parts.map((part) => ({ ...part }))
  })
  void router.push({ path: '/mix', query: mix.saved ? { batch: mix.saved.id } : {} })
}
</script>

<template>
  <div class="find">
    <PageTop title="Find a mix" />

    <form class="wants stack-l" @submit.prevent="search">
      <ChoiceField v-model="containerId" label="For" :choices="containerChoices" />
      <fieldset class="materials">
        <legend>Made from</legend>
        <div class="from-supplies">
          <Button v-if="inSupplies.length" @click="ticked = [...inSupplies]">My supplies</Button>
          <CheckField v-model="peatFree">peat-free</CheckField>
        </div>
        <label v-for="one in offered" :key="one.id">
          <Checkbox
            binary
            :model-value="ticked.includes(one.id) && !(peatFree && isPeat(one.id))"
            :disabled="peatFree && isPeat(one.id)"
            @update:model-value="toggle(one.id, $event)"
          />
          <svg width="22" height="22" aria-hidden="true">
            <rect width="22" height="22" rx="3" :fill="textureFill(one.id)" />
          </svg>
          {{ one.name }}
        </label>
        <Button v-if="!every" @click="every = true">All {{ context.media.length }} materials</Button>
      </fieldset>
      <p v-if="materials.length === 0" class="problem">Tick at least one material.</p>
      <FoldAway title="Limits" kept-as="find-limits">
        <div v-for="trait in FINDER_TRAITS" :key="trait" class="range">
          <span
            >{{ TRAITS[trait].name }}
            <span v-if="TRAITS[trait].unit" class="soft small">{{
              TRAITS[trait].percent ? '' : TRAITS[trait].unit
            }}</span></span
          >
          <TypedField
            v-model="wants[trait].low"
            optional
            hide-label
            :label="`${TRAITS[trait].name}, at least`"
            :percent="TRAITS[trait].percent"
          />
          <span class="soft">to</span>
          <TypedField
            v-model="wants[trait].high"
            optional
            hide-label
            :label="`${TRAITS[trait].name}, at most`"
            :percent="TRAITS[trait].percent"
          />
        </div>
        <ChoiceField
          :model-value="String(mostMaterials)"
          label="Materials in one mix, at most"
          :choices="['1', '2', '3', '4', '5', '6'].map((value) => ({ value, name: value }))"
          @update:model-value="mostMaterials = Number($event)"
        />
        <CheckField v-model="fitScoop">parts that fit my {{ inSentence(mix.draft.scoop.name) }}</CheckField>
      </FoldAway>
      <FoldAway title="Prices of materials">
        <div class="three">
          <TypedField
            v-for="one in materials"
            :key="one.id"
            :model-value="priceOf(one.id)"
            optional
            :label="one.name"
            @update:model-value="typedPrices = { ...typedPrices, [one.id]: $event }"
          />
        </div>
      </FoldAway>
      <div class="go row nowrap">
        <Button v-if="done === null" type="submit" class="main" :disabled="materials.length === 0">
          Find
        </Button>
        <UnderWay v-else label="Searching" :done="done" @stop="cancel" />
      </div>
    </form>

    <section class="found stack-l" aria-labelledby="found-title" aria-live="polite">
      <template v-if="result && searched">
        <h2 id="found-title">
          {{ result.fitting ? `${result.fitting.toLocaleString('en')} mixes fit` : 'None fits' }}
        </h2>
        <p v-if="!result.fitting" class="soft">
          <template v-if="tightest && tightest[1] > 0">
            <strong>{{ tightest[0] === 'scoop' ? 'Fitting the scoop' : TRAITS[tightest[0]].name }}</strong>
            alone turned away {{ tightest[1].toLocaleString('en') }}: ease it first.
          </template>
          <template v-else>No single limit is to blame; these come nearest.</template>
        </p>
        <ol class="list">
          <FoundMix
            v-for="({ found, known }, index) in four"
            :key="found.parts.join()"
            :found="found"
            :known="known"
            :parts="partsOf(found.parts, searched)"
            :chosen="index === chosen"
            @choose="chosen = index"
            @use="use(partsOf(found.parts, searched))"
          />
        </ol>
        <FoldAway :title="`More like the best`">
          <ol class="list">
            <FoundMix
              v-for="one in result.best.slice(1, 12)"
              :key="one.parts.join()"
              :found="one"
              known=""
              :parts="partsOf(one.parts, searched)"
              :chosen="false"
              @use="use(partsOf(one.parts, searched))"
            />
          </ol>
        </FoldAway>
        <FoldAway v-if="result.best.length" title="Trade-offs" kept-as="find-trade">
          <div class="pair">
            <ChoiceField v-model="axes.x" label="Across" :choices="traitChoices" />
            <ChoiceField v-model="axes.y" label="Up" :choices="traitChoices" />
          </div>
          <TradeOff
            :cloud="result.cloud"
            :best="four.map(({ found }) => found)"
            :x="axes.x"
            :y="axes.y"
            :chosen="chosen"
            @choose="chosen = $event"
          />
          <p class="soft small">
            {{ result.looked.toLocaleString('en') }} recipes compared in
            {{ printNumber(tookMs / 1000, 2) }} s.
          </p>
        </FoldAway>
      </template>
      <template v-else>
        <h2 id="found-title">{{ done === null ? 'Stopped' : 'Loading …' }}</h2>
        <p v-if="done === null" class="soft">Press Find to search again.</p>
      </template>
      <FoldAway title="All blends of three"><BlendOfThree :request="request" @use="use" /></FoldAway>
      <StretchMix :container="container" :additions="materials.map(({ id }) => id)" @use="use" />
    </section>
  </div>
</template>

<style scoped>
.find {
  display: grid;
  grid-template-columns: minmax(18rem, 0.8fr) minmax(24rem, 1.6fr);
  gap: 1rem clamp(1rem, 2.5vw, 2.5rem);
  align-items: start;
}

.from-supplies {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.2rem 1rem;
  padding-bottom: 0.4rem;
}

.materials label:not(.check) {
  display: grid;
  grid-template-columns: auto auto 1fr;
  gap: 0.5rem;
  align-items: center;
  min-height: 2.2rem;
  cursor: pointer;
}

.range {
  display: grid;
  grid-template-columns: 1fr 5.5rem auto 5.5rem;
  gap: 0.4rem;
  align-items: center;
  padding: 0.15rem 0;
}

.go .main {
  flex: 1;
}

@media (max-width: 52rem) {
  .find {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
