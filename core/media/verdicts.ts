import type { Container } from '../containers/container'
import type { Chemistry } from './chemistry'
import { PH_UNCERTAINTY, SALTS_LIMITS_MS_PER_CM } from './chemistry'
import type { ContainerPhysics } from './container-physics'
import type { Ingredient } from './ingredient'
import { derive, type Figure } from '../working/figure'

/** What is to be said of a figure, with the values it is said with; `shared/messages` says it. */
export type VerdictSays =
  | { readonly kind: 'air in a block' | 'little water' | 'good water' | 'little food' | 'enough food' }
  | {
      readonly kind: 'far too little air' | 'little air' | 'airy' | 'good air'
      /** What good mixes show at this depth, fractions. */
      readonly least: number
      readonly comfortable: number
    }
  | {
      readonly kind: 'acid' | 'slightly acid' | 'too much lime' | 'alkaline' | 'slightly alkaline' | 'good pH'
      /** What is wanted. */
      readonly low: number
      readonly high: number
      /** Lime that is in, g/L. */
      readonly limedGPerL: number
      /** Lime that is still missing, g/L; where there is too much, what would be enough. */
      readonly limeGPerL: number
    }
  | { readonly kind: 'mild'; readonly germination: number; readonly seedlings: number }
  | {
      readonly kind: 'salty' | 'too salty'
      /** What brings most of the salts, and its share of the mix. */
      readonly material: string
      readonly share: number
      /** What germinating seed and seedlings bear, mS/cm. */
      readonly germination: number
      readonly seedlings: number
    }

/** What a figure means for the seedling, with the number and what would help. */
export interface Verdict {
  readonly id: 'air' | 'water' | 'ph' | 'salts' | 'food'
  readonly mood: 'fine' | 'watch' | 'change'
  readonly figure: Figure
  readonly says: VerdictSays
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

function airVerdict(container: Container, { airSpace, airWanted }: ContainerPhysics): Verdict {
  const { least, comfortable } = airWanted
  const said = (mood: Verdict['mood'], kind: 'far too little air' | 'little air' | 'airy' | 'good air') =>
    ({ id: 'air', figure: airSpace, mood, says: { kind, least, comfortable } }) as const
  if (container.kind === 'block')
    return { id: 'air', figure: airSpace, mood: 'fine', says: { kind: 'air in a block' } }
  // Good plants are raised in little air by letting them go light; that is said, rather than doom.
  if (airSpace.value < least * MUCH_TOO_LITTLE) return said('change', 'far too little air')
  if (airSpace.value < least * WITHIN) return said('watch', 'little air')
  return said('fine', airSpace.value > comfortable * AIRY ? 'airy' : 'good air')
}

function waterVerdict({ easilyAvailableWater: figure }: ContainerPhysics): Verdict {
  return figure.value < LITTLE_WATER
    ? { id: 'water', figure, mood: 'watch', says: { kind: 'little water' } }
    : { id: 'water', figure, mood: 'fine', says: { kind: 'good water' } }
}

/** So many times as much lime as is enough is too much [default]. */
const TOO_MUCH_LIME = 1.25

function phVerdict({ ph, phWanted: [low, high], limeGPerL, limedGPerL }: Chemistry): Verdict {
  const limed = limedGPerL.value
  const enough = limeGPerL.value
  const said = (
    mood: Verdict['mood'],
    kind: Extract<Verdict['says'], { low: number }>['kind'],
    lime = Math.max(0, enough - limed),
  ): Verdict => ({
    id: 'ph',
    figure: ph,
    mood,
    says: { kind, low, high, limedGPerL: limed, limeGPerL: lime },
  })
  if (ph.value < low)
    return ph.value < low - PH_UNCERTAINTY ? said('change', 'acid') : said('watch', 'slightly acid')
  if (ph.value > high) {
    const far = ph.value > high + PH_UNCERTAINTY
    if (limed >= 0.05 && limed > enough * TOO_MUCH_LIME)
      return said(far ? 'change' : 'watch', 'too much lime', enough)
    return said('watch', far ? 'alkaline' : 'slightly alkaline')
  }
  return said('fine', 'good pH')
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

function saltsVerdict(figure: Figure, ingredients: readonly Ingredient[]): Verdict {
  const { germination, seedlings } = SALTS_LIMITS_MS_PER_CM
  if (figure.value <= germination)
    return { id: 'salts', figure, mood: 'fine', says: { kind: 'mild', germination, seedlings } }
  const saltiest = ingredients.reduce((a, b) =>
    b.material.smeEcMsPerCm * b.share.value > a.material.smeEcMsPerCm * a.share.value ? b : a,
  )
  const values = { material: saltiest.material.name, share: saltiest.share.value, germination, seedlings }
  return figure.value <= seedlings
    ? { id: 'salts', figure, mood: 'watch', says: { kind: 'salty', ...values } }
    : { id: 'salts', figure, mood: 'change', says: { kind: 'too salty', ...values } }
}

/** A mix with so many days of food or fewer is fed from then on [default]. */
const LITTLE_FOOD_DAYS = 12

function foodVerdict(figure: Figure): Verdict {
  return figure.value <= LITTLE_FOOD_DAYS
    ? { id: 'food', figure, mood: 'watch', says: { kind: 'little food' } }
    : { id: 'food', figure, mood: 'fine', says: { kind: 'enough food' } }
}
