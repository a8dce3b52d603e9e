import type { Crop } from '../../sowing/crop'
import { daysBetween } from '../../calendar/day'
import type { LadderRung } from './schedules'
import type { SowingRequest } from './sowing-request'

/** Days of going out a little longer each day; 7–14 [common practice], a week for quick crops. */
const hardenDays = (crop: Crop) => (crop.weeks[1] <= 4 ? 7 : 10)
/** Days in a final container that are still reckoned with. */
const SET_IN_DAYS = 1

/** Days on each rung: those that were set, and the rest of the crop's weeks shared out by the ladder's parts. */
export function rungDays({ crop, sowOn, outOn }: SowingRequest, rungs: readonly LadderRung[]): number[] {
  const own = (rung: LadderRung) =>
    rung.days ?? (rung.stage === 'harden' ? hardenDays(crop) : rung.stage === 'set in' ? SET_IN_DAYS : null)
  const target =
    sowOn && outOn ? daysBetween(sowOn, outOn) : Math.round(((crop.weeks[0] + crop.weeks[1]) / 2) * 7)
  const fixed = rungs.reduce((sum, rung) => sum + (rung.stage === 'set in' ? 0 : (own(rung) ?? 0)), 0)
  const open = rungs.filter((rung) => own(rung) === null)
  const parts = open.reduce((sum, { part }) => sum + part, 0)
  // Days that were set stretch the whole; the rest keep their share of what the crop takes.
  const usual = rungs.reduce((sum, { stage }) => sum + (stage === 'harden' ? hardenDays(crop) : 0), 0)
  const partsOfAll = rungs.reduce((sum, { part }) => sum + part, 0)
  const free = sowOn && outOn ? target - fixed : partsOfAll > 0 ? ((target - usual) * parts) / partsOfAll : 0
  let left = Math.max(open.length, Math.round(free))
  let partsLeft = parts
  return rungs.map((rung) => {
    const set = own(rung)
    if (set !== null) return set
    const days = Math.max(1, Math.round(partsLeft > 0 ? (left * rung.part) / partsLeft : left))
    left -= days
    partsLeft -= rung.part
    return days
  })
}
