import { usualMixes } from '#core/season/schedule/usual-mixes'
import type { UsualMixes } from '#core/season/schedule/schedules'
import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { BUILT_IN_CONTAINERS } from '#core/containers/catalogue'
import type { Container } from '#core/containers/container'
import { catalogueOf, type Catalogue } from '#core/catalogue'
import type { Feed } from '#core/feed/feed'
import { BUILT_IN_FEEDS, FEEDS } from '#core/feed/feeds'
import type { Tool } from '#core/feed/tool'
import type { MaterialLibrary } from '#core/media/material'
import { BUILT_IN } from '#core/media/materials'
import type { HomeTest } from '#core/media/home-test'
import type { Mix } from '#core/media/recipe'
import { BUILT_IN_RECIPES, type StartingRecipe } from '#core/media/recipes'
import type { WeatherDay } from '#core/calendar/weather'
import { seasonBook, type SeasonBook } from '#core/season/book'
import { BUILT_IN_CROPS } from '#core/sowing/crops'
import type { Crop } from '#core/sowing/crop'
import { englishOf, inEnglish, type English } from '#core/sowing/regional-names'
import { sizedFor } from '#core/units/trade-size'
import { inWordsOf } from '../messages/message'
import type { UnitSystem } from '#core/units/unit'
import { calibrationsFrom, type Calibrations, type Measurement } from '#core/learning/calibrations'
import { DEFAULT_ALLOWANCES } from '#core/media/batch-request'
import type { Bodies } from '../records/collections'
import type { Collection } from '../records/collection-names'
import { learnedAllowances, learnedCrops, learnedFeeds, learnedMaterials } from './calibrated-catalogues'
import { asContainer } from '../records/as-container'
import { asCrop } from '../records/as-crop'
import { asFeed } from '../records/as-feed'
import type { HouseholdRecord } from '../records/household'
import { asMaterial } from '../records/as-material'
import type { PacketRecord } from '../records/packet'
import type { SeasonFrame } from '../records/season-frame'
import type { StockRecord } from '../records/stock'
import { withOwnPacks } from './own-packs'
import { asTool } from '../records/as-tool'

export interface Kept<Body> {
  readonly id: string
  readonly body: Body
}

/** As much of what a household keeps as is at hand; what is missing counts as none. */
export type KeptLists = { readonly [C in Collection]?: readonly Kept<Bodies[C]>[] } & {
  readonly household?: {
    readonly body: Pick<HouseholdRecord, 'units' | 'season'> &
      Partial<Pick<HouseholdRecord, 'learning' | 'away' | 'formats'>>
  }
  /** Weather that came in, near the day it is. */
  readonly weather?: readonly WeatherDay[]
  /** What was measured in all years; the book alone where nothing is said. */
  readonly measurements?: readonly Measurement[]
}

/**
 * What everything is counted on: the catalogues, a household's own and corrected rows over the built-in ones, and
 * what it keeps on its shelf. Page, route, calendar and worker all ask here.
 */
export interface Context {
  readonly units: UnitSystem
  /** What the household's own measurements make of the defaults. */
  readonly calibrations: Calibrations
  /** Frosts, shelf and methods; null until they are set. */
  readonly frame: SeasonFrame | null
  readonly containers: Catalogue<Container>
  readonly materials: MaterialLibrary
  readonly feeds: Catalogue<Feed>
  readonly crops: Catalogue<Crop>
  readonly recipes: Catalogue<StartingRecipe>
  /** How its mixes were measured at home, of all recipes. */
  readonly homeTests: readonly HomeTest[]
  readonly tools: readonly Tool[]
  readonly packets: ReadonlyMap<string, PacketRecord>
  readonly stocks: readonly Kept<StockRecord>[]
  /** What a recipe, or a batch that was planned, is made of. */
  readonly mixOf: (id: string) => Mix | undefined
  /** The recipes it sows and pots up in. */
  readonly usualMixes: UsualMixes
  /** What each mix does in a season. */
  readonly book: SeasonBook
  /** The feed the season gives as a rule; the first of the catalogue where that is no longer here. */
  readonly feed: Feed
}

