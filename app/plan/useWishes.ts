import { present } from '#core/present'
import { computed } from 'vue'
import { useDayOrder } from '~/kit/useDayOrder'
import { useSeason } from '~/plan/season'
import { heardWish, listeningOf, type ReadWish } from '#shared/reckoning/wish'

/** Wishes as this household says them: its crops, packets, containers and mixes, in the reader's order of day and month. */
export function useWishes() {
  const season = useSeason()
  const order = useDayOrder()
  const listening = computed(() => listeningOf(present(season.known), season.today, order.value))
  return {
    /** @param unreadIsFine words that were not understood are left out, because somebody said so */
    hear: (text: string, unreadIsFine = false): ReadWish =>
      heardWish(text, listening.value, present(season.known), unreadIsFine),
  }
}
