import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { knownFrom } from '#core/language/reading'
import { READ } from '#core/language/test/wish-sentences'
import { WISHES } from '#core/language/test/wishes'
import { planSowing } from '#core/season/schedule/sowing'
import { dayFrom } from '#core/calendar/day'
import { done, emptyKept, uuid } from '../test/kept'
import { benchOf } from './bench'
import { heardWish } from './heard-wish'
import { wordsOf } from './known'
import { hasSeason } from './season'
import { asSowingRequest } from './sowing-request'
import { wishStops } from './wish-stops'

const TODAY = dayFrom('2027-01-10')
const kept = emptyKept()
const known = (() => {
  const { context } = benchOf(kept, TODAY, '09:00')
  if (!hasSeason(context)) throw new Error('The household of the tests has a season.')
  return context
})()
const words = knownFrom(wordsOf(known, TODAY, 'day first', 'metric'))
const planned = (text: string) => {
  const { meaning, sowings } = heardWish(text, words, known)
  return meaning.map((wish, i) => {
    const all = sowings[i] ?? []
    return {
      wish,
      sowings: all,
      planned: all.map((body) =>
        planSowing(asSowingRequest(body, known, { notBefore: TODAY })!, known.frame, known.book),
      ),
    }
  })
}

describe('what is said is what is planned', () => {
  const sentences = [...READ, ...WISHES]
    .map(([text]) => text)
    .filter((text) => {
      const { meaning, questions } = heardWish(text, words, known)
      return questions.length === 0 && meaning.every(({ sown, amount }) => !sown && (amount?.n ?? 0) < 1000)
    })
  it('seeds, cells, trays, plants and days under a sentence are those of the plan it makes', () => {
    fc.assert(
      fc.property(fc.constantFrom(...sentences), (text) => {
        const preview = planned(text)
        const bodies = preview.flatMap(({ sowings }) => sowings)
        const plan = done(kept, {
          name: 'plan',
          sowings: bodies.map((body, i) => ({ id: uuid(100 + i), body })),
        })
        const bench = benchOf(plan, TODAY, '09:00')
        const told = preview.flatMap((one) => one.planned)
        expect([text, bench.unplanned]).toEqual([text, []])
        told.forEach((one, i) => {
          const row = bench.row(uuid(100 + i))!.planned
          const figures = ({ seeds, cells, sowOn, outOn, stages }: typeof one) => ({
            ...{ seeds, cells, sowOn, outOn },
            stages: stages.map(({ kind, container, cells: inUse, plants, from }) => [
              kind,
              container.id,
              inUse,
              plants,
              from,
            ]),
          })
          expect([text, figures(row)]).toEqual([text, figures(one)])
        })
      }),
      { numRuns: 60 },
    )
  })
  it('a way that was said is the way that is planned', () => {
    const kinds = (text: string) =>
      planned(text)[0]!.planned[0]!.stages.map(({ kind, container }) =>
        kind === 'harden' ? kind : `${kind} ${container.id}`,
      )
    expect(kinds('24 tomatoes, no potting up')).not.toContainEqual(expect.stringContaining('pot up'))
    expect(kinds('24 kale in 128s, then potted up into 9 cm pots')).toEqual([
      'sow tray-128',
      'pot up pot-9cm-square',
      'harden',
    ])
    expect(kinds('100 celery scattered over half a seed tray, then pricked out into 72s')).toEqual([
      'broadcast seed-tray',
      'prick out tray-72',
      'harden',
    ])
    const [{ sowings }] = planned('12 aubergines, 10 mm deep, for the market') as [
      ReturnType<typeof planned>[number],
    ]
    const kindsOf = (text: string) => planned(text)[0]!.sowings.map(({ cells, plants }) => cells ?? plants)
    expect(kindsOf('50 cells, 12 kinds of pepper').sort()).toEqual([...Array(10).fill(4), 5, 5])
    expect(kindsOf('14 chard of 4 kinds')).toEqual([4, 4, 3, 3])
    const { name, note, depthMm } = sowings[0]!
    expect([name, note, depthMm]).toEqual(['Aubergine', 'for the market', 10])
    expect(planned('12 eggplants by 1 June')[0]!.sowings[0]!.name).toBe('Eggplant')
  })
})

describe('what is told before it is planned', () => {
  const stops = (text: string, today = TODAY) =>
    wishStops(
      planned(text).map(({ wish, sowings, planned: [one] }) => ({ wish, sowings, planned: one! })),
      known.frame.places,
      today,
      (day) => day,
    )
  it.each([
    ['12 tomatoes, out 10 May', /before the frost is over/],
    ['900 snapdragons by 1 June', /seeds/],
    ['60 trays of marigolds by 1 June', /places hold/],
    ['12 tomatoes sown today, 9 up', /on the day it was sown/],
  ])('%s', (text, told) => {
    expect(stops(text).join(' ')).toMatch(told)
  })
  it('a sowing that would have to be in the past, on both sides of its day', () => {
    const due = planned('12 kale by 20 April')[0]!.planned[0]!.stages[0]!.dueOn
    expect(stops('12 kale by 20 April', due)).toEqual([])
    expect(stops('12 kale by 20 April', dayFrom('2027-04-19')).join()).toMatch(/which is past/)
  })
  it('what is usual is not', () => {
    for (const text of ['24 kale by 1 May', '12 tomatoes by 12 June', '2 trays of onions by 1 May'])
      expect([text, stops(text)]).toEqual([text, []])
  })
})
