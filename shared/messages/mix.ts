import { PH_UNCERTAINTY } from '#core/media/chemistry'
import type { Verdict } from '#core/media/verdicts'
import { printNumber, printShare } from '#core/units/format'
import { messages } from './message'
import type { Saying } from './saying'

/* What a mix means for the seedling: on screen, on paper and in answers of the server. Never a scolding. */

const TITLES = messages({ air: 'Air', water: 'Easy water', ph: 'pH', salts: 'Salts', food: 'Food' })

const GO_LIGHT = 'Let it go light and pale on top before the next watering'
const NEAR = 'within the estimate’s uncertainty (± {uncertainty})'
const TEXTS = messages({
  'air in a block':
    'Pressed, it holds little air inside, but a block is open on five sides: stand blocks a finger apart, and let their faces go pale before the next watering.',
  'far too little air': `{range}. ${GO_LIGHT}, and keep it from cucumbers, peppers and strawberries; a coarser mix or a deeper container is easier.`,
  'little air': `{range}. ${GO_LIGHT}; cucumbers, peppers and strawberries like more.`,
  airy: '{range}: this is airier. Roots like it; it dries sooner, so look every day.',
  'good air': '{range}.',
  range: 'Good mixes show {least} to {comfortable} at this depth',
  'little water': 'Dries quickly: look every day. 20–30 % is easy going.',
  'good water': 'Keeps water that roots can take easily.',
  acid: 'Too acid: {low}–{high} is best.{lime, select, none {} more { About {grams} more of dolomitic lime a litre of mix brings it there.} other { About {grams} of dolomitic lime a litre of mix brings it there.}}',
  'slightly acid': `Slightly acid, ${NEAR}: {low}–{high} is best. Measure before you lime.`,
  'too much lime':
    'Limed with {limed} a litre where {lime, select, none {none is needed} other {about {grams} is enough}}: {low}–{high} is best. Too much lime locks up iron as surely as too little.',
  alkaline: 'High: {low}–{high} is best. Leave lime out; leaves may go pale between the veins.',
  'slightly alkaline': `Slightly high, ${NEAR}: {low}–{high} is best. Leave lime out.`,
  'good pH': 'Good as it is: {low}–{high} is best.',
  mild: 'Mild enough for germinating seed (under {germination}).',
  salty:
    '{material} is {share} of this mix: germination needs under {germination}, seedlings under {seedlings}.',
  'too salty':
    '{material} is {share} of this mix: germination needs under {germination}. Keep it for potting on.',
  'little food': 'After that, feed: the seed’s own food is gone and the mix gives little.',
  'enough food': 'From emergence, for a medium appetite, in this much mix.',
})

export interface VerdictWords {
  readonly title: string
  readonly text: string
}

/** What a figure means for the seedling, and what would help. */
export function sayVerdict(
  { id, says }: Pick<Verdict, 'id' | 'says'>,
  say: Pick<Saying, 'said'>,
): VerdictWords {
  return { title: TITLES(id), text: say.said(textOf(says)) }
}

const grams = (value: number) => `${printNumber(value, 2)} g`

function textOf(says: Verdict['says']): string {
  switch (says.kind) {
    case 'far too little air':
    case 'little air':
    case 'airy':
    case 'good air': {
      const [least, comfortable] = [printShare(says.least), printShare(says.comfortable)]
      return TEXTS(says.kind, { range: TEXTS('range', { least, comfortable }) })
    }
    case 'acid':
    case 'slightly acid':
    case 'too much lime':
    case 'alkaline':
    case 'slightly alkaline':
    case 'good pH':
      return TEXTS(says.kind, {
        low: printNumber(says.low, 2),
        high: printNumber(says.high, 2),
        uncertainty: PH_UNCERTAINTY,
        lime:
          says.limeGPerL < LEAST_LIME_G_PER_L
            ? 'none'
            : says.limedGPerL < LEAST_LIME_G_PER_L
              ? 'some'
              : 'more',
        grams: grams(says.limeGPerL),
        limed: grams(says.limedGPerL),
      })
    case 'salty':
    case 'too salty':
    case 'mild':
      return TEXTS(says.kind, {
        material: 'material' in says ? says.material : '',
        share: 'share' in says ? printShare(says.share) : '',
        germination: says.germination.toFixed(1),
        seedlings: says.seedlings.toFixed(1),
      })
    default:
      return TEXTS(says.kind)
  }
}

/** Less lime than this is none that anybody weighs, g/L [default]. */
const LEAST_LIME_G_PER_L = 0.05
