import sharp from 'sharp'
import { plainBatch, COVER_IS_THE_MIX, DEFAULT_ALLOWANCES } from '#core/media/batch-request'
import { dealt } from '#core/trials/trial'
import { addDays, type Day } from '#core/calendar/day'
import type { Bodies } from '#shared/records/collections'
import { newEntry, NOTHING_MEASURED, type EntryRecord } from '#shared/records/entry'
import { tray as traySchema } from '#shared/records/tray'
import type { Transaction } from '../db/door'
import { photoFiles } from '../db/schema'

/*
 * What the Lamp Room wrote down besides: signs, thoughts, the air of the racks, batches with what was left in the tub, a trial
 * of two mixes, and pictures, which are drawn and say so.
 */

type Rows<C extends keyof Bodies> = [id: string, body: Bodies[C]][]

const BATCHES = 701
const TRIAL_TRAY = 711
const TRIAL = 712
const ENTRIES = 721
const PHOTOS = 751
const FILES = 771
const [TOMATILLO_TRAY, SALAD_TRAY] = [401, 402]
const LOT = 270_412

interface Ids {
  readonly id: (n: number) => string
  readonly sowingMix: string
  readonly parts: Bodies['batches']['parts']
  readonly household: string
}

export function demoLog(today: Day, { id, sowingMix, parts }: Ids) {
  const entries: Rows<'entries'> = []
  const said = (days: number, kind: EntryRecord['kind'], name: string, more: Partial<EntryRecord> = {}) =>
    entries.push([
      id(ENTRIES + entries.length),
      newEntry({
        name,
        kind,
        on: addDays(today, days),
        subjects: [],
        by: days % 2 ? 'Wren' : 'Idris',
        ...more,
      }),
    ])
  const tray = (n: number): EntryRecord['subjects'] => [{ what: 'trays', id: id(n), stage: null }]

  // Three batches that were made as groups, each with what was left in the tub.
  const batches: Rows<'batches'> = [
    ['Leeks and snapdragons', 3, -40],
    ['Lettuce and artichokes', 2, -32],
    ['Trial of two mixes', 1, -18],
  ].map(([name, count], i) => [
    id(BATCHES + i),
    {
      name: name as string,
      recipeId: sowingMix,
      parts,
      fills: [
        { containerId: 'tray-72', count: count as number, coverMm: 4, coverMaterialId: COVER_IS_THE_MIX },
      ],
      allowances: DEFAULT_ALLOWANCES,
      scoop: { name: 'Yoghurt pot', volumeL: 0.5 },
      ...plainBatch(),
      lowerRecipeId: null,
      onDate: null,
      sowings: [],
    },
  ])
  for (const [i, days, usedL, leftL, minutes] of [
    [0, -40, 9.98, 0.2, 95],
    [1, -32, 6.86, 0.25, 70],
    [2, -18, 3.42, 0.2, 45],
  ] as const)
    said(days, 'batch made', batches[i]![1].name, {
      subjects: [{ what: 'batches', id: batches[i]![0], stage: null }],
      evenIfShort: true,
      actual: { ...NOTHING_MEASURED, usedL, leftL, minutes },
      measured: [{ what: 'minutes', of: 'mix', value: minutes / 60, n: null, key: '' }],
    })

  // Two mixes in one tray, its cells dealt by lot.
  const sides = dealt(
    Array.from({ length: 72 }, (_, cell) => cell),
    2,
    LOT,
  )
  const sideOf = (cell: number) => (sides[0]!.includes(cell) ? 'A' : 'B')
  const group = (code: string) => ({
    code,
    name: `Fennel · side ${code}`,
    cropId: 'bulb-fennel',
    sowingId: null,
    stage: 0,
    packetId: null,
    seedsPerCell: 1,
  })
  const trialTray = id(TRIAL_TRAY)
  const trays: Rows<'trays'> = [
    [
      trialTray,
      traySchema.parse({
        name: '72-cell tray',
        containerId: 'tray-72',
        rows: 6,
        columns: 12,
        placeId: 'racks',
        batchId: batches[2]![0],
        groups: [group('A'), group('B')],
        cells: Array.from({ length: 72 }, (_, cell) => sideOf(cell)),
      }),
    ],
  ]
  const trials: Rows<'trials'> = [
    [
      id(TRIAL),
      {
        name: 'Is it the castings, or the coir alone?',
        question: 'mix',
        on: addDays(today, -18),
        seed: LOT,
        blind: false,
        arms: [
          {
            code: 'A',
            name: 'Lamp-room sowing mix',
            groups: [{ trayId: trialTray, group: 'A' }],
            recipeId: sowingMix,
            packetId: null,
          },
          {
            code: 'B',
            name: 'Coir and perlite alone',
            groups: [{ trayId: trialTray, group: 'B' }],
            recipeId: null,
            packetId: null,
          },
        ],
        note: '',
        endedOn: null,
      },
    ],
  ]
  const cells = (code: 'A' | 'B', n: (i: number) => number): [number, number][] =>
    sides[code === 'A' ? 0 : 1]!.map((cell, i): [number, number] => [cell, n(i)]).filter(
      ([, many]) => many > 0,
    )
  const change = (code: 'A' | 'B', what: 'sown' | 'up', n: (i: number) => number) => ({
    trayId: trialTray,
    group: code,
    what,
    cells: cells(code, n),
    count: null,
  })
  said(-17, 'stage', 'Sown: Fennel, two mixes', {
    subjects: tray(TRIAL_TRAY),
    cells: [change('A', 'sown', () => 1), change('B', 'sown', () => 1)],
  })
  said(-8, 'look', 'Up: Fennel, two mixes', {
    subjects: tray(TRIAL_TRAY),
    cells: [change('A', 'up', (i) => (i % 3 === 0 ? 1 : 0)), change('B', 'up', (i) => (i % 5 === 0 ? 1 : 0))],
  })
  said(-5, 'look', 'Up: Fennel, two mixes', {
    subjects: tray(TRIAL_TRAY),
    cells: [change('A', 'up', (i) => (i % 9 === 4 ? 0 : 1)), change('B', 'up', (i) => (i % 3 === 1 ? 0 : 1))],
  })

  // The air of the racks, as the thermometer over the door has it.
  said(-1, 'climate', 'Air of the racks: 16 days', {
    placeId: 'racks',
    climate: Array.from({ length: 16 }, (_, i) => ({
      on: addDays(today, -16 + i),
      lowC: 14.5 + (i % 4) * 0.6,
      highC: 20.5 + ((i * 7) % 5) * 0.5,
      meanC: null,
      lightMol: null,
      humidity: null,
    })),
  })
  said(-20, 'weather', 'Frost on the tracks at six, −3 °C in the yard')
  said(-6, 'feed given', 'Given: Basil at its first true leaves', {
    subjects: [{ what: 'feedings', id: id(61), stage: null }, ...tray(SALAD_TRAY)],
    water: [
      {
        trayId: id(SALAD_TRAY),
        how: 'below',
        litres: 1.1,
        backL: 0.2,
        grams: null,
        moment: null,
        sdG: null,
        feels: null,
        ecMsPerCm: null,
        nMgPerL: 60,
      },
    ],
  })
  said(-4, 'seen', 'Lettuce: small flies when the tray is moved', {
    subjects: tray(SALAD_TRAY),
    signs: ['flies', 'green crust'],
  })
  said(-3, 'seen', 'Lower leaves of the lettuce go pale', { subjects: tray(SALAD_TRAY), signs: ['pale old'] })
  said(-2, 'seen', 'Tomatillos sturdy, third pair of leaves', {
    subjects: tray(TOMATILLO_TRAY),
    signs: ['well'],
  })
  said(-2, 'thought', 'Water the lettuce by weight, not every evening', {
    subjects: tray(SALAD_TRAY),
    remindOn: addDays(today, 365),
  })
  said(-1, 'thought', 'Two trays of basil are enough for the swap')

  const ages = [
    [TOMATILLO_TRAY, -17, 0],
    [TOMATILLO_TRAY, -10, 1],
    [TOMATILLO_TRAY, -3, 2],
    [SALAD_TRAY, -15, 0],
    [SALAD_TRAY, -8, 1],
    [SALAD_TRAY, -1, 1],
  ] as const
  const photos: Rows<'photos'> = ages.map(([n, days, age], i) => [
    id(PHOTOS + i),
    {
      name: `${n === TOMATILLO_TRAY ? 'Tray 1, Tomatillo' : 'Tray 2, Lettuce'} (drawn)`,
      fileId: id(FILES + i),
      on: addDays(today, days),
      subjects: [{ what: 'trays', id: id(n) }],
      placeId: 'racks',
      width: 960,
      height: 720,
      note: age === 2 ? 'Third pair of leaves' : '',
    },
  ])
  return { batches, trays, trials, entries, photos, ages }
}

