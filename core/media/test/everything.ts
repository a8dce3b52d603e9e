import { CONTAINERS } from '../../containers/catalogue'
import { planBatch } from '../batch'
import { COVER_IS_THE_MIX, DEFAULT_ALLOWANCES, plainBatch, type BatchRequest } from '../batch-request'
import { BUILT_IN, MATERIALS } from '../materials'

/** A batch of every medium into every container. */
export const request: BatchRequest = {
  parts: MATERIALS.filter(({ kind }) => kind === 'medium').map(({ id }, index) => ({
    materialId: id,
    parts: index + 1,
  })),
  fills: CONTAINERS.map((container, index) => ({
    container,
    count: index + 1,
    coverMm: index % 3,
    coverMaterialId: index % 2 ? COVER_IS_THE_MIX : 'vermiculite',
  })),
  allowances: DEFAULT_ALLOWANCES,
  scoop: { name: 'scoop', volumeL: 1 },
  ...plainBatch(),
  extras: [{ materialId: 'rock-dust', gPerL: 5 }],
  tubL: 30,
  materials: BUILT_IN,
}

export const batch = planBatch(request)

/** Two layers of mix, soaked hot and sieved. */
export const layered = planBatch({
  ...request,
  lowerParts: [
    { materialId: 'potting-mix', parts: 2 },
    { materialId: 'coir', parts: 1 },
  ],
  preparations: ['hot water', 'sieve'],
  fills: CONTAINERS.filter(({ kind }) => kind !== 'block').map((container) => ({
    container,
    count: 2,
    coverMm: 0,
    coverMaterialId: COVER_IS_THE_MIX,
    topMm: container.shape.depthMm / 3,
  })),
})
