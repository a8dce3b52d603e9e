import { describe, expect, it } from '@jest/globals'
import { dayFrom } from '../calendar/day'
import { hardeningPlan } from '../season/schedule/hardening'
import { dailyLight, heightFor, ppfdAt } from './light'

describe('light and hardening', () => {
  const lamp = { ppfd: 200, atCm: 30, radiusCm: 30 }

  it('adds light up over the day: 200 µmol for 16 h is 11.52 mol', () => {
    expect(dailyLight(ppfdAt(lamp, 30), 16).value).toBeCloseTo(11.52, 10)
  })

  it('falls off as a panel does, not as a point: 40 % at twice 30 cm, against 25 %', () => {
    expect(ppfdAt(lamp, 60).value / 200).toBeCloseTo(0.4, 10)
    expect(ppfdAt({ ...lamp, radiusCm: 0 }, 60).value / 200).toBeCloseTo(0.25, 10)
  })

  it('hangs the lamp where it gives what is wanted, or says it cannot', () => {
    const height = heightFor(lamp, 16, 10)!.value
    expect(dailyLight(ppfdAt(lamp, height), 16).value).toBeCloseTo(10, 9)
    expect(heightFor({ ...lamp, ppfd: 20 }, 16, 14)).toBeNull()
  })

  it('hardens a little longer each day, to nights outside', () => {
    for (const days of [1, 7, 10, 14]) {
      const hours = hardeningPlan(dayFrom('2027-05-01'), days).map((day) => day.hours)
      expect(hours).toHaveLength(days)
      expect(hours).toEqual([...hours].sort((a, b) => a - b))
      expect(hours.at(-1)).toBe(24)
    }
  })
})
