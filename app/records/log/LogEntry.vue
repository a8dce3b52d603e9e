<script setup lang="ts">
import { first } from '#core/numeric/at'
import { KINDS_SHOWN } from '~/records/log/kinds'
import { isSign, seenName } from '#core/signs/seen'
import { totalOf } from '#core/trays/change'
import type { Bodies, Stored } from '#shared/records/collections'

/** Something that happened, with what it was about; it can be put right or taken back. */
const props = defineProps<{ entry: Stored<Bodies['entries']> }>()
const household = useHousehold()
const trays = useTrays()
const season = useSeason()
const { perform, attempt, noteDone } = useCommands()
const { printDay } = useDates()
const { volume, mass, temperature } = useMeasures()

const body = computed(() => props.entry.body)
const shown = computed(() => KINDS_SHOWN[body.value.kind])
const things = computed(() =>
  body.value.subjects.flatMap(({ what, id }) => {
    if (what === 'trays') {
      const tray = trays.find(id)
      return tray ? [{ id, name: `tray ${tray.number}`, to: `/trays/${id}` }] : []
    }
    if (what === 'batches') {
      const batch = household.batches.find((one) => one.id === id)
      return batch ? [{ id, name: `batch ${batch.number}`, to: `/batches/${id}` }] : []
    }
    if (what === 'sowings') {
      const sowing = season.sowing(id)
      return sowing ? [{ id, name: sowing.body.name, to: `/records?subject=${id}` }] : []
    }
    return []
  }),
)
const SHOWN_AT_ONCE = 5
/** What it measured, in a few words. */
const facts = computed(() => {
  const { count, cells, water, grams, climate, actual, facts: written } = body.value
  const told = cells.map((one) => totalOf(one)).reduce((a, b) => a + b, 0)
  const poured = water.reduce((sum, one) => sum + (one.litres ?? 0), 0)
  const weights = water.flatMap((one) => one.grams ?? [])
  return [
    ...(cells.length ? [`${told}`] : count !== null ? [`${count}`] : []),
    ...(poured > 0 ? [volume(poured)] : []),
    ...(weights.length ? [weights.map((one) => mass(one)).join(', ')] : []),
    ...(grams ? [mass(grams)] : []),
    ...(climate.length === 1
      ? [`${temperature(first(climate).lowC)} to ${temperature(first(climate).highC)}`]
      : climate.length
        ? [`${climate.length} days of air`]
        : []),
    ...(actual?.usedL != null ? [`${volume(actual.usedL)} used`] : []),
    ...written
      .filter(({ what, unit }) => unit === 'L' && (what === 'Loose mix' || what === 'Solution'))
      .map(({ amount }) => volume(amount)),
  ]
})
const place = computed(() => season.frame?.places.find(({ id }) => id === body.value.placeId)?.name)

const righting = ref(false)
const draft = ref({ name: '', note: '', by: '', on: body.value.on, remindOn: body.value.remindOn })
function right() {
  const { name, note: said, by, on, remindOn } = body.value
  draft.value = { name, note: said, by, on, remindOn }
  righting.value = true
}
const problem = ref('')
async function keep() {
  problem.value = ''
  const { id, version } = props.entry
  const { name: title, ...rest } = draft.value
  try {
    const { act } = await perform(body.value.name, [{ name: 'correct entry', id, version, title, ...rest }])
    righting.value = false
    noteDone('Saved.', act)
  } catch (error) {
    problem.value = whyNot(error)
  }
}
const takeBack = () =>
  attempt(
    body.value.name,
    [{ name: 'remove record', collection: 'entries', id: props.entry.id, version: props.entry.version }],
    `Undone: ${body.value.name}.`,
  )
</script>

