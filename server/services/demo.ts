import { and, eq, sql } from 'drizzle-orm'
import { addDays, dayFrom, type Day } from '#core/calendar/day'
import { COVER_IS_THE_MIX, DEFAULT_ALLOWANCES, plainBatch } from '#core/media/batch-request'
import { MATERIAL_FIGURES, type MaterialFigures } from '#core/media/material'
import { materialById } from '#core/media/materials'
import { CROPS } from '#core/sowing/crops'
import { cropRecordOf } from '#shared/records/crop'
import type { Bodies, Collection } from '#shared/records/collections'
import type { StockRecord } from '#shared/records/stock'
import { feed } from '#shared/records/feed'
import { asHousekeeping, type Transaction } from '../db/door'
import type { Principal } from '../principal'
import { once, type Act } from './idempotency'
import { households } from '../db/schema'
import { demoFrame, demoSeason } from './demo-season'
import { demoLog, drawDemoPhotos } from './demo-log'
import { demoTrays } from './demo-trays'
import { invalid } from './refusal'
import { readEverything } from './read-records'
import { noteKept } from './transaction-changes'
import { writeNew } from './write-records'

/** The demo lives on a day of its own, so that its frosts and crops make sense whenever it is opened. */
export const DEMO_DAY = dayFrom('2027-04-12')
const demoClock = () => ({ day: DEMO_DAY, since: new Date().toISOString(), speed: 1 })

const SEED_LOCK = 7_236_002

const demoId = (n: number) => `0b1a5700-de30-4000-8000-${String(n).padStart(12, '0')}`
const HOUSEHOLD_ID = demoId(1)
const OWN_TRAY = demoId(21)
const OWN_FEED = demoId(31)
const FIRST_BATCH = demoId(51)
const POTTING_ON_BATCH = demoId(53)

const yoghurtPot = { name: 'Yoghurt pot', volumeL: 0.5 }
const greyBucket = { name: 'Grey bucket', volumeL: 10 }

const SOWING_PARTS = [
  { materialId: 'coir', parts: 3 },
  { materialId: 'castings', parts: 1 },
  { materialId: 'perlite', parts: 1 },
]
const POTTING_PARTS = [
  { materialId: 'coir', parts: 3 },
  { materialId: 'compost', parts: 2 },
  { materialId: 'castings', parts: 0.5 },
  { materialId: 'perlite', parts: 1.5 },
]

/** A built-in material's figures, some of them corrected. */
function figuresOf(materialId: string, corrected: Partial<MaterialFigures>): MaterialFigures {
  const material = materialById(materialId)
  return {
    ...(Object.fromEntries(
      MATERIAL_FIGURES.map((key) => [key, material[key]]),
    ) as unknown as MaterialFigures),
    ...corrected,
  }
}

const pack = (
  n: number,
  name: string,
  goodsId: string,
  size: StockRecord['size'],
  price: number,
  packs: number,
): [string, StockRecord] => [demoId(n), { name, kind: 'material', goodsId, size, price, packs }]

const BASIL = cropRecordOf(CROPS.find(({ id }) => id === 'basil')!)

/** The simulated bench: each says so wherever it is shown. */
const DEMO_DEVICES: readonly [number, string, Bodies['devices']['kind'], string | null][] = [
  [820, 'Kitchen scale', 'kitchen scale', null],
  [821, 'Pocket scale', 'pocket scale', null],
  [822, 'Probe on the lamp racks', 'air probe', 'racks'],
  [823, 'Probe on the windowsill', 'air probe', 'sill'],
  [824, 'Probe outside', 'air probe', 'outside'],
  [825, 'Mat thermometer', 'mix probe', 'mat'],
  [826, 'EC and pH pen', 'pen', null],
  [827, 'Light meter', 'light meter', 'racks'],
  [828, 'Label printer', 'label printer', null],
  [829, 'Forecast', 'forecast', null],
]

