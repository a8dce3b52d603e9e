import { builtIn } from '../catalogue'
import type { Appetite } from '../media/food'
import { byDefault, handbook, practice } from '../working/source'
import type { Crop, CropFamily, Treatment } from './crop'
import type { EmergenceCurve } from './emergence'
import { namesOf } from './crop-names'
import type { SeedLife } from './odds'
import { HARDINESS, KEEPING_TABLE, seedLoreOf } from './seed-standards'

const CALENDARS = practice('seed lists and extension calendars agree within a week or two')
const HABIT = practice('growers’ habit')
const VEGETABLES: readonly CropFamily[] = ['fruiting', 'leafy', 'brassica', 'allium', 'root']
/** Where a row's figures come from: what is measured for the crop itself, or for the kin it is likened to. */
function sourcesOf(id: string, family: CropFamily, like: EmergenceCurve, factor: number): Crop['sources'] {
  const itself = like === id && factor === 1
  return {
    weeks: CALENDARS,
    outAfterFrostWeeks: CALENDARS,
    weeksBeforeFrost: CALENDARS,
    autumn: CALENDARS,
    depthMm: practice('two to three times the seed’s thickness'),
    light: practice('seed lists'),
    warmthC: itself ? handbook('Harrington & Minges 1954') : practice('seed lists'),
    emergence: itself
      ? handbook('Harrington & Minges 1954')
      : byDefault(`likened to ${like} (Harrington & Minges 1954), its pace by seed lists`),
    treatment: practice('seed lists'),
    seedsPerCell: HABIT,
    clump: HABIT,
    appetite: byDefault('by its kin'),
    buryStem: HABIT,
    lowestNightC: VEGETABLES.includes(family) ? HARDINESS : practice('what the plant shows by morning'),
    germination: byDefault('a fresh packet; write what yours says'),
    seedLife:
      seedLoreOf(id).keepsYears === null ? byDefault('by its family; no table names it') : KEEPING_TABLE,
    scheduleId: HABIT,
  }
}

type Row = [
  name: string,
  weeks: [number, number],
  outAfterFrostWeeks: number,
  depthMm: number,
  light: 'L' | 'D' | '-',
  warmthC: number,
  like: EmergenceCurve,
  factor: number,
  more?: {
    treatment?: Treatment
    seeds?: number
    clump?: boolean
    appetite?: Appetite
    bury?: boolean
    night?: number
    germination?: number
    life?: SeedLife
    autumn?: number
    schedule?: string
    id?: string
  },
]

const LIGHT = { L: 'wants light', D: 'wants dark', '-': 'either' } as const
const soak = (days: number): Treatment => ({ kind: 'soak', days })
const chill = (days: number): Treatment => ({ kind: 'chill', days })
const nick: Treatment = { kind: 'nick', days: 0 }

/** What crops of a family have in common unless a row says otherwise. */
const FAMILY: Readonly<
  Record<
    CropFamily,
    {
      appetite: Appetite
      night: number
      life: SeedLife
      schedule: string
      seeds: number
      bury: boolean
      outside: number
    }
  >
> = {
  fruiting: {
    appetite: 'heavy',
    night: 10,
    life: 'medium',
    schedule: 'cell-pot',
    seeds: 1,
    bury: false,
    outside: 10,
  },
  leafy: {
    appetite: 'medium',
    night: 0,
    life: 'medium',
    schedule: 'cell',
    seeds: 2,
    bury: false,
    outside: 5,
  },
  brassica: {
    appetite: 'heavy',
    night: -2,
    life: 'long',
    schedule: 'cell',
    seeds: 2,
    bury: true,
    outside: 9,
  },
  allium: {
    appetite: 'medium',
    night: -3,
    life: 'short',
    schedule: 'clump',
    seeds: 5,
    bury: false,
    outside: 12,
  },
  root: {
    appetite: 'medium',
    night: -1,
    life: 'medium',
    schedule: 'cell',
    seeds: 3,
    bury: false,
    outside: 8,
  },
  herb: { appetite: 'light', night: 4, life: 'medium', schedule: 'cell', seeds: 3, bury: false, outside: 4 },
  'cut flower': {
    appetite: 'light',
    night: 0,
    life: 'medium',
    schedule: 'plug-cell',
    seeds: 2,
    bury: false,
    outside: 8,
  },
  bedding: {
    appetite: 'light',
    night: 2,
    life: 'medium',
    schedule: 'plug-cell',
    seeds: 2,
    bury: false,
    outside: 4,
  },
}

