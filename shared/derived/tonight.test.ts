import { describe, expect, it } from '@jest/globals'
import { placeOf } from '#core/places/place'
import { dayFrom } from '#core/calendar/day'
import { BUILT_IN_CROPS } from '#core/sowing/crops'
import { sayingFor } from '../messages/saying'
import { sayTonight } from '../messages/tonight'
import { SEASON } from '../test/season'
import type { Bench } from './bench'
import { nextUp } from './next-up'
import { tonightOf } from './tonight'

const today = dayFrom('2027-04-12')
const frame = placeOf('frame', 'frame', 'Cold frame')
const row = (id: string, cropId: string, from = today) => ({
  id,
  name: id,
  crop: BUILT_IN_CROPS.get(cropId)!,
  planned: { stages: [{ index: 0, kind: 'sow', from, where: { place: frame } }] },
})
const job = (kind: string, name: string, state = 'due') => ({
  kind,
  names: [name],
  state,
  danger: { kind: 'nights too cold', nightC: -4, lowestC: 2 },
})
const bench = (nightC: number | null, jobs: object[] = []) =>
  ({
    today,
    jobs,
    season: { frame: { ...SEASON, nightC, nightSaidOn: today } },
    rows: [row('Kale', 'kale'), row('Later', 'kale', dayFrom('2027-04-20'))],
    done: new Map([['Kale', { 'stage-0': today }]]),
  }) as unknown as Bench

describe('tonight', () => {
  const say = sayingFor({ units: 'metric', day: String })
  it('is told where the night is cold and something stands in it, and else not', () => {
    expect(tonightOf(bench(null))).toBeNull()
    expect(tonightOf(bench(10))).toBeNull()
    expect(sayTonight(tonightOf(bench(9.9))!, say)).toBe(
      '10 °C: nothing to bring in; Kale is safe in Cold frame.',
    )
  })
  it('brings in what stands out, not what is only to go out, nor what is in already', () => {
    const jobs = [job('shelter', 'Lettuce'), job('stage', 'Okra'), job('shelter', 'Leek', 'done')]
    expect(tonightOf(bench(-4, jobs))?.bringIn).toEqual(['Lettuce'])
  })
})

it('what comes next is the first stage after today that is not done', () => {
  expect(nextUp(bench(null))).toMatchObject({ sowingId: 'Later', stage: 0, on: '2027-04-20' })
  expect(nextUp({ ...bench(null), today: dayFrom('2027-04-20') })).toBeNull()
})
