import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import jsQR from 'jsqr'
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs'
import pg from 'pg'
import { labelSpots, onPlainPaper } from '#core/trays/label-sheet'
import { tray } from '#shared/records/tray'
import { base, call, newHousehold } from './test/calling'

/* Labels and keys as they come out: where each lies on the sheet, whether its words are whole, what its code says. */
const database = new pg.Client({ connectionString: process.env.DATABASE_URL })
const household = randomUUID()
const trayId = randomUUID()
const MM = 25.4 / 72
const LONG = 'Rouge vif d’Étampes à très longue étiquette du jardin'

interface Word {
  readonly text: string
  readonly x: number
  readonly y: number
  readonly width: number
}
type Box = [x: number, y: number, w: number, h: number]

async function pdf(path: string) {
  const answer = await fetch(`${base}/api/households/${household}/${path}`)
  expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/pdf'])
  return getDocument({ data: new Uint8Array(await answer.arrayBuffer()), verbosity: 0 }).promise
}
/** Words and filled rectangles of a page, mm from its top left corner. */
async function sheetOf(document: Awaited<ReturnType<typeof pdf>>, number = 1) {
  const page = await document.getPage(number)
  const [, , wide, high] = page.view as Box
  const { items } = await page.getTextContent()
  const words = items.flatMap((item): Word[] =>
    'str' in item && item.str.trim()
      ? [
          {
            text: item.str,
            x: item.transform[4] * MM,
            y: (high - item.transform[5]) * MM,
            width: item.width * MM,
          },
        ]
      : [],
  )
  const { fnArray, argsArray } = await page.getOperatorList()
  const boxes: Box[] = fnArray.flatMap((fn, i) => {
    if (fn !== OPS.constructPath) return []
    const [ops, args] = argsArray[i] as [number[], number[]]
    return ops.every((op) => op === OPS.rectangle)
      ? ops.map((_, n) => args.slice(n * 4, n * 4 + 4).map((pt) => pt * MM) as Box)
      : []
  })
  return { words, boxes, wideMm: wide * MM, highMm: high * MM }
}
/** What a code of squares says, drawn as large as a camera would see it. */
function readCode(squares: readonly Box[]): string | undefined {
  const each = squares[0]![2]
  const [left, top] = [Math.min(...squares.map(([x]) => x)), Math.min(...squares.map(([, y]) => y))]
  const size = Math.round((Math.max(...squares.map(([x]) => x)) - left) / each) + 1
  const [zoom, quiet] = [6, 4]
  const side = (size + 2 * quiet) * zoom
  const pixels = new Uint8ClampedArray(side * side * 4).fill(255)
  for (const [x, y] of squares)
    for (let row = 0; row < zoom; row++)
      for (let column = 0; column < zoom; column++) {
        const px = (Math.round((x - left) / each) + quiet) * zoom + column
        const py = (Math.round((y - top) / each) + quiet) * zoom + row
        pixels.fill(0, (py * side + px) * 4, (py * side + px) * 4 + 3)
      }
  return jsQR(pixels, side, side)?.data
}

beforeAll(async () => {
  await database.connect()
  await newHousehold(household)
  const body = tray.parse({
    name: '24-cell tray',
    containerId: 'tray-24',
    rows: 4,
    columns: 6,
    groups: [
      { code: 'A', name: 'Genovese', cropId: 'basil' },
      { code: 'B', name: LONG, cropId: 'pumpkin' },
      { code: 'C', name: 'Řepa Žlutá', cropId: 'beetroot' },
    ],
    cells: [...Array(6).fill('A'), ...Array(6).fill('B'), ...Array(12).fill('C')],
  })
  await call('PUT', `/api/households/${household}/trays/${trayId}`, { version: 0, body })
})
afterAll(async () => {
  await database.query('delete from household where household_id = $1', [household])
  await database.end()
})

