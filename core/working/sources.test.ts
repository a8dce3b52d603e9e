import { describe, expect, it } from '@jest/globals'
import { citedIn } from '../../scripts/sources.mjs'
import CITED from './sources.json' with { type: 'json' }

describe('the list of sources', () => {
  it('is that of the figures: run `node scripts/sources.mjs` after a source was added', () => {
    expect(CITED).toEqual(citedIn('core'))
  })
})
