import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { deflateSync, strToU8 } from 'fflate'
import { MATERIALS } from '#core/media/materials'
import { recipe } from '../records/recipe'
import { material } from '../records/material'
import { asFragment, asWords, cardOf, fromFragment, MAX_LINK_LETTERS, readCard, rowsOf } from './card'

const OWN = '0b1a5700-0000-4000-8000-000000000007'
const coir = MATERIALS[0]!
const husk = material.parse({
  name: 'Husk of ours',
  basedOn: null,
  figures: Object.fromEntries(Object.keys(coir.sources).map((key) => [key, coir[key as 'ph']])),
  packL: 20,
  sustainability: '',
})
const NOTHING = { materials: [], containers: [], feeds: [], recipes: [] }
const lists = { ...NOTHING, materials: [{ id: OWN, body: husk }] }
const mine = recipe.parse({
  name: 'For the sill',
  parts: [
    { materialId: OWN, parts: 3 },
    { materialId: 'pumice', parts: 1 },
  ],
  extras: [{ materialId: 'kelp-meal', gPerL: 1.5 }],
  worksIn: [{ containerId: 'tray-72', on: '2027-03-01' }],
})
const b64 = (bytes: Uint8Array) => Buffer.from(bytes).toString('base64url')

describe('a card that is handed on', () => {
  it('holds what it is made of, and nothing of the bench it comes from', () => {
    const card = cardOf('recipe', mine, lists)
    expect(card.needs.materials).toEqual([{ id: OWN, body: husk }])
    expect(card.body).toMatchObject({ worksIn: [], homeTests: [] })
  })
  it('of the first version is read under the names of today', () => {
    const body = {
      name: 'Weak',
      feedId: 'balanced-20',
      appetite: 'light',
      school: 'weak and often',
      plants: 9,
    }
    const rungs = [
      {
        ...{ stageId: 'seed-leaves', days: 9, containerId: 'tray-72' },
        ...{ recipeId: 'lean-and-light', nMgPerL: 20, everyDays: 3 },
      },
    ]
    const first = {
      format: 'blastomix card',
      version: 1,
      needs: NOTHING,
      kind: 'ladder',
      body: { ...body, rungs },
    }
    expect(readCard(JSON.stringify(first))).toMatchObject({
      version: 2,
      kind: 'schedule',
      body: { method: 'weak and often', stages: [{ growthStageId: 'seed-leaves', days: 9 }] },
    })
  })
  it('is the same through a link, whatever it says', () => {
    const media = MATERIALS.filter(({ kind }) => kind === 'medium').map(({ id }) => id)
    const body = fc.record({
      name: fc
        .string({ unit: 'grapheme', minLength: 1, maxLength: 60 })
        .filter((text) => text.trim().length > 0),
      reasoning: fc.string({ unit: 'grapheme', maxLength: 300 }),
      parts: fc.array(
        fc.record({
          materialId: fc.constantFrom(...media),
          parts: fc.double({ min: 0.1, max: 90, noNaN: true }),
        }),
        { minLength: 1, maxLength: 8 },
      ),
    })
    fc.assert(
      fc.property(body, (one) => {
        const card = cardOf('recipe', recipe.parse(one), NOTHING)
        expect(fromFragment(asFragment(card))).toEqual(card)
        expect(readCard(JSON.stringify(card))).toEqual(card)
      }),
    )
    expect(asFragment(cardOf('recipe', mine, lists)).length).toBeLessThan(MAX_LINK_LETTERS)
  })
  it('is kept with its own materials under new ids; what is here already is used', () => {
    let n = 0
    const newId = () => `0b1a5700-0000-4000-8000-0000000001${String(n++).padStart(2, '0')}`
    const card = cardOf('recipe', mine, lists)
    const rows = rowsOf(card, NOTHING, newId)
    expect(rows.map(({ collection }) => collection)).toEqual(['materials', 'recipes'])
    expect((rows[1]!.body as typeof mine).parts[0]!.materialId).toBe(rows[0]!.id)
    const again = rowsOf(card, lists, newId)
    expect(again.map(({ collection }) => collection)).toEqual(['recipes'])
    expect((again[0]!.body as typeof mine).parts[0]!.materialId).toBe(OWN)
  })
  it('is said in words and in Markdown', () => {
    const names = {
      material: (id: string) => (id === OWN ? husk.name : id),
      container: String,
      feed: String,
      mix: String,
      growthStage: String,
    }
    const card = cardOf('recipe', mine, lists)
    expect(asWords(card, names, false)).toBe(
      'For the sill\n\n3 parts Husk of ours\n1 part pumice\n1.5 g kelp-meal per litre\n',
    )
    expect(asWords(card, names, true)).toContain('## For the sill\n\n- 3 parts Husk of ours')
  })
  it.each<[string, () => unknown, RegExp]>([
    [
      'a link that was cut',
      () => fromFragment(asFragment(cardOf('recipe', mine, lists)).slice(0, 60)),
      /cut on its way|not JSON/,
    ],
    ['no link at all', () => fromFragment('%%%'), /cut on its way/],
    [
      'a link that unfolds without end',
      () => fromFragment(b64(deflateSync(new Uint8Array(40_000_000)))),
      /unfolds to more/,
    ],
    ['another JSON', () => fromFragment(b64(deflateSync(strToU8('{"hello":1}')))), /no card/],
    ['no JSON', () => readCard('3 parts coir'), /not JSON/],
    [
      'a card that was meddled with',
      () => readCard(JSON.stringify({ ...cardOf('recipe', mine, lists), body: { name: '' } })),
      /damaged at body/,
    ],
  ])('%s is refused in words', (_, open, words) => expect(open).toThrow(words))
})
