import { randomUUID } from 'node:crypto'
import type { Page } from '@playwright/test'
import { expect, expectAccessible, goTo, test, type Household } from './fixture'

/* Trays as a grower meets them: laid out, sown, counted, moved on, labelled; by pointer, by finger, by keyboard, by two. */
test.beforeEach(async ({ page, household }) => {
  await page.clock.setFixedTime(new Date('2027-04-01T09:00:00'))
  await household.setSeason()
})

const sowing = (household: Household, name: string, cropId: string, cells: number) =>
  household.put('sowings', {
    name,
    cropId,
    plants: Math.max(1, Math.floor(cells / 2)),
    cells,
    sowOn: '2027-04-01',
    seedsPerCell: 1,
    stages: [
      { kind: 'sow', containerId: 'tray-24', recipeId: 'lean-and-light', part: 1 },
      { kind: 'harden', containerId: null, recipeId: null, part: 0 },
    ],
  })
const laid = (household: Household, more: object = {}) =>
  household.put('trays', {
    name: '24-cell tray',
    containerId: 'tray-24',
    rows: 4,
    columns: 6,
    placeId: 'shelf',
    groups: [{ code: 'A', name: 'Snapdragon', cropId: 'snapdragon' }],
    cells: [...Array(18).fill('A'), ...Array(6).fill('')],
    ...more,
  })
/** The same tray with a seed in each of its cells since 20 March. */
async function sown(household: Household) {
  const tray = await laid(household)
  await household.put('entries', {
    name: 'Sown',
    kind: 'stage',
    on: '2027-03-20',
    subjects: [{ what: 'trays', id: tray.id }],
    cells: [
      { trayId: tray.id, group: 'A', what: 'sown', cells: Array.from({ length: 18 }, (_, i) => [i, 1]) },
    ],
  })
  return tray
}
/** The middle of a cell of a 24-cell tray, on screen. */
async function middle(page: Page, row: number, cell: number) {
  const { x, y, width, height } = (await drawing(page).boundingBox())!
  return [x + (width * (9 + cell * 65 + 31)) / 405, y + (height * (9 + row * 65 + 31)) / 275] as const
}
const drawing = (page: Page) => page.locator('svg[aria-label*="from above"]')
async function stroke(page: Page, from: [number, number], to: [number, number]) {
  await page.mouse.move(...(await middle(page, ...from)))
  await page.mouse.down()
  await page.mouse.move(...(await middle(page, ...to)), { steps: 8 })
  await page.mouse.up()
}
const cells = async (household: Household, id: string) =>
  (await household.list('trays')).find((one) => one.id === id)!.body.cells as unknown as string[]

