import type { CautionId } from '../cautions/caution'
import type { Measurement } from '../feed/measuring'
import type { Dimension } from '../units/unit'
import type { Figure } from '../working/figure'
import type { HandTest } from './hand-test'
import type { Picture } from './picture'

/** What is done in a step; `shared/messages/steps.ts` says each in words. */
export type StepKind =
  // a batch
  | 'wash'
  | 'disinfect'
  | 'scald tools'
  | 'dry'
  | 'soak'
  | 'sieve'
  | 'moisten'
  | 'measure'
  | 'hot water'
  | 'alive'
  | 'stir'
  | 'fill'
  | 'fill many'
  | 'left'
  // a feed
  | 'half fill'
  | 'dose'
  | 'stock'
  | 'dilute'
  | 'dose stock'
  | 'give'
  // a sowing
  | 'label tray'
  | 'dent'
  | 'sow'
  | 'cover'
  | 'soak tray'
  | 'place tray'
  // moving on
  | 'label new'
  | 'ready'
  | 'roots'
  | 'move'
  | 'settle'
  | 'shade'
  // a last container
  | 'label plants'
  | 'fill to line'
  | 'feed hole'
  | 'set in'
  | 'stake'
  | 'mulch'
  | 'place out'
  // watering
  | 'fill can'
  | 'water'
/** Part of a sentence that is there several times, or only sometimes. */
export type PieceKind =
  | 'whole packs'
  | 'comes to'
  | 'sieved'
  | 'scoops'
  | 'litres'
  | 'extra'
  | 'containers'
  | 'cells of'
  | 'fill of'
  | 'layers'
  | 'cover with'
  | 'cover with mix'
  | 'stands'

export interface Told {
  readonly kind: PieceKind
  readonly values: Facts
}
/** A name, a number, a figure that shows its working, or one in the measures of the hand; or sentences within the sentence. */
export type Fact =
  | string
  | number
  | Figure
  | { readonly measured: Measurement }
  | { readonly scoops: Figure; readonly of: string }
  | { readonly packs: Figure; readonly of: string }
  | { readonly told: readonly Told[]; readonly by: string }
export type Facts = Readonly<Record<string, Fact>>
/** For where one of two is said: ICU selects by words. */
export const yesNo = (is: boolean) => (is ? 'yes' : 'no')
export const told = (list: readonly Told[], by = ''): Fact => ({ told: list, by })

/** One thing to do at the bench. A card prints it, a guided job shows it alone on the screen: both are made from the same step. */
export interface Step {
  readonly id: string
  readonly kind: StepKind
  readonly values?: Facts
  /** How long to leave it, minutes. */
  readonly waitMinutes?: number
  /** How long the hands are at it, minutes; a quarter of an hour where nothing is said. */
  readonly workMinutes?: number
  /** What the hand does, drawn. */
  readonly picture?: Picture
  /** How to tell by hand, and what to do either way. */
  readonly test?: HandTest
  /** What is asked, once, of what really happened. */
  readonly asks?: readonly Ask[]
  /** Tapped one by one: so many plants in all. */
  readonly count?: { readonly of: number }
  /** What can hurt someone here. */
  readonly cautions?: readonly CautionId[]
  /** Done once for all hands, where several stations share a job. */
  readonly together?: boolean
}

/** A question on what really happened. */
export interface Ask {
  readonly key: string
  /** Of the answer; a bare number where nothing is said. */
  readonly dimension?: Dimension
  /** What was expected, in base units: the answer begins with it. */
  readonly expected: number | null
}

/** Each caution once: in the step where it is met first. */
export function cautionsOnce<Of extends Step>(steps: readonly Of[]): Of[] {
  const met = new Set<CautionId>()
  return steps.map((step) => {
    if (!step.cautions) return step
    const cautions = step.cautions.filter((id) => !met.has(id))
    cautions.forEach((id) => met.add(id))
    return { ...step, cautions }
  })
}
