import { habitOf, type FeedingSchool } from '../../feed/programme'
import type { Crop } from '../../sowing/crop'
import type { LadderRung, RungStage } from './schedules'
import { lightSchoolById, type LightSchool } from '../../places/light'
import { isLamp } from '../../places/place-light'
import { isIndoors, mixWarmth } from '../../places/place'
import type { Where } from './stays'

/** How plants are kept on a rung: the stage's habit unless the household says otherwise. */
export interface Care {
  readonly stageId: string
  readonly nMgPerL: number
  readonly everyDays: number
  readonly lightHours: number
  readonly mixC: number
  readonly water: string
  /** Which of these the household set itself. */
  readonly yours: readonly ('nMgPerL' | 'everyDays' | 'lightHours' | 'mixC')[]
}

const STAGE_OF: Readonly<Record<RungStage, string>> = {
  sow: 'true-leaves',
  broadcast: 'seed-leaves',
  'prick out': 'growing-on',
  'pot up': 'potted-up',
  harden: 'hardening',
  'set in': 'potted-up',
}

const WATER: Readonly<Record<RungStage, string>> = {
  sow: 'mist or a gentle rose until up, then from below when the surface has gone pale',
  broadcast: 'mist until up, then from below',
  'prick out': 'from below; let the surface go pale between',
  'pot up': 'from below when the pot is light to lift',
  harden: 'less: when the pot is light, not before',
  'set in': 'deep, then when the top 2 cm are dry',
}

/** What a crop wants on a rung: warmth in °C, light in hours, cover, by the habits of the trade (common practice). */
export function careFor(
  rung: LadderRung,
  crop: Crop,
  schools: { light: LightSchool['id']; feeding: FeedingSchool['id'] },
  { place, untilUp }: Where,
): Care {
  const stageId = STAGE_OF[rung.stage]
  const habit = habitOf(schools.feeding, stageId)
  // Under the sky, and behind glass with no lamp, the sun gives the hours.
  const sunlit = place.light ? !isLamp(place.light) : !isIndoors(place)
  const sown = rung.stage === 'sow' || rung.stage === 'broadcast'
  const keys = ['nMgPerL', 'everyDays', 'lightHours', 'mixC'] as const
  return {
    stageId,
    // Leaves that were pale or burnt after a feed have said how strong it is liked.
    nMgPerL: rung.nMgPerL ?? Math.round(habit.nMgPerL * (crop.feedResponse?.factor ?? 1)),
    everyDays: rung.everyDays ?? habit.everyDays,
    lightHours: rung.lightHours ?? (sunlit ? 0 : lightSchoolById(schools.light).hours),
    mixC: rung.mixC ?? (sown ? mixWarmth(untilUp, crop.warmthC) : mixWarmth(place, null)),
    water: WATER[rung.stage],
    yours: keys.filter((key) => rung[key] !== null),
  }
}
