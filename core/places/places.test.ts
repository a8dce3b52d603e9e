import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CROPS } from '../sowing/crops'
import { addDays, dayFrom } from '../calendar/day'
import { loadOf, overflows } from '../season/demand/demand'
import { ppfdAt } from './light'
import { stage } from '../season/schedule/schedules'
import { planSowing } from '../season/schedule/sowing'
import { ask, book, framed, frame, SHELF } from '../season/test/fixture'
import { PLACE_KINDS } from './place-kinds'
import { LAMP_KINDS } from './light-kinds'
import { lampOf, lightOfDay, lightVerdict, type PlaceLight } from './place-light'
import { mixWarmth, nightIn, placeOf, placesProblems, type Place } from './place'

const light = (kindId: string, count = 1, heightCm: number | null = null): PlaceLight => ({
  kindId,
  count,
  heightCm,
  measured: null,
})
const room = { ...placeOf('shelf', 'room'), dayC: 19, nightC: 15 }
const mat = placeOf('mat', 'mat')
const sill = { ...placeOf('windowsill', 'sill'), flats: 3 }
const cold = placeOf('frame', 'cold')
const home = (places: Place[]) => ({ ...frame, places })

describe('light that was chosen and not measured', () => {
  it('follows by hand: 100 W · 2.4 µmol/J · 0.9 over a disc', () => {
    const ppfd = (100 * 2.4 * 0.9) / (Math.PI * (0.3 ** 2 + 0.18 ** 2))
    expect(lightOfDay(light('led-panel-100', 1, 30), 16).value).toBeCloseTo(ppfd * 16 * 0.0036, 6)
  })

  it('falls with height as the same lamp does that was measured', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...LAMP_KINDS),
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 2, max: 150 }),
        ({ id }, count, heightCm) => {
          const one = light(id, count, heightCm)
          expect(lightOfDay(one, 10).value).toBeCloseTo(ppfdAt(lampOf(one)!, heightCm).value * 10 * 0.0036, 6)
        },
      ),
    )
  })

  it('of two tubes close over the tray does for seedlings, of a dark window does not', () => {
    expect(lightVerdict(lightOfDay(light('tube-4ft', 2), 16).value, 'seedling')).toBe('right')
    expect(lightVerdict(lightOfDay(light('window-shade'), 16).value, 'seedling')).toBe('too little')
  })

  it('is judged only where it is known', () => {
    const kinds = (lamp: PlaceLight | null) =>
      planSowing(ask('tomato'), framed({ light: lamp }), book).notices.map(({ kind }) => kind)
    expect(kinds(null)).toEqual([])
    expect(kinds(light('led-bulb'))).toEqual(['too little light'])
  })
})

describe('warmth of a place', () => {
  it('is that of its air, and of the heating as far as the seed wants it', () => {
    expect(mixWarmth(room, 25)).toBe(17)
    expect(mixWarmth({ ...room, heatC: 24 }, 28)).toBe(24)
    expect(mixWarmth({ ...room, heatC: 24 }, 21)).toBe(21)
    expect(mixWarmth({ ...room, heatC: 24 }, 12)).toBe(17)
    expect([nightIn(room, -5), nightIn(cold, -5), nightIn(placeOf('outside', 'o'), -5)]).toEqual([
      null,
      -2,
      -5,
    ])
  })

  it('puts seed that wants it on the mat until it is up, and then under the lamps', () => {
    const [first] = planSowing(ask('aubergine'), home([room, mat]), book).stages
    expect(first!.stays.map(({ placeId }) => placeId)).toEqual(['mat', 'room'])
    const lettuce = planSowing(ask('lettuce'), home([room, mat]), book)
    expect(lettuce.stages[0]!.stays.map(({ placeId }) => placeId)).toEqual(['room'])
    const days = (places: Place[]) => planSowing(ask('tomato'), home(places), book).emergence!.value
    expect(days([room])).toBeGreaterThan(days([room, mat]))
  })

  it('stays where somebody put it', () => {
    const sown = planSowing(ask('aubergine', { placeId: 'sill' }), home([room, mat, sill, cold]), book)
    expect(sown.stages.map(({ where }) => where.place.id)).toEqual(['sill', 'sill', 'cold'])
    const gone = planSowing(ask('aubergine', { placeId: 'sold' }), home([room, mat, cold]), book)
    expect(gone.stages.map(({ where }) => where.place.id)).toEqual(['room', 'room', 'cold'])
  })
})

describe('room', () => {
  const halves = [
    { ...stage('sow', 'tray-72', 'lean-and-light', 1), elsewhere: { placeId: 'sill', share: 0.25 } },
    stage('harden', null, null),
  ]

  it('is taken where the flats stand, and nothing stands twice or nowhere', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CROPS),
        fc.integer({ min: 1, max: 400 }),
        fc.boolean(),
        fc.integer({ min: 0, max: 300 }),
        (one, plants, split, at) => {
          const stages = split ? halves : null
          const planned = planSowing(
            { ...ask('basil'), crop: one, plants, stages },
            home([room, mat, sill, cold]),
            book,
          )
          const from = dayFrom('2026-11-01')
          const day = addDays(from, at)
          const load = loadOf([{ planned }], from, 301)
          const stands = [...load.places.values()].reduce((sum, flats) => sum + flats[at]!, 0)
          const now = planned.stages.find((each) => each.from <= day && day < each.until)
          const flats = now?.stays.filter((stay) => stay.from <= day && day < stay.until) ?? []
          expect(stands).toBeCloseTo(
            flats.reduce((sum, stay) => sum + stay.flats, 0),
            9,
          )
          if (now && now.flats > 0) expect(stands).toBeCloseTo(now.flats, 9)
        },
      ),
    )
  })

  it('overflows in the place that is too small, and in no other', () => {
    const planned = planSowing(ask('basil', { plants: 200 }), home([room, sill]), book)
    const load = loadOf([{ planned }], dayFrom('2027-01-01'), 200)
    expect(overflows(load, [{ ...room, flats: 1 }, sill]).map(({ place }) => place.id)).toEqual(['room'])
    expect(overflows(load, [{ ...room, flats: null }, sill])).toEqual([])
  })
})

it('every kind makes a place that may be kept, and nonsense is refused at its field', () => {
  expect(placesProblems(PLACE_KINDS.map(({ id }) => placeOf(id, id)))).toEqual([])
  const fields = (more: Partial<Place>, also: Place[] = []) =>
    placesProblems([{ ...SHELF, ...more }, ...also]).map(({ path }) => path.join('.'))
  expect(fields({ dayC: 5, nightC: 12 })).toEqual(['0.nightC'])
  expect(fields({ heatC: 90, flats: -1 })).toEqual(['0.flats', '0.heatC'])
  expect(fields({ light: light('sunlamp', 0) })).toEqual(['0.light.kindId', '0.light.count'])
  expect(fields({}, [{ ...SHELF, id: 'b', name: ' shelf' }])).toEqual(['1.name'])
})
