<script setup lang="ts">
import { first } from '#core/numeric/at'
import { sowableNow } from '#core/season/fitting/sow-now'
import { counted } from '#core/text/plurals'
import Listbox from 'primevue/listbox'
import { Plus } from '@lucide/vue'
import { CROP_FAMILIES, CROP_FIGURES, coverOf, hardinessOf, type Crop } from '#core/sowing/crop'
import { germinationNow, isBelowStandard } from '#core/sowing/seed-age'
import { CLUSTERS, GERMINATION_LAW } from '#core/sowing/seed-standards'
import { daysToEmergence } from '#core/sowing/emergence'
import { scheduleById } from '#core/season/schedule/schedules'
import { printShare } from '#core/units/format'
import { BUILT_IN_CROPS } from '#core/sowing/crops'
import { changedFigures } from '#core/catalogue'
import type { PacketRecord } from '#shared/records/packet'
import type { Stored } from '#shared/records/collections'

const { temperature, length } = useMeasures()

definePageMeta({
  place: {
    title: 'Crops and seed',
    tabTitle: 'Crops & seed',
    what: 'when to sow what, and the packets you have',
    words: 'seed packet variety germination',
    parent: '/plan',
    tab: 2,
    key: 'c',
  },
})

const household = useHousehold()
const today = useToday()
const remove = useRemoval()

const context = useContext()
const crops = computed(() => [...context.crops.values()])
const changedIn = (one: Crop) => changedFigures(BUILT_IN_CROPS, one, CROP_FIGURES)
const route = useRoute()
const chosenId = ref(typeof route.query.crop === 'string' ? route.query.crop : 'basil')
const chosen = computed(() => crops.value.find(({ id }) => id === chosenId.value) ?? first(crops.value))
const season = useSeason()
const { printDay } = useDates()
/** Beside a crop, what matters of it now. */
interface Shown {
  readonly crop: Crop
  readonly now: string
}
const shown = (crop: Crop, now = ''): Shown => ({ crop, now })
const timely = computed(() => {
  if (!season.known || !season.frame) return []
  const sow = sowableNow(crops.value, season.frame, season.known.book, season.today).map(
    ({ crop, season: when, until }) =>
      shown(crop, `sow by ${printDay(until)}${when === 'autumn' ? ', for autumn' : ''}`),
  )
  const growing = season.kept.map((row) =>
    shown(row.crop, counted(season.sowing(row.id)?.body.plants ?? 0, 'plant')),
  )
  const seed = crops.value.flatMap((crop) => {
    const n = household.packets.filter(({ body }) => body.cropId === crop.id).length
    return n ? [shown(crop, counted(n, 'packet'))] : []
  })
  const taken = new Set<string>()
  return [
    { title: 'Sow now', crops: sow },
    { title: 'In your plan', crops: growing },
    { title: 'Seed you have', crops: seed },
  ].map(({ title, crops: list }) => ({
    title,
    crops: list.filter(({ crop: { id } }) => !taken.has(id) && taken.add(id)),
  }))
})
/** Every crop is shown when it is looked for, or asked for. */
const searched = ref('')
const every = ref(false)
const groups = computed(() => {
  const now = timely.value.filter((group) => group.crops.length)
  if (now.length && !every.value && !searched.value) return now
  const there = new Set(now.flatMap((group) => group.crops.map(({ crop: { id } }) => id)))
  return [
    ...now,
    ...CROP_FAMILIES.map((family) => ({
      title: family,
      crops: crops.value
        .filter((one) => one.family === family && !there.has(one.id))
        .map((one) => shown(one)),
    })).filter((group) => group.crops.length),
  ]
})
const isOwn = (one: Crop) => changedIn(one).length > 0 || !BUILT_IN_CROPS.has(one.id)