/** Pictures of seedlings of an age, drawn: the demo has no camera. */
export async function drawDemoPhotos(
  tx: Transaction,
  { id, household }: Pick<Ids, 'id' | 'household'>,
  ages: ReturnType<typeof demoLog>['ages'],
): Promise<void> {
  for (const [i, [n, , age]] of ages.entries()) {
    const picture = sharp(Buffer.from(drawing(age, n === TOMATILLO_TRAY ? '#5f8f45' : '#9cb455', i)))
    const image = await picture.clone().webp({ quality: 70 }).toBuffer()
    const thumbnail = await picture.clone().resize(320).webp({ quality: 65 }).toBuffer()
    await tx.insert(photoFiles).values({
      householdId: household,
      id: id(FILES + i),
      digest: `drawn ${i}`,
      width: 960,
      height: 720,
      image,
      thumbnail,
    })
  }
}

function drawing(age: number, leaf: string, at: number): string {
  const plants = Array.from({ length: 24 }, (_, i) => {
    const [x, y] = [90 + (i % 6) * 156, 110 + Math.floor(i / 6) * 170]
    if ((i * 7 + at) % 11 === 4) return cell(x, y)
    const size = 14 + age * 15 + ((i * 5) % 7)
    const leaves = Array.from({ length: 2 + age * 2 }, (_unused, k) => {
      const turn = (360 / (2 + age * 2)) * k + i * 23
      return `<ellipse cx="${x}" cy="${y - size * 0.75}" rx="${size * 0.42}" ry="${size * 0.8}" fill="${leaf}" stroke="#33502a" stroke-width="2" transform="rotate(${turn} ${x} ${y})"/>`
    }).join('')
    return `${cell(x, y)}${leaves}<circle cx="${x}" cy="${y}" r="5" fill="#86a85c"/>`
  }).join('')
  return `<svg xmlns="http://www.w3.org/2000/svg" width="960" height="720"><rect width="960" height="720" fill="#2b2723"/>${plants}<text x="24" y="704" font-family="sans-serif" font-size="22" fill="#efe9dc">drawn for the demo</text></svg>`
}
const cell = (x: number, y: number) =>
  `<rect x="${x - 62}" y="${y - 70}" width="124" height="140" rx="10" fill="#463729" stroke="#1c1815" stroke-width="4"/>`
