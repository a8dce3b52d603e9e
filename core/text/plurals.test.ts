import { expect, it } from '@jest/globals'
import { CONTAINERS } from '../containers/catalogue'
import { withArticle } from './plurals'

// As they are spoken: eight, eleven, eighteen and eighty begin with a vowel, one and a hundred do not.
it.each([
  ['80-cell tray', 'an'],
  ['8 gal fabric bag', 'an'],
  ['18-cell deep tray', 'an'],
  ['11 cm round pot', 'an'],
  ['open tray', 'an'],
  ['1 litre pot', 'a'],
  ['128-cell tray', 'a'],
  ['unit', 'a'],
  ['US cup', 'a'],
  ['110 mm pot', 'a'],
])('%s is called with %s', (name, article) => expect(withArticle(name)).toBe(`${article} ${name}`))

it('every container can be called', () => {
  for (const { name } of CONTAINERS) expect(withArticle(name)).toMatch(/^an? \S/)
})