const TEMPERATURES = [10, 15, 20, 25, 30, 35]
const days = computed(() =>
  TEMPERATURES.map((mixC) => ({ mixC, days: daysToEmergence(chosen.value.emergence, mixC) })),
)
const weeks = (n: number) => counted(Math.abs(n), 'week')
const lines = computed(() => {
  const one = chosen.value
  const s = one.sources
  return [
    ['Raised', `${one.weeks[0]}–${one.weeks[1]} weeks before planting out`, s.weeks],
    [
      'Out',
      one.outAfterFrostWeeks === 0
        ? 'at the last frost'
        : `${weeks(one.outAfterFrostWeeks)} ${one.outAfterFrostWeeks < 0 ? 'before' : 'after'} the last frost`,
      s.outAfterFrostWeeks,
    ],
    [
      'Autumn',
      one.weeksBeforeFrost === null
        ? 'the first frost does not end it'
        : `${weeks(one.weeksBeforeFrost)} outside before the first frost${one.autumn ? '; also sown for autumn' : ''}`,
      s.weeksBeforeFrost,
    ],
    ['Depth and cover', coverOf(one, length), s.depthMm],
    ['Light to come up', one.light === 'either' ? 'light or dark' : one.light, s.light],
    ['Warmth of the mix', temperature(one.warmthC), s.warmthC],
    [
      'Before sowing',
      one.treatment
        ? `${one.treatment.kind}${one.treatment.days ? ` for ${counted(one.treatment.days, 'day')}` : ''}`
        : 'nothing',
      s.treatment,
    ],
    [
      'Seeds in a cell',
      `${one.seedsPerCell}${one.clump ? ', left together as a clump' : ''}`,
      s.seedsPerCell,
    ],
    ['Germination', `${printShare(one.germination)} when fresh`, s.germination],
    ...(one.standardGermination === null
      ? []
      : [['At the least, on sale', printShare(one.standardGermination), GERMINATION_LAW] as const]),
    [
      'Seed keeps',
      one.keepsYears === null
        ? `${one.seedLife}-lived`
        : `about ${counted(one.keepsYears, 'year')}, cool and dry`,
      s.seedLife,
    ],
    ...(one.seedlings > 1
      ? [['A seed is', `a cluster: about ${one.seedlings} seedlings from each`, CLUSTERS] as const]
      : []),
    ['Appetite', one.appetite, s.appetite],
    ['Potting deep', one.buryStem ? 'roots from a buried stem' : 'no deeper than it stood', s.buryStem],
    ['Lowest night', `${temperature(one.lowestNightC)}: ${hardinessOf(one)}`, s.lowestNightC],
    ['Usual schedule', scheduleById(one.scheduleId).name, s.scheduleId],
  ] as const
})
/** What is looked up first. */
const MAIN = new Set([
  'Raised',
  'Out',
  'Depth and cover',
  'Light to come up',
  'Warmth of the mix',
  'Before sowing',
])
/** What the seed of a packet comes up by this year. */
const germinationOf = ({ year, germination }: PacketRecord) =>
  germinationNow(chosen.value, germination, yearsSince(year)).value
const yearsSince = (year: number) => Math.max(0, Number(today.value.slice(0, 4)) - year)
const changed = computed(() => new Set(changedIn(chosen.value)))
const packets = computed(() => household.packets.filter(({ body }) => body.cropId === chosen.value.id))

const form = ref<{ crop: Crop; asNew: boolean } | null>(null)
const packetForm = ref<{ packet?: Stored<PacketRecord> } | null>(null)
const own = computed(() => household.crops.find(({ id }) => id === chosen.value.id))
</script>

