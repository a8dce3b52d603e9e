import { cellWord, type Container } from '../containers/container'
import { printNumber, printShare } from '../units/format'
import type { Chemistry } from './chemistry'
import { PH_UNCERTAINTY, SALTS_LIMITS_MS_PER_CM } from './chemistry'
import type { ContainerPhysics, Ingredient } from './container-physics'
import type { Figure } from '../working/figure'

/** What a figure means for the seedling, with the number and what would help. Never a scolding. */
export interface Verdict {
  readonly id: 'air' | 'water' | 'ph' | 'salts' | 'food'
  readonly title: string
  readonly mood: 'fine' | 'watch' | 'change'
  readonly figure: Figure
  readonly text: string
}

/** Retention is known to ±15 %: a hair below a limit is at the limit. */
const WITHIN = 0.9

/** Easily available water below this dries out in a day [handbook, from memory: 20–30 % is ideal]. */
const LITTLE_WATER = 0.15

/** The verdicts on a seed mix in one container, in the order a grower would ask. */
export function verdictsOn(
  container: Container,
  physics: ContainerPhysics,
  chemistry: Chemistry,
  ingredients: readonly Ingredient[],
  daysOfFood: Figure,
): Verdict[] {
  return [
    airVerdict(container, physics),
    waterVerdict(physics),
    phVerdict(chemistry),
    saltsVerdict(chemistry, ingredients),
    foodVerdict(daysOfFood),
  ]
}

function airVerdict(container: Container, { airSpace, airWanted }: ContainerPhysics): Verdict {
  const [least, comfortable] = [printShare(airWanted.least), printShare(airWanted.comfortable)]
  const base = { id: 'air', title: 'Air', figure: airSpace } as const
  const word = cellWord(container)
  if (airSpace.value < airWanted.least * WITHIN)
    return {
      ...base,
      mood: 'change',
      text: `Roots drown: a ${word} of this size wants at least ${least}. A coarser mix or a deeper container brings air.`,
    }
  if (airSpace.value < (airWanted.least + airWanted.comfortable) / 2)
    return {
      ...base,
      mood: 'watch',
      text: `Enough, with care at the can: ${least} is the least, ${comfortable} is comfortable.`,
    }
  return {
    ...base,
    mood: 'fine',
    text: `Roots breathe: at least ${least} is wanted in a ${word} of this size.`,
  }
}

function waterVerdict({ easilyAvailableWater }: ContainerPhysics): Verdict {
  const base = { id: 'water', title: 'Easy water', figure: easilyAvailableWater } as const
  return easilyAvailableWater.value < LITTLE_WATER
    ? { ...base, mood: 'watch', text: 'Dries quickly: look every day. 20–30 % is easy going.' }
    : { ...base, mood: 'fine', text: 'Keeps water that roots can take easily.' }
}

function phVerdict({ ph, phWanted: [low, high], limeGPerL }: Chemistry): Verdict {
  const base = { id: 'ph', title: 'pH', figure: ph } as const
  const range = `${low}–${high} is wanted, give or take ${PH_UNCERTAINTY}`
  if (ph.value < low - PH_UNCERTAINTY)
    return {
      ...base,
      mood: 'change',
      text:
        limeGPerL.value > 0
          ? `Sour: ${range}. About ${printNumber(limeGPerL.value, 2)} g of dolomitic lime a litre of mix brings it there.`
          : `Sour: ${range}.`,
    }
  if (ph.value > high + PH_UNCERTAINTY)
    return { ...base, mood: 'watch', text: `Limy: ${range}. Leaves may go pale between the veins.` }
  return { ...base, mood: 'fine', text: `Good as it is: ${range}.` }
}

function saltsVerdict({ saltsMsPerCm }: Chemistry, ingredients: readonly Ingredient[]): Verdict {
  const base = { id: 'salts', title: 'Salts', figure: saltsMsPerCm } as const
  const { germination, seedlings } = SALTS_LIMITS_MS_PER_CM
  if (saltsMsPerCm.value <= germination)
    return {
      ...base,
      mood: 'fine',
      text: `Mild enough for germinating seed, which wants under ${germination.toFixed(1)}.`,
    }
  const saltiest = ingredients.reduce((a, b) =>
    b.material.smeEcMsPerCm * b.share.value > a.material.smeEcMsPerCm * a.share.value ? b : a,
  )
  const why = `${saltiest.material.name} is ${printShare(saltiest.share.value)} of this mix`
  return saltsMsPerCm.value <= seedlings
    ? {
        ...base,
        mood: 'watch',
        text: `${why}: germination wants under ${germination.toFixed(1)}, seedlings stand ${seedlings.toFixed(1)}.`,
      }
    : {
        ...base,
        mood: 'change',
        text: `${why}: germination wants under ${germination.toFixed(1)}. Keep it for potting on.`,
      }
}

function foodVerdict(daysOfFood: Figure): Verdict {
  const base = { id: 'food', title: 'Food', figure: daysOfFood } as const
  return daysOfFood.value <= 12
    ? {
        ...base,
        mood: 'watch',
        text: 'After that, feed: the seed’s own food is gone and the mix gives little.',
      }
    : { ...base, mood: 'fine', text: 'From emergence, for a medium appetite, in this much mix.' }
}
