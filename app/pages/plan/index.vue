<script setup lang="ts">
import { sayProblemOf } from '#shared/messages/refusals'
import { present } from '#core/present'
import { useEventListener } from '@vueuse/core'
import { CalendarDays } from '@lucide/vue'

const { said } = useMeasures()

definePageMeta({
  place: {
    title: 'Season',
    what: 'your sowings on a calendar',
    words: 'plan sow sowing schedule prick out pot up harden plant out succession frost places',
    name: 'Plan',
    order: 2,
    key: 'p',
    tab: 1,
  },
})
const season = useSeason()
const household = useHousehold()
const route = useRoute()
const { note } = useNotes()
const { printDay } = useDates()

const selected = ref<string | null>(typeof route.query.sowing === 'string' ? route.query.sowing : null)
const row = computed(() => season.rows.find(({ id }) => id === selected.value))
const wish = ref(typeof route.query.wish === 'string' ? route.query.wish : '')
/** What is shown above the sentence. */
const shown = ref<'now' | 'growing' | null>(null)
const toggle = (what: 'now' | 'growing') => (shown.value = shown.value === what ? null : what)
const frameShown = ref(route.query.frame === 'open')
// The panel lies over the page: Escape puts it away wherever the hand is, and so does saying the next wish.
useEventListener('keydown', (event: KeyboardEvent) => {
  if (event.key === 'Escape' && !document.querySelector('[role="dialog"][aria-modal="true"]'))
    selected.value = null
})
const calendar = computed(() => `/api/households/${household.id}/calendar.ics`)

async function copyCalendar() {
  const address = new URL(calendar.value, window.location.href).href
  try {
    await navigator.clipboard.writeText(address)
    note('Link copied. Subscribe to it in your calendar app.')
  } catch {
    note(address)
  }
}
</script>

<template>
  <div class="page">
    <template v-if="!season.frame">
      <PageTop title="Your season" hint="Sowing dates are counted back from your last spring frost." />
      <FrameForm />
    </template>
    <template v-else>
      <PageTop title="Season">
        <Button :aria-expanded="shown === 'now'" @click="toggle('now')">What can I sow now?</Button>
        <Button :aria-expanded="shown === 'growing'" @click="toggle('growing')">Already growing</Button>
        <Button @click="frameShown = true">Frosts and places</Button>
      </PageTop>
      <SowNow v-if="shown === 'now'" @choose="wish = $event" />
      <StandsAlready v-if="shown === 'growing'" />
      <SeasonSentence v-model="wish" @planned="selected = $event" @typed="selected = null" />

      <DrawingFrame v-if="season.rows.length" file="season" title="The season"
        ><SeasonChart v-model="selected"
      /></DrawingFrame>
      <p v-else class="empty soft">Nothing planned yet. Type above what you want to grow.</p>
      <ul v-if="season.unplanned.length" class="unplanned">
        <li v-for="one in season.unplanned" :key="one.id" class="problem">
          <button type="button" class="name" @click="selected = one.id">{{ one.body.name }}</button>
          {{ said(sayProblemOf(one.problem, 'sowings')) }}
        </li>
      </ul>

      <FoldAway v-if="season.lost.length" class="no-print"
        ><template #title>Given up ({{ season.lost.length }})</template>
        <ul>
          <li v-for="one in season.lost" :key="one.id" class="lost">
            {{ one.body.name }}, since {{ printDay(present(present(season.done.get(one.id)).lost)) }}
            <button type="button" class="link" @click="season.takeUp(one.id)">Restore</button>
          </li>
        </ul>
      </FoldAway>

      <Drawer
        :visible="!!selected && !!season.sowing(selected)"
        position="right"
        :header="selected ? season.sowing(selected)?.body.name : ''"
        :modal="false"
        :dismissable="false"
        class="no-print"
        @update:visible="selected = null"
      >
        <SowingPanel
          v-if="selected"
          :id="selected"
          :key="selected"
          :row="row"
          @close="selected = null"
          @choose="((wish = $event), (selected = null))"
        />
      </Drawer>
      <ShelfRepair />
      <p class="no-print calendar">
        <CalendarDays aria-hidden="true" />
        <a :href="calendar" download="season.ics">Download calendar</a>
        <button type="button" class="link" @click="copyCalendar">Copy calendar link</button>
        <a v-if="season.rows.length" :href="`/api/households/${household.id}/papers/season`">Season as PDF</a>
      </p>
      <Dialog v-model:visible="frameShown" modal class="wide" header="Frosts and places" :draggable="false">
        <FrameForm @kept="frameShown = false">
          <Button @click="frameShown = false">Cancel</Button>
        </FrameForm>
      </Dialog>
    </template>
  </div>
</template>

<style scoped>
.calendar {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1.2rem;
  align-items: center;
}

.calendar svg {
  width: 1.2em;
}

.lost {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1rem;
  align-items: center;
}
</style>
