import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CAUSES, causesOf, type CauseId } from '#core/signs/causes'
import { emptyRecord, type SignRecord } from '#core/signs/record'
import { SIGNS } from '#core/signs/seen'
import { CAUSE_WORDS, sayBecause } from './signs'

/** Nothing, or enough that a reading means something; not the many tiny numbers that are drawn near 0. */
const number = fc.option(fc.oneof(fc.constant(0), fc.double({ min: 1, max: 60, noNaN: true })))
const record = fc.record({ daysUp: number, wetDays: number, ecMsPerCm: number, lightMol: number, ph: number })

describe('a cause in words', () => {
  it('says what to do and what would tell it apart; where nothing is wrong, that', () => {
    for (const [id, { name, then, look }] of Object.entries(CAUSE_WORDS)) {
      expect([id, then.endsWith('.'), look.endsWith('.')]).toEqual([id, true, true])
      if (/it is nothing/.test(name)) expect(CAUSES[id as CauseId]).toMatchObject({ nothing: true })
    }
  })
  it('gives the numbers that speak, or says that none are written down', () =>
    fc.assert(
      fc.property(fc.constantFrom(...SIGNS.map(({ id }) => id)), record, (sign, over) => {
        const full = { ...emptyRecord(), ...over } as SignRecord
        for (const cause of causesOf(sign, full)) {
          const because = sayBecause(cause, full)
          if (cause.known) expect(because).not.toMatch(/NaN|undefined|null|\d\.\d{3}/)
          else expect(because).toBe('no records for or against')
        }
      }),
    ))
})