<template>
  <div class="crops">
    <header>
      <h1>Crops and seed</h1>
      <Button class="main" @click="packetForm = {}"> <Plus aria-hidden="true" /> Add a packet </Button>
    </header>

    <div class="list stack">
      <Listbox
        :model-value="chosen.id"
        :options="groups"
        option-group-label="title"
        option-group-children="crops"
        option-label="crop.name"
        option-value="crop.id"
        filter
        :filter-fields="['crop.name', 'crop.botanical', 'crop.alsoCalled']"
        filter-placeholder="find a crop"
        empty-filter-message="No match. Open a similar crop and press Copy it."
        aria-label="Crops"
        scroll-height="none"
        :pt="{ pcFilter: { root: { 'aria-label': 'Find a crop' } } }"
        @update:model-value="(id) => id && (chosenId = id)"
        @filter="searched = $event.value"
      >
        <template #option="{ option }: { option: Shown }">
          <span class="option row nowrap">
            <CropPicture :family="option.crop.family" />
            <span
              >{{ option.crop.name }} <i v-if="isOwn(option.crop)" class="small">yours</i
              ><small v-if="option.now" class="soft">{{ option.now }}</small></span
            >
          </span>
        </template>
      </Listbox>
      <Button v-if="timely.some((group) => group.crops.length) && !every" @click="every = true"
        >All {{ crops.length }} crops</Button
      >
    </div>

    <article class="slip stack-l" aria-labelledby="crop-title">
      <header class="row">
        <CropPicture :family="chosen.family" />
        <h2 id="crop-title">{{ chosen.name }}</h2>
        <NuxtLink
          class="button main"
          :to="`/plan?wish=${encodeURIComponent(`12 ${first(chosen.name.split(','))}`)}`"
          >Plan some</NuxtLink
        >
        <Button @click="form = { crop: chosen, asNew: false }">Edit</Button>
        <Button @click="form = { crop: chosen, asNew: true }">Copy it</Button>
        <DeleteButton v-if="own" :of="chosen.name" @click="remove('crops', own)" />
      </header>
      <p v-if="chosen.botanical" class="soft">
        <i lang="la">{{ chosen.botanical }}</i><template v-if="chosen.alsoCalled.length"
          >; also called {{ chosen.alsoCalled.join(', ') }}</template
        >
      </p>
      <dl>
        <div v-for="[what, value] in lines.filter(([title]) => MAIN.has(title))" :key="what">
          <dt>{{ what }}</dt>
          <dd>{{ value }}</dd>
        </div>
      </dl>
      <FoldAway title="All figures, and where they come from" kept-as="crop-figures">
        <dl>
          <div v-for="[what, value, source] in lines" :key="what">
            <dt>{{ what }}</dt>
            <dd>
              {{ value }}
              <small class="soft"><SourceMark :tag="source.tag" /> {{ source.cite }}</small>
            </dd>
          </div>
        </dl>
        <p v-if="changed.size" class="small">Changed by you: {{ counted(changed.size, 'figure') }}.</p>
      </FoldAway>
      <h3>Days to come up</h3>
      <table class="figures days">
        <thead>
          <tr>
            <th v-for="one in days" :key="one.mixC" scope="col">{{ temperature(one.mixC) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <td v-for="one in days" :key="one.mixC">
              <FigureValue v-if="one.days" :figure="one.days" :digits="String(Math.round(one.days.value))" />
              <span v-else>poor</span>
            </td>
          </tr>
        </tbody>
      </table>
      <h3>Your seed</h3>
      <ul v-if="packets.length" class="packets">
        <li v-for="one in packets" :key="one.id" class="row nowrap">
          <button type="button" class="name" @click="packetForm = { packet: one }">
            {{ one.body.name }}
          </button>
          <span class="soft">
            {{ one.body.year }}<template v-if="one.body.supplier">, {{ one.body.supplier }}</template
            ><template v-if="one.body.seeds !== null">, {{ counted(one.body.seeds, 'seed') }}</template
            ><template v-if="one.body.germination !== null"
              >, tested {{ printShare(one.body.germination) }}</template
            ><template v-if="yearsSince(one.body.year)"
              >, about {{ printShare(germinationOf(one.body)) }} by now</template
            ><template v-if="isBelowStandard(chosen, germinationOf(one.body))"
              >: low, so sow more or buy fresh</template
            >
          </span>
          <StandsIn :packet-id="one.id" />
          <DeleteButton :of="one.body.name" @click="remove('packets', one)" />
        </li>
      </ul>
      <p v-else class="soft">No packet yet.</p>
      <EarlierRecords collection="packets" :newest="80" what="packets" />
    </article>
    <CropForm v-if="form" :crop="form.crop" :as-new="form.asNew" @close="form = null" />
    <PacketForm v-if="packetForm" v-bind="packetForm" :crop-id="chosen.id" @close="packetForm = null" />
  </div>
</template>

<style scoped>
.crops {
  display: grid;
  grid-template-columns: minmax(15rem, 1fr) minmax(0, 2.4fr);
  gap: 1.2rem 2rem;
  align-items: start;
}

.crops > header {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  align-items: start;
  justify-content: space-between;
  gap: 0.8rem;
}

article header h2 {
  flex: 1;
}

.option small {
  display: block;
  color: inherit;
}

dl > div {
  display: grid;
  grid-template-columns: 10rem 1fr;
  gap: 0.6rem;
  padding: 0.3rem 0;
  border-top: 1px solid var(--line);
}

dt {
  font-weight: 650;
}

dd small {
  display: block;
  font-size: 0.875rem;
}

.days th,
.days td {
  text-align: center !important;
}

@media (max-width: 52rem) {
  .crops {
    grid-template-columns: minmax(0, 1fr);
  }

  dl > div {
    grid-template-columns: 1fr;
    gap: 0;
  }
}
</style>
