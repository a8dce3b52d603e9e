import { benchOfStores } from '~/state/bench-of-stores'
import { useWater } from '~/state/water'
import type { Bench } from '#shared/derived/bench'

/** What this household keeps, with what follows from it now. */
export const useBench = (): Bench => benchOfStores(useWater())
