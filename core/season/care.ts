import { habitOf, type FeedingSchool } from '../feed/programme'
import type { Crop } from '../sowing/crop'
import type { LadderRung, RungStage } from './ladder'
import { lightSchoolById, type LightSchool } from './light'

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

/** Once up, plants are grown cooler than they were raised: 5 °C under, no warmer than 20 °C [common practice]. */
const grownOnC = (crop: Crop) => Math.min(20, Math.max(12, crop.warmthC - 5))

/** What a crop wants on a rung: warmth in °C, light in hours, cover, by the habits of the trade (common practice). */
export function careFor(
  rung: LadderRung,
  crop: Crop,
  schools: { light: LightSchool['id']; feeding: FeedingSchool['id'] },
  /** Warmest the mix can be kept, °C. */
  warmestC: number,
): Care {
  const stageId = STAGE_OF[rung.stage]
  const habit = habitOf(schools.feeding, stageId)
  const outside = rung.stage === 'harden' || rung.stage === 'set in'
  const sown = rung.stage === 'sow' || rung.stage === 'broadcast'
  const keys = ['nMgPerL', 'everyDays', 'lightHours', 'mixC'] as const
  return {
    stageId,
    nMgPerL: rung.nMgPerL ?? habit.nMgPerL,
    everyDays: rung.everyDays ?? habit.everyDays,
    lightHours: rung.lightHours ?? (outside ? 0 : lightSchoolById(schools.light).hours),
    mixC: rung.mixC ?? (sown ? Math.min(crop.warmthC, warmestC) : grownOnC(crop)),
    water: WATER[rung.stage],
    yours: keys.filter((key) => rung[key] !== null),
  }
}