describe('labels on a sheet of the reader’s own', () => {
  const sheet = {
    pageWidthMm: 210,
    pageHeightMm: 297,
    labelWidthMm: 70,
    labelHeightMm: 36,
    columns: 2,
    rows: 7,
    leftMm: 12.3,
    topMm: 15.5,
    gapXMm: 5.2,
    gapYMm: 2.4,
  }
  const query = new URLSearchParams({
    trays: trayId,
    kind: 'cup',
    paper: 'own',
    copies: 'pot',
    start: '12',
    ...Object.fromEntries(Object.entries(sheet).map(([key, value]) => [key, String(value)])),
  })
  // 24 labels from the 12th place on: three on the first sheet, fourteen on the second, seven on the third.
  it('lie within 0.3 mm of where the sheet has them, and no word reaches over the edge', async () => {
    const document = await pdf(`labels.pdf?${query}`)
    expect(document.numPages).toBe(3)
    const spots = labelSpots(sheet, 24, 12)
    for (let page = 0; page < 3; page++) {
      const { words, wideMm, highMm } = await sheetOf(document, page + 1)
      expect([wideMm, highMm].map((mm) => Math.round(mm * 10) / 10)).toEqual([210, 297])
      const here = spots.filter((spot) => spot.page === page)
      let within = 0
      for (const { x, y } of here) {
        const own = words.filter(
          (word) =>
            word.x > x - 1 &&
            word.x < x + sheet.labelWidthMm &&
            word.y > y &&
            word.y < y + sheet.labelHeightMm,
        )
        within += own.length
        expect(own.length).toBeGreaterThan(2)
        // Words begin 1.6 mm from the edge of their label.
        expect(Math.abs(Math.min(...own.map((word) => word.x)) - (x + 1.6))).toBeLessThan(0.3)
        for (const word of own) expect(word.x + word.width).toBeLessThanOrEqual(x + sheet.labelWidthMm)
      }
      expect(within).toBe(words.length)
    }
  })
  it('carry a code that leads to the tray, and every letter of the name', async () => {
    const document = await pdf(`labels.pdf?${new URLSearchParams({ trays: trayId, kind: 'cup' })}`)
    const { words, boxes } = await sheetOf(document)
    const plain = onPlainPaper('a4', 63, 38)
    const [first] = labelSpots(plain, 1)
    const squares = boxes.filter(
      ([x, y, w]) => w < 2 && x < first!.x + plain.labelWidthMm && y < first!.y + plain.labelHeightMm,
    )
    expect(readCode(squares)).toBe(`${base}/trays/${trayId}`)
    const all = words
      .map(({ text }) => text)
      .join(' ')
      .replace(/\s+/g, ' ')
    expect(all).toContain('Genovese, Sweet basil')
    for (const word of LONG.split(' ')) expect(all).toContain(word)
    // Letters from two files of the type stand one after the other.
    expect(all.replaceAll(' ', '')).toContain('ŘepaŽlutá')
  })
})

it('draws the key of a tray: each cell with its letter, the table beneath, a code', async () => {
  const document = await pdf(`key.pdf?${new URLSearchParams({ trays: trayId })}`)
  const { words, boxes } = await sheetOf(document)
  const letters = words.map(({ text }) => text).filter((text) => /^[ABC]$/.test(text))
  expect(letters.length).toBe(24 + 3)
  expect(words.map(({ text }) => text)).toEqual(expect.arrayContaining(['Tray 1', 'up', 'Genovese']))
  expect(readCode(boxes.filter(([, , w]) => w < 1))).toBe(`${base}/trays/${trayId}`)
})

it.each([
  ['labels.pdf?kind=stake', 'trays'],
  [`labels.pdf?trays=${trayId}&paper=own&columns=9&labelWidthMm=70`, 'columns'],
  [`labels.pdf?trays=${trayId}&paper=own&labelHeightMm=2`, 'labelHeightMm'],
  [`labels.pdf?trays=${trayId}&start=900`, 'start'],
  ['key.pdf', 'trays'],
])('says what is wrong with %s', async (path, field) => {
  const { status, body } = await call('GET', `/api/households/${household}/${path}`)
  expect([status, body.errors[0].field]).toEqual([422, expect.stringContaining(field)])
})
it('has no labels for a tray that is gone', async () => {
  const { status } = await call('GET', `/api/households/${household}/labels.pdf?trays=${randomUUID()}`)
  expect(status).toBe(404)
})
