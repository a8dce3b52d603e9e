import { present } from '#core/present'
import * as z from 'zod'
import { BLEND_ELEMENTS, WANT_KINDS, type BlendElement } from '#core/feed/blend'
import { doseProblems } from '#core/feed/dose'
import { waterProblems } from '#core/feed/water'
import { FINDER_TRAITS, recipesToTry, type FinderRequest } from '#core/media/finder'
import { extraProblems, recipeProblems } from '#core/media/recipe'
import { under, within, type Problem, wrongAt } from '#core/problem'
import { batchRecordProblems } from '../derived/batch-request'
import { batchToCompute, ownContainer, ownMaterial, withOwn } from './batch'
import { feedFields } from '../records/feed'
import { doseToCompute } from './dose'
import { asDoseRequest } from '../derived/dose-request'
import { programme } from '../records/programme'
import { programmeRecordProblems } from '../derived/programme-request'
import { extras, homeTest, parts } from '../records/recipe'
import { amount, reference, ruled } from '../records/rules'
import { contextOf } from '../derived/context'

/*
 * What a script can ask of Mix and Feed: the same questions as the pages put, with whatever is in no catalogue beside them.
 * The built-in catalogues are known by their ids; a household's own rows come in the body.
 */

const own = {
  containers: z.array(ownContainer).max(50).default([]),
  materials: z.array(ownMaterial).max(40).default([]),
}
const unknownAt = (path: Problem['path'], what: string): Problem => ({
  path,
  kind: 'unknown' as const,
  values: { what },
})

/** A mix in a container: air, water, chemistry, food and what they mean. */
export const mixToCompute = ruled(
  z.object({
    parts,
    extras: extras.default([]),
    containerId: reference,
    plants: amount.default(1).describe('Plants in each cell'),
    blockCompression: amount.default(2).describe('Loose litres in a pressed one, 1–4'),
    homeTests: z.array(homeTest).max(20).default([]).describe('How mixes were measured at home'),
    ...own,
  }),
  (value) => {
    const { containers, materials } = withOwn(value)
    return [
      ...under('parts', recipeProblems(value.parts, materials)),
      ...under('extras', extraProblems(value.extras, materials)),
      ...(containers.has(value.containerId) ? [] : [unknownAt(['containerId'], 'container')]),
      ...within(['plants'], value.plants, 1, 200),
      ...within(['blockCompression'], value.blockCompression, 1, 4),
    ]
  },
)

/** Kinds of container that a capacity is searched with: each try plans the whole batch. */
const MAX_FILLS = 12
export const capacityToCompute = ruled(
  z.object({
    batch: batchToCompute,
    fillIndex: z.int().min(0).max(MAX_FILLS).default(0).describe('Which of its containers is counted up'),
    availableL: z.record(reference, amount).describe('Loose litres at hand, by material id'),
  }),
  ({ batch, fillIndex, availableL }) => [
    ...under('batch', batchRecordProblems(batch, withOwn(batch))),
    ...(batch.fills.length <= MAX_FILLS
      ? []
      : [wrongAt(['batch', 'fills'], 'tooManyFills', { most: MAX_FILLS })]),
    ...(fillIndex < batch.fills.length ? [] : [wrongAt(['fillIndex'], 'noSuchContainer')]),
    ...Object.entries(availableL).flatMap(([id, litres]) =>
      within(['availableL', id], litres, 0, 1_000_000, 'L'),
    ),
  ],
)

