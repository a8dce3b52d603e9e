import { handbook, standard, type Source } from '../working/source'

/** A seed and what is published of it. */
export interface SeedLore {
  /** What seed on sale must come up by at the least, a fraction; null where no law says. */
  readonly standardGermination: number | null
  /** Years it keeps under good conditions; null where no table says. */
  readonly keepsYears: number | null
  /** Seedlings that one seed gives when it comes up: a cluster of beet or chard is several seeds in one. */
  readonly seedlings: number
  /** A cell of it stays together and is counted as one plant. */
  readonly countsClumps: boolean
}

export const GERMINATION_LAW: Source = standard(
  'US Federal Seed Act regulations, 7 CFR 201.31, germination standards for vegetable seed; from memory',
)
export const KEEPING_TABLE: Source = handbook(
  'Knott’s Handbook for Vegetable Growers, relative life expectancy of vegetable seeds',
)
export const CLUSTERS: Source = handbook('seed-testing handbooks: one to three seedlings of a beet cluster')
export const HARDINESS: Source = handbook('Knott’s Handbook for Vegetable Growers, hardiness of vegetables')

/** By crop: per cent by the law, years it keeps. */
// prettier-ignore
const TABLE: Readonly<Record<string, readonly [germination: number | null, years: number | null]>> = {
  tomato: [75, 4],
  tomatillo: [50, null],
  physalis: [50, null],
  pepper: [55, 2],
  'hot-pepper': [55, 2],
  aubergine: [60, 4],
  cucumber: [80, 5],
  courgette: [75, 4],
  pumpkin: [75, 4],
  'winter-squash': [75, 4],
  melon: [75, 5],
  watermelon: [70, 4],
  okra: [50, 2],
  sweetcorn: [75, 2],
  'runner-bean': [75, 3],
  'french-bean': [70, 3],
  'climbing-bean': [70, 3],
  pea: [80, 3],
  'broad-bean': [75, null],
  lettuce: [80, 6],
  chard: [65, 4],
  spinach: [60, 3],
  endive: [70, 5],
  chicory: [65, 4],
  'lambs-lettuce': [70, null],
  'mustard-greens': [75, 4],
  celery: [55, 3],
  celeriac: [55, 3],
  artichoke: [60, null],
  cardoon: [60, null],
  asparagus: [70, 3],
  cabbage: [75, 4],
  broccoli: [75, 3],
  cauliflower: [75, 4],
  kale: [75, 4],
  'brussels-sprouts': [70, 4],
  kohlrabi: [75, 3],
  'pak-choi': [75, null],
  collards: [80, 5],
  'chinese-cabbage': [75, 3],
  onion: [70, 1],
  leek: [60, 2],
  'spring-onion': [70, null],
  chives: [50, null],
  beetroot: [65, 4],
  turnip: [80, 4],
  radish: [75, 5],
  'bulb-fennel': [null, 4],
  carrot: [55, 3],
  parsnip: [60, 1],
  parsley: [60, 1],
}

/** Seedlings of a cluster: one to three, two as a rule. */
const CLUSTER_SEEDLINGS: Readonly<Record<string, number>> = { chard: 2, beetroot: 2 }
/** Grown and planted as one tuft, however many seeds are in it [common practice]. */
const ONE_TUFT: ReadonlySet<string> = new Set(['chives', 'rocket', 'alyssum', 'lobelia'])

/** What is published of a crop's seed; nothing is made up for one that stands in no table. */
export function seedLoreOf(cropId: string): SeedLore {
  const [percent, keepsYears] = TABLE[cropId] ?? [null, null]
  return {
    standardGermination: percent === null ? null : percent / 100,
    keepsYears,
    seedlings: CLUSTER_SEEDLINGS[cropId] ?? 1,
    countsClumps: ONE_TUFT.has(cropId),
  }
}

/** Of seed nobody wrote about. */
export const NO_LORE: SeedLore = {
  standardGermination: null,
  keepsYears: null,
  seedlings: 1,
  countsClumps: false,
}
