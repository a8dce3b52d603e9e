<script setup lang="ts">
import { KIND_GROUPS } from '~/records/log/kinds'
import { Search } from '@lucide/vue'
import { withOutside } from '#core/season/schedule/stays'
import type { Day } from '#core/calendar/day'

definePageMeta({
  place: {
    title: 'Log',
    what: 'everything that happened',
    words: 'records diary journal history notes harvest',
    name: 'Records',
    order: 5,
    key: 'r',
    tab: 1,
  },
})
const household = useHousehold()
const trays = useTrays()
const season = useSeason()
const route = useRoute()
const { printLongDay } = useDates()

const one = (key: string) => {
  const value = route.query[key]
  return typeof value === 'string' && value !== '' ? value : null
}
const dayOf = (key: 'from' | 'until') => one(key) as Day | null
const words = ref(one('words') ?? '')
const filter = computed(() => ({
  subject: one('subject'),
  placeId: one('place'),
  kinds: KIND_GROUPS.find(({ id }) => id === one('of'))?.kinds.join(',') ?? null,
  from: one('from'),
  until: one('until'),
  words: words.value,
}))
const narrow = (change: Record<string, string | null>) =>
  navigateTo(
    {
      query: Object.fromEntries(
        Object.entries({ ...route.query, ...change }).filter(([, value]) => value !== null && value !== ''),
      ),
    },
    { replace: true },
  )
watch(words, (now) => narrow({ words: now.trim() || null }))
const stream = useLogStream(() => filter.value)

const things = computed(() => [
  { group: 'All', choices: [{ value: null as string | null, name: 'everything' }] },
  {
    group: 'Trays',
    choices: [...trays.all].reverse().map(({ id, number, body }) => ({
      value: id as string | null,
      name: `tray ${number} · ${body.groups.map(({ name }) => name).join(', ') || body.name}`,
    })),
  },
  {
    group: 'Sowings',
    choices: household.sowings.map(({ id, body }) => ({ value: id as string | null, name: body.name })),
  },
  {
    group: 'Batches',
    choices: household.batches.map(({ id, number, body }) => ({
      value: id as string | null,
      name: `batch ${number} · ${body.name}`,
    })),
  },
  {
    group: 'Packets',
    choices: household.packets.map(({ id, body }) => ({
      value: id as string | null,
      name: `${body.name} ${body.year}`,
    })),
  },
])
const places = computed(() => [
  { value: null as string | null, name: 'every place' },
  ...withOutside(season.frame?.places ?? []).map(({ id, name }) => ({ value: id as string | null, name })),
])
const looking = ref(Boolean(one('words') || one('subject') || one('place') || one('from') || one('until')))
const narrowed = computed(() => Object.entries(filter.value).some(([, value]) => value))
const onlyTray = computed(() =>
  filter.value.subject && trays.find(filter.value.subject) ? filter.value.subject : undefined,
)
const air = ref(false)

// The page before is fetched as its end comes into sight.
const end = ref<HTMLElement | null>(null)
let watcher: IntersectionObserver | undefined
onMounted(() => {
  watcher = new IntersectionObserver(
    (seen) => {
      if (seen.some(({ isIntersecting }) => isIntersecting)) void stream.earlier()
    },
    { rootMargin: '600px' },
  )
  if (end.value) watcher.observe(end.value)
})
watch(end, (now, before) => {
  if (before) watcher?.unobserve(before)
  if (now) watcher?.observe(now)
})
onBeforeUnmount(() => watcher?.disconnect())
</script>

