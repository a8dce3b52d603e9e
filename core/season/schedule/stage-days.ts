import type { Crop } from '../../sowing/crop'
import { daysBetween } from '../../calendar/day'
import type { ScheduleStage } from './schedules'
import type { SowingRequest } from './sowing-request'

/** Days of going out a little longer each day; 7–14 [common practice], a week for quick crops. */
const hardenDays = (crop: Crop) => (crop.weeks[1] <= 4 ? 7 : 10)
/** Days in a final container that still count. */
const SET_IN_DAYS = 1

/** Days on each stage: those that were set, and the rest of the crop's weeks shared out by the schedule's parts. */
export function stageDays({ crop, sowOn, outOn }: SowingRequest, stages: readonly ScheduleStage[]): number[] {
  const own = (stage: ScheduleStage) =>
    stage.days ?? (stage.kind === 'harden' ? hardenDays(crop) : stage.kind === 'set in' ? SET_IN_DAYS : null)
  const target =
    sowOn && outOn ? daysBetween(sowOn, outOn) : Math.round(((crop.weeks[0] + crop.weeks[1]) / 2) * 7)
  const fixed = stages.reduce((sum, stage) => sum + (stage.kind === 'set in' ? 0 : (own(stage) ?? 0)), 0)
  const open = stages.filter((stage) => own(stage) === null)
  const parts = open.reduce((sum, { part }) => sum + part, 0)
  // Days that were set stretch the whole; the rest keep their share of what the crop takes.
  const usual = stages.reduce((sum, { kind }) => sum + (kind === 'harden' ? hardenDays(crop) : 0), 0)
  const partsOfAll = stages.reduce((sum, { part }) => sum + part, 0)
  const free = sowOn && outOn ? target - fixed : partsOfAll > 0 ? ((target - usual) * parts) / partsOfAll : 0
  let left = Math.max(open.length, Math.round(free))
  let partsLeft = parts
  return stages.map((stage) => {
    const set = own(stage)
    if (set !== null) return set
    const days = Math.max(1, Math.round(partsLeft > 0 ? (left * stage.part) / partsLeft : left))
    left -= days
    partsLeft -= stage.part
    return days
  })
}
