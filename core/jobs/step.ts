import type { CautionId } from '../cautions/caution'
import type { Dimension } from '../units/unit'
import type { HandTest } from './hand-test'
import type { Picture } from './picture'
import type { Sentence } from './sentence'

/** One thing to do at the bench. A card prints it, a run shows it alone on the screen: both are made from the same step. */
export interface Step {
  readonly id: string
  readonly title: string
  readonly say: Sentence
  /** How long to leave it, minutes. */
  readonly waitMinutes?: number
  /** What the timer of that wait is called: `Pour off tray 3`. */
  readonly waitFor?: string
  /** How long the hands are at it, minutes; a quarter of an hour where nothing is said. */
  readonly workMinutes?: number
  /** The amount of this step, in type that is read at arm’s length. */
  readonly amount?: Sentence
  /** What the hand does, drawn. */
  readonly picture?: Picture
  /** What right looks like. */
  readonly right?: string
  /** How to tell by hand, and what to do either way. */
  readonly test?: HandTest
  /** What is asked, once, of what really happened. */
  readonly asks?: readonly Ask[]
  /** Tapped one by one: so many in all, of what. */
  readonly count?: { readonly of: number; readonly one: string }
  /** What can hurt someone here. */
  readonly cautions?: readonly CautionId[]
  /** Done once for all hands, where several stations share a run. */
  readonly together?: boolean
}

/** A question on what really happened. */
export interface Ask {
  readonly key: string
  readonly label: string
  /** Of the answer; a bare number where nothing is said. */
  readonly dimension?: Dimension
  /** What was expected, in base units: the answer begins with it. */
  readonly expected: number | null
  readonly unit?: string
}

/** Each caution once: in the step where it is met first. */
export function cautionsOnce(steps: readonly Step[]): Step[] {
  const met = new Set<CautionId>()
  return steps.map((step) => {
    if (!step.cautions) return step
    const cautions = step.cautions.filter((id) => !met.has(id))
    cautions.forEach((id) => met.add(id))
    return { ...step, cautions }
  })
}
