import { sayProblem } from '../messages/refusals'
import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import * as z from 'zod'
import { CONTAINERS } from '#core/containers/catalogue'
import { elements } from '#core/feed/feed'
import { FEEDS } from '#core/feed/feeds'
import { batchProblems, DEFAULT_ALLOWANCES, plainBatch } from '#core/media/batch-request'
import { planBatch } from '#core/media/batch'
import { changedFigures } from '#core/catalogue'
import { MATERIAL_FIGURES } from '#core/media/material'
import { BUILT_IN, MATERIALS } from '#core/media/materials'
import { printPath } from '#core/problem'
import { COLLECTIONS, write } from './collections'
import { problemsFrom, ruled } from './rules'
import { contextOf } from '../derived/context'
import { asBatchRequest } from '../derived/batch-request'
import { batchToCompute, withOwn } from '../computations/batch'
import { container } from './container'
import { containerRecordOf } from './as-container'
import { feedRecordOf } from './as-feed'
import { doseToCompute } from '../computations/dose'
import { material, type MaterialRecord } from './material'
import { asMaterial } from './as-material'
import { stock } from './stock'

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
      ...Object.values(COLLECTIONS).map(({ body }) => write(body)),
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
        const rules = batchProblems(asBatchRequest({ ...plainBatch(), ...body }, contextOf({})))
        expect(read.success).toBe(rules.length === 0)
        if (!read.success)
          expect(problemsFrom(read.error).map(({ path, message }) => [printPath(path), message])).toEqual(
            rules.map((problem) => [printPath(problem.path), sayProblem(problem)]),
          )
      }),
    )
  })

  it('fills in what an older or shorter body leaves out', () => {
    expect(batchToCompute.parse(asked)).toMatchObject({ ...plainBatch(), containers: [], materials: [] })
    expect(COLLECTIONS.recipes.body.parse({ name: ' Mix ', parts: asked.parts })).toEqual({
      name: 'Mix',
      reasoning: '',
      parts: asked.parts,
      extras: [],
      preparations: [],
      worksIn: [],
      homeTests: [],
    })
  })
})