<template>
  <li class="log-entry" :class="{ voice: body.kind === 'thought' }">
    <span class="mark" :title="shown.name"
      ><component :is="shown.icon" aria-hidden="true" /><span class="unseen">{{ shown.name }}</span></span
    >
    <div class="words stack-s">
      <p class="name">
        {{ body.name }}<span v-if="facts.length" class="facts"> {{ facts.join(' · ') }}</span>
      </p>
      <p v-if="body.signs.length" class="signs">
        <template v-for="sign in body.signs" :key="sign">
          <NuxtLink
            v-if="isSign(sign)"
            :to="{
              path: '/signs',
              query: { sign, ...(things[0]?.to.startsWith('/trays/') ? { tray: things[0].id } : {}) },
            }"
            >{{ seenName(sign) }}</NuxtLink
          >
          <span v-else>{{ seenName(sign) }}</span>
        </template>
      </p>
      <p v-if="body.note && body.note !== body.name" class="note">{{ body.note }}</p>
      <p class="subjects small soft">
        <span v-if="body.at">{{ body.at }}</span>
        <span v-if="body.by">{{ body.by }}</span>
        <span v-if="place">{{ place }}</span>
        <NuxtLink v-for="thing in things.slice(0, SHOWN_AT_ONCE)" :key="thing.id" :to="thing.to">{{
          thing.name
        }}</NuxtLink>
        <span v-if="things.length > SHOWN_AT_ONCE">and {{ things.length - SHOWN_AT_ONCE }} more</span>
        <span v-if="body.remindOn">comes back {{ printDay(body.remindOn) }}</span>
      </p>
    </div>
    <div class="tools no-print">
      <Button text :aria-label="`Edit: ${body.name}`" @click="right">Edit</Button>
      <Button text :aria-label="`Undo: ${body.name}`" @click="takeBack">Undo</Button>
    </div>
    <Dialog v-model:visible="righting" modal header="Put it right" :draggable="false">
      <form class="stack-l" @submit.prevent="keep">
        <TextField v-model="draft.name" label="What happened" />
        <DayField :model-value="draft.on" label="On" @update:model-value="$event && (draft.on = $event)" />
        <WhoField v-model="draft.by" label="Who" />
        <TextField v-model="draft.note" label="Note" />
        <DayField v-model="draft.remindOn" optional label="Comes back on" hint="a note to yourself" />
        <p class="soft small">
          Counts and moves stay as they were. To change those, undo it and log it again.
        </p>
        <EntryAct v-if="body.act" :act="body.act" />
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <div class="buttons">
          <Button type="submit" class="main">Keep</Button>
          <Button @click="righting = false">Cancel</Button>
        </div>
      </form>
    </Dialog>
  </li>
</template>

<style scoped>
.log-entry {
  display: grid;
  grid-template-columns: 2.25rem minmax(0, 1fr) auto;
  gap: 0 0.6rem;
  padding: 0.55rem 0;
  border-bottom: 1px solid var(--line);
}

.mark {
  display: grid;
  place-items: center;
  width: 2.25rem;
  height: 2.25rem;
  border-radius: 50% 50% 50% 0.3rem;
  background: var(--paper-deep);
  color: var(--enamel);
}

.mark svg {
  width: 1.25rem;
  height: 1.25rem;
}

.words {
  min-width: 0;
}

.name {
  font-weight: 600;
  overflow-wrap: anywhere;
}

.voice .name {
  font-style: italic;
  font-weight: 500;
}

.facts {
  margin-left: 0.4rem;
  color: var(--ink-soft);
  font-weight: 500;
}

.signs {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.8rem;
}

.note {
  white-space: pre-line;
  overflow-wrap: anywhere;
}

.subjects a {
  display: inline-block;
  min-height: 1.6rem;
}

.subjects {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.8rem;
}

.tools {
  display: flex;
  gap: 0.2rem;
  align-items: start;
}

.tools :deep(.button),
.tools :deep(button) {
  color: var(--ink-soft);
  font-size: 0.9375rem;
  white-space: nowrap;
}

@media (max-width: 52rem) {
  .log-entry {
    grid-template-columns: 2.25rem minmax(0, 1fr);
  }

  .tools {
    grid-column: 2;
  }
}
</style>
