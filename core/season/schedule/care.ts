import { habitOf, type FeedingMethod } from '../../feed/programme'
import type { Crop } from '../../sowing/crop'
import type { ScheduleStage, StageKind } from './schedules'
import { lightMethodById, type LightMethod } from '../../places/light'
import { isLamp } from '../../places/place-light'
import { isIndoors, mixWarmth } from '../../places/place'
import type { Where } from './stays'

/** How plants are kept on a stage: the stage's habit unless the household says otherwise. */
export interface Care {
  readonly growthStageId: string
  readonly nMgPerL: number
  readonly everyDays: number
  readonly lightHours: number
  readonly mixC: number
  readonly water: string
  /** Which of these the household set itself. */
  readonly yours: readonly ('nMgPerL' | 'everyDays' | 'lightHours' | 'mixC')[]
}

const GROWTH_STAGE_OF: Readonly<Record<StageKind, string>> = {
  sow: 'true-leaves',
  broadcast: 'seed-leaves',
  'prick out': 'growing-on',
  'pot up': 'potted-up',
  harden: 'hardening',
  'set in': 'potted-up',
}

const WATER: Readonly<Record<StageKind, string>> = {
  sow: 'mist or a gentle rose until up, then from below when the surface has gone pale',
  broadcast: 'mist until up, then from below',
  'prick out': 'from below; let the surface go pale between',
  'pot up': 'from below when the pot is light to lift',
  harden: 'less: when the pot is light, not before',
  'set in': 'deep, then when the top 2 cm are dry',
}

/** What a crop wants on a stage: warmth in °C, light in hours, cover, by the habits of the trade (common practice). */
export function careFor(
  stage: ScheduleStage,
  crop: Crop,
  methods: { light: LightMethod['id']; feeding: FeedingMethod['id'] },
  { place, untilUp }: Where,
): Care {
  const growthStageId = GROWTH_STAGE_OF[stage.kind]
  const habit = habitOf(methods.feeding, growthStageId)
  // Under the sky, and behind glass with no lamp, the sun gives the hours.
  const sunlit = place.light ? !isLamp(place.light) : !isIndoors(place)
  const sown = stage.kind === 'sow' || stage.kind === 'broadcast'
  const keys = ['nMgPerL', 'everyDays', 'lightHours', 'mixC'] as const
  return {
    growthStageId,
    // Leaves that were pale or burnt after a feed have said how strong it is liked.
    nMgPerL: stage.nMgPerL ?? Math.round(habit.nMgPerL * (crop.feedResponse?.factor ?? 1)),
    everyDays: stage.everyDays ?? habit.everyDays,
    lightHours: stage.lightHours ?? (sunlit ? 0 : lightMethodById(methods.light).hours),
    mixC: stage.mixC ?? (sown ? mixWarmth(untilUp, crop.warmthC) : mixWarmth(place, null)),
    water: WATER[stage.kind],
    yours: keys.filter((key) => stage[key] !== null),
  }
}