/** The last answer again while what it is made from is the same objects: after one change only what hangs on it is new. */
function memoized<From extends readonly unknown[], Made>(make: (...from: From) => Made) {
  let last: { from: From; made: Made } | undefined
  return (...from: From): Made => {
    if (!last || from.some((one, i) => one !== present(last).from[i])) last = { from, made: make(...from) }
    return last.made
  }
}

const NONE: readonly never[] = []
type List<C extends Collection> = readonly Kept<Bodies[C]>[] | undefined
const bodies = <Body, Row>(list: readonly Kept<Body>[] = [], as: (id: string, body: Body) => Row): Row[] =>
  list.map(({ id, body }) => as(id, body))

/** The same rows, those that are called otherwise in the household's units in place of what they were. */
function called<Row extends { readonly id: string }>(
  rows: Catalogue<Row>,
  anew: (row: Row) => Row,
): Catalogue<Row> {
  const changed = [...rows.values()].flatMap((row) => {
    const other = anew(row)
    return other === row ? [] : [other]
  })
  return changed.length ? catalogueOf(rows, changed) : rows
}
/** What was named by the trade is called by its size in the household's units; a name of its own stays. */
const containersOf = memoized((list: List<'containers'>, units: UnitSystem): Catalogue<Container> =>
  called(catalogueOf(BUILT_IN_CONTAINERS, bodies(list, asContainer)), (one) => {
    const name = sizedFor(units, one.name)
    return name === one.name || one.name !== BUILT_IN_CONTAINERS.get(one.id)?.name ? one : { ...one, name }
  }),
)
const knownMaterials = memoized((list: List<'materials'>, units: UnitSystem): MaterialLibrary =>
  called(catalogueOf(BUILT_IN, bodies(list, asMaterial)), (one) =>
    one.packs.every(({ name }) => sizedFor(units, name) === name)
      ? one
      : { ...one, packs: one.packs.map((pack) => ({ ...pack, name: sizedFor(units, pack.name) })) },
  ),
)
const calibrationsOf = memoized(
  (measurements: readonly Measurement[] | undefined, dropped: readonly string[] | undefined) =>
    calibrationsFrom(measurements ?? NONE, dropped ?? NONE),
)
const materialsOf = memoized(
  (list: List<'materials'>, stocks: List<'stocks'>, calibrations: Calibrations, units: UnitSystem) =>
    learnedMaterials(withOwnPacks(knownMaterials(list, units), stocks ?? NONE), calibrations),
)
const feedsOf = memoized((list: List<'feeds'>, calibrations: Calibrations, english: English) =>
  called(learnedFeeds(catalogueOf(BUILT_IN_FEEDS, bodies(list, asFeed)), calibrations), (one) => {
    const name = inWordsOf(english, one.name)
    return name === one.name || one.name !== BUILT_IN_FEEDS.get(one.id)?.name ? one : { ...one, name }
  }),
)
const cropsOf = memoized((list: List<'crops'>, calibrations: Calibrations, english: English) =>
  calledIn(english, learnedCrops(catalogueOf(BUILT_IN_CROPS, bodies(list, asCrop)), calibrations)),
)
const calledIn = (english: English, crops: Catalogue<Crop>): Catalogue<Crop> =>
  new Map(
    [...crops].map(([id, crop]) => [id, inEnglish(crop, english, BUILT_IN_CROPS.get(id)?.name)] as const),
  )