/** The Lamp Room of docs/demo.md: invented, and the only invented data in the product. */
const demo = (today: Day): { [C in Collection]?: [id: string, body: Bodies[C]][] } => ({
  crops: [
    [
      demoId(101),
      // Slower than the book says: the lamp room is dim.
      { ...BASIL, figures: { ...BASIL.figures, weeks: [6, 7] } },
    ],
  ],
  ...demoSeason(today, {
    id: demoId,
    sowingMix: demoId(11),
    pottingMix: demoId(12),
    ownTray: OWN_TRAY,
    firstBatch: FIRST_BATCH,
  }),
  recipes: [
    [
      demoId(11),
      {
        name: 'Lamp-room sowing mix',
        reasoning: 'What the swap has sown into for three springs.',
        parts: SOWING_PARTS,
        extras: [],
        preparations: [],
        worksIn: [{ containerId: 'tray-72', on: dayFrom('2026-06-02') }],
        homeTests: [],
      },
    ],
    [
      demoId(12),
      {
        name: 'Potting-on mix',
        reasoning: 'Compost carries them for a month after potting up.',
        parts: POTTING_PARTS,
        extras: [{ materialId: 'rock-dust', gPerL: 5 }],
        preparations: [],
        worksIn: [],
        homeTests: [],
      },
    ],
  ],
  materials: [
    [
      demoId(71),
      {
        name: 'Depot leaf mould',
        basedOn: 'leaf-mould',
        figures: figuresOf('leaf-mould', { ph: 6.4, dryBulkDensityGPerL: 230 }),
        packL: 20,
        sustainability: 'From the two limes over the tram tracks.',
      },
    ],
  ],
  containers: [
    [
      OWN_TRAY,
      {
        name: 'Depot 40-cell tray',
        basedOn: null,
        kind: 'tray',
        cells: 40,
        measuredVolumeMl: 84,
        shape: {
          form: 'rectangular',
          topLengthMm: 50,
          topWidthMm: 50,
          baseLengthMm: 34,
          baseWidthMm: 34,
          depthMm: 55,
        },
      },
    ],
    [
      demoId(22),
      {
        name: 'Bread-tin trough',
        basedOn: null,
        kind: 'open tray',
        cells: 1,
        measuredVolumeMl: null,
        shape: {
          form: 'rectangular',
          topLengthMm: 300,
          topWidthMm: 110,
          baseLengthMm: 280,
          baseWidthMm: 90,
          depthMm: 80,
        },
      },
    ],
  ],
  feeds: [
    [
      OWN_FEED,
      feed.parse({
        name: 'Cellar tomato feed',
        form: 'liquid',
        nPercent: 4,
        p2o5Percent: 2,
        k2oPercent: 6,
        densityGPerMl: 1.12,
        labelRatePerL: 5,
        organic: false,
      }),
    ],
    [
      demoId(32),
      feed.parse({
        name: 'Winter powder',
        form: 'powder',
        nPercent: 15,
        p2o5Percent: 5,
        k2oPercent: 25,
        densityGPerMl: null,
        labelRatePerL: 0.8,
        organic: false,
      }),
    ],
  ],
  tools: [
    [demoId(41), { name: 'Teaspoon', kind: 'spoon', capacityMl: 5 }],
    [demoId(42), { name: 'Tablespoon', kind: 'spoon', capacityMl: 15 }],
    [demoId(43), { name: 'White bottle cap', kind: 'cap', capacityMl: 8 }],
    [demoId(44), { name: '10 mL syringe', kind: 'syringe', capacityMl: 10 }],
    [demoId(45), { name: 'Kitchen scale', kind: 'kitchen scale', capacityMl: null }],
    [demoId(46), { name: yoghurtPot.name, kind: 'scoop', capacityMl: yoghurtPot.volumeL * 1000 }],
    [demoId(47), { name: greyBucket.name, kind: 'scoop', capacityMl: greyBucket.volumeL * 1000 }],
    [demoId(48), { name: 'Blue jug', kind: 'jug', capacityMl: 2000 }],
    [demoId(49), { name: 'Long-spout can', kind: 'jug', capacityMl: 9000 }],
  ],
  batches: [
    [
      FIRST_BATCH,
      {
        name: 'Basil and tomatillo, first sowing',
        recipeId: demoId(11),
        parts: SOWING_PARTS,
        fills: [
          { containerId: 'tray-72', count: 2, coverMm: 5, coverMaterialId: 'vermiculite' },
          { containerId: 'pot-2.5in', count: 12, coverMm: 0, coverMaterialId: COVER_IS_THE_MIX },
        ],
        allowances: DEFAULT_ALLOWANCES,
        scoop: yoghurtPot,
        ...plainBatch(),
        lowerRecipeId: null,
        onDate: null,
        sowings: [],
      },
    ],
    [
      demoId(52),
      {
        name: 'Chard and fennel in plugs',
        recipeId: demoId(11),
        parts: SOWING_PARTS,
        fills: [
          { containerId: 'tray-128', count: 3, coverMm: 4, coverMaterialId: COVER_IS_THE_MIX },
          { containerId: OWN_TRAY, count: 1, coverMm: 5, coverMaterialId: COVER_IS_THE_MIX },
        ],
        allowances: DEFAULT_ALLOWANCES,
        scoop: yoghurtPot,
        ...plainBatch(),
        lowerRecipeId: null,
        onDate: null,
        sowings: [],
      },
    ],
    [
      POTTING_ON_BATCH,
      {
        name: 'Potting on the tomatillos',
        recipeId: demoId(12),
        parts: POTTING_PARTS,
        fills: [{ containerId: 'pot-10cm', count: 60, coverMm: 0, coverMaterialId: COVER_IS_THE_MIX }],
        allowances: DEFAULT_ALLOWANCES,
        scoop: greyBucket,
        ...plainBatch(),
        lowerRecipeId: null,
        onDate: null,
        sowings: [],
        packIds: { coir: 'dry-5000' },
        extras: [{ materialId: 'rock-dust', gPerL: 5 }],
        tubL: 40,
      },
    ],
  ],
  devices: DEMO_DEVICES.map(([n, name, kind, placeId]) => [
    demoId(n),
    { name, kind, placeId, trayId: null, simulated: true, fault: null, calibratedAt: null },
  ]),
  programmes: [
    [
      demoId(65),
      {
        name: 'Tomatillos to planting out',
        feedId: OWN_FEED,
        appetite: 'heavy',
        method: 'weak and often',
        plants: 60,
        batchId: FIRST_BATCH,
        startOn: addDays(today, -19),
        stages: [
          {
            growthStageId: 'seed-leaves',
            days: 8,
            containerId: 'tray-72',
            recipeId: null,
            nMgPerL: 25,
            everyDays: 3,
          },
          {
            growthStageId: 'true-leaves',
            days: 14,
            containerId: 'tray-72',
            recipeId: null,
            nMgPerL: 50,
            everyDays: 3,
          },
          {
            growthStageId: 'potted-up',
            days: 21,
            containerId: 'pot-10cm',
            recipeId: demoId(12),
            nMgPerL: 100,
            everyDays: 4,
          },
          {
            growthStageId: 'hardening',
            days: 10,
            containerId: 'pot-10cm',
            recipeId: demoId(12),
            nMgPerL: 50,
            everyDays: 5,
          },
        ],
      },
    ],
  ],
  stocks: [
    pack(81, '650 g coir brick', 'coir', { measure: 'mass', amount: 650 }, 3.2, 4),
    pack(82, '5 kg coir block', 'coir', { measure: 'mass', amount: 5000 }, 14.5, 0),
    pack(83, '10 L bag of perlite', 'perlite', { measure: 'loose', amount: 10 }, 6.9, 1.6),
    pack(84, '100 L sack of perlite', 'perlite', { measure: 'loose', amount: 100 }, 31, 0),
    pack(85, '5 L castings', 'castings', { measure: 'loose', amount: 5 }, 7.5, 1.3),
    pack(86, '15 L castings', 'castings', { measure: 'loose', amount: 15 }, 18, 0),
    pack(87, '10 L vermiculite', 'vermiculite', { measure: 'loose', amount: 10 }, 7.8, 0.7),
    pack(88, '40 L council compost', 'compost', { measure: 'loose', amount: 40 }, 4.5, 0.5),
    pack(89, '5 kg rock dust', 'rock-dust', { measure: 'mass', amount: 5000 }, 9, 0.8),
    [
      demoId(90),
      {
        name: '1 L bottle, brown',
        kind: 'feed',
        goodsId: OWN_FEED,
        size: { measure: 'loose', amount: 1 },
        price: 8.4,
        packs: 0.55,
      },
    ],
    [
      demoId(91),
      {
        name: '1 kg tub of powder',
        kind: 'feed',
        goodsId: 'balanced-20',
        size: { measure: 'mass', amount: 1000 },
        price: 12,
        packs: 1,
      },
    ],
  ],
  feedings: [
    [
      demoId(61),
      {
        name: 'Basil at its first true leaves',
        feedId: OWN_FEED,
        growthStageId: 'true-leaves',
        targetNMgPerL: 60,
        vessel: { name: 'Blue jug', volumeL: 2 },
        batchId: FIRST_BATCH,
        toolId: null,
      },
    ],
    [
      demoId(62),
      {
        name: 'Tomatillos after potting up',
        feedId: 'balanced-20',
        growthStageId: 'potted-up',
        targetNMgPerL: 140,
        vessel: { name: 'Long-spout can', volumeL: 9 },
        batchId: POTTING_ON_BATCH,
        toolId: null,
      },
    ],
  ],
})