test('from what the season asks for to the pots the plants stand in', async ({ page, household }) => {
  test.slow()
  const snapdragon = await sowing(household, 'Snapdragon', 'snapdragon', 8)
  await sowing(household, 'Alyssum', 'alyssum', 6)
  await goTo(page, '/trays')
  await expect(page.getByText('24-cell tray: 8 cells of Snapdragon, 6 cells of Alyssum')).toBeVisible()
  await page.getByRole('button', { name: 'Lay out' }).click()
  await expect(page.getByRole('heading', { name: 'Tray 1' })).toBeVisible()
  const { id } = (await household.list('trays'))[0]!
  const order = (await cells(household, id)).slice(0, 14)
  expect(new Set(order).size).toBe(2)
  expect(order.join('')).toMatch(/^A+B+$/)

  // The edge between the two is dragged a cell on, and taken back before the page has heard that it was kept; what is
  // typed fills the cells that are left.
  await page.route(
    `**/trays/${id}`,
    async (route) => {
      const response = await route.fetch()
      await new Promise((resolve) => setTimeout(resolve, 700))
      await route.fulfill({ response })
    },
    { times: 1 },
  )
  const edge = (await page.locator('.handle').boundingBox())!
  await page.mouse.move(edge.x + edge.width / 2, edge.y + edge.height / 2)
  await page.mouse.down()
  await page.mouse.move(edge.x + edge.width / 2 + 60, edge.y + edge.height / 2, { steps: 6 })
  await page.mouse.up()
  await expect
    .poll(async () => (await cells(household, id)).join(''))
    .not.toBe([...order, ...Array(10).fill('')].join(''))
  await page.keyboard.press('Control+z')
  await expect.poll(async () => (await cells(household, id)).slice(0, 14)).toEqual(order)
  await page.getByLabel('Fill row by row').fill('8 chard, 4 kinds, 2 each')
  await page.getByRole('button', { name: 'Lay out 8 cells' }).click()
  await expect(page.getByText('Chard, kind 4 of 4', { exact: true })).toBeVisible()
  expect((await household.list('sowings')).length).toBe(6)
  await expect.poll(async () => new Set(await cells(household, id)).size).toBe(7)
  await expect(page.getByText('mark the heavy edge')).toBeVisible()

  // Sown, group by group; the season follows once all of it is.
  const lines = page.locator('li.group')
  await lines.filter({ hasText: 'Snapdragon' }).getByRole('button', { name: 'Sown' }).click()
  await expect(page.getByText('Sown: Snapdragon, Thu 1 Apr.')).toBeVisible()
  await lines.filter({ hasText: 'Alyssum' }).getByRole('button', { name: 'Sown' }).click()
  const entries = await household.list('entries')
  expect(
    entries.some(({ body }) =>
      (body.subjects as unknown as { id: string }[]).some((one) => one.id === snapdragon.id),
    ),
  ).toBe(true)

  // Typed as it is said, refused where it cannot be.
  await page.getByRole('button', { name: 'Count', exact: true }).click()
  const count = lines.filter({ hasText: 'Snapdragon' }).getByRole('textbox')
  await count.fill('9 of 8')
  await count.press('Enter')
  await expect(page.getByText('9 cannot be up of 8.')).toBeVisible()
  await count.fill('7 of 8')
  await count.press('Enter')
  await expect(page.getByText('7 of 8 up').first()).toBeVisible()
  await expect(page.getByText('88 % of seeds; 19 times in 20 it lies between 53 % and 98 %')).toBeVisible()

  // Four go on by number; the tray they came from is known to the new one.
  await page.getByRole('button', { name: 'Move and thin' }).click()
  await page.getByRole('button', { name: 'Move on by number' }).click()
  await page.getByRole('textbox', { name: 'Plants', exact: true }).fill('4')
  await page.getByRole('button', { name: 'Move them on' }).click()
  await expect(page.getByText('4 plants moved to tray 2.')).toBeVisible()
  await expect(page.getByText('4 moved on · 3 growing')).toBeVisible()
  await page.getByRole('link', { name: 'tray 2' }).first().click()
  await expect(page.getByRole('heading', { name: 'Tray 2' })).toBeVisible()
  await expect(page.getByText('4 plants of tray 1')).toBeVisible()
  await expectAccessible(page)
})

test('is counted stroke by stroke, kept once, and taken back', async ({ page, household }) => {
  const { id } = await sown(household)
  await goTo(page, `/trays/${id}`)
  await stroke(page, [0, 0], [0, 5])
  await stroke(page, [1, 0], [1, 2])
  await expect(page.getByText('9 of 18 up')).toBeVisible()
  // A stroke is taken back before anything else is, and a reload forgets nothing.
  await page.keyboard.press('Control+z')
  await expect(page.getByText('6 of 18 up')).toBeVisible()
  await page.reload()
  await expect(page.getByText('6 of 18 up')).toBeVisible()
  await page.getByRole('button', { name: 'Save count' }).click()
  await expect(page.getByText('6 of 18 up ·')).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByText('6 of 18 up ·')).toBeHidden()
  // Cells that are sown are not painted over.
  await page.getByRole('button', { name: 'Lay out', exact: true }).click()
  await page.getByRole('button', { name: 'Clear cells' }).click()
  await stroke(page, [0, 0], [0, 3])
  await expect(page.getByText('Cells that are sown keep their group.')).toBeVisible()
  expect((await cells(household, id)).filter((code) => code === 'A').length).toBe(18)
})

