import type { Container } from '../containers/container'
import { printNumber, printShare } from '../units/format'
import type { Chemistry } from './chemistry'
import { PH_UNCERTAINTY, SALTS_LIMITS_MS_PER_CM } from './chemistry'
import type { ContainerPhysics } from './container-physics'
import type { Ingredient } from './ingredient'
import { derive, type Figure } from '../working/figure'

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
/** Less than this part of the least that good mixes show asks for more than a light hand at the can [default]. */
const MUCH_TOO_LITTLE = 0.5
/** More than this many times what is comfortable dries out quickly [default]. */
const AIRY = 1.6

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
    saltsVerdict(saltsIn(chemistry, physics), ingredients),
    foodVerdict(daysOfFood),
  ]
}

/** Good plants are raised in little air by letting them go light; that is said, rather than doom. */
const LET_IT_GO_LIGHT = 'Let it go light and pale on top before the next watering'

function airVerdict(container: Container, { airSpace, airWanted }: ContainerPhysics): Verdict {
  const range = `Good mixes show ${printShare(airWanted.least)} to ${printShare(airWanted.comfortable)} at this depth`
  const base = { id: 'air', title: 'Air', figure: airSpace } as const
  if (container.kind === 'block')
    return {
      ...base,
      mood: 'fine',
      text: 'Pressed, it holds little air inside, but a block is open on five sides: stand blocks a finger apart, and let their faces go pale before the next watering.',
    }
  if (airSpace.value < airWanted.least * MUCH_TOO_LITTLE)
    return {
      ...base,
      mood: 'change',
      text: `${range}. ${LET_IT_GO_LIGHT}, and keep it from cucumbers, peppers and strawberries; a coarser mix or a deeper container is easier.`,
    }
  if (airSpace.value < airWanted.least * WITHIN)
    return {
      ...base,
      mood: 'watch',
      text: `${range}. ${LET_IT_GO_LIGHT}; cucumbers, peppers and strawberries like more.`,
    }
  if (airSpace.value > airWanted.comfortable * AIRY)
    return {
      ...base,
      mood: 'fine',
      text: `${range}: this is airier. Roots like it; it dries sooner, so look every day.`,
    }
  return { ...base, mood: 'fine', text: `${range}.` }
}

function waterVerdict({ easilyAvailableWater }: ContainerPhysics): Verdict {
  const base = { id: 'water', title: 'Easy water', figure: easilyAvailableWater } as const
  return easilyAvailableWater.value < LITTLE_WATER
    ? { ...base, mood: 'watch', text: 'Dries quickly: look every day. 20–30 % is easy going.' }
    : { ...base, mood: 'fine', text: 'Keeps water that roots can take easily.' }
}

function phVerdict({ ph, phWanted: [low, high], limeGPerL, limedGPerL }: Chemistry): Verdict {
  const base = { id: 'ph', title: 'pH', figure: ph } as const
  const limed = limedGPerL.value >= 0.05
  const grams = (value: number) => `${printNumber(value, 2)} g`
  const range = `${printNumber(low, 2)}–${printNumber(high, 2)} is best`
  const near = `within the estimate’s uncertainty (± ${PH_UNCERTAINTY})`
  const lacks = limeGPerL.value - limedGPerL.value
  if (ph.value < low) {
    const lime =
      lacks > 0.05
        ? ` About ${grams(lacks)} ${limed ? 'more ' : ''}of dolomitic lime a litre of mix brings it there.`
        : ''
    return ph.value < low - PH_UNCERTAINTY
      ? { ...base, mood: 'change', text: `Too acid: ${range}.${lime}` }
      : { ...base, mood: 'watch', text: `Slightly acid, ${near}: ${range}. Measure before you lime.` }
  }
  if (ph.value > high) {
    const far = ph.value > high + PH_UNCERTAINTY
    if (limed && limedGPerL.value > limeGPerL.value * 1.25)
      return {
        ...base,
        mood: far ? 'change' : 'watch',
        text: `Limed with ${grams(limedGPerL.value)} a litre where ${limeGPerL.value < 0.05 ? 'none is needed' : `about ${grams(limeGPerL.value)} is enough`}: ${range}. Too much lime locks up iron as surely as too little.`,
      }
    return far
      ? {
          ...base,
          mood: 'watch',
          text: `High: ${range}. Leave lime out; leaves may go pale between the veins.`,
        }
      : { ...base, mood: 'watch', text: `Slightly high, ${near}: ${range}. Leave lime out.` }
  }
  return { ...base, mood: 'fine', text: `Good as it is: ${range}.` }
}

/** A pressed litre holds the salts of more than a litre, in fewer pores. */
function saltsIn({ saltsMsPerCm }: Chemistry, { pressing, totalPorosity }: ContainerPhysics): Figure {
  if (pressing.value === 1) return saltsMsPerCm
  return derive(
    'Salts of the mix, pressed',
    'mS/cm',
    'e * q * (1 - (1 - p) / q) / p',
    { e: saltsMsPerCm, q: pressing, p: totalPorosity },
    ({ e, q, p }) => (e * q * (1 - (1 - p) / q)) / p,
    'The same salts in the water that fewer pores hold.',
  )
}

function saltsVerdict(saltsMsPerCm: Figure, ingredients: readonly Ingredient[]): Verdict {
  const base = { id: 'salts', title: 'Salts', figure: saltsMsPerCm } as const
  const { germination, seedlings } = SALTS_LIMITS_MS_PER_CM
  if (saltsMsPerCm.value <= germination)
    return {
      ...base,
      mood: 'fine',
      text: `Mild enough for germinating seed (under ${germination.toFixed(1)}).`,
    }
  const saltiest = ingredients.reduce((a, b) =>
    b.material.smeEcMsPerCm * b.share.value > a.material.smeEcMsPerCm * a.share.value ? b : a,
  )
  const why = `${saltiest.material.name} is ${printShare(saltiest.share.value)} of this mix`
  return saltsMsPerCm.value <= seedlings
    ? {
        ...base,
        mood: 'watch',
        text: `${why}: germination needs under ${germination.toFixed(1)}, seedlings under ${seedlings.toFixed(1)}.`,
      }
    : {
        ...base,
        mood: 'change',
        text: `${why}: germination needs under ${germination.toFixed(1)}. Keep it for potting on.`,
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
