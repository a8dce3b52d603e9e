import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import Papa from 'papaparse'
import { bodyOf, type Bodies, type Stored } from '#shared/records/collections'
import type { Collection } from '../records/collection-names'
import { BUILT_IN_CONTAINERS } from '#core/containers/catalogue'
import { BUILT_IN_FEEDS } from '#core/feed/feeds'
import { BUILT_IN } from '#core/media/materials'
import { MATERIAL_FIGURES } from '#core/media/material'
import { BUILT_IN_CROPS } from '#core/sowing/crops'
import { contextOf } from '#shared/derived/context'
import { containerRecordOf } from '../records/as-container'
import { cropRecordOf } from '../records/as-crop'
import { feedRecordOf } from '../records/as-feed'
import { SEASON } from '#shared/test/season'
import { readCell } from './cells'
import { namesOf } from './known'
import { meantAmong, readTable, recordFrom, type Reading } from './read'
import { tableById, type TableId } from './tables'
import { writeTable } from './write'

/* Tables as people keep them: read whatever their separator and language, and written so that they are read the same. */

const NONE = { sowings: [], batches: [], trays: [] }
const context = contextOf({ household: { body: { units: 'metric', season: SEASON as never } } })
const names = namesOf(context, NONE)
const read = (id: TableId, text: string, asked: Reading = {}) =>
  readTable(text, tableById(id), asked, { names, units: 'metric' })
const bodies = (id: TableId, text: string, asked: Reading = {}) =>
  read(id, text, asked).records.map((record) => recordFrom(record, tableById(id), null, names))
const problems = (id: TableId, text: string, asked: Reading = {}) =>
  read(id, text, asked).records.flatMap((record) => {
    if (record.problems.length) return record.problems
    const made = recordFrom(record, tableById(id), null, names)
    return 'problems' in made ? made.problems : []
  })

describe('headings of several languages', () => {
  it.each([
    ['English', 'Crop,Variety,Year,Supplier,Germination rate,Seeds left', ','],
    ['German', 'Kultur;Sorte;Jahrgang;Händler;Keimfähigkeit (%);Anzahl Samen', ';'],
    ['French', 'Culture;Variété;Année;Fournisseur;Taux de germination;Nombre de graines', ';'],
    ['Spanish', 'Cultivo\tVariedad\tAño\tProveedor\tGerminación\tSemillas', '\t'],
    ['Dutch', 'Gewas;Ras;Jaar;Leverancier;Kiemkracht;Aantal zaden', ';'],
  ])('%s', (_, headings, separator) => {
    const cells = ['Leek', 'Long one', '2026', 'a friend', '80 %', '120']
    const { headings: found, missing } = read('packets', `${headings}\n${cells.join(separator)}`)
    expect(found.map(({ key }) => key)).toEqual([
      'crop',
      'variety',
      'year',
      'supplier',
      'germination_percent',
      'seeds',
    ])
    expect(missing).toEqual([])
  })

  it('are put right by hand, and a column nobody knows is left alone', () => {
    const text = 'Thing,Colour,When\nLeek,green,2026\n'
    expect(read('packets', text).missing).toContain('crop')
    expect(read('packets', text, { columns: ['crop', null, 'year'] }).missing).toEqual(['variety'])
    expect(bodies('packets', text, { columns: ['crop', 'variety', 'year'] })).toMatchObject([
      { body: { name: 'green', cropId: 'leek', year: 2026 } },
    ])
  })

  it('carry units, and so do cells', () => {
    const text = 'variety,crop,year,depth (in)\nOne,Leek,2026,1/2\nTwo,Leek,2026,6 mm\n'
    // 1 in = 25.4 mm [SI].
    expect(bodies('packets', text)).toMatchObject([{ body: { depthMm: 12.7 } }, { body: { depthMm: 6 } }])
  })
})