const recipesOf = memoized((list: List<'recipes'>) =>
  catalogueOf(
    BUILT_IN_RECIPES,
    bodies(list, (id, body) => ({ id, ...body })),
  ),
)
const testsOf = memoized((list: List<'recipes'>) => (list ?? []).flatMap(({ body }) => body.homeTests))
const toolsOf = memoized((list: List<'tools'>) => bodies(list, asTool))
const packetsOf = memoized((list: List<'packets'>) => new Map((list ?? []).map(({ id, body }) => [id, body])))
const batchMixes = memoized(
  (list: List<'batches'>): ReadonlyMap<string, Mix> =>
    new Map((list ?? []).map(({ id, body }) => [id, body])),
)
const mixOf = memoized(
  (recipes: Context['recipes'], batches: ReadonlyMap<string, Mix>) => (id: string) =>
    recipes.get(id) ?? batches.get(id),
)
const bookOf = memoized(
  (
    containers: Context['containers'],
    recipes: Context['recipes'],
    materials: MaterialLibrary,
    calibrations: Calibrations,
  ) =>
    seasonBook(
      (id) => containers.get(id),
      (id) => recipes.get(id),
      materials,
      learnedAllowances(DEFAULT_ALLOWANCES, calibrations),
    ),
)
const frameOf = memoized(
  (
    season: SeasonFrame | null | undefined,
    weather: readonly WeatherDay[] | undefined,
    away: HouseholdRecord['away'] | undefined,
  ): SeasonFrame | null =>
    season && (weather?.length || away?.length)
      ? { ...season, weather: weather ?? NONE, away: away ?? NONE }
      : (season ?? null),
)
const usualMixesOf = memoized(
  (
    seed: string | null | undefined,
    pot: string | null | undefined,
    recipes: Context['recipes'],
    stocks: Context['stocks'],
  ) =>
    usualMixes(
      { ...(seed ? { seed } : {}), ...(pot ? { pot } : {}) },
      recipes,
      new Set(stocks.filter(({ body }) => body.kind === 'material').map(({ body }) => body.goodsId)),
    ),
)
const contextFrom = memoized(
  (
    ...[
      units,
      calibrations,
      frame,
      containers,
      materials,
      feeds,
      crops,
      recipes,
      tests,
      tools,
      packets,
      stocks,
      mixes,
    ]: Parts
  ): Context => ({
    units,
    calibrations,
    frame,
    containers,
    materials,
    feeds,
    crops,
    recipes,
    homeTests: tests,
    tools,
    packets,
    stocks,
    mixOf: mixes,
    usualMixes: usualMixesOf(frame?.seedMixId, frame?.potMixId, recipes, stocks),
    book: bookOf(containers, recipes, materials, calibrations),
    feed: feeds.get(frame?.feedId ?? '') ?? first(FEEDS),
  }),
)
type Parts = [
  UnitSystem,
  Calibrations,
  SeasonFrame | null,
  Context['containers'],
  MaterialLibrary,
  Context['feeds'],
  Context['crops'],
  Context['recipes'],
  readonly HomeTest[],
  readonly Tool[],
  Context['packets'],
  Context['stocks'],
  Context['mixOf'],
]

/** The same object again for lists that are the same objects, so that what is planned with it can be cached. */
export function contextOf(kept: KeptLists): Context {
  const recipes = recipesOf(kept.recipes)
  const { units = 'metric' as const, formats, learning } = kept.household?.body ?? {}
  const calibrations = calibrationsOf(kept.measurements, learning?.dropped)
  return contextFrom(
    units,
    calibrations,
    frameOf(kept.household?.body.season, kept.weather, kept.household?.body.away),
    containersOf(kept.containers, units),
    materialsOf(kept.materials, kept.stocks, calibrations, units),
    feedsOf(kept.feeds, calibrations, englishOf(formats?.locale, units)),
    cropsOf(kept.crops, calibrations, englishOf(formats?.locale, units)),
    recipes,
    testsOf(kept.recipes),
    toolsOf(kept.tools),
    packetsOf(kept.packets),
    kept.stocks ?? NONE,
    mixOf(recipes, batchMixes(kept.batches)),
  )
}
