import type { DosePlan } from '#core/feed/dose'
import type { Verdict } from '#core/feed/growth-stage'
import { messages } from './message'

/* What a strength is for a stage, and why a dose cannot be measured: on screen, on the card, on paper and in answers of the server. */

const STRENGTHS = messages({
  'none wanted': 'Seed feeds itself until it is up: plain water.',
  weak: 'weaker than this stage likes',
  right: 'right for this stage',
  strong: 'stronger than this stage likes',
  burns: '{times} times the most this stage likes: leaves burn. Take it weaker.',
})

const NO_WAYS = messages({
  'jug too small': 'The jug is too small for so much of the stock: take a larger jug.',
  'tools too small':
    'Every tool at hand is too small for this dose. A larger spoon or a kitchen scale would measure it.',
  'powder too little':
    'No tool at hand measures so little. A pocket scale would, or a teaspoon and a syringe for a stock solution.',
  'liquid too little': 'No tool at hand measures so little. A 10 mL syringe would.',
})

/** So many times the most of a stage it is said how far above it lies [default]. */
const FAR_ABOVE = 1.5

/** @param times of the most the stage likes, as printed; none where it is not above it */
export function sayStrength(
  verdict: Verdict,
  times: { value: number; printed: string } | null = null,
): string {
  return times && times.value >= FAR_ABOVE ? STRENGTHS('burns', { times: times.printed }) : STRENGTHS(verdict)
}

/** Why no tool at hand measures a dose, and what would; empty where one does. */
export const sayNoWay = (noWay: DosePlan['noWay']): string => (noWay === null ? '' : NO_WAYS(noWay))