describe('numbers and days are never guessed', () => {
  it.each([
    ['1.5', { decimal: 'point' as const }, 1.5],
    ['1,234.5', { decimal: 'point' as const }, 1234.5],
    ['1.234,5', { decimal: 'comma' as const }, 1234.5],
    ['1 234,5', { decimal: 'comma' as const }, 1234.5],
    ['−3,5', { decimal: 'comma' as const }, -3.5],
    ['1,234', { decimal: 'point' as const }, 1234],
    ['1,234', { decimal: 'comma' as const }, 1.234],
  ])('%s, decimals with a %j', (text, { decimal }, value) => {
    const how = { written: { decimal, days: null }, names, units: 'metric' as const }
    expect(readCell(text, { holds: { kind: 'number' } }, how)).toEqual({ value })
  })

  it('all numbers of a table say together how decimals are written', () => {
    const price = (text: string) =>
      bodies('supplies', text).map((one) =>
        'body' in one ? (one.body as never as Bodies['stocks']).price : one,
      )
    const head = 'name;holds;pack;packs;price'
    expect(price(`${head}\nA;Perlite;100 L;2;1.250,00\nB;Perlite;10 L;1;12,5`)).toEqual([1250, 12.5])
    expect(problems('supplies', `${head}\nA;Perlite;100 L;2;1,250`)).toMatchObject([
      { line: 2, column: 'price', message: expect.stringContaining('how decimals are written') },
    ])
  })

  it('a day that may be two is asked about, and one that tells settles the others', () => {
    const head = 'crop,plants,out on'
    expect(problems('sowings', `${head}\nLeek,12,03/04/2027`)).toMatchObject([{ column: 'out_on' }])
    const outOn = (text: string, asked: Reading = {}) =>
      bodies('sowings', text, asked).map((one) =>
        'body' in one ? (one.body as never as Bodies['sowings']).outOn : one,
      )
    expect(outOn(`${head}\nLeek,12,03/04/2027\nLeek,9,25/04/2027`)).toEqual(['2027-04-03', '2027-04-25'])
    expect(outOn(`${head}\nLeek,12,03/04/2027`, { days: 'month first' })).toEqual(['2027-03-04'])
    expect(outOn(`${head}\nLeek,12,3.4.2027`)).toEqual(['2027-04-03'])
    expect(problems('sowings', `${head}\nLeek,12,2027-02-30`)).toMatchObject([{ column: 'out_on' }])
  })

  it('little of a hundred is asked about', () => {
    expect(problems('packets', 'variety,crop,year,germination\nA,Leek,2026,0.85')).toMatchObject([
      { column: 'germination_percent', message: expect.stringContaining('85 %') },
    ])
  })

  it('a name nobody knows, or two have, is asked about', () => {
    const [one] = problems('packets', 'variety,crop,year\nA,Leak,2026')
    expect(one!.message).toMatch(/no “Leak” here. Is it .*Leek/)
    const { name } = BUILT_IN.get('perlite')!
    expect(problems('materials', `name,pack\n"${name}",100 L`)[0]!.message).toContain(
      'is a standard material',
    )
  })
})

describe('each line keeps its number', () => {
  it('across blank lines and cells of several lines', () => {
    const text = 'variety,crop,year,supplier\n"A",Leek,2026,"two\nlines"\n\n"B",Leek,year,x\n'
    expect(problems('packets', text)).toMatchObject([{ line: 5, column: 'year' }])
  })
  it('and a quote that is never closed is said', () => {
    expect(() => read('packets', 'variety,crop,year\n"A,Leek,2026\n')).toThrow(/quote/)
  })
})

describe('cells of a tray', () => {
  it('make one tray, its runs by crop and variety', () => {
    const text = [
      'tray,container,row,cell,crop,variety,seeds per cell',
      'East,6-cell pack,1,1,Leek,Leek long,2',
      'East,6-cell pack,1,2,Leek,Leek long,2',
      'East,6-cell pack,2,3,Basil,,',
      'East,6-cell pack,3,2,,,',
    ].join('\n')
    const six = [...context.containers.values()].find(({ kind, cells }) => kind === 'tray' && cells === 6)!
    const [one] = bodies('trays', text.replaceAll('6-cell pack', six.name))
    expect(one).toMatchObject({
      body: {
        name: 'East',
        containerId: six.id,
        rows: 3,
        columns: 3,
        groups: [{ code: 'A', name: 'Leek long', seedsPerCell: 2 }, { code: 'B' }],
        cells: ['A', 'A', '', '', '', 'B', '', '', ''],
      },
    })
  })
})

