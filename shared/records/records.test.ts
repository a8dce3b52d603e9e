import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CONTAINERS } from '#core/containers/catalogue'
import { FEEDS } from '#core/feed/feeds'
import { batchProblems, DEFAULT_ALLOWANCES, plainBatch } from '#core/media/batch-request'
import { planBatch } from '#core/media/batch'
import { BUILT_IN, MATERIALS } from '#core/media/materials'
import { printPath } from '#core/problem'
import { COLLECTIONS, write } from '../collections'
import { problemsFrom } from '../rules'
import { asBatchRequest, batchToCompute, findContainer, shedOf } from './batch'
import { asContainer, container } from './container'
import { doseToCompute, findFeed } from './feeding'
import { asMaterial, changedFigures, libraryWith, material, type MaterialRecord } from './material'

const asked = {
  parts: [
    { materialId: 'coir', parts: 3 },
    { materialId: 'perlite', parts: 1 },
  ],
  fills: [{ containerId: 'tray-72', count: 2, coverMm: 5, coverMaterialId: 'vermiculite' }],
  allowances: DEFAULT_ALLOWANCES,
  scoop: { name: 'pot', volumeL: 0.5 },
}
const coir = MATERIALS.find(({ id }) => id === 'coir')!
const figures = Object.fromEntries(
  Object.keys(coir.sources).map((key) => [key, coir[key as keyof typeof coir]]),
) as MaterialRecord['figures']
const own = (
  over: Partial<MaterialRecord['figures']> = {},
  basedOn: string | null = 'coir',
): MaterialRecord => ({
  name: 'Our coir',
  basedOn,
  figures: { ...figures, ...over },
  packL: 20,
  sustainability: '',
})

describe('what crosses the wire', () => {
  it('never breaks a schema, whatever it is', () => {
    const shapes = [
      ...Object.values(COLLECTIONS).map((schema) => write(schema)),
      batchToCompute,
      doseToCompute,
    ]
    fc.assert(
      fc.property(fc.anything(), fc.constantFrom(...shapes), (anything, shape) => {
        const read = shape.safeParse(anything)
        if (!read.success)
          for (const { message } of problemsFrom(read.error)) expect(message.length).toBeGreaterThan(0)
      }),
      { numRuns: 500 },
    )
  })

  it('is refused by core’s own rules, at the same field and in the same words', () => {
    const amount = fc.oneof(
      fc.double({ noNaN: true, noDefaultInfinity: true }),
      fc.integer({ min: -3, max: 20 }),
    )
    fc.assert(
      fc.property(amount, amount, amount, amount, (parts, count, coverMm, spare) => {
        const body = {
          ...asked,
          parts: [{ materialId: 'coir', parts }],
          fills: [{ ...asked.fills[0]!, count, coverMm }],
          allowances: { ...DEFAULT_ALLOWANCES, spare },
        }
        const read = batchToCompute.safeParse(body)
        const rules = batchProblems(
          asBatchRequest({ ...plainBatch(), ...body }, { containers: [], materials: BUILT_IN }),
        )
        expect(read.success).toBe(rules.length === 0)
        if (!read.success)
          expect(problemsFrom(read.error).map(({ path, message }) => [printPath(path), message])).toEqual(
            rules.map(({ path, message }) => [printPath(path), message]),
          )
      }),
    )
  })

  it('fills in what an older or shorter body leaves out', () => {
    expect(batchToCompute.parse(asked)).toMatchObject({ ...plainBatch(), containers: [], materials: [] })
    expect(COLLECTIONS.recipes.parse({ name: ' Mix ', parts: asked.parts })).toEqual({
      name: 'Mix',
      reasoning: '',
      parts: asked.parts,
      extras: [],
      preparations: [],
    })
  })
})

describe('a household’s own things', () => {
  it('stand before the built-in ones of the same id', () => {
    const tin = asContainer(
      'tray-72',
      container.parse({
        name: 'Tin',
        kind: 'pot',
        cells: 1,
        measuredVolumeMl: 400,
        shape: { form: 'round', topDiameterMm: 80, baseDiameterMm: 80, depthMm: 90 },
      }),
    )
    expect(findContainer('tray-72', [tin])).toBe(tin)
    expect(findContainer('tray-72', [])).toBe(CONTAINERS.find(({ id }) => id === 'tray-72'))
    expect(findContainer('hat', [tin])).toBeUndefined()
    expect(findFeed(FEEDS[0]!.id, [])).toBe(FEEDS[0])
  })

  it('keep the source of every figure that was left as it was', () => {
    const corrected = asMaterial('x', material.parse(own({ ph: 6.8, settling: 0.2 })))
    expect(corrected.id).toBe('coir')
    expect(changedFigures(corrected).sort()).toEqual(['ph', 'settling'])
    expect([corrected.sources.ph.tag, corrected.sources.theta10]).toEqual(['yours', coir.sources.theta10])
    expect([corrected.compressed, corrected.packs]).toEqual([true, coir.packs])
  })

  it('take the place of the material they correct in every plan', () => {
    const shed = shedOf({ containers: [], materials: [{ id: 'x', material: own({ settling: 0.3 }) }] })
    const fields = {
      ...plainBatch(),
      ...asked,
      parts: [{ materialId: 'coir', parts: 1 }],
      fills: [{ ...asked.fills[0]!, coverMm: 0 }],
    }
    const plain = planBatch(asBatchRequest(fields, { containers: [], materials: BUILT_IN }))
    const theirs = planBatch(asBatchRequest(fields, shed))
    expect(theirs.mixL.value / plain.mixL.value).toBeCloseTo(1.3 / 1.1, 12)
    expect(libraryWith([])).toBe(BUILT_IN)
  })

  it('may be a material of their own, under their own id, all figures theirs', () => {
    const id = '0b1a5700-de30-4000-8000-000000000099'
    const mould = asMaterial(id, material.parse(own({}, null)))
    expect([mould.id, mould.packs[0]]).toEqual([id, { id: 'own', name: '20 L pack', volumeL: 20 }])
    expect(new Set(Object.values(mould.sources).map(({ tag }) => tag))).toEqual(new Set(['yours']))
    expect(libraryWith([mould]).size).toBe(BUILT_IN.size + 1)
  })

  it('are refused where they could not be', () => {
    const fields = (record: object) => {
      const read = material.safeParse(record)
      return read.success ? [] : problemsFrom(read.error).map(({ path }) => printPath(path))
    }
    expect(fields(own({ theta10: 0.99 }))).toEqual(['figures.theta10'])
    expect(fields(own({}, 'moon dust'))).toEqual(['basedOn'])
    expect(fields({ ...own(), packL: 0 })).toEqual(['packL'])
    const wide = container.safeParse({
      name: 'x',
      kind: 'pot',
      cells: 1,
      measuredVolumeMl: null,
      shape: { form: 'round', topDiameterMm: 50, baseDiameterMm: 60, depthMm: 0 },
    })
    expect(wide.success ? [] : problemsFrom(wide.error).map(({ path }) => printPath(path))).toEqual([
      'shape.depthMm',
      'shape.baseDiameterMm',
    ])
  })
})
