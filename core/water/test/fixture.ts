import { BUILT_IN_CONTAINERS } from '../../containers/catalogue'
import { blendOf } from '../../media/blend'
import { physicsIn } from '../../media/container-physics'
import { BUILT_IN } from '../../media/materials'
import type { Conditions } from '../balance'
import { storeOf } from '../tray-store'

/** A tray of 50 cells with three parts of coir and one of perlite. */
export const container = BUILT_IN_CONTAINERS.get('tray-50')!
export const blend = blendOf(
  [
    { materialId: 'coir', parts: 3 },
    { materialId: 'perlite', parts: 1 },
  ],
  BUILT_IN,
)
export const physics = physicsIn(container, blend)
export const store = storeOf(container, 50, blend, physics)
export const mixL = store.dryMixG.value / physics.dryBulkDensityGPerL.value

export const room = { dayC: 20, nightC: 18, humidity: 0.5, lightMol: 8, airResistance: 250 }
export const conditions = (over: Partial<Conditions> = {}): Conditions => ({
  climate: room,
  covered: false,
  stand: { plants: 50, mixL, growthPerDay: 0.14, areaM2: store.areaM2 },
  daysUp: 10,
  appetite: 'medium',
  factor: 1,
  ...over,
})
