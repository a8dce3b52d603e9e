import type { TrayWater } from '#shared/derived/water'
import { sayHowToWater, sayWaterDue, sayWaterShort } from '#shared/messages/water'

/** What a tray needs of water, in words. */
export function useWaterWords() {
  const saying = useSaying()
  return {
    verdict: (water: TrayWater) => sayWaterDue(water, saying.value),
    doing: (water: TrayWater) => sayHowToWater(water, saying.value),
    short: (water: TrayWater) => sayWaterShort(water, saying.value),
  }
}
