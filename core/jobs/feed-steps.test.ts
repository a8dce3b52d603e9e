import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { planDose, strengthFromDose } from '../feed/dose'
import { dissolvesNitrogen } from '../feed/feed'
import { FEEDS } from '../feed/feeds'
import { TOOL_KINDS, type Tool } from '../feed/tool'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { feedSteps, strengthToExpect, wayToUse } from './feed-steps'
import type { Step } from './step'
import { inSentence } from '../text/plurals'
const order = (list: readonly Step[]) => list.map(({ id }) => id)

describe('the steps of a feed', () => {
  const vessel = { name: 'Blue jug', volumeL: 2 }
  const ask = (over: {
    feed?: (typeof FEEDS)[number]
    target?: number
    tools?: readonly Tool[]
    toolId?: string | null
    volumeL?: number
  }) => {
    const volumeL = over.volumeL ?? vessel.volumeL
    const feed = over.feed ?? FEEDS[0]!
    const plan = planDose({
      feed,
      growthStageId: 'growing-on',
      targetNMgPerL: over.target ?? 120,
      vessel: { ...vessel, volumeL },
      tools: over.tools ?? [],
    })
    const toolId = over.toolId ?? null
    return {
      plan,
      toolId,
      volumeL,
      feed,
      steps: feedSteps(plan, {
        feedName: feed.name,
        vesselName: vessel.name,
        vesselL: given('jug', volumeL, 'L', yours()),
        toolId,
      }),
    }
  }
  const tool = (kind: Tool['kind'], capacityMl: number | null): Tool => ({
    id: kind,
    name: kind,
    kind,
    capacityMl,
  })
  const kit = [
    tool('spoon', 5),
    tool('cap', 8),
    tool('syringe', 10),
    tool('kitchen scale', null),
    tool('pocket scale', null),
  ]

  it('carry the dose that gives the strength they promise, by scale, spoon, syringe or stock', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FEEDS.filter((feed) => dissolvesNitrogen(feed) && feed.nPercent >= 0.3)),
        fc.double({ min: 20, max: 250, noNaN: true }),
        fc.double({ min: 0.5, max: 60, noNaN: true }),
        fc.subarray(kit),
        (feed, target, volumeL, tools) => {
          const asked = ask({ feed, target, volumeL, tools })
          const promised = strengthToExpect(asked.plan, null)
          if (!promised) {
            expect(asked.steps).toEqual([])
            expect(asked.plan.noWay).not.toBeNull()
            return
          }
          const used = wayToUse(asked.plan, null)
          const density = asked.plan.massG.value / asked.plan.volumeMl.value
          const grams = used
            ? used.tool.capacityMl === null
              ? used.amount.value
              : used.amount.value * density
            : (asked.plan.stock!.dosing.amount.value / 1000) * asked.plan.stock!.concentrationGPerL.value
          const given_ = feed.form === 'powder' ? grams : grams / density
          expect(
            strengthFromDose(feed, given_, { name: 'jug', volumeL }).value / promised.nMgPerL.value,
          ).toBeCloseTo(1, 6)
          expect(order(asked.steps)).toEqual(
            used ? ['water', 'dose', 'give'] : ['stock', 'water', 'dose', 'give'],
          )
        },
      ),
      { numRuns: 80 },
    )
  })

  it('follow the tool that was chosen, unless it cannot measure the dose', () => {
    const spoon = kit[0]!
    expect(wayToUse(ask({ tools: kit, volumeL: 20, toolId: 'spoon' }).plan, 'spoon')!.tool).toBe(spoon)
    const tiny = ask({ tools: kit, volumeL: 0.5, target: 20 })
    expect(wayToUse(tiny.plan, 'spoon')?.tool).not.toBe(spoon)
  })

  it('keeps names as they are written where they must be', () => {
    expect(['Teaspoon', '1 L measure', 'EC pen', 'Öse'].map(inSentence)).toEqual([
      'teaspoon',
      '1 L measure',
      'EC pen',
      'öse',
    ])
    expect(TOOL_KINDS).toContain('jug')
  })
})
