/*
 * A thousand trays dried and watered for six weeks, beside a plain loop that does nothing but subtract a loss eight times a
 * day from a number: how much the balance of salts, food, leaves and cover costs over the barest computation.
 */
import { BUILT_IN_CONTAINERS } from '#core/containers/catalogue'
import { placeOf } from '#core/places/place'
import { waterScenarios, WATERING_HABITS, type ScenarioRequest } from '#core/water/water-scenario'
import { wetSurfaceLoss } from '#core/water/evaporation'
import { contextOf } from '#shared/derived/context'
import { scenarioFor } from '#shared/derived/water-scenario'
import { median, report } from './report'

const DAYS = 42
const TRAYS = 1000
const containers = [...BUILT_IN_CONTAINERS.values()].filter(({ kind }) => kind === 'tray')
const requests = Array.from({ length: TRAYS }, (_, i): ScenarioRequest => {
  const found = scenarioFor(contextOf({}), {
    recipeId: i % 2 ? 'lean-and-light' : 'peat-and-mineral',
    containerId: containers[i % containers.length]!.id,
    place: placeOf(i % 3 ? 'shelf' : 'mat', 'place'),
    lampHours: 16,
    habit: WATERING_HABITS[i % WATERING_HABITS.length]!,
    how: i % 4 ? 'below' : 'above',
    days: DAYS,
    waterEc: 0.4,
    feed: i % 2 ? { nMgPerL: 60, ecMsPerCm: 0.4, everyDays: 7, fromDaysUp: 10 } : null,
  })
  return found!
})

function plainLoop(): number {
  let sum = 0
  for (const { store, conditions } of requests) {
    const wet = wetSurfaceLoss(conditions.climate) * conditions.stand.areaM2
    let water = store.capacityL
    for (let step = 0; step < DAYS * 8; step++) {
      water -= (wet / 8) * (water > store.floorL ? 1 : 0)
      if (store.capacityL - water > 0.45 * store.easyL) water = store.capacityL
    }
    sum += water
  }
  return sum
}

const ours = median(9, () => waterScenarios(requests))
const plain = median(9, plainLoop)
report('a plain loop of the same days', plain, `${TRAYS} trays for ${DAYS} days`, ours)
console.log(`so ${TRAYS} trays take ${(ours / 1000).toFixed(2)} of the second they may`)