<template>
  <div class="log stack-l">
    <PageTop title="Log">
      <Button @click="air = true">Log temperature and humidity</Button>
    </PageTop>
    <LogLine v-bind="onlyTray ? { subject: onlyTray } : {}" />

    <LogReminders />

    <div class="groups no-print" role="group" aria-label="Kinds">
      <button
        v-for="group in KIND_GROUPS"
        :key="group.id"
        type="button"
        :aria-pressed="one('of') === group.id"
        @click="narrow({ of: one('of') === group.id ? null : group.id })"
      >
        {{ group.name }}
      </button>
      <button type="button" class="look row-s nowrap" :aria-expanded="looking" @click="looking = !looking">
        <Search aria-hidden="true" /> Look for
      </button>
    </div>
    <section v-if="looking" class="filters no-print" aria-label="Look for">
      <TextField v-model="words" type="search" label="Words" />
      <ChoiceField
        :model-value="filter.subject"
        label="About"
        :choices="things"
        @update:model-value="narrow({ subject: $event })"
      />
      <ChoiceField
        :model-value="filter.placeId"
        label="Place"
        placeholder="all places"
        :choices="places"
        @update:model-value="narrow({ place: $event })"
      />
      <DayField
        :model-value="dayOf('from')"
        optional
        label="From"
        @update:model-value="narrow({ from: $event })"
      />
      <DayField
        :model-value="dayOf('until')"
        optional
        label="Until"
        @update:model-value="narrow({ until: $event })"
      />
    </section>

    <section aria-label="What happened" :aria-busy="stream.state.value === 'loading'">
      <p v-if="stream.state.value === 'loading'" class="soft">Reading the log …</p>
      <div v-else-if="stream.state.value === 'failed'" class="problem" role="alert">
        {{ stream.problem.value }} <Button @click="stream.load()">Try again</Button>
      </div>
      <p v-else-if="!stream.days.value.length" class="slip">
        {{
          narrowed
            ? 'No match'
            : 'No entries yet. Type above what you did or saw; jobs you tick off appear here too.'
        }}
        <Button v-if="narrowed" @click="((words = ''), navigateTo('/records'))">Show everything</Button>
      </p>
      <template v-else>
        <section
          v-for="day in stream.days.value"
          :key="day.on"
          class="day"
          :aria-labelledby="`day-${day.on}`"
        >
          <h2 :id="`day-${day.on}`">{{ printLongDay(day.on) }}</h2>
          <ul>
            <LogEntry v-for="entry in day.list" :key="entry.id" :entry="entry" />
          </ul>
        </section>
        <p v-if="stream.more.value" ref="end" class="more">
          <Button @click="stream.earlier()">Earlier</Button>
        </p>
      </template>
    </section>
    <ClimateForm v-if="air" @close="air = false" />
  </div>
</template>

<style scoped>
.log {
  max-width: 62rem;
}

.filters {
  display: grid;
  grid-template-columns:
    minmax(10rem, 1.4fr) minmax(10rem, 1.4fr) minmax(8rem, 1fr) minmax(8rem, 0.8fr)
    minmax(8rem, 0.8fr);
  gap: 0.6rem;
}

.groups {
  padding-top: 0.6rem;
  border-top: 1px solid var(--line);
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1rem;
}

.groups button {
  min-height: 2.5rem;
  padding: 0.2rem 0.1rem;
  border-bottom: 3px solid transparent;
  color: var(--ink-soft);
  font-weight: 600;
}

.groups .look {
  margin-left: auto;
  color: var(--enamel);
}

.look svg {
  width: 1.1rem;
}

.groups button[aria-pressed='true'] {
  border-color: var(--enamel);
  color: var(--ink);
}

.day {
  content-visibility: auto;
  contain-intrinsic-size: auto 12rem;
}

.day h2 {
  position: sticky;
  top: 0;
  z-index: 1;
  padding: 0.6rem 0 0.3rem;
  background: var(--paper);
  color: var(--ink-soft);
  font-size: 1.0625rem;
}

.more {
  padding: 1rem 0;
}

@media (max-width: 52rem) {
  .filters {
    grid-template-columns: 1fr 1fr;
  }

  .filters > :first-child,
  .filters > :nth-child(2) {
    grid-column: 1 / -1;
  }

  .groups {
    flex-wrap: nowrap;
    overflow-x: auto;
  }

  .groups button {
    flex: none;
  }
}
</style>
