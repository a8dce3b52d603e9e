<script setup lang="ts">
import { causesOf } from '#core/signs/causes'
import { emptyRecord } from '#core/signs/record'
import { SIGNS, signById, type SignId } from '#core/signs/seen'

const saying = useSaying()

definePageMeta({
  place: {
    title: 'What’s wrong?',
    what: 'pale, leggy, wilting, fallen over: likely causes and what to do',
    words:
      'signs diagnose problem yellow leggy burnt gnats flies mould crust wilting purple spots eaten curled trouble disease sick',
    parent: '/trays',
    tab: 3,
    key: 'w',
  },
})
const trays = useTrays()
const season = useSeason()
const { attempt } = useCommands()
const route = useRoute()
provideUnreadable()

const sign = computed((): SignId | null => SIGNS.find(({ id }) => id === route.query.sign)?.id ?? null)
const trayId = computed(() => (typeof route.query.tray === 'string' ? route.query.tray : null))
const go = (change: Record<string, string | undefined>) =>
  navigateTo({ query: { ...route.query, ...change } }, { replace: true })
const record = useSignRecord(() => trayId.value)
const trayChoices = computed(() => [
  { value: null as string | null, name: 'no tray' },
  ...trays.standing.map(({ id, number, body }) => ({
    value: id as string | null,
    name: `tray ${number} · ${body.groups.map(({ name }) => name).join(', ') || body.name}`,
  })),
])

// Without a tray a few words say what the record would.
const daysUp = ref<number | null>(null)
const coldestC = ref<number | null>(null)
const lightMol = ref<number | null>(null)
const lastNMgPerL = ref<number | null>(null)
const known = computed(
  () =>
    record.value ?? {
      ...emptyRecord(),
      daysUp: daysUp.value,
      coldestC: coldestC.value,
      lightMol: lightMol.value,
      lastNMgPerL: lastNMgPerL.value,
      daysSinceFed: lastNMgPerL.value === null ? null : 5,
    },
)
const causes = computed(() => (sign.value ? causesOf(sign.value, known.value) : []))
/** What to look into first; the rest is folded away. */
const FIRST = 3
async function seen() {
  const tray = trays.find(trayId.value ?? '')
  if (!tray || !sign.value) return
  const name = signById(sign.value).name
  const title = `${name}: tray ${tray.number}`
  await attempt(
    title,
    [
      {
        name: 'write down',
        title,
        kind: sign.value === 'eaten' ? 'damage' : 'seen',
        on: season.today,
        subjects: [{ what: 'trays', id: tray.id }],
        signs: [sign.value],
      },
    ],
    `Logged: ${name}.`,
  )
}
const { said } = useMeasures()
</script>

<template>
  <div class="signs">
    <header class="whole">
      <div>
        <h1>What’s wrong with my plants?</h1>
        <p class="soft">The more you log, the better the diagnosis.</p>
      </div>
      <NuxtLink to="/signs/practice" class="button no-print">Practice</NuxtLink>
    </header>
    <section class="whole" aria-labelledby="see-title">
      <h2 id="see-title">{{ sign ? 'What you see' : 'Tap what you see' }}</h2>
      <div class="pictures" role="radiogroup" aria-labelledby="see-title">
        <button
          v-for="one in SIGNS"
          :key="one.id"
          class="stack-s"
          type="button"
          role="radio"
          :aria-checked="sign === one.id"
          :class="{ on: sign === one.id }"
          @click="go({ sign: one.id })"
        >
          <SignPicture :sign="one.id" label="" aria-hidden="true" />
          {{ said(one.name) }}
        </button>
      </div>
    </section>
    <section v-if="sign" class="column stack-l" aria-labelledby="where-title">
      <h2 id="where-title">On which plants</h2>
      <ChoiceField
        :model-value="trayId"
        label="Tray"
        placeholder="no tray"
        :choices="trayChoices"
        @update:model-value="go({ tray: $event ?? undefined })"
      />
      <template v-if="!record">
        <div class="pair">
          <TypedField v-model="daysUp" optional label="Up since" unit="days" />
          <TypedField v-model="lastNMgPerL" optional label="Last feed" :unit="saying.nitrogenUnit" />
          <TypedField v-model="coldestC" optional label="Coldest there" dimension="temperature" />
          <TypedField v-model="lightMol" optional label="Light a day" unit="mol/m²" />
        </div>
      </template>
      <template v-else>
        <div class="buttons no-print">
          <Button class="main" @click="seen">Save</Button>
          <NuxtLink :to="`/records/trace/${trayId}`" class="button">Trace</NuxtLink>
          <NuxtLink :to="{ path: '/records', query: { subject: trayId } }" class="button">Its log</NuxtLink>
        </div>
      </template>
      <DrawingFrame file="sign" :title="signById(sign).name"
        ><SignPicture :sign="sign" :label="signById(sign).name" class="large"
      /></DrawingFrame>
    </section>
    <section v-if="sign" class="column stack-l" aria-labelledby="why-title" aria-live="polite">
      <h2 id="why-title">{{ said(signById(sign).name) }}: what is likely</h2>
      <ol v-if="causes.length">
        <CauseLine
          v-for="(cause, i) in causes.slice(0, FIRST)"
          :key="cause.id"
          :cause="cause"
          :record="known"
          :first="i === 0"
        />
      </ol>
      <p v-else class="slip">
        No records for or against. Look at roots, undersides of leaves and for small animals, and log what you
        find.
      </p>
      <FoldAway v-if="causes.length > FIRST" :title="`Less likely (${causes.length - FIRST})`">
        <ol>
          <CauseLine v-for="cause in causes.slice(FIRST)" :key="cause.id" :cause="cause" :record="known" />
        </ol>
      </FoldAway>
      <FoldAway title="How this is judged">
        <p>
          How often each cause is behind a sign is common practice; your records move it. Weighings, feeds,
          counts and the climate of the place make it surer.
        </p>
      </FoldAway>
    </section>
  </div>
</template>

<style scoped>
.signs {
  display: grid;
  grid-template-columns: minmax(19rem, 0.8fr) minmax(22rem, 1.2fr);
  gap: 1.2rem clamp(1rem, 2.6vw, 2.8rem);
  align-items: start;
}

.whole {
  grid-column: 1 / -1;
  min-width: 0;
}

header.whole {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
  align-items: end;
  justify-content: space-between;
}

.pictures {
  display: grid;
  grid-template-columns: repeat(10, minmax(5.6rem, 1fr));
  gap: 0.4rem;
  padding-top: 0.6rem;
}

.pictures button {
  align-content: start;
  justify-items: center;
  min-height: 6rem;
  padding: 0.3rem;
  border: 1.5px solid transparent;
  border-radius: 0.5rem;
  background: none;
  font-size: 0.9375rem;
  line-height: 1.2;
  cursor: pointer;
}

.pictures button :deep(svg) {
  width: 3.8rem;
}

.pictures button:hover {
  border-color: var(--line-strong);
}

.pictures .on {
  border-color: var(--enamel);
  background: var(--water-wash);
  font-weight: 600;
}

.large {
  max-width: 11rem;
}

@media (max-width: 64rem) {
  .pictures {
    grid-template-columns: repeat(auto-fill, minmax(5.6rem, 1fr));
  }
}

@media (max-width: 52rem) {
  .signs {
    grid-template-columns: minmax(0, 1fr);
  }

  .large {
    display: none;
  }
}
</style>