// prettier-ignore
const ROWS: Readonly<Record<CropFamily, readonly Row[]>> = {
  fruiting: [
    ['Tomato', [6, 8], 2, 8, '-', 24, 'tomato', 1, { bury: true, schedule: 'cell-pot' }],
    ['Tomatillo', [6, 8], 2, 6, '-', 24, 'tomato', 1.1, { bury: true }],
    ['Physalis', [8, 10], 2, 4, 'L', 24, 'tomato', 1.6, { bury: true }],
    ['Pepper', [8, 10], 3, 8, '-', 27, 'pepper', 1, { night: 12 }],
    ['Hot pepper', [8, 12], 3, 8, '-', 28, 'pepper', 1.3, { night: 12 }],
    ['Aubergine', [8, 10], 3, 8, '-', 28, 'aubergine', 1, { night: 12 }],
    ['Cucumber', [3, 4], 2, 15, 'D', 27, 'cucumber', 1, { schedule: 'pot' }],
    ['Loofah', [4, 6], 3, 15, 'D', 28, 'cucumber', 1.8, { schedule: 'pot', treatment: { kind: 'soak', days: 1 } }],
    ['Courgette', [3, 4], 2, 20, 'D', 27, 'cucumber', 1.1, { schedule: 'pot' }],
    ['Pumpkin', [3, 4], 2, 25, 'D', 27, 'cucumber', 1.2, { schedule: 'pot' }],
    ['Melon', [4, 5], 3, 15, 'D', 28, 'melon', 1, { schedule: 'pot', night: 13 }],
    ['Okra', [4, 5], 3, 15, 'D', 30, 'okra', 1, { schedule: 'pot', treatment: soak(1), night: 13 }],
    ['Sweetcorn', [3, 4], 1, 25, 'D', 25, 'sweetcorn', 1, { schedule: 'pot', seeds: 1 }],
    ['Strawberry from seed', [12, 16], 0, 0, 'L', 20, 'celery', 2, { treatment: chill(35), night: 0, schedule: 'plug-cell', id: 'strawberry', seeds: 3, germination: 0.6 }],
    ['Runner bean', [3, 4], 2, 40, 'D', 22, 'bean', 1.1, { schedule: 'pot', appetite: 'medium' }],
    ['French bean', [2, 3], 1, 30, 'D', 24, 'bean', 1, { schedule: 'pot', appetite: 'medium', seeds: 1, night: 8 }],
    ['Climbing bean', [3, 4], 2, 30, 'D', 24, 'bean', 1, { schedule: 'pot', appetite: 'medium', seeds: 1, night: 8 }],
    ['Winter squash', [3, 4], 2, 25, 'D', 27, 'cucumber', 1.2, { schedule: 'pot' }],
    ['Watermelon', [3, 4], 3, 20, 'D', 30, 'watermelon', 1, { schedule: 'pot', night: 13 }],
    ['Pea', [3, 4], -5, 25, 'D', 18, 'pea', 1, { schedule: 'pot', appetite: 'light', seeds: 3, clump: true, night: -3 }],
    ['Broad bean', [3, 5], -6, 40, 'D', 15, 'pea', 1.2, { schedule: 'pot', appetite: 'light', seeds: 1, night: -5 }],
  ],
  leafy: [
    ['Lettuce', [4, 5], -3, 2, 'L', 18, 'lettuce', 1, { autumn: 7, night: -2 }],
    ['Chard', [4, 6], -2, 12, 'D', 22, 'beet', 1, { autumn: 9, night: -2 }],
    ['Spinach', [3, 5], -5, 12, 'D', 17, 'spinach', 1, { autumn: 8, night: -5, life: 'short' }],
    ['Rocket', [3, 4], -4, 5, '-', 18, 'cabbage', 0.8, { autumn: 6, seeds: 6, clump: true, night: -3 }],
    ['Endive', [4, 5], -2, 3, 'L', 20, 'lettuce', 1.3, { autumn: 9 }],
    ['Chicory', [4, 5], -2, 5, '-', 20, 'lettuce', 1.5, { autumn: 10 }],
    ['Lamb’s lettuce', [4, 5], -5, 8, 'D', 15, 'spinach', 1.4, { autumn: 8, night: -8, id: 'lambs-lettuce' }],
    ['Mizuna', [3, 4], -4, 5, '-', 20, 'cabbage', 0.8, { autumn: 6, night: -3 }],
    ['Celery', [10, 12], 1, 0, 'L', 19, 'celery', 1.6, { schedule: 'plug-cell', night: 7, seeds: 4 }],
    ['Celeriac', [10, 12], 1, 0, 'L', 19, 'celery', 1.7, { schedule: 'plug-cell', night: 5, seeds: 4 }],
    ['Artichoke', [8, 10], 0, 12, 'D', 22, 'tomato', 1.5, { schedule: 'cell-pot', appetite: 'heavy', seeds: 1, germination: 0.7 }],
    ['Cardoon', [6, 8], 0, 12, 'D', 22, 'tomato', 1.5, { schedule: 'cell-pot', seeds: 1, germination: 0.7 }],
    ['Asparagus', [10, 14], 1, 12, 'D', 25, 'asparagus', 1, { schedule: 'cell-pot', night: 0, seeds: 1, treatment: soak(1), germination: 0.7 }],
    ['Mustard greens', [3, 4], -4, 5, '-', 20, 'cabbage', 0.8, { autumn: 6, night: -4 }],
  ],
  brassica: [
    ['Cabbage', [5, 7], -4, 10, '-', 22, 'cabbage', 1, { autumn: 12 }],
    ['Broccoli', [5, 7], -3, 10, '-', 22, 'cabbage', 1, { autumn: 10 }],
    ['Cauliflower', [5, 7], -3, 10, '-', 22, 'cauliflower', 1, { autumn: 11 }],
    ['Kale', [5, 7], -4, 10, '-', 22, 'cabbage', 1, { autumn: 10, night: -6 }],
    ['Brussels sprouts', [5, 7], -3, 10, '-', 22, 'cabbage', 1, { autumn: 16, night: -5 }],
    ['Kohlrabi', [4, 6], -4, 10, '-', 22, 'cabbage', 1, { autumn: 8, appetite: 'medium' }],
    ['Pak choi', [4, 5], -2, 8, '-', 22, 'cabbage', 0.9, { autumn: 7, appetite: 'medium' }],
    ['Collards', [5, 7], -4, 10, '-', 22, 'cabbage', 1, { autumn: 10, night: -6 }],
    ['Chinese cabbage', [4, 5], 0, 8, '-', 22, 'cabbage', 0.9, { autumn: 9, appetite: 'medium' }],
  ],
  allium: [
    ['Onion', [8, 12], -4, 8, 'D', 20, 'onion', 1, { clump: true }],
    ['Leek', [8, 12], -3, 8, 'D', 20, 'onion', 1.3, { clump: true, seeds: 4 }],
    ['Spring onion', [6, 8], -4, 8, 'D', 20, 'onion', 1, { clump: true, seeds: 8, autumn: 9 }],
    ['Shallot from seed', [8, 10], -4, 8, 'D', 20, 'onion', 1, { id: 'shallot', clump: true, seeds: 3 }],
    ['Chives', [8, 10], -3, 5, 'D', 20, 'onion', 1.5, { clump: true, seeds: 12 }],
  ],
  root: [
    ['Beetroot', [4, 6], -3, 15, 'D', 22, 'beet', 1, { clump: true, seeds: 4, autumn: 9 }],
    ['Turnip', [3, 4], -4, 10, '-', 20, 'turnip', 1, { clump: true, seeds: 4, autumn: 8 }],
    ['Radish, in clumps', [2, 3], -4, 10, '-', 18, 'radish', 1, { id: 'radish', clump: true, seeds: 5, autumn: 5 }],
    ['Bulb fennel', [4, 5], 0, 10, 'D', 20, 'beet', 1.4, { seeds: 2, autumn: 11 }],
    ['Carrot', [3, 4], -3, 6, '-', 20, 'carrot', 1, { schedule: 'clump', clump: true, seeds: 5, autumn: 11 }],
    ['Parsnip', [3, 4], -4, 12, '-', 18, 'parsnip', 1, { schedule: 'paper', seeds: 3, life: 'short', night: -6 }],
  ],
  herb: [
    ['Sweet basil', [5, 6], 3, 3, '-', 24, 'tomato', 0.9, { night: 12, seeds: 4, id: 'basil', appetite: 'medium' }],
    ['Parsley', [8, 10], -2, 6, 'D', 22, 'parsley', 1, { treatment: soak(1), night: -3, life: 'short' }],
    ['Coriander', [3, 4], -1, 10, 'D', 18, 'spinach', 1.6, { seeds: 4, autumn: 7, night: -2 }],
    ['Dill', [3, 4], 0, 5, 'L', 20, 'parsley', 0.7, { seeds: 5 }],
    ['Thyme', [8, 10], 0, 0, 'L', 20, 'tomato', 1.4, { seeds: 6, schedule: 'plug-cell', night: -2 }],
    ['Sage', [8, 10], 0, 6, '-', 20, 'tomato', 1.6, { night: -2 }],
    ['Oregano', [8, 10], 0, 0, 'L', 20, 'tomato', 1.3, { seeds: 6, schedule: 'plug-cell' }],
    ['Summer savory', [6, 8], 1, 0, 'L', 20, 'tomato', 1.4, { schedule: 'plug-cell' }],
    ['Lemon balm', [8, 10], 0, 2, 'L', 20, 'tomato', 1.7, {}],
    ['Mint', [8, 10], 0, 0, 'L', 20, 'tomato', 1.5, { seeds: 4, schedule: 'plug-cell', night: -5 }],
    ['Rosemary', [10, 14], 1, 2, 'L', 20, 'parsley', 1.4, { seeds: 4, schedule: 'cell-pot', germination: 0.3, life: 'short', night: -2 }],
    ['Lavender', [10, 12], 0, 2, 'L', 20, 'parsley', 1.3, { seeds: 3, schedule: 'plug-cell', treatment: chill(28), germination: 0.5, night: -5 }],
    ['Borage', [3, 4], 0, 10, 'D', 20, 'cucumber', 1.3, { schedule: 'paper', seeds: 1, night: -1 }],
    ['Chervil', [4, 5], -3, 3, 'L', 16, 'parsley', 0.8, { autumn: 7, night: -4, life: 'short' }],
  ],
  'cut flower': [
    ['Snapdragon', [8, 10], -3, 0, 'L', 20, 'celery', 1.1, { night: -3, seeds: 3 }],
    ['Cosmos', [5, 6], 1, 4, '-', 22, 'tomato', 0.9, { schedule: 'cell', night: 5 }],
    ['Zinnia', [4, 5], 2, 6, 'D', 24, 'tomato', 0.8, { schedule: 'cell', night: 8 }],
    ['Delphinium', [10, 12], -2, 3, 'D', 16, 'parsley', 1.1, { treatment: chill(14), night: -5, germination: 0.6, life: 'short' }],
    ['Foxglove', [10, 12], -2, 0, 'L', 18, 'celery', 1.5, { night: -6, seeds: 4 }],
    ['Stock', [8, 10], -3, 3, '-', 18, 'cabbage', 1.2, { night: -2 }],
    ['Sweet pea', [6, 10], -4, 15, 'D', 15, 'onion', 1.8, { treatment: nick, schedule: 'pot', seeds: 2, night: -4 }],
    ['Strawflower', [6, 8], 1, 0, 'L', 22, 'tomato', 1, {}],
    ['Statice', [8, 10], 0, 3, '-', 20, 'tomato', 1.4, {}],
    ['Sunflower', [3, 4], 1, 15, 'D', 22, 'cucumber', 1.3, { schedule: 'pot', seeds: 1 }],
    ['Ammi', [6, 8], -2, 3, '-', 17, 'parsley', 0.9, { treatment: chill(10), night: -4 }],
    ['Larkspur', [6, 8], -4, 5, 'D', 14, 'parsley', 1, { treatment: chill(14), night: -6 }],
    ['Dahlia', [6, 8], 2, 8, '-', 21, 'tomato', 1, { schedule: 'cell-pot', night: 6, seeds: 1 }],
    ['Lisianthus', [12, 14], -2, 0, 'L', 22, 'celery', 2, { night: -2, seeds: 1 }],
    ['Rudbeckia', [8, 10], 0, 2, 'L', 21, 'tomato', 1.1, { night: -2 }],
    ['Echinacea', [8, 10], 0, 3, 'D', 21, 'tomato', 1.6, { treatment: chill(21), night: -6 }],
    ['Columbine', [10, 12], -2, 0, 'L', 20, 'parsley', 1.7, { treatment: chill(21), night: -8, seeds: 4 }],
    ['Scabiosa', [6, 8], 0, 5, '-', 20, 'tomato', 1.3, { schedule: 'cell', night: -2 }],
    ['Nigella', [5, 6], -3, 3, 'D', 18, 'parsley', 0.9, { schedule: 'paper', seeds: 4, night: -4 }],
    ['Cornflower', [4, 6], -4, 8, 'D', 18, 'lettuce', 2.2, { schedule: 'cell', night: -6 }],
    ['Celosia', [6, 8], 2, 2, 'L', 25, 'tomato', 1.1, { schedule: 'cell', night: 8 }],
    ['Amaranth', [5, 6], 2, 2, 'L', 24, 'tomato', 0.8, { schedule: 'cell', night: 8 }],
    ['Aster', [6, 8], 1, 3, '-', 20, 'tomato', 1.1, { schedule: 'cell', night: 1, life: 'short' }],
    ['Hollyhock', [8, 10], -2, 5, 'L', 20, 'tomato', 1.4, { schedule: 'pot', seeds: 1, night: -6 }],
  ],
  bedding: [
    ['Petunia', [10, 12], 1, 0, 'L', 23, 'celery', 1.3, { seeds: 3 }],
    ['Lobelia', [10, 12], 1, 0, 'L', 21, 'celery', 1.9, { seeds: 8, clump: true }],
    ['Marigold', [6, 8], 1, 5, '-', 22, 'tomato', 0.8, { schedule: 'cell', seeds: 1 }],
    ['Pansy', [10, 12], -3, 3, 'D', 18, 'parsley', 0.9, { night: -5, autumn: 6 }],
    ['Viola', [10, 12], -3, 3, 'D', 18, 'parsley', 0.9, { night: -5, autumn: 6 }],
    ['Geranium', [12, 14], 2, 4, '-', 23, 'tomato', 1.1, { schedule: 'cell-pot', seeds: 1, night: 6 }],
    ['Alyssum', [6, 8], -1, 0, 'L', 20, 'cabbage', 0.9, { seeds: 6, clump: true, night: -2 }],
    ['Calendula', [4, 6], -3, 10, 'D', 20, 'tomato', 1.1, { schedule: 'cell', seeds: 1, night: -3 }],
    ['Nicotiana', [8, 10], 1, 0, 'L', 22, 'celery', 1.5, { seeds: 3 }],
    ['Verbena', [8, 10], 1, 3, 'D', 21, 'parsley', 1.1, { germination: 0.6 }],
    ['Salvia', [8, 10], 1, 2, 'L', 23, 'tomato', 1.4, { seeds: 1 }],
    ['Impatiens', [8, 10], 2, 0, 'L', 23, 'celery', 1.8, { night: 8 }],
    ['Begonia', [12, 16], 2, 0, 'L', 23, 'celery', 2.2, { night: 8, seeds: 4 }],
    ['Poppy, in cells', [4, 6], -4, 0, 'L', 16, 'lettuce', 2.5, { id: 'poppy', seeds: 4, night: -4, schedule: 'paper' }],
    ['Nasturtium', [3, 4], 1, 20, 'D', 19, 'cucumber', 1.6, { schedule: 'pot', seeds: 1 }],
  ],
}

