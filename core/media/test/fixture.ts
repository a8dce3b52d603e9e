import { CONTAINERS } from '../../containers/catalogue'
import {
  COVER_IS_THE_MIX,
  DEFAULT_ALLOWANCES,
  plainBatch,
  type BatchRequest,
  type Fill,
} from '../batch-request'
import type { Blend } from '../blend'
import type { Ingredient } from '../ingredient'
import { BUILT_IN } from '../materials'
import { mixingLoss } from '../mixing-loss'

/* Batches for the tests of media: a plain one, and one whose pots are filled in layers. */

export const container = (id: string) => CONTAINERS.find((candidate) => candidate.id === id)!
export const fill = (id: string, count: number, coverMm = 0, coverMaterialId = COVER_IS_THE_MIX): Fill => ({
  container: container(id),
  count,
  coverMm,
  coverMaterialId,
})

/** Two trays of 3 coir : 1 castings : 1 perlite. */
export const request = (over: Partial<BatchRequest> = {}): BatchRequest => ({
  parts: [
    { materialId: 'coir', parts: 3 },
    { materialId: 'castings', parts: 1 },
    { materialId: 'perlite', parts: 1 },
  ],
  fills: [fill('tray-72', 2)],
  allowances: DEFAULT_ALLOWANCES,
  scoop: { name: 'yoghurt pot', volumeL: 0.5 },
  ...plainBatch(),
  materials: BUILT_IN,
  homeTests: [],
  ...over,
})

export const rich = [
  { materialId: 'potting-mix', parts: 2 },
  { materialId: 'perlite', parts: 1 },
]
export const fine = [{ materialId: 'seed-mix', parts: 1 }]

/** Ten pots with rich mix below and so much fine mix on top; all of it fine where that is null. */
export const layered = (topMm: number | null, over: Partial<BatchRequest> = {}): BatchRequest =>
  request({
    parts: fine,
    lowerParts: rich,
    fills: [{ ...fill('pot-10cm', 10), topMm }],
    scoop: { name: 'pot', volumeL: 0.5 },
    ...over,
  })

/** A mix that nobody measured. */
export const blend = (ingredients: readonly Ingredient[]): Blend => ({
  ingredients,
  mixingLoss: mixingLoss(ingredients),
  curve: null,
})
