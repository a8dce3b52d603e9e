import { computed } from 'vue'
import { useNow as useClock } from '@vueuse/core'
import { useHousehold } from '~/state/household'
import { momentOf, type Moment } from '#core/water/happening'
import { ownInstant } from '#core/season/clock'
import { dayFrom } from '#core/season/day'

/** The clock, as it ticks: the instant, and the hour by the household’s own clock. */
export function useNow(everyMs = 1000) {
  const household = useHousehold()
  const now = useClock({ interval: everyMs })
  const local = computed(() => {
    const { timeZone = null, clock = null } = household.record ?? {}
    return clock ? localTime(ownInstant(clock, now.value), 'UTC') : localTime(now.value, timeZone)
  })
  return {
    now,
    /** `07:30` there. */
    time: computed(() => local.value.time),
    moment: computed((): Moment => momentOf(dayFrom(local.value.day), local.value.time)),
  }
}

function localTime(at: Date, timeZone: string | null): { day: string; time: string } {
  const parts = new Intl.DateTimeFormat('en', {
    ...(timeZone ? { timeZone } : {}),
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  }).formatToParts(at)
  const part = (type: string) => parts.find((one) => one.type === type)!.value
  return { day: `${part('year')}-${part('month')}-${part('day')}`, time: `${part('hour')}:${part('minute')}` }
}