describe('as the spreadsheets of a country write', () => {
  const LOCALES = ['en-GB', 'en-US', 'de-DE', 'de-CH', 'fr-FR', 'es-ES', 'nl-NL'] as const

  it.each(LOCALES)('numbers of %s', (locale) => {
    const format = new Intl.NumberFormat(locale, { maximumFractionDigits: 2, minimumFractionDigits: 2 })
    const price = fc.integer({ min: 0, max: 9_000_000 }).map((cents) => cents / 100)
    fc.assert(
      fc.property(fc.array(price, { minLength: 1, maxLength: 8 }), (prices) => {
        const lines = prices.map((one, i) =>
          ['Bag ' + i, 'Perlite', '100 L', '1', format.format(one)].join('\t'),
        )
        const read = bodies(
          'supplies',
          ['name\tholds\tpack\tpacks\tprice', ...lines].join('\n'),
        ) as unknown as {
          body?: Bodies['stocks']
        }[]
        // A price a bag may not have is refused, never misread.
        for (const [i, one] of read.entries())
          if (one.body) expect(one.body.price).toBeCloseTo(prices[i]!, 6)
          else expect(prices[i]).toBeGreaterThan(100_000)
      }),
    )
  })

  it.each(LOCALES)('days of %s', (locale) => {
    const format = new Intl.DateTimeFormat(locale, {
      day: '2-digit',
      month: '2-digit',
      year: 'numeric',
      timeZone: 'UTC',
    })
    const day = fc.integer({ min: 0, max: 364 }).map((n) => new Date(Date.UTC(2027, 0, 1 + n)))
    fc.assert(
      fc.property(fc.array(day, { minLength: 1, maxLength: 12 }), (days) => {
        const text = ['crop,plants,out on', ...days.map((one) => `Leek,12,${format.format(one)}`)].join('\n')
        const read = bodies('sowings', text) as unknown as { body?: Bodies['sowings'] }[]
        const asked = problems('sowings', text).filter(({ message }) =>
          message.includes('say above how days'),
        )
        // Either it is the day, or it is asked about: no day is taken for another.
        for (const [i, one] of read.entries())
          if (one.body && !asked.some(({ line }) => line === i + 2))
            expect(one.body.outOn).toBe(days[i]!.toISOString().slice(0, 10))
      }),
    )
  })
})

describe('what is told in lines', () => {
  const trays = [
    {
      id: '4f1c2b7e-0d0b-4b6a-9a55-5f7a52d1c222',
      version: 1,
      number: 7,
      updatedAt: '2027-01-01T00:00:00.000Z',
      body: bodyOf('trays').parse({ name: 'East', containerId: 'tray-24', rows: 1, columns: 1, cells: [''] }),
    },
  ]
  const known = namesOf(context, { ...NONE, trays })
  const entry = (text: string) =>
    readTable(text, tableById('entries'), {}, { names: known, units: 'metric' }).records.map((record) => {
      if (record.problems.length) return record.problems[0]!.message
      const made = recordFrom(record, tableById('entries'), null, known)
      return 'body' in made ? (made.body as never as Bodies['entries']) : made.problems[0]!.message
    })

  it('water goes to the tray that is named, by its number', () => {
    const [watered] = entry('on,kind,what,of,litres\n2027-04-12,watered,Watered,7,1.2 L')
    expect(watered).toMatchObject({
      kind: 'watered',
      subjects: [{ what: 'trays', id: trays[0]!.id }],
      water: [{ trayId: trays[0]!.id, litres: 1.2 }],
    })
    expect(entry('on,kind,what,of,weight\n2027-04-12,weighed,Weighed,tray 7,2.1 kg')[0]).toMatchObject({
      water: [{ grams: 2100, moment: 'now' }],
    })
  })
  it('what cannot be told in a line says where it is told', () => {
    expect(entry('on,kind,what\n2027-04-12,stage,Potted up')[0]).toMatch(/moves plants or supplies/)
    expect(entry('on,kind,what\n2027-04-12,watered,Watered')[0]).toBe('Say which tray it was.')
    expect(entry('on,kind,what,of\n2027-04-12,watered,Watered,8')[0]).toMatch(/no “8” here/)
  })
  it('a figure that cannot be is asked about', () => {
    expect(problems('measurements', 'on,what,value\n2027-04-12,settling,7')[0]!.message).toMatch(/0 to 5/)
    expect(problems('measurements', 'on,what,value\n2027-04-12,jug,1')[0]!.message).toMatch(/which jug/)
  })
  it('the air of a place is one entry, a day once', () => {
    const [air] = bodies('air', 'Datum;Ort;Tief;Hoch\n11.4.2027;Shelf;16,5;22\n12.4.2027;Shelf;15;21,5')
    expect(air).toMatchObject({
      body: { placeId: 'shelf', on: '2027-04-12', climate: [{ lowC: 16.5 }, { highC: 21.5 }] },
    })
    expect(
      problems('air', 'on,place,low,high\n2027-04-12,Shelf,16,22\n2027-04-12,Shelf,15,22')[0]!.message,
    ).toMatch(/twice/)
    // 68 °F are 20 °C.
    expect(bodies('air', 'on,place,low (°F),high (°F)\n2027-04-12,Shelf,59,68')).toMatchObject([
      { body: { climate: [{ lowC: 15, highC: 20 }] } },
    ])
  })
})

