<script setup lang="ts">
import { first } from '#core/numeric/at'
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { BellRing, Timer } from '@lucide/vue'
import { ringOnce, sayByNotification } from '~/today/jobs/ringing'
import { clockWasSetBack, minutesLeft } from '#core/jobs/guided-job'

/**
 * Timers of all jobs that are under way, side by side. They are times, not countdowns: a reload, a locked phone or a closed
 * tab changes nothing.
 */
const guidedJobs = useGuidedJobs()
const route = useRoute()
const { now } = useNow(1000)
const { printMoment } = useDates()

const shown = computed(() =>
  guidedJobs.timers.map(({ guidedJob, timer }) => {
    const left = minutesLeft(timer, now.value)
    return {
      guidedJob,
      timer,
      left,
      rings: left <= 0,
      setBack: clockWasSetBack(timer, now.value),
      said:
        left > 120
          ? `until ${printMoment(new Date(now.value.getTime() + left * 60_000).toISOString())}`
          : clock(left),
    }
  }),
)
const ringing = computed(() => shown.value.filter(({ rings }) => rings))

function clock(minutes: number) {
  const seconds = Math.max(0, Math.round(Math.abs(minutes) * 60))
  const text = `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
  return minutes < 0 ? `${text} over` : text
}

const RING_AGAIN_S = 20
watch(
  () => ringing.value.map(({ timer }) => timer.id).join(),
  (after, before) => {
    for (const { timer } of ringing.value) if (!before?.includes(timer.id)) sayByNotification(timer.name)
    if (after) ringOnce()
  },
)
useIntervalFn(() => ringing.value.length && ringOnce(), RING_AGAIN_S * 1000)
useHead({
  titleTemplate: (title) =>
    ringing.value.length
      ? `${first(ringing.value).timer.name} now · ${title ?? 'Blastomix'}`
      : (title ?? 'Blastomix'),
})
// What could not be sent is sent once there is a way again.
onMounted(() => guidedJobs.flushAll())
useEventListener('online', () => guidedJobs.flushAll())
useEventListener('focus', () => guidedJobs.flushAll())
</script>

<template>
  <aside v-if="shown.length" class="timers no-print row" aria-label="Timers">
    <p
      v-for="one in shown"
      :key="one.timer.id"
      class="row"
      :class="{ rings: one.rings }"
      :role="one.rings ? 'alert' : undefined"
    >
      <component :is="one.rings ? BellRing : Timer" aria-hidden="true" />
      <NuxtLink v-if="route.path !== `/jobs/${one.guidedJob.id}`" :to="`/jobs/${one.guidedJob.id}`">{{
        one.timer.name
      }}</NuxtLink>
      <span v-else>{{ one.timer.name }}</span>
      <strong>{{ one.rings && one.left > -1 ? 'now' : one.said }}</strong>
      <Button
        :aria-label="`${one.timer.name}: ${one.rings ? 'done' : 'stop the timer'}`"
        @click.stop="guidedJobs.stopTimer(one.guidedJob, one.timer)"
        >{{ one.rings ? 'Done' : 'Stop' }}</Button
      >
      <span v-if="one.setBack" class="problem"
        >The clock of this device was set back; it counts from when the timer was begun.</span
      >
    </p>
  </aside>
</template>

<style scoped>
.timers {
  padding: 0.4rem clamp(0.9rem, 2vw, 2rem);
}

p {
  padding: 0.2rem 0.3rem 0.2rem 0.7rem;
  border: 2px solid var(--water);
  border-radius: 0.6rem;
  background: var(--water-wash);
  color: var(--water-ink);
  font-size: 1.1rem;
}

p.rings {
  border-color: var(--marigold);
  background: var(--marigold-wash);
  color: var(--ink);
}

strong {
  font: 720 1.35rem/1 var(--heading);
  font-variant-numeric: tabular-nums;
}

a {
  color: inherit;
}
</style>