describe('a household’s own things', () => {
  it('stand before the built-in rows, a correction in the place of the one it corrects', () => {
    const tin = container.parse({
      name: 'Tin',
      kind: 'pot',
      cells: 1,
      measuredVolumeMl: 400,
      shape: { form: 'round', topDiameterMm: 80, baseDiameterMm: 80, depthMm: 90 },
    })
    const tray = CONTAINERS.find(({ id }) => id === 'tray-72')!
    const measured = { ...containerRecordOf(tray), measuredVolumeMl: 41 }
    const { containers, feeds } = contextOf({
      containers: [
        { id: 'tin', body: tin },
        { id: 'x', body: measured },
      ],
    })
    expect([...containers.keys()][0]).toBe('tin')
    expect([containers.size, containers.has('x'), containers.has('hat')]).toEqual([
      CONTAINERS.length + 1,
      false,
      false,
    ])
    expect(containers.get('tray-72')).toMatchObject({ measuredVolumeMl: 41, cells: 72 })
    expect(containers.get('tray-72')!.sources).toMatchObject({
      shape: tray.sources.shape,
      measuredVolumeMl: { tag: 'yours' },
    })
    expect(feeds.get(FEEDS[0]!.id)).toBe(FEEDS[0])
  })

  it('say of a generic feed where its label comes from, and of what was typed over that it is theirs', () => {
    const powder = FEEDS.find(({ id }) => id === 'balanced-20')!
    const body = { ...feedRecordOf(powder), nPercent: 18 }
    const { feeds } = contextOf({ feeds: [{ id: 'x', body }] })
    expect(elements(powder).n.working).toEqual({ kind: 'given', source: powder.sources.nPercent })
    expect(powder.sources.nPercent.tag).not.toBe('yours')
    expect(feeds.get(powder.id)!.sources.nPercent.tag).toBe('yours')
    expect(feeds.get(powder.id)!.sources.k2oPercent).toEqual(powder.sources.k2oPercent)
  })

  it('keep the source of every figure that was left as it was', () => {
    const corrected = asMaterial('x', material.parse(own({ ph: 6.8, settling: 0.2 })))
    expect(corrected.id).toBe('coir')
    expect(changedFigures(BUILT_IN, corrected, MATERIAL_FIGURES).sort()).toEqual(['ph', 'settling'])
    expect([corrected.sources.ph.tag, corrected.sources.theta10]).toEqual(['yours', coir.sources.theta10])
    expect([corrected.compressed, corrected.packs]).toEqual([true, coir.packs])
  })

  it('open the packs that stand on the shelf before those of the trade, and those once they are used up no more', () => {
    const disc = (packs: number) => ({
      id: 'd',
      body: stock.parse({
        name: 'Disc',
        kind: 'material',
        goodsId: 'coir',
        size: { measure: 'mass', amount: 55 },
        packs,
      }),
    })
    const coirOf = (packs: number) => {
      const known = contextOf({ stocks: [disc(packs)] })
      const fields = { ...plainBatch(), ...asked, parts: [{ materialId: 'coir', parts: 1 }] }
      return planBatch(asBatchRequest(fields, known)).lines.find(({ material: { id } }) => id === 'coir')!
    }
    expect(coirOf(30).pack).toEqual({ id: 'd', name: 'Disc', dryMassG: 55 })
    expect(coirOf(30).packs.value).toBe(Math.ceil(coirOf(30).soak!.dryMassG.value / 55 - 1e-9))
    expect(coirOf(0).pack.id).toBe('dry-650')
  })

  it('take the place of the material they correct in every plan', () => {
    const shed = withOwn({ containers: [], materials: [{ id: 'x', material: own({ settling: 0.3 }) }] })
    const fields = {
      ...plainBatch(),
      ...asked,
      parts: [{ materialId: 'coir', parts: 1 }],
      fills: [{ ...asked.fills[0]!, coverMm: 0 }],
    }
    const plain = planBatch(asBatchRequest(fields, contextOf({})))
    const theirs = planBatch(asBatchRequest(fields, shed))
    expect(theirs.mixL.value / plain.mixL.value).toBeCloseTo(1.3 / 1.1, 12)
    expect(contextOf({}).materials).toBe(BUILT_IN)
  })

  it('may be a material of their own, under their own id, all figures theirs', () => {
    const id = '0b1a5700-de30-4000-8000-000000000099'
    const mould = asMaterial(id, material.parse(own({}, null)))
    expect([mould.id, mould.packs[0]]).toEqual([id, { id: 'own', name: '20 L pack', volumeL: 20 }])
    expect(new Set(Object.values(mould.sources).map(({ tag }) => tag))).toEqual(new Set(['yours']))
    const body = material.parse(own({}, null))
    expect(contextOf({ materials: [{ id, body }] }).materials.size).toBe(BUILT_IN.size + 1)
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

describe('a rule of the trade', () => {
  const half = ruled(z.object({ n: z.number().min(1) }), ({ n }) => {
    if (n < 1) throw new RangeError('half of less than one')
    return n > 9 ? [{ path: ['n'], message: 'That is too many.' }] : []
  })
  it('is not asked of what lies outside its edges, which is told already', () => {
    expect(half.safeParse({ n: 0 }).error?.issues.map(({ path }) => path)).toEqual([['n']])
    expect(half.safeParse({ n: 10 }).error?.issues.map(({ message }) => message)).toEqual([
      'That is too many.',
    ])
    expect(half.safeParse({ n: 1 }).success).toBe(true)
  })
  it('that fails inside them is a fault, and not a refusal', () => {
    const broken = ruled(z.object({ n: z.number() }), () => {
      throw new TypeError('broken')
    })
    expect(() => broken.safeParse({ n: 1 })).toThrow('broken')
  })
})
