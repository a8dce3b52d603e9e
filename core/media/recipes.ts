import { builtIn } from '../catalogue'
import type { Extra, Part, Preparation } from './recipe'

/** A starting recipe: one family of growers' mixes, with why people hold to it. */
export interface StartingRecipe {
  readonly id: string
  readonly name: string
  readonly reasoning: string
  readonly parts: readonly Part[]
  readonly extras: readonly Extra[]
  readonly preparations: readonly Preparation[]
}

const parts = (amounts: Readonly<Record<string, number>>): Part[] =>
  Object.entries(amounts).map(([materialId, amount]) => ({ materialId, parts: amount }))

interface Sketch {
  readonly id: string
  readonly name: string
  readonly reasoning: string
  readonly parts: Readonly<Record<string, number>>
  readonly extras?: Readonly<Record<string, number>>
  readonly preparations?: readonly Preparation[]
}

const recipe = ({ extras = {}, preparations = [], ...sketch }: Sketch): StartingRecipe => ({
  ...sketch,
  parts: parts(sketch.parts),
  extras: Object.entries(extras).map(([materialId, gPerL]) => ({ materialId, gPerL })),
  preparations,
})

/** Typical parts by volume and extras in g a litre [common practice]; the household adjusts and keeps its own. */
export const STARTING_RECIPES: readonly StartingRecipe[] = [
  recipe({
    id: 'lean-and-light',
    name: 'Light seed mix',
    reasoning: 'Neutral, holds water, a little food from the castings. Feed from the first true leaves.',
    parts: { coir: 3, castings: 1, perlite: 1 },
  }),
  recipe({
    id: 'peat-and-mineral',
    name: 'Peat and mineral, sterile',
    reasoning: 'No food at all: nothing to rot, nothing to burn. Limed; feed from the true leaves on.',
    parts: { peat: 1, vermiculite: 1 },
    extras: { 'dolomitic-lime': 2 },
    preparations: ['moisten'],
  }),
  recipe({
    id: 'living-coir',
    name: 'Living, on coir',
    reasoning: 'Seed to transplant without feed. Alive, so nothing is boiled.',
    parts: { coir: 5, 'rice-hulls': 2, compost: 2, castings: 1 },
    extras: { 'rock-dust': 5, gypsum: 0.5 },
  }),
  recipe({
    id: 'farm-compost',
    name: 'Home compost and sand',
    reasoning: 'Nothing bought. Rich in salts: for strong seed, and for pressing into blocks.',
    parts: { 'home-compost': 9, sand: 1 },
    extras: { 'rock-dust': 5 },
    preparations: ['sieve'],
  }),
  recipe({
    id: 'soil-based',
    name: 'Soil-based, warm climates',
    reasoning: 'Cheap, local and heavy. Loam carries the water, coir keeps it open.',
    parts: { loam: 55, compost: 25, coir: 20 },
    preparations: ['sieve'],
  }),
  recipe({
    id: 'stretched-potting',
    name: 'Potting mix with compost',
    reasoning: 'A bought mix stretched by a quarter of compost, opened with vermiculite. Thrift.',
    parts: { 'potting-mix': 4, 'home-compost': 1, vermiculite: 1 },
  }),
  recipe({
    id: 'wets-easily',
    name: 'Sieved bag with coir',
    reasoning:
      'Sieved potting mix that takes water again in summer. Vermiculite replaces the perlite left on the sieve.',
    parts: { 'potting-mix': 4, coir: 4, castings: 1, vermiculite: 1 },
    preparations: ['sieve'],
  }),
  recipe({
    id: 'fine-top',
    name: 'Fine top layer',
    reasoning: 'A few centimetres over a rich mix: tiny seed meets only fine mix, roots find the food below.',
    parts: { 'peat-fine': 2, coir: 2, 'vermiculite-fine': 1 },
    extras: { 'dolomitic-lime': 1.5 },
    preparations: ['sieve'],
  }),
  recipe({
    id: 'final-container',
    name: 'Final container',
    reasoning: 'Potting mix with castings and a measured dose of granular feed: food for months.',
    parts: { 'potting-mix': 8, castings: 1, perlite: 1 },
    extras: { 'granular-feed': 3 },
  }),
  recipe({
    id: 'bagged-seed-mix',
    name: 'Bagged seed mix',
    reasoning: 'Straight from the bag, moistened. Nothing to weigh; feed from the first true leaves.',
    parts: { 'seed-mix': 1 },
    preparations: ['moisten'],
  }),
  recipe({
    id: 'bagged-potting-mix',
    name: 'Bagged potting mix',
    reasoning: 'Straight from the bag, moistened. Food for about six weeks; coarse for small seed.',
    parts: { 'potting-mix': 1 },
    preparations: ['moisten'],
  }),
  recipe({
    id: 'boiled-coir',
    name: 'Coir, hot-water treated',
    reasoning: 'For the sterile method: coir and vermiculite under boiling water, left to cool overnight.',
    parts: { coir: 2, vermiculite: 1 },
    preparations: ['hot water'],
  }),
]

export const BUILT_IN_RECIPES = builtIn(STARTING_RECIPES)
