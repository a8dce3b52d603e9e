import type { Part } from './recipe'

/** A starting recipe: one family of growers' mixes, with why people hold to it. */
export interface StartingRecipe {
  readonly id: string
  readonly name: string
  readonly reasoning: string
  readonly parts: readonly Part[]
}

const parts = (amounts: Readonly<Record<string, number>>): Part[] =>
  Object.entries(amounts).map(([materialId, amount]) => ({ materialId, parts: amount }))

/** Typical parts by volume [common practice]; the household adjusts and keeps its own. */
export const STARTING_RECIPES: readonly StartingRecipe[] = [
  {
    id: 'lean-and-light',
    name: 'Lean and light',
    reasoning: 'Neutral, holds water, a little food from the castings. Feed from the first true leaves.',
    parts: parts({ coir: 3, castings: 1, perlite: 1 }),
  },
  {
    id: 'peat-and-mineral',
    name: 'Peat and mineral',
    reasoning: 'No food at all: nothing to rot, nothing to burn. Feed from the true leaves on.',
    parts: parts({ peat: 1, vermiculite: 1 }),
  },
  {
    id: 'living-coir',
    name: 'Living, on coir',
    reasoning: 'Seed to transplant without feed. Alive, so nothing is boiled.',
    parts: parts({ coir: 4, 'rice-hulls': 1, compost: 2, castings: 1 }),
  },
  {
    id: 'farm-compost',
    name: 'Home compost and sand',
    reasoning: 'Nothing bought. Rich in salts: for strong seed, and for pressing into blocks.',
    parts: parts({ compost: 9, sand: 1 }),
  },
  {
    id: 'soil-based',
    name: 'Soil-based, warm climates',
    reasoning: 'Cheap, local and heavy. Loam carries the water, coir keeps it open.',
    parts: parts({ loam: 55, compost: 25, coir: 20 }),
  },
  {
    id: 'wets-easily',
    name: 'Peat made easy to wet',
    reasoning: 'Coir among the peat lets a dried-out summer tray take water again.',
    parts: parts({ peat: 2, coir: 2, vermiculite: 1, castings: 0.5 }),
  },
]
