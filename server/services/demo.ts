import { sql } from 'drizzle-orm'
import { COVER_IS_THE_MIX, DEFAULT_ALLOWANCES, plainBatch } from '#core/media/batch'
import type { MaterialFigure, MaterialFigures } from '#core/media/material'
import { materialById } from '#core/media/materials'
import type { Bodies, Collection } from '#shared/collections'
import { db } from '../db/client'
import { households, TABLES } from '../db/schema'

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
  const keys = Object.keys(material.sources) as MaterialFigure[]
  return {
    ...(Object.fromEntries(keys.map((key) => [key, material[key]])) as unknown as MaterialFigures),
    ...corrected,
  }
}

/** The Lamp Room of docs/demo.md: invented, and the only invented data in the product. */
const DEMO: { [C in Collection]: [id: string, body: Bodies[C]][] } = {
  recipes: [
    [
      demoId(11),
      {
        name: 'Lamp-room sowing mix',
        reasoning: 'What the swap has sown into for three springs.',
        parts: SOWING_PARTS,
        extras: [],
        preparations: [],
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
      {
        name: 'Cellar tomato feed',
        form: 'liquid',
        nPercent: 4,
        p2o5Percent: 2,
        k2oPercent: 6,
        densityGPerMl: 1.12,
        labelRatePerL: 5,
        organic: false,
      },
    ],
    [
      demoId(32),
      {
        name: 'Winter powder',
        form: 'powder',
        nPercent: 15,
        p2o5Percent: 5,
        k2oPercent: 25,
        densityGPerMl: null,
        labelRatePerL: 0.8,
        organic: false,
      },
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
        packIds: { coir: 'dry-5000' },
        extras: [{ materialId: 'rock-dust', gPerL: 5 }],
        tubL: 40,
      },
    ],
  ],
  feedings: [
    [
      demoId(61),
      {
        name: 'Basil at its first true leaves',
        feedId: OWN_FEED,
        stageId: 'true-leaves',
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
        stageId: 'potted-up',
        targetNMgPerL: 140,
        vessel: { name: 'Long-spout can', volumeL: 9 },
        batchId: POTTING_ON_BATCH,
        toolId: null,
      },
    ],
  ],
}

/** The demo household, when there is no household at all. Copies that start together take turns. */
export async function seedDemoWhenEmpty(): Promise<void> {
  await db().transaction(async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(${SEED_LOCK})`)
    const [any] = await tx.select({ id: households.householdId }).from(households).limit(1)
    if (any) return
    await tx.insert(households).values({
      householdId: HOUSEHOLD_ID,
      name: 'The Lamp Room',
      place: 'Ostermere tram depot (invented)',
      kitchen: 'metric',
    })
    for (const collection of Object.keys(DEMO) as Collection[]) {
      const rows = DEMO[collection].map(([id, body], index) => ({
        householdId: HOUSEHOLD_ID,
        id,
        ...body,
        // A statement's rows would share one moment, and lists are shown oldest first.
        createdAt: sql`now() + ${index} * interval '1 millisecond'`,
        ...(collection === 'batches' ? { number: index + 1 } : {}),
      }))
      await tx.insert(TABLES[collection]).values(rows as never)
    }
  })
}