/** Order in which things are written: each after what it points at; what happened comes last. */
const ORDER = [
  'materials',
  'containers',
  'feeds',
  'tools',
  'crops',
  'recipes',
  'stocks',
  'packets',
  'batches',
  'feedings',
  'programmes',
  'sowings',
  'trays',
  'guidedJobs',
  'trials',
  'photos',
  'devices',
  'entries',
] as const satisfies readonly Collection[]

/** The demo household, when there is no household at all. Copies that start together take turns. */
export async function seedDemoWhenEmpty(): Promise<void> {
  await asHousekeeping('begin the demo', async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(${SEED_LOCK})`)
    const [any] = await tx.select({ id: households.householdId }).from(households).limit(1)
    await (any ? beginDemoDayAgain(tx) : writeDemo(tx, HOUSEHOLD_ID, 'The Lamp Room'))
  })
}

/** The same household beside one's own, to look at and to throw away. @returns its id */
export const makeExample = (principal: Principal, id: string, act: Act | null): Promise<{ id: string }> =>
  once(
    principal,
    id,
    act,
    { commands: ['make example'] },
    async (tx, household) => {
      if (household)
        throw invalid([{ path: ['id'], message: 'There is a household of this id: an example has its own.' }])
      await writeDemo(tx, id, 'The Lamp Room, an example')
      return { id }
    },
    { patient: true },
  )

/** Everything of the demo, in a household that is not there yet. */
async function writeDemo(tx: Transaction, householdId: string, name: string): Promise<void> {
  const today = DEMO_DAY
  await tx.insert(households).values({
    householdId,
    name,
    place: 'Ostermere tram depot (invented)',
    units: 'metric',
    clock: demoClock(),
    people: ['Wren', 'the Tuesday evening'],
    water: { ecMsPerCm: 0.55, alkalinityMgPerL: 210 },
    season: demoFrame(today),
  })
  // What is written is looked at again and again: it is carried on from nothing rather than read each time.
  noteKept(tx, await readEverything(tx, householdId))
  const kept = demo(today)
  const standing = demoTrays(today, { id: demoId, ownTray: OWN_TRAY, firstBatch: FIRST_BATCH })
  const ids = { id: demoId, household: householdId }
  const log = demoLog(today, { ...ids, sowingMix: demoId(11), parts: SOWING_PARTS })
  kept.batches = [...kept.batches!, ...log.batches]
  kept.trays = [...standing.trays, ...log.trays]
  kept.guidedJobs = standing.guidedJobs
  kept.trials = log.trials
  kept.photos = log.photos
  // In the order of their days: what is measured later is weighed beside what was measured before.
  kept.entries = [...kept.entries!, ...standing.entries, ...log.entries].sort(([, a], [, b]) =>
    a.on < b.on ? -1 : a.on > b.on ? 1 : 0,
  )
  await drawDemoPhotos(tx, ids, log.ages)
  for (const collection of ORDER)
    for (const [id, body] of kept[collection] ?? [])
      await writeNew(tx, collection, householdId, id, body as never)
}

/** Started after its day is over the demo’s day begins anew; one that was set to another day or pace goes on. */
const beginDemoDayAgain = (tx: Transaction) =>
  tx
    .update(households)
    .set({ clock: demoClock(), changes: sql`${households.changes} + 1` })
    .where(
      and(
        eq(households.householdId, HOUSEHOLD_ID),
        sql`${households.clock} ->> 'day' = ${DEMO_DAY} and (${households.clock} ->> 'speed')::float8 = 1
          and (${households.clock} ->> 'since')::timestamptz < now() - interval '14 hours'`,
      ),
    )
