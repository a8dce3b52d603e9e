import { describe, expect, it } from '@jest/globals'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { base, call } from './test/calling'

/* The season, the week, cards and a year on paper, as a reader of PDF finds them. */
const DEMO = `/api/households/0b1a5700-de30-4000-8000-000000000001`
const MM = 25.4 / 72

async function paper(path: string) {
  const answer = await fetch(`${base}${DEMO}/papers/${path}`)
  expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/pdf'])
  const document = await getDocument({ data: new Uint8Array(await answer.arrayBuffer()), verbosity: 0 })
    .promise
  const pages = []
  for (let number = 1; number <= document.numPages; number++) {
    const page = await document.getPage(number)
    const [, , wide, high] = page.view as [number, number, number, number]
    const { items } = await page.getTextContent()
    const words = items.flatMap((item) =>
      'str' in item && item.str.trim()
        ? [
            {
              text: item.str,
              x: item.transform[4] * MM,
              y: item.transform[5] * MM,
              right: (item.transform[4] + item.width) * MM,
            },
          ]
        : [],
    )
    pages.push({ wide: wide * MM, high: high * MM, words })
  }
  const text = pages
    .flatMap(({ words }) => words.map((one) => one.text))
    .join(' ')
    .replace(/\s+/g, ' ')
  return { pages, text }
}
interface Kept {
  id: string
  body: { name: string; parts: { materialId: string }[] }
}
const list = async (collection: string) =>
  (await call('GET', `${DEMO}/${collection}`)).body as unknown as Kept[]

describe('on paper', () => {
  it('every word lies on its sheet, on A4 and on letter', async () => {
    for (const [size, wide] of [
      ['a4', 210],
      ['letter', 215.9],
    ] as const)
      for (const path of ['season?', 'week?', 'year?year=2027&']) {
        const { pages } = await paper(`${path}size=${size}`)
        for (const one of pages) {
          expect(one.wide).toBeCloseTo(wide, 1)
          for (const word of one.words) {
            expect(word.x).toBeGreaterThan(10)
            expect(word.right).toBeLessThan(one.wide - 8)
            expect(word.y).toBeGreaterThan(6)
          }
        }
      }
  })

  it('the season names every sowing that is planned, and says what mixes it asks for', async () => {
    const { text } = await paper('season')
    const { jobs } = (await call('GET', `${DEMO}/today`)).body as unknown as {
      jobs: { of: { sowingId: string }[] }[]
    }
    const wanted = new Set(jobs.flatMap(({ of }) => of.map(({ sowingId }) => sowingId)))
    const sowings = (await list('sowings')).filter(({ id }) => wanted.has(id))
    expect(sowings.length).toBeGreaterThan(3)
    for (const { body } of sowings) expect(text).toContain(body.name.split(' ')[0])
    expect(text).toContain('mg/L N')
  })

  it('a card says what the batch is made of and each of its steps', async () => {
    const [batch] = await list('batches')
    const { text } = await paper(`batch?id=${batch!.id}`)
    const materials = (await list('materials')) as unknown as {
      body: { basedOn: string | null; name: string }
    }[]
    expect(text).toContain(batch!.body.name.split(' ')[0])
    expect(text).toMatch(/Measure into the tub/)
    expect(text).toMatch(/Dust/)
    for (const { materialId } of batch!.body.parts)
      expect(text.toLowerCase()).toContain(
        (materials.find(({ body }) => body.basedOn === materialId)?.body.name ?? materialId)
          .split(/[ ,]/)[0]!
          .toLowerCase(),
      )
  })

  it('what is not there, and what is not said, is refused in words', async () => {
    const gone = await call('GET', `${DEMO}/papers/batch?id=7b9f5a43-29c1-4c4e-8a3b-3b7c58f8b001`)
    expect(gone.status).toBe(404)
    const unsaid = await call('GET', `${DEMO}/papers/year`)
    expect([unsaid.status, (unsaid.body as { detail: string }).detail]).toEqual([
      422,
      expect.stringMatching(/which year/),
    ])
  })
})
