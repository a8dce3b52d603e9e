import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { BUILT_IN, MATERIALS } from './materials'
import { readRecipe, type RecipeTextOptions } from './recipe-text'

const read = (text: string, more: Partial<RecipeTextOptions> = {}) =>
  readRecipe(text, { materials: BUILT_IN, units: 'us', ...more })
const asked = (text: string) => read(text).lines.flatMap(({ asked: one }) => one ?? [])

describe('a recipe in words', () => {
  it('by parts, with every word accounted for', () => {
    const { lines, parts, asksPart } = read(
      '2 parts peat moss, 1 part of coarse perlite\n1/2 part worm castings',
    )
    expect(parts).toEqual([
      { materialId: 'peat', parts: 2 },
      { materialId: 'perlite', parts: 1 },
      { materialId: 'castings', parts: 0.5 },
    ])
    expect(asksPart).toBe(false)
    for (const { words } of lines) for (const { as } of words) expect(as).not.toBe('unread')
  })
  // By hand: 3 gal and 6 qt are 2 : 1; 2 tbsp = 29.574 mL of lime at 1.4 g/mL in 3.785 L is 10.94 g/L.
  it('by volume, with lime for each gallon', () => {
    const { parts, extras, lines } = read(
      '3 gallons coir; 6 quarts vermiculite; 2 tbsp dolomite lime per gallon',
    )
    expect(parts[0]!.parts / parts[1]!.parts).toBeCloseTo(2, 2)
    expect(extras).toEqual([
      { materialId: 'dolomitic-lime', gPerL: expect.closeTo((29.5735 * 1.4) / 3.785412, 1) },
    ])
    expect(lines.every((one) => one.asked === null)).toBe(true)
  })
  it('in other kitchens a gallon is another', () => {
    const dose = (units: RecipeTextOptions['units']) =>
      read('5 gal coir, 1 cup rock dust per gallon', { units }).extras[0]!.gPerL
    expect(dose('imperial')).not.toBeCloseTo(dose('us'), 1)
  })
  it('a cup beside parts is asked for: how large is a part? Then it counts', () => {
    const text = '4 parts coir, a cup of pumice'
    expect(read(text).asksPart).toBe(true)
    expect(read(text).parts).toEqual([{ materialId: 'coir', parts: 4 }])
    // A part of one litre: a US cup is 0.2366 of it.
    expect(read(text, { partL: 1 }).parts[1]).toEqual({
      materialId: 'pumice',
      parts: expect.closeTo(0.2366, 3),
    })
  })
  it('in per cent', () => {
    expect(read('60 % coir, 25% vermiculite, 15 percent castings').parts.map(({ parts }) => parts)).toEqual([
      60, 25, 15,
    ])
  })
  it('what could be two things, or is none, is asked about and never guessed', () => {
    expect(read('1 part lime').lines[0]!.candidates).toEqual(['dolomitic-lime', 'calcitic-lime'])
    expect(read('2 parts soil').parts).toEqual([])
    expect(read('2 parts soil', { meant: new Map([['soil', 'loam']]) }).parts).toEqual([
      { materialId: 'loam', parts: 2 },
    ])
    const near = read('2 parts vermiculte').lines[0]!
    expect([near.part, near.candidates[0]]).toEqual([null, 'vermiculite'])
    expect(asked('1 part moon dust')[0]).toContain('no material that is known')
    expect(
      read('1 part moon dust')
        .lines[0]!.words.filter(({ as }) => as === 'unread')
        .map(({ text }) => text),
    ).toEqual(['moon', 'dust'])
    expect(asked('coir')[0]).toContain('How much')
    expect(asked('3 parts')[0]).toContain('Of what?')
    expect(asked('5 lb coir')[0]).toContain('by volume')
    expect(asked('1 tbsp bone meal')[0]).toContain('In how much mix?')
  })
  it('what is printed by its parts is read back as the same, whatever they are', () => {
    const media = MATERIALS.filter(({ kind }) => kind === 'medium').map(({ id }) => id)
    const mix = fc.uniqueArray(
      fc.record({ materialId: fc.constantFrom(...media), parts: fc.integer({ min: 1, max: 40 }) }),
      {
        minLength: 1,
        maxLength: 6,
        selector: ({ materialId }) => materialId,
      },
    )
    fc.assert(
      fc.property(mix, (parts) => {
        const text = parts
          .map((one) => `${one.parts} parts ${one.materialId.replaceAll('-', ' ')}`)
          .join('\n')
        const meant = new Map(parts.map((one) => [one.materialId.replaceAll('-', ' '), one.materialId]))
        expect(read(text, { meant }).parts).toEqual(parts)
      }),
    )
  })
  it('loses no letter: the words of all lines are those of the text', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.constantFrom('2 parts coir', 'a cup of sand', '10% bark', 'moon dust', '3 tbsp lime per gallon'),
          { minLength: 1, maxLength: 5 },
        ),
        (said) => {
          const plain = (text: string) => text.replace(/[^a-z]/gi, '').toLowerCase()
          const words = read(said.join(', ')).lines.map((line) => line.words.map(({ text }) => text).join(''))
          for (const [i, one] of said.entries())
            expect(plain(words[i]!)).toContain(plain(one.replace(/^a cup/, 'cup')).slice(0, 4))
        },
      ),
    )
  })
})
