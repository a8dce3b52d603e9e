import { present } from '#core/present'
import type { Bench } from '#shared/derived/bench'

/**
 * The bench of shared/derived, of what the Pinia stores hold: what they have worked out already is not worked out again.
 *
 * @param water what is known of the water of trays, and the time it is known at
 */
export function benchOfStores(water: { of: Bench['water']; readonly time: string }): Bench {
  const household = useHousehold()
  const context = useContext()
  const season = useSeason()
  const trays = useTrays()
  return {
    get kept() {
      return present(household.everything)
    },
    get today() {
      return season.today
    },
    get time() {
      return water.time
    },
    get context() {
      return context.whole
    },
    get season() {
      return season.known
    },
    get done() {
      return season.done
    },
    get rows() {
      return season.kept
    },
    get unplanned() {
      return season.unplanned
    },
    get jobs() {
      return season.jobs
    },
    row: season.row,
    stands: trays.stands,
    water: (tray) => water.of(tray),
  }
}