test('is counted and chosen by keyboard alone', async ({ page, household }) => {
  const { id } = await sown(household)
  await goTo(page, `/trays/${id}`)
  await drawing(page).focus()
  await page.keyboard.press('1')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Space')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Shift+ArrowRight')
  await expect(page.getByText('row 2, cell 3: A, Snapdragon: 1 up')).toBeAttached()
  await expect(page.getByText('4 of 18 up')).toBeVisible()
  await page.keyboard.press('r')
  await expect(page.getByText('18 of 18 up')).toBeVisible()
  await page.getByRole('button', { name: 'Save count' }).press('Enter')
  await expect(page.getByText('Counted: 18 of 18')).toBeVisible()
  await page.getByRole('button', { name: 'Move and thin' }).press('Enter')
  await drawing(page).focus()
  await page.keyboard.press('r')
  await expect(page.getByText('18 plants in 18 cells')).toBeVisible()
  await page.getByRole('button', { name: 'Lost' }).press('Enter')
  await expect(page.getByText('18 lost · 0 growing')).toBeVisible()
  await page.getByRole('button', { name: 'Mark as empty' }).press('Enter')
  await expect(page.getByText('empty since')).toBeVisible()
})

test.describe('with a finger', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  test('cells are dragged over, and one that is held is asked about', async ({ page, household }) => {
    const { id } = await sown(household)
    await goTo(page, `/trays/${id}`)
    await drawing(page).scrollIntoViewIfNeeded()
    const touch = await page.context().newCDPSession(page)
    const at = async (type: 'touchStart' | 'touchMove' | 'touchEnd', row = 0, cell = 0) => {
      const [x, y] = await middle(page, row, cell)
      await touch.send('Input.dispatchTouchEvent', {
        type,
        touchPoints: type === 'touchEnd' ? [] : [{ x, y }],
      })
    }
    await at('touchStart', 0, 0)
    for (let cell = 1; cell < 6; cell++) await at('touchMove', 0, cell)
    await at('touchEnd')
    await expect(page.getByText('6 of 18 up')).toBeVisible()
    await at('touchStart', 2, 3)
    await expect(page.getByRole('dialog')).toBeVisible()
    await at('touchEnd')
    await page.getByRole('textbox', { name: 'Up', exact: true }).fill('1')
    await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('7 of 18 up').first()).toBeVisible()
    await expectAccessible(page)
    // The thumb reaches the places at the foot.
    await page.getByRole('link', { name: 'Records' }).click()
    await expect(page.getByRole('heading', { level: 1, name: 'Log' })).toBeVisible()
  })
})

test('two who count its halves at once both keep their counts', async ({
  page,
  browser,
  household,
  baseURL,
}) => {
  const { id } = await sown(household)
  const other = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  await other.addCookies([{ name: 'household', value: household.id, url: baseURL! }])
  const theirs = await other.newPage()
  await theirs.clock.setFixedTime(new Date('2027-04-01T09:00:00'))
  await goTo(page, `/trays/${id}`)
  await goTo(theirs, `${baseURL}/trays/${id}`)
  await stroke(page, [0, 0], [0, 5])
  await stroke(theirs, [1, 0], [1, 5])
  await page.getByRole('button', { name: 'Save count' }).click()
  await theirs.getByRole('button', { name: 'Save count' }).click()
  await expect(theirs.getByText('Counted:')).toBeVisible()
  await page.reload()
  await expect(page.getByText('12 of 18 up ·')).toBeVisible()
  await other.close()
})

test('labels are seen as they come out, and a tray that is gone says so', async ({ page, household }) => {
  const { id } = await laid(household)
  await goTo(page, `/trays/labels?trays=${id}`)
  await expect(page.getByRole('img', { name: /Snapdragon/ })).toBeVisible()
  const [sheet] = await Promise.all([
    page.waitForEvent('popup').then((popup) => popup.url()),
    page.getByRole('link', { name: '1 label as PDF' }).click(),
  ])
  expect(sheet).toContain('/labels.pdf?')
  await page.getByRole('combobox', { name: 'On', exact: true }).click()
  await page.getByRole('option', { name: 'a sheet of labels, by its measures' }).click()
  await page.getByRole('textbox', { name: 'Side by side' }).fill('9')
  await expect(page.getByText(/9 side by side reach .* mm; the paper is 210 mm wide/)).toBeVisible()
  await expect(page.getByRole('link', { name: '1 label as PDF' })).toBeHidden()
  await expectAccessible(page)
  await goTo(page, `/trays/${randomUUID()}`)
  await expect(page.getByRole('heading', { name: 'Tray not found' })).toBeVisible()
})
