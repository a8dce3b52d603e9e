import { randomUUID } from 'node:crypto'
import AxeBuilder from '@axe-core/playwright'
import { SEASON } from '../shared/test/season'
import { test as base, expect, type APIRequestContext, type Page } from '@playwright/test'

/* Every test has a household of its own, and fails on anything in the console or any request that leaves loopback. */

export interface Household {
  id: string
  put(
    collection: string,
    body: object,
    id?: string,
    version?: number,
  ): Promise<{ id: string; version: number; number: number }>
  /** Frosts, shelf and methods; what is not given is as in SEASON. */
  setSeason(more?: object, units?: 'metric' | 'us' | 'imperial'): Promise<void>
  list(collection: string): Promise<{ id: string; version: number; body: Record<string, never> }[]>
}

/** The household of the demonstration, which stands beside those of the tests. */
export const DEMO = '0b1a5700-de30-4000-8000-000000000001'

const TOOLS = [
  { name: 'Teaspoon', kind: 'spoon', capacityMl: 5 },
  { name: '10 mL syringe', kind: 'syringe', capacityMl: 10 },
  { name: 'Kitchen scale', kind: 'kitchen scale', capacityMl: null },
  { name: 'Yoghurt pot', kind: 'scoop', capacityMl: 500 },
  { name: 'Blue jug', kind: 'jug', capacityMl: 2000 },
]

const BENCH = { name: 'Test bench', place: '', units: 'metric' }
async function makeHousehold(request: APIRequestContext): Promise<Household> {
  const id = randomUUID()
  const address = `/api/households/${id}`
  const household: Household = {
    id,
    async put(collection, body, recordId = randomUUID(), version = 0) {
      const answer = await request.put(`${address}/${collection}/${recordId}`, { data: { version, body } })
      expect(answer.status(), await answer.text()).toBe(200)
      return answer.json()
    },
    async setSeason(more = {}, units = 'metric') {
      const body = { ...BENCH, units, season: { ...SEASON, ...more } }
      const answer = await request.put(address, { data: { version: 1, body } })
      expect(answer.status(), await answer.text()).toBe(200)
    },
    list: async (collection) => (await request.get(`${address}/${collection}`)).json(),
  }
  await request.put(address, { data: { version: 0, body: BENCH } })
  for (const tool of TOOLS) await household.put('tools', tool)
  return household
}

export const test = base.extend<{
  request: APIRequestContext
  household: Household
  expectNoise: (pattern: RegExp) => void
  watched: null
}>({
  // A server closes a connection on which nothing was said for a while; who asks on it just then asks again, as a browser does.
  request: async ({ request }, use) => {
    for (const verb of ['get', 'put', 'post', 'delete'] as const) {
      const once = request[verb].bind(request)
      request[verb] = (url, options) => once(url, { maxRetries: 3, ...options })
    }
    await use(request)
  },
  household: async ({ request, context, baseURL }, use) => {
    const household = await makeHousehold(request)
    await context.addCookies([{ name: 'household', value: household.id, url: baseURL! }])
    await use(household)
  },
  expectNoise: async ({ context: _ }, use) => use((pattern) => tolerated.push(pattern)),
  watched: [
    async ({ context, household: _ }, use) => {
      const noise: string[] = []
      tolerated.length = 0
      context.on('console', (message) => noise.push(`${message.type()}: ${message.text()}`))
      context.on('weberror', (error) => noise.push(String(error.error())))
      context.on('request', (request) => {
        const { protocol, hostname } = new URL(request.url())
        if (/^https?:$/.test(protocol) && hostname !== '127.0.0.1')
          noise.push(`left loopback: ${request.url()}`)
      })
      await use(null)
      expect(noise.filter((line) => !tolerated.some((pattern) => pattern.test(line)))).toEqual([])
    },
    { auto: true },
  ],
})
const tolerated: RegExp[] = []

export { expect }

/** Go somewhere and wait until the page is alive, not only painted. */
export async function goTo(page: Page, path: string) {
  await page.goto(path)
  await page.waitForFunction(() =>
    Boolean(
      (window as unknown as { useNuxtApp?: () => { isHydrating: boolean } }).useNuxtApp?.() &&
      !(window as unknown as { useNuxtApp: () => { isHydrating: boolean } }).useNuxtApp().isHydrating,
    ),
  )
}

/** No WCAG A or AA violation that axe can see. */
export async function expectAccessible(page: Page) {
  // A list that is open hangs at the end of the body, outside the landmarks, and covers what is not pressed meanwhile.
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .disableRules((await page.getByRole('listbox').count()) ? ['region', 'target-size'] : [])
    .analyze()
  expect(
    violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target).join(' | ')}`),
  ).toEqual([])
}

/** A list that opens while the page still moves under it closes again: then it is opened once more, as anybody would. */
export async function choose(page: Page, label: string, option: string | RegExp) {
  const field = page.getByRole('combobox', { name: label, exact: true })
  const wanted = page.getByRole('option', { name: option })
  await expect(async () => {
    if ((await field.getAttribute('aria-expanded')) !== 'true') await field.click()
    await wanted.click({ timeout: 5_000 })
  }).toPass()
}

/** What is folded away is opened. */
export async function unfold(page: Page, title: string | RegExp) {
  const head = page.getByRole('button', { name: title }).first()
  if ((await head.getAttribute('aria-expanded')) === 'false') await head.click()
}

export const SOWING_BATCH = {
  name: 'Sowing',
  recipeId: 'lean-and-light',
  parts: [
    { materialId: 'coir', parts: 3 },
    { materialId: 'castings', parts: 1 },
    { materialId: 'perlite', parts: 1 },
  ],
  fills: [{ containerId: 'tray-72', count: 2, coverMm: 5, coverMaterialId: 'vermiculite' }],
  allowances: { fill: 0.9, fillUnderCover: 0.75, blockCompression: 2, mixingLossK: 0.1, spare: 0.05 },
  scoop: { name: 'Yoghurt pot', volumeL: 0.5 },
  packIds: {},
  extras: [],
  preparations: [],
  feel: 'wrung-out sponge',
  tubL: null,
}

export const daysAgo = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10)

/** A tray of 24 snapdragons, sown so many days ago and up a week later. */
export async function standingTray(household: Household, age = 20) {
  const tray = await household.put('trays', {
    name: '24-cell tray',
    containerId: 'tray-24',
    rows: 4,
    columns: 6,
    placeId: 'shelf',
    recipeId: 'lean-and-light',
    groups: [{ code: 'A', name: 'Snapdragon', cropId: 'snapdragon' }],
    cells: Array(24).fill('A'),
  })
  const cells = Array.from({ length: 24 }, (_, i) => [i, 1])
  for (const [what, kind, days] of [
    ['sown', 'stage', age],
    ['up', 'look', age - 7],
  ] as const)
    await household.put('entries', {
      name: what,
      kind,
      on: daysAgo(days),
      subjects: [{ what: 'trays', id: tray.id }],
      cells: [{ trayId: tray.id, group: 'A', what, cells }],
    })
  return tray
}
