import { computed } from 'vue'
import { useContext } from '~/state/context'
import { useSeason } from '~/state/season'
import { useTrays } from '~/state/trays'
import { useWater } from '~/state/water'
import { addDays } from '#core/season/day'
import { dayOf } from '#core/water/happening'
import { reservoirOf } from '#core/water/reservoir'
import { hotAhead } from '#shared/season'

/** Today’s round with the can: what stands on a reservoir, or is fed today, is not watered beside it. */
export function useWaterRound() {
  const water = useWater()
  const season = useSeason()
  const context = useContext()
  const trays = useTrays()

  const fedToday = computed(
    () =>
      new Set(
        season.jobs
          .filter(({ kind, state }) => kind === 'feed' && state !== 'coming' && state !== 'done')
          .flatMap(({ of }) => of.flatMap(({ sowingId }) => trays.ofSowing(sowingId).map(({ id }) => id))),
      ),
  )
  const isKeptWet = ({ placeId }: { placeId: string | null }) =>
    (season.frame?.places ?? []).some(({ id, reservoirL }) => id === placeId && reservoirL != null)
  const due = computed(() => water.today.filter(({ tray }) => !isKeptWet(tray.body)))
  const reservoirs = computed(() =>
    (season.frame?.places ?? []).flatMap((place) => {
      if (place.reservoirL == null) return []
      const here = water.all.filter(({ tray }) => tray.body.placeId === place.id)
      if (here.length === 0) return []
      const loss = here.reduce((sum, one) => sum + one.water.outlook.lossPerDayL.value, 0)
      const matM2 = here.reduce((sum, one) => sum + one.water.store.floorM2, 0)
      const reservoir = reservoirOf(place.reservoirL, matM2, loss)
      const filled = here.flatMap((one) =>
        one.water.happenings.flatMap((happened) => (happened.kind === 'watered' ? [happened.at] : [])),
      )
      const refillOn = filled.length
        ? addDays(dayOf(Math.max(...filled)), Math.floor(reservoir.lastsDays.value))
        : null
      return [{ place, reservoir, refillOn, trays: here.map(({ tray }) => tray) }]
    }),
  )
  return {
    today: computed(() => due.value.filter(({ tray }) => !fedToday.value.has(tray.id))),
    fed: computed(() => due.value.filter(({ tray }) => fedToday.value.has(tray.id))),
    reservoirs,
    hotC: computed(() => (context.whole.frame ? hotAhead(context.whole.frame, season.today) : null)),
  }
}