describe('what is written is read the same', () => {
  const stored = (collection: Collection, body: unknown): Stored<Bodies[Collection]> => ({
    id: '4f1c2b7e-0d0b-4b6a-9a55-5f7a52d1c111',
    version: 3,
    number: 4,
    updatedAt: '2027-01-01T00:00:00.000Z',
    body: bodyOf(collection).parse(body),
  })
  const HOSTILE = fc.oneof(
    fc.constantFrom('=1+1', '@sum', "'=x", '+49 170', '-x', 'a;b', 'a,b', 'say "so"', 'ä ß ñ'),
    fc.string({ minLength: 1, maxLength: 40 }).filter((text) => text.trim() !== ''),
  )
  const exactly = (value: number) => Number(value.toPrecision(12))
  const perlite = BUILT_IN.get('perlite')!
  /** A record of each table, with a number and a fraction that are drawn. */
  const SAMPLES: Partial<Record<TableId, (number: number, fraction: number) => object>> = {
    materials: (number, fraction) => ({
      figures: {
        ...Object.fromEntries(MATERIAL_FIGURES.map((key) => [key, perlite[key]])),
        dryBulkDensityGPerL: exactly(20 + number),
        settling: exactly(fraction / 4),
      },
      packL: exactly(number + 1),
      sustainability: '=from far',
    }),
    containers: (number) => ({
      ...containerRecordOf(BUILT_IN_CONTAINERS.get('pot-10cm')!),
      basedOn: null,
      measuredVolumeMl: exactly(number + 100),
    }),
    feeds: (number, fraction) => ({
      ...feedRecordOf(BUILT_IN_FEEDS.get('liquid-5')!),
      basedOn: null,
      nPercent: exactly(fraction * 10),
      labelRatePerL: exactly((number + 1) / 20),
      nForms: { nitrate: fraction, ammonium: 0, urea: 0 },
    }),
    supplies: (number) => ({
      kind: 'material',
      goodsId: 'perlite',
      size: { measure: 'loose', amount: exactly(number + 0.5) },
      price: number,
      packs: exactly(number / 2),
    }),
    crops: (number, fraction) => {
      const { figures, ...rest } = cropRecordOf(BUILT_IN_CROPS.get('basil')!)
      return {
        ...rest,
        basedOn: null,
        figures: { ...figures, depthMm: exactly(number / 2), germination: fraction },
      }
    },
    packets: (number, fraction) => ({
      cropId: 'basil',
      year: 2026,
      germination: fraction,
      upDays: { from: 4, to: 9 },
      depthMm: number,
    }),
    sowings: (number, fraction) => ({
      cropId: 'basil',
      plants: Math.ceil(number) + 1,
      outOn: '2027-06-01',
      certainty: fraction,
      placeId: 'shelf',
    }),
    trays: () => ({
      containerId: 'tray-24',
      rows: 2,
      columns: 2,
      placeId: 'shelf',
      recipeId: 'lean-and-light',
      groups: [
        { code: 'A', name: '+Tall', cropId: 'basil', seedsPerCell: 3 },
        { code: 'B', name: 'Other', cropId: 'basil' },
      ],
      cells: ['A', '', 'B', 'A'],
    }),
  }
  // What a name holds is what a name may hold: no ends of lines, nothing around it.
  const plain = (text: string) =>
    text
      .replace(/[\p{C}\s]+/gu, ' ')
      .trim()
      .slice(0, 100) || 'x'

  it.each(Object.entries(SAMPLES))('%s, whatever they are called', (id, sample) => {
    const table = tableById(id as TableId)
    const number = fc.integer({ min: 0, max: 80_000 }).map((one) => one / 1000)
    const fraction = fc.integer({ min: 200, max: 9900 }).map((one) => one / 10_000)
    fc.assert(
      fc.property(
        HOSTILE,
        fc.constantFrom('point' as const, 'comma' as const),
        number,
        fraction,
        (text, style, many, share) => {
          const record = stored(table.collection, { ...sample(many, share), name: plain(text) })
          const known = namesOf(
            contextOf({
              [table.collection]: [record],
              household: { body: { units: 'metric', season: SEASON as never } },
            }),
            NONE,
          )
          const csv = writeTable(table, [record], { names: known, style })
          const [line] = readTable(csv, table, {}, { names: known, units: 'metric' }).records
          expect(line!.problems).toEqual([])
          const stood = meantAmong(table, [record], known)(line!)
          expect(stood).toBe(record)
          expect(recordFrom(line!, table, stood!.body, known)).toEqual({ body: record.body })
        },
      ),
      { numRuns: 60 },
    )
  })

  it('a spreadsheet finds no formula in it', () => {
    const record = stored('packets', { name: '=cmd|x', cropId: 'leek', supplier: '@there', year: 2026 })
    const csv = writeTable(tableById('packets'), [record], { names, style: 'point' })
    const cells = Papa.parse<string[]>(csv).data.flat()
    expect(cells.filter((cell) => /^[=+\-@\t\r]/.test(cell))).toEqual([])
    expect(cells).toContain("'=cmd|x")
  })
})
