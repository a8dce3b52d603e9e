import { dayFrom } from '../../calendar/day'
import { CONTAINERS } from '../../containers/catalogue'
import { FEEDS } from '../../feed/feeds'
import { MATERIALS } from '../../media/materials'
import { STARTING_RECIPES } from '../../media/recipes'
import { CROPS } from '../../sowing/crops'
import type { UnitSystem } from '../../units/unit'
import { knownFrom, NOTHING_KNOWN, type Known, type Words } from '../reading'
import { vesselsOf } from '../vessel-measures'

/*
 * What the sentences of the tests are said about: an invented bench on 10 January 2027, or in spring where the log is read, with
 * a last frost on 8 May and a first on 12 October.
 */

const group = (
  code: string,
  name: string,
  cropId: string,
  sowingId: string,
  sown: number,
  standing: number,
) => ({
  ...{ code, name, cropId, sowingId, sown, standing, up: standing },
})

export const WORDS: Words = {
  ...NOTHING_KNOWN,
  today: dayFrom('2027-01-10'),
  frosts: { last: dayFrom('2027-05-08'), first: dayFrom('2027-10-12') },
  order: 'day first',
  units: 'metric',
  crops: [...CROPS, { ...CROPS[0]!, id: 'own-crop', name: 'Moon turnip', botanical: '', alsoCalled: [] }],
  packets: [
    { id: 'p1', name: 'Old Depot Yellow', cropId: 'tomato' },
    { id: 'p2', name: 'Lampwick', cropId: 'chard' },
    { id: 'p3', name: 'Tram Oil', cropId: 'okra' },
  ],
  vessels: vesselsOf(CONTAINERS),
  recipes: STARTING_RECIPES,
  places: [
    { id: 'sill', name: 'Windowsill' },
    { id: 'shelf', name: 'Shelf' },
    { id: 'shelf', name: 'lights', shown: 'Shelf' },
    { id: 'frame', name: 'Cold frame' },
    { id: null, name: 'Greenhouse' },
    { id: 'outside', name: 'Outside' },
  ],
  autumnCrops: CROPS.filter(({ autumn }) => autumn).map(({ id }) => id),
  materials: MATERIALS.map(({ id, name, kind, dryBulkDensityGPerL, packs }) => ({
    id,
    name,
    kind,
    dryBulkDensityGPerL,
    packs,
  })),
  feeds: FEEDS.map(({ id, name }) => ({ id, name })),
  tools: [
    { name: 'Watering can', volumeL: 9 },
    { name: 'Blue jug', volumeL: 2 },
    { name: 'Cap', volumeL: 0.006 },
  ],
}

export const STANDING: Pick<Words, 'today' | 'trays' | 'sowings' | 'batches'> = {
  today: dayFrom('2027-04-14'),
  trays: [
    {
      id: 't3',
      number: 3,
      groups: [group('A', 'Chard', 'chard', 's1', 24, 20), group('B', 'Okra', 'okra', 's2', 12, 8)],
    },
    { id: 't4', number: 4, groups: [group('A', 'Tomato', 'tomato', 's4', 36, 30)] },
    { id: 't5', number: 5, groups: [group('A', 'Pepper', 'pepper', 's5', 24, 12)] },
    { id: 't6', number: 6, groups: [group('A', 'Leek', 'leek', 's6', 72, 60)] },
    { id: 't9', number: 9, groups: [group('A', 'Cosmos', 'cosmos', 's3', 50, 0)] },
    { id: 't28', number: 28, groups: [group('A', 'Okra', 'okra', 's2', 20, 0)] },
  ],
  sowings: [
    { id: 's1', name: 'Chard', cropId: 'chard' },
    { id: 's2', name: 'Okra', cropId: 'okra' },
    { id: 's3', name: 'Cosmos', cropId: 'cosmos' },
    { id: 's4', name: 'Tomato', cropId: 'tomato' },
    { id: 's5', name: 'Pepper', cropId: 'pepper' },
    { id: 's6', name: 'Leek', cropId: 'leek' },
  ],
  batches: [{ id: 'b4', number: 4 }],
}

const made = new Map<string, Known>()
/** The bench as it is read in a kitchen, with what stands in spring or without. */
export function bench(units: UnitSystem = 'metric', standing = false): Known {
  const key = `${units} ${standing}`
  let known = made.get(key)
  if (!known)
    made.set(
      key,
      (known = knownFrom({
        ...WORDS,
        ...(standing ? STANDING : {}),
        units,
        order: units === 'us' ? 'month first' : 'day first',
      })),
    )
  return known
}