const want = z.object({ low: amount.optional(), high: amount.optional() })
/** So many recipes are tried in a tenth of a second; a page tries more in a worker of its own. */
const MAX_TRIED = 100_000
export const findToCompute = ruled(
  z.object({
    materialIds: z.array(reference).min(1, 'Name a material.').max(20, 'At most 20 materials.'),
    containerId: reference,
    wants: z
      .object(
        Object.fromEntries(FINDER_TRAITS.map((trait) => [trait, want.optional()])) as Record<
          string,
          z.ZodOptional<typeof want>
        >,
      )
      .describe('A range of each trait that is wanted'),
    mostParts: z.int().min(1).max(12).default(8).describe('All parts together'),
    mostMaterials: z.int().min(1).max(6).default(4),
    ...own,
  }),
  (value) => {
    const { containers, materials } = withOwn(value)
    const tried = recipesToTry(value.materialIds.length, value.mostParts, value.mostMaterials)
    return [
      ...value.materialIds.flatMap((id, i) =>
        materials.get(id)?.kind === 'medium' ? [] : [unknownAt(['materialIds', i], 'material')],
      ),
      ...(containers.has(value.containerId) ? [] : [unknownAt(['containerId'], 'container')]),
      ...(tried <= MAX_TRIED
        ? []
        : [wrongAt(['materialIds'], 'tooManyToTry', { n: tried, most: MAX_TRIED })]),
    ]
  },
)
export const asFinderRequest = (value: z.output<typeof findToCompute>): FinderRequest => {
  const { containers, materials } = withOwn(value)
  return {
    materials: value.materialIds.map((id) => present(materials.get(id))),
    pricePerL: [],
    container: present(containers.get(value.containerId)),
    wants: value.wants as FinderRequest['wants'],
    mostParts: value.mostParts,
    mostMaterials: value.mostMaterials,
    keep: 24,
    keepCloud: 0,
  }
}

const perElement = <Value extends z.ZodType>(value: Value) =>
  z.object(
    Object.fromEntries(BLEND_ELEMENTS.map((element) => [element, value])) as Record<BlendElement, Value>,
  )
export const blendToCompute = ruled(
  z.object({
    feeds: z.array(feedFields).min(1, 'Name a feed.').max(20, 'At most 20 feeds.'),
    wanted: perElement(amount.min(0, 'A want is 0 or more.').max(1000, 'A want is at most 1000 mg/L.')),
    kinds: perElement(z.enum(WANT_KINDS).default('exactly')).prefault({}),
    water: perElement(
      amount.min(0, 'Water brings 0 or more.').max(1000, 'Water brings at most 1000 mg/L.').default(0),
    ).prefault({}),
  }),
  ({ wanted, kinds }) =>
    BLEND_ELEMENTS.some((element) => wanted[element] > 0 && !['any', 'at most'].includes(kinds[element]))
      ? []
      : [wrongAt(['wanted'], 'wantAbove0')],
)

/** A dose through a stock solution. */
export const stockToCompute = ruled(doseToCompute, (value) => doseProblems(asDoseRequest(value)))

const KNOWN = contextOf({})
/** A feeding schedule with what is in the catalogues. */
export const programmeToCompute = ruled(programme, (value) => programmeRecordProblems(value, KNOWN))
export const knownInBooks = KNOWN

export const waterToCompute = ruled(
  z.object({
    ecMsPerCm: amount,
    alkalinityMgPerL: amount.describe('As calcium carbonate'),
    rainShare: amount.default(0).describe('Fraction of rain, 0–1'),
  }),
  (value) => waterProblems(value, value.rainShare),
)

export const granularToCompute = ruled(
  z.object({
    feed: feedFields,
    gPerL: amount.describe('g for each litre of mix'),
    containerId: reference,
    containers: own.containers,
  }),
  (value) => [
    ...within(['gPerL'], value.gPerL, 0.01, 50, 'g/L'),
    ...(withOwn({ ...value, materials: [] }).containers.has(value.containerId)
      ? []
      : [unknownAt(['containerId'], 'container')]),
  ],
)

export const shoppingToCompute = z.object({
  need: amount.min(0, 'A need is 0 or more.').max(1e6, 'A need is at most a million.'),
  offers: z
    .array(
      z.object({
        id: reference,
        holds: amount.min(0.001, 'A pack holds more than 0.').max(1e6, 'A pack holds at most a million.'),
        price: amount.min(0, 'A price is 0 or more.').max(1e6, 'A price is at most a million.').nullable(),
      }),
    )
    .max(12, 'At most 12 kinds of pack.'),
})
