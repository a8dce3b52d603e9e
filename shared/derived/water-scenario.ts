import { cellVolume } from '#core/containers/container'
import { blendOf } from '#core/media/blend'
import { physicsIn } from '#core/media/container-physics'
import { GROWTH_PER_DAY } from '#core/media/food'
import { foodOf } from '#core/media/mix-food'
import { recipeProblems } from '#core/media/recipe'
import type { Place } from '#core/places/place'
import { plainStore } from '#core/water/balance'
import { climateOf, mixAboveAir } from '#core/water/climate'
import type { ScenarioRequest } from '#core/water/water-scenario'
import { storeOf } from '#core/water/tray-store'
import type { Context } from './context'

/** What is tried: a mix in a container in a place, watered by a habit. */
export interface Tried {
  readonly recipeId: string
  readonly containerId: string
  readonly place: Place
  readonly lampHours: number
  readonly habit: ScenarioRequest['habit']
  readonly how: ScenarioRequest['how']
  readonly days: number
  /** Of the tap, mS/cm. */
  readonly waterEc: number
  readonly feed: ScenarioRequest['feed']
}

/** A fruiting crop’s usual days to come up [default]. */
const UP_AFTER_DAYS = 7
const WANTED_C = 22

/** A dry run of a whole tray, one plant a cell; null where mix or container cannot be computed with. */
export function scenarioFor(
  context: Pick<Context, 'containers' | 'materials' | 'mixOf' | 'homeTests'>,
  { recipeId, containerId, place, lampHours, habit, how, days, waterEc, feed }: Tried,
): ScenarioRequest | null {
  const container = context.containers.get(containerId)
  const mix = context.mixOf(recipeId)
  if (!container || !mix || recipeProblems(mix.parts, context.materials).length) return null
  const blend = blendOf(mix.parts, context.materials, context.homeTests)
  const physics = physicsIn(container, blend)
  const cells = container.cells
  const store = storeOf(container, cells, blend, physics)
  const mixL = (cells * cellVolume(container).value) / 1000
  return {
    store: plainStore(store),
    poresL: physics.totalPorosity.value * mixL,
    mixL,
    food: foodOf(mix, context.materials),
    conditions: {
      climate: {
        ...climateOf(place, lampHours),
        mixAboveC: place.heatC === null ? 0 : mixAboveAir(place, WANTED_C),
      },
      stand: { plants: cells, mixL, growthPerDay: GROWTH_PER_DAY.medium, areaM2: store.areaM2 },
      appetite: 'medium',
    },
    upAfterDays: UP_AFTER_DAYS,
    coveredUntilUp: place.cover !== 'none',
    habit,
    how,
    ecMsPerCm: waterEc,
    feed,
    days,
  }
}
