import { SEASON } from '#shared/test/season'

/* A small legal request of each computation, and the dearest that are let through. */

const coir = [{ materialId: 'coir', parts: 1 }]
const BALANCED = {
  name: 'Powder',
  basedOn: null,
  form: 'powder',
  nPercent: 20,
  p2o5Percent: 20,
  k2oPercent: 20,
  densityGPerMl: 0.95,
  labelRatePerL: 1,
  organic: false,
}
const batch = (kinds: number) => ({
  parts: coir,
  fills: Array.from({ length: kinds }, () => ({
    containerId: 'pot-10cm',
    count: 1,
    coverMm: 0,
    coverMaterialId: 'mix',
  })),
  allowances: { fill: 1, fillUnderCover: 1, blockCompression: 2, mixingLossK: 0.1, spare: 0 },
  scoop: { name: 'pot', volumeL: 0.5 },
})
const dose = {
  growthStageId: 'true-leaves',
  targetNMgPerL: 20,
  vessel: { name: 'jug', volumeL: 1 },
  feed: BALANCED,
  tools: [
    { name: 'syringe', kind: 'syringe', capacityMl: 10 },
    { name: 'scale', kind: 'kitchen scale', capacityMl: null },
  ],
}
const asked = { season: SEASON, today: '2027-01-10' }
const sowing = (n: number, plants: number) => ({
  id: `7b1c0a30-0000-4000-8000-${String(n).padStart(12, '0')}`,
  sowing: { name: `Tomato ${n}`, cropId: 'tomato', plants },
})
const sowings = (many: number, plants: number) =>
  Array.from({ length: many }, (_, n) => sowing(n + 1, plants))
const shares = (many: number, cells: number) =>
  Array.from({ length: many }, (_, n) => ({
    ...{ key: `s${n}`, name: `s${n}`, containerId: 'tray-24', recipeId: 'lean-and-light' },
    ...{ on: '2027-03-20', cells },
  }))
const find = (materials: number) => ({
  materialIds: ['coir', 'perlite', 'castings', 'vermiculite', 'peat', 'compost'].slice(0, materials),
  containerId: 'tray-72',
  wants: { air: { low: 0.08 }, salts: { high: 1 } },
})
const scenario = (days: number) => ({
  recipeId: 'lean-and-light',
  containerId: 'tray-72',
  place: { kind: 'shelf' },
  habit: 'every second day',
  days,
})

export const LEGAL_COMPUTATIONS: Readonly<Record<string, object>> = {
  batch: batch(1),
  blend: {
    feeds: [BALANCED],
    wanted: { N: 100, P: 0, K: 0, Ca: 0, Mg: 0 },
    kinds: { P: 'any', K: 'any', Ca: 'any', Mg: 'any' },
  },
  capacity: { batch: batch(1), availableL: { coir: 6 } },
  dose,
  find: find(3),
  granular: { feed: BALANCED, gPerL: 3, containerId: 'pot-10cm' },
  mix: { parts: coir, containerId: 'tray-72' },
  odds: { plants: 48, germination: 0.8, certainty: 0.95 },
  packing: { shares: shares(5, 4) },
  programme: {
    name: 'x',
    feedId: 'balanced-20',
    appetite: 'medium',
    method: 'weak and often',
    plants: 10,
    stages: [
      {
        growthStageId: 'true-leaves',
        days: 20,
        containerId: 'tray-72',
        recipeId: 'boiled-coir',
        nMgPerL: 60,
        everyDays: 3,
      },
    ],
  },
  season: { ...asked, sowings: sowings(2, 12) },
  shopping: { need: 70, offers: [{ id: 'large', holds: 50, price: 10 }] },
  simulation: { ...asked, sowings: sowings(2, 12), seasons: 20 },
  sowing: { ...asked, sowing: sowing(1, 12).sowing },
  stock: dose,
  water: { ecMsPerCm: 0.8, alkalinityMgPerL: 200, rainShare: 0.5 },
  'water-scenario': scenario(42),
  wish: { ...asked, text: '12 tomato plants', units: 'metric' },
  read: { kind: 'log', text: '28 of 36 cosmos up', today: '2027-04-14', units: 'us' },
}

/** As much as each lets through. */
export const DEAREST: Readonly<Record<string, object>> = {
  batch: batch(500),
  find: find(6),
  odds: { plants: 20_000, germination: 0.25, certainty: 0.999 },
  packing: { shares: shares(500, 100_000) },
  read: {
    kind: 'list',
    text: Array(60).fill('36 tomatoes in 72-cell trays, sown 13 March, 31 up').join('\n'),
    today: '2027-04-14',
  },
  season: { ...asked, sowings: sowings(200, 20_000) },
  simulation: { ...asked, sowings: sowings(200, 20_000), seasons: 500 },
  sowing: { ...asked, sowing: sowing(1, 20_000).sowing },
  'water-scenario': scenario(365),
}
