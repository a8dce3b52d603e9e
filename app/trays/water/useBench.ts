import { benchOfStores } from '~/trays/water/bench-of-stores'
import type { Bench } from '#shared/derived/bench'

/** What this household keeps, with what follows from it now. */
export const useBench = (): Bench => benchOfStores(useWater())