/** A name as an id: `Sweet pea` → `sweet-pea`. */
const idOf = (name: string) =>
  name
    .toLowerCase()
    .replace(/[^a-z]+/g, '-')
    .replace(/^-|-$/g, '')

/** Crops of home seed starting, their figures recalled from the open literature; each can be corrected. */
export const CROPS: readonly Crop[] = (Object.keys(ROWS) as CropFamily[]).flatMap((family) =>
  ROWS[family].map(
    ([name, weeks, outAfterFrostWeeks, depthMm, light, warmthC, like, factor, more = {}]): Crop => {
      const common = FAMILY[family]
      const id = more.id ?? idOf(name)
      return {
        id,
        name,
        ...namesOf(id),
        ...seedLoreOf(id),
        family,
        weeks,
        outAfterFrostWeeks,
        depthMm,
        light: LIGHT[light],
        warmthC,
        emergence: { like, factor },
        treatment: more.treatment ?? null,
        seedsPerCell: more.seeds ?? common.seeds,
        clump: more.clump ?? false,
        appetite: more.appetite ?? common.appetite,
        buryStem: more.bury ?? common.bury,
        lowestNightC: more.night ?? common.night,
        germination: more.germination ?? 0.8,
        seedLife: more.life ?? common.life,
        autumn: more.autumn !== undefined,
        // What stands frosts down to −4 °C is not ended by the first one.
        weeksBeforeFrost: more.autumn ?? ((more.night ?? common.night) <= -4 ? null : common.outside),
        scheduleId: more.schedule ?? common.schedule,
        sources: sourcesOf(id, family, like, factor),
      }
    },
  ),
)

export const BUILT_IN_CROPS = builtIn(CROPS)
