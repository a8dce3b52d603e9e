import { describe, expect, it } from '@jest/globals'
import { SPEAKS } from '#core/signs/causes'
import { contextOf } from './context'
import { practiceChoices, practiceTray, PRACTICE_ASKS, tellingAsks } from './practice-tray'

const book = contextOf({})
const trays = Array.from({ length: 150 }, (_, seed) => practiceTray(seed, book))

describe('a made-up tray', () => {
  it('has a cause its own record makes the likeliest, and it is among the choices', () => {
    for (const { sign, cause, causes } of trays) {
      expect(causes[0]!.id).toBe(cause)
      expect(practiceChoices(sign).map(({ id }) => id)).toContain(cause)
      expect(cause in SPEAKS[sign]).toBe(true)
    }
  })
  it('is told by a measurement that can be asked for', () => {
    const ids: string[] = PRACTICE_ASKS.map(({ id }) => id)
    for (const tray of trays) {
      const telling = tellingAsks(tray)
      expect(telling.length).toBeGreaterThan(0)
      for (const id of telling) expect(ids).toContain(id)
    }
  })
  it('is the same for the same seed, and many things go wrong', () => {
    expect(practiceTray(12, book)).toEqual(trays[12])
    expect(new Set(trays.map(({ cause }) => cause)).size).toBeGreaterThan(12)
  })
  it('its water, food and salts are the model’s: the thirsty are dry, the drowned wet, the hungry unfed', () => {
    for (const { cause, record } of trays) {
      if (cause === 'thirsty') expect(record.waterGone!).toBeGreaterThan(0.5)
      if (cause === 'drowned' || cause === 'rotting') expect(record.wetDays!).toBeGreaterThanOrEqual(4)
      if (cause === 'hungry') expect(record.daysPastFood!).toBeGreaterThan(0)
      if (cause === 'salts') expect(record.ecMsPerCm!).toBeGreaterThan(record.ecLimitMsPerCm * 0.9)
    }
  })
})
