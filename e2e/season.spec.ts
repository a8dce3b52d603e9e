import type { Page } from '@playwright/test'
import { expect, expectAccessible, goTo, test, type Household } from './fixture'
import { SHELF } from '../shared/test/season'

const TODAY = '2027-03-20'
test.beforeEach(async ({ page }) => {
  await page.clock.setFixedTime(new Date(`${TODAY}T09:00:00`))
})

const sowing = (household: Household, name: string, cropId: string, more: object = {}) =>
  household.put('sowings', { name, cropId, plants: 48, sowOn: TODAY, certainty: 0.9, ...more })

test('from a sentence to the bench card', async ({ page, household }) => {
  await goTo(page, '/plan')
  const day = async (label: string, text: string) => {
    await page.getByLabel(label).fill(text)
    await page.keyboard.press('Tab')
  }
  // In the reader’s order of day and month, as a British browser has it.
  await day('First autumn frost', '01/04/2027')
  await day('Last spring frost', '08/05/2027')
  await expect(page.getByText('The first frost of autumn comes after the last of spring.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Save' })).toBeDisabled()
  await day('First autumn frost', '12/10/2027')
  // Nothing is filled in that was not said: no shelf, no lamp.
  await expect(page.getByRole('button', { name: 'Save' })).toBeDisabled()
  await page.getByRole('button', { name: 'Shelf', exact: true }).click()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Save' }).click()

  const sentence = page.getByLabel('What do you want to grow?')
  await sentence.fill('48 moon trees by 20 May')
  await expect(page.getByText(/is no crop that is known here/)).toBeVisible()
  await sentence.fill('48 basil by 31 April')
  await expect(page.getByText(/There is no 31 April/)).toBeVisible()
  await sentence.fill('48 good plants of sweet basil by 29 May')
  // 4 seeds a cell at 80 %, one in twenty lost, 90 % sure of 48: 53 cells.
  await expect(page.getByText('in 53 cells of 4')).toBeVisible()
  await expect(page.getByText(/^Out .*29.*\.$/)).toBeVisible()
  await page.getByRole('button', { name: 'Plan', exact: true }).click()
  await expect(page.getByRole('slider', { name: 'Sweet basil' })).toBeVisible()
  await expect(page.getByText('Plant out', { exact: true })).toBeVisible()
  await expectAccessible(page)

  await goTo(page, '/batches')
  await page.getByLabel('Show the whole season').check()
  await page
    .getByRole('region', { name: 'Mixes to make' })
    .getByRole('button', { name: 'Card' })
    .first()
    .click()
  await expect(page.getByRole('heading', { level: 1, name: /basil/i })).toBeVisible()
  const [batch] = (await household.list('batches')) as unknown as {
    body: { fills: { containerId: string }[] }
  }[]
  expect(batch!.body.fills[0]!.containerId).toBe('tray-72')
})

test('a crop that cannot finish before autumn’s frost is told the latest days that can', async ({
  page,
  household,
}) => {
  await household.setSeason()
  await goTo(page, '/plan')
  const sentence = page.getByLabel('What do you want to grow?')
  await sentence.fill('48 tomatoes by 20 September')
  // Ten weeks outside before 12 October, and six weeks raised before that (common practice).
  await expect(page.getByText(/cannot finish before autumn frost/)).toContainText(
    'sow Tue 22 Jun, plant out Tue 3 Aug',
  )
  await sentence.fill('48 tomatoes by 3 August')
  await expect(page.getByText(/^Out .*3 Aug/)).toBeVisible()
  await expect(page.getByText(/cannot finish/)).toBeHidden()
  await sentence.fill('30000 tomatoes by 3 August')
  await expect(page.getByText(/Plants wanted: a whole number, 1 to 20,000/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Plan', exact: true })).toBeDisabled()
  await sentence.fill('48 tomatoes by 3 August 2031')
  await expect(page.getByText(/outside this season/)).toBeVisible()
  expect(await household.list('sowings')).toEqual([])
})

test.describe('on a phone, by touch', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

  test('a season is planned, its schedule opened, and today’s work ticked off and taken back', async ({
    page,
    household,
  }) => {
    await household.setSeason()
    await goTo(page, '/plan')
    await page.getByLabel('What do you want to grow?').fill('24 chard by 8 May')
    await page.getByRole('button', { name: 'Plan', exact: true }).tap()
    await expect(page.getByText('Plant out', { exact: true })).toBeVisible()
    await page.getByRole('button', { name: 'Close', exact: true }).tap()
    await expect(page.getByText('Plant out', { exact: true })).toBeHidden()
    await page.getByRole('slider', { name: 'Chard' }).tap()
    await expect(page.getByText('Plant out', { exact: true })).toBeVisible()
    await sowing(household, 'Kale', 'kale')
    await goTo(page, '/')
    const tick = page.getByRole('button', { name: /^Sow Kale: / })
    const box = (await tick.boundingBox())!
    expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(44)
    await tick.tap()
    await expect(tick).toHaveAttribute('aria-pressed', 'true')
    // It stands on its place from now on.
    await expect(
      page.getByRole('region', { name: 'Shelf' }).getByRole('link', { name: /^Kale, / }),
    ).toBeVisible()
    await tick.tap()
    await expect(tick).toHaveAttribute('aria-pressed', 'false')
    expect(await household.list('entries')).toEqual([])
  })
})

/** What the server has done, but the page does not know of until it is let through. */
async function answersHeld(page: Page) {
  let letThrough = () => {}
  const held = new Promise<void>((resolve) => (letThrough = resolve))
  await page.route('**/commands', async (route) => {
    const response = await route.fetch()
    await held
    await route.fulfill({ response })
  })
  return letThrough
}

test('successions come as one change, and go with one undo', async ({ page, household }) => {
  await household.setSeason()
  await goTo(page, '/plan')
  await page.getByLabel('What do you want to grow?').fill('36 lettuce by 1 May, 3 times every 2 weeks')
  await page.getByRole('button', { name: 'Plan', exact: true }).click()
  await expect(page.getByRole('slider')).toHaveCount(3)
  expect((await household.list('sowings')).map(({ body }) => body.outOn).sort()).toEqual([
    '2027-05-01',
    '2027-05-15',
    '2027-05-29',
  ])
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('slider')).toHaveCount(0)
})

test('a sowing is dragged and its mix, feed and shelf move along', async ({ page, household }) => {
  await household.setSeason()
  await sowing(household, 'Tomato', 'tomato', { sowOn: '2027-04-02' })
  await goTo(page, '/plan')
  const row = page.getByRole('slider', { name: 'Tomato' })
  const mixes = page.locator('rect.outline')
  const before = await mixes.first().getAttribute('x')
  const sowOn = async () => (await household.list('sowings'))[0]!.body.sowOn as unknown as string

  const bar = (await row.locator('.stage').first().boundingBox())!
  await page.mouse.move(bar.x + bar.width / 2, bar.y + bar.height - 3)
  await page.mouse.down()
  await page.mouse.move(bar.x + bar.width / 2 + 60, bar.y + bar.height - 3, { steps: 6 })
  // Before it is let go the demand has moved.
  await expect(mixes.first()).not.toHaveAttribute('x', before!)
  expect(await sowOn()).toBe('2027-04-02')
  // Whoever is faster than the answer takes the same thing back.
  const answered = await answersHeld(page)
  await page.mouse.up()
  await expect.poll(sowOn).not.toBe('2027-04-02')
  const dragged = await sowOn()
  expect(dragged > '2027-04-02').toBe(true)
  await page.keyboard.press('Control+z')
  answered()
  await expect.poll(sowOn).toBe('2027-04-02')
  await page.keyboard.press('Control+Shift+z')
  await expect.poll(sowOn).toBe(dragged)
  await page.keyboard.press('Control+z')
  await expect.poll(sowOn).toBe('2027-04-02')

  // As fast as keys repeat.
  await row.focus()
  for (const key of ['ArrowRight', 'ArrowRight', 'Shift+ArrowLeft']) await page.keyboard.press(key)
  await expect.poll(sowOn).toBe('2027-03-28')

  const edge = (await row.locator('.edge').first().boundingBox())!
  await page.mouse.move(edge.x + edge.width / 2, edge.y + edge.height / 2)
  await page.mouse.down()
  await page.mouse.move(edge.x + edge.width / 2 + 45, edge.y + edge.height / 2, { steps: 4 })
  await page.mouse.up()
  const stages = async () =>
    (await household.list('sowings'))[0]!.body.stages as unknown as { days: number }[] | null
  await expect.poll(async () => (await stages())?.[0]!.days ?? 0).toBeGreaterThan(20)
  await expect(
    page
      .getByText('stages were edited')
      .or(page.getByRole('button', { name: 'Edit: stages' }))
      .first(),
  ).toBeVisible()
})

test('two who move the same sowing: the second chooses', async ({ page, household, expectNoise }) => {
  expectNoise(/409/)
  await household.setSeason()
  const { id } = await sowing(household, 'Tomato', 'tomato', { sowOn: '2027-04-02' })
  await goTo(page, '/plan')
  await page.getByRole('slider', { name: 'Tomato' }).press('Enter')
  await household.put(
    'sowings',
    { name: 'Tomato', cropId: 'tomato', plants: 60, sowOn: '2027-04-09', certainty: 0.9 },
    id,
    1,
  )
  await page.getByRole('button', { name: 'Edit: seed and numbers' }).click()
  await page.getByLabel('Plants wanted').fill('30')
  await expect(page.getByText(/changed elsewhere/)).toBeVisible()
  await expect(page.getByRole('row', { name: /^Plants/ })).toContainText('60')
  await expect(page.getByLabel('Plants wanted')).toHaveValue('30')
  await page.getByRole('button', { name: 'Keep mine' }).click()
  await expect
    .poll(async () => (await household.list('sowings'))[0]!.body.plants as unknown as number)
    .toBe(30)
})

test('an overflowing shelf is shown, and the smallest set of shifts makes it fit', async ({
  page,
  household,
}) => {
  await household.setSeason({ places: [{ ...SHELF, flats: 2 }] })
  for (const [name, cropId] of [
    ['Lettuce', 'lettuce'],
    ['Cosmos', 'cosmos'],
    ['Zinnia', 'zinnia'],
  ] as const)
    await sowing(household, name, cropId, { sowOn: '2027-04-20', scheduleId: 'cell' })
  await goTo(page, '/plan')
  const full = page.getByRole('region', { name: /Shelf: full/ })
  await expect(full).toContainText('3 flats needed, room for')
  await full.getByRole('button', { name: 'Find what to move' }).click()
  await expect(full.getByText('Everything fits if you move')).toBeVisible()
  await expect(full.getByRole('listitem')).toHaveCount(1)
  await expectAccessible(page)
  await full.getByRole('button', { name: 'Move them' }).click()
  await expect(full).toHaveCount(0)
  await page.getByRole('link', { name: 'Enough plants?' }).click()
  await page.getByRole('button', { name: 'Try 2000 seasons' }).click()
  await expect(page.getByText(/of seasons reach everything/)).toBeVisible()
})

test('today’s work is done with a key, undone with a key, and the season moves', async ({
  page,
  household,
}) => {
  await household.setSeason()
  // Due in three days: done today, everything after it comes three days earlier.
  await sowing(household, 'Tomato', 'tomato', { sowOn: '2027-03-23' })
  await sowing(household, 'Leek', 'leek', { sowOn: '2027-03-17' })
  await goTo(page, '/plan')
  const row = page.getByRole('slider', { name: 'Tomato' })
  const before = (await row.getAttribute('aria-valuetext'))!
  await page.keyboard.press('t')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Sat/)
  await expectAccessible(page)
  const sow = page.getByRole('button', { name: /^Sow Tomato/ })
  await sow.focus()
  await page.keyboard.press('d')
  const bench = page.getByRole('region', { name: 'At the bench' })
  await expect(bench.getByRole('button', { name: 'Sow Tomato: done, undo' })).toBeVisible()
  await page.keyboard.press('p')
  await expect(row).toBeVisible()
  const outOf = (text: string) => /out (.*)$/.exec(text)![1]
  expect(outOf((await row.getAttribute('aria-valuetext'))!)).not.toBe(outOf(before))
  await page.keyboard.press('t')
  await expect(bench.getByRole('button', { name: 'Sow Tomato: done, undo' })).toBeVisible()
  await page.keyboard.press('u')
  await expect(page.getByRole('region', { name: 'This week' })).toContainText('Sow Tomato')
  // Within its window it is due, not overdue.
  await expect(bench.getByRole('listitem').filter({ hasText: 'Sow Leek' })).not.toContainText('overdue')
  await page.getByRole('button', { name: /^Put off until tomorrow: Sow Leek/ }).click()
  await expect(page.getByRole('button', { name: /^Sow Leek/ })).toHaveCount(0)
})

test('what never came up is in danger, and is sown again in one press', async ({ page, household }) => {
  await household.setSeason()
  const { id } = await sowing(household, 'Tomato', 'tomato', { sowOn: '2027-03-01' })
  await household.put('entries', {
    name: 'sown',
    kind: 'stage',
    subjects: [{ what: 'sowings', id, stage: 0 }],
    on: '2027-03-01',
  })
  await goTo(page, '/')
  const danger = page
    .getByRole('region', { name: 'Shelf' })
    .getByRole('listitem')
    .filter({ hasText: 'urgent' })
  await expect(danger).toContainText('long overdue')
  await danger.getByRole('button', { name: 'Resow' }).click()
  await expect(page.getByRole('button', { name: /^Sow Tomato, again/ })).toBeVisible()
  // What never came stands no longer on the shelf, and nothing is asked of it any more.
  await expect(page.getByText(/twice the days are over/).first()).toBeHidden()
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click()
  await expect(danger).toContainText('long overdue')
  await expect(page.getByRole('button', { name: /^Sow Tomato, again/ })).toBeHidden()
})

test('sowing empties the packet, and what failed is given up and taken up again', async ({
  page,
  household,
}) => {
  await household.setSeason()
  const packet = await household.put('packets', {
    name: 'Red one',
    cropId: 'tomato',
    year: 2027,
    seeds: 400,
    germination: 0.9,
  })
  const { id } = await sowing(household, 'Tomato', 'tomato', { sowOn: TODAY, packetId: packet.id })
  await goTo(page, '/')
  await page.getByRole('button', { name: 'Sow Tomato: done', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Sow Tomato: done, undo' })).toBeVisible()
  await goTo(page, '/crops')
  await page.getByRole('option', { name: 'Tomato', exact: true }).click()
  await expect(page.getByText(/2027, [123]\d\d seeds/)).toBeVisible()
  await goTo(page, `/plan?sowing=${id}`)
  const panel = page.getByRole('region', { name: 'Tomato' })
  await panel.getByRole('button', { name: 'It failed' }).click()
  await expect(panel).toBeHidden()
  await page.getByText('Given up (1)').click()
  await page.getByRole('button', { name: 'Restore' }).click()
  await expect(page.getByText('Given up (1)')).toBeHidden()
})

test('the season leaves as a calendar, and the week on paper', async ({ page, household }) => {
  await household.setSeason()
  await sowing(household, 'Tomato', 'tomato')
  await goTo(page, '/plan')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Download calendar' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('season.ics')
  await goTo(page, '/')
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('heading', { name: /^The week from/ })).toBeVisible()
  await expect(page.getByText('Sow Tomato').last()).toBeVisible()
})

test('the season’s shopping list says what is short, of seed too, and by when', async ({
  page,
  household,
}) => {
  await household.setSeason()
  const packet = await household.put('packets', {
    name: 'Old leek',
    cropId: 'leek',
    year: 2026,
    seeds: 100,
    germination: 0.8,
  })
  await sowing(household, 'Leek', 'leek', { sowOn: '2027-04-10', plants: 120, packetId: packet.id })
  await household.put('stocks', {
    name: '1 L of perlite',
    kind: 'material',
    goodsId: 'perlite',
    size: { measure: 'loose', amount: 1 },
    price: 2.5,
    packs: 0.1,
  })
  await goTo(page, '/plan/shopping')
  const list = page.getByRole('region', { name: 'Shopping list' })
  await expect(list.getByRole('row', { name: /Perlite/ })).toContainText('1 L of perlite')
  await expect(list.getByRole('row', { name: /Perlite/ })).toContainText('Sat 10 Apr')
  await expect(list.getByRole('row', { name: /Seed: Old leek, 2026/ })).toContainText('100')
  await household.put(
    'packets',
    { name: 'Old leek', cropId: 'leek', year: 2026, seeds: 5000, germination: 0.8 },
    packet.id,
    1,
  )
  await page.reload()
  await expect(list.getByRole('row', { name: /Perlite/ })).toBeVisible()
  await expect(list.getByRole('row', { name: /Seed/ })).toHaveCount(0)
})

test('a crop is put right, and a packet remembers its test', async ({ page, household }) => {
  await household.setSeason()
  await goTo(page, '/crops')
  // Found by any of its names.
  await page.getByLabel('Find a crop').fill('eggplant')
  await expect(page.getByRole('option', { name: 'Aubergine' })).toBeVisible()
  await page.getByLabel('Find a crop').fill('leek')
  await page.getByRole('option', { name: 'Leek', exact: true }).click()
  await page.getByRole('button', { name: 'Edit', exact: true }).click()
  await page.getByLabel('Weeks, from').fill('10')
  await page.getByLabel('to', { exact: true }).fill('9')
  await expect(page.getByText(/10 to 52 weeks/)).toBeVisible()
  await page.getByLabel('to', { exact: true }).fill('14')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('10–14 weeks before planting out')).toBeVisible()
  await page.getByRole('button', { name: 'A packet' }).click()
  await page.getByLabel('Came up').fill('18')
  await page.getByLabel('of', { exact: true }).fill('24')
  // Wilson 95 %: 18 of 24 is 55–88 %.
  await expect(page.getByText(/from 55\S* % to 88\S* %/)).toBeVisible()
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText(/tested 75 %/)).toBeVisible()
})

test('a schedule is changed stage by stage, only ever upwards, and goes back to the usual one', async ({
  page,
  household,
}) => {
  await household.setSeason()
  await sowing(household, 'Tomato', 'tomato', { sowOn: '2027-04-02' })
  await goTo(page, '/plan')
  await page.getByRole('slider', { name: 'Tomato' }).press('Enter')
  await page.getByRole('button', { name: 'Edit: stages' }).click()
  const stage = page.getByRole('listitem').filter({ has: page.getByRole('combobox', { name: 'Stage 2' }) })
  await stage.getByRole('combobox', { name: 'Container', exact: true }).click()
  await page.getByRole('option', { name: '200-cell plug tray' }).click()
  await expect(stage.getByText('200-cell plug tray is smaller than 72-cell tray before it.')).toBeVisible()
  expect((await household.list('sowings'))[0]!.body.stages).toBeNull()
  await stage.getByRole('combobox', { name: 'Container', exact: true }).click()
  await page.getByRole('option', { name: '13 cm round pot' }).click()
  const kept = async () =>
    (await household.list('sowings'))[0]!.body.stages as unknown as { containerId: string }[] | null
  await expect.poll(async () => (await kept())?.[1]!.containerId).toBe('pot-13cm')
  await page.getByRole('button', { name: 'Reset to the usual schedule' }).click()
  await expect.poll(kept).toBeNull()
  await page.getByRole('button', { name: 'Delete', exact: true }).click()
  await expect(page.getByRole('slider')).toHaveCount(0)
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('slider', { name: 'Tomato' })).toBeVisible()
})

test('a wish is answered word by word, asked about rather than guessed, and what stands already is counted', async ({
  page,
  household,
}) => {
  await household.setSeason()
  await goTo(page, '/plan')
  const sentence = page.getByLabel('What do you want to grow?')
  const heard = page.getByRole('list', { name: 'How it was understood' })
  const plan = page.getByRole('button', { name: 'Plan', exact: true })
  // A word that is not understood plans nothing until somebody says so.
  await sentence.fill('12 eggplants by 29 May asap')
  await expect(heard.getByRole('listitem').filter({ hasText: 'asap' })).toContainText('not understood')
  await expect(plan).toBeDisabled()
  await page.getByRole('button', { name: 'Leave it out' }).click()
  await expect(heard).toContainText('Eggplant')
  await expect(plan).toBeEnabled()
  // A name that is nearly one is offered, never taken.
  await sentence.fill('12 letuce by 29 May')
  await page.getByRole('button', { name: 'Lettuce', exact: true }).click()
  await expect(sentence).toHaveValue('12 Lettuce by 29 May')
  await expectAccessible(page)

  // Two small sowings of one day stand in one tray; one of them was sown a week ago and is counted.
  await sentence.fill('12 tomatoes in 72-cell trays, sow 22 March')
  await plan.click()
  // What goes out before the frost is over is told with its day, and wants a second press.
  await expect(page.getByText(/before the frost is over/)).toBeVisible()
  await page.getByRole('button', { name: 'Plan anyway' }).click()
  const schedule = page.getByText('Plant out', { exact: true })
  await expect(schedule).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(schedule).toBeHidden()
  await sentence.fill('6 tomatillos in 72-cell trays, sow 22 March')
  await plan.click()
  await page.getByRole('button', { name: 'Plan anyway' }).click()
  await page.getByRole('button', { name: 'Edit: stages' }).click()
  await expect(page.getByText('Shares a tray with Tomato.')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(schedule).toBeHidden()
  await sentence.fill('one 50-cell tray of marigolds sown 10 March')
  await expect(page.getByText(/Count on \d+ good plants/)).toBeVisible()
  await plan.click()
  await page.getByRole('button', { name: 'Count what came up' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('How many are up').fill('51')
  await expect(dialog.getByText('There are 50 cells in all.')).toBeVisible()
  await dialog.getByLabel('How many are up').fill('31')
  await expectAccessible(page)
  await dialog.getByRole('button', { name: 'Save' }).click()
  // Wilson, by hand: 31 of 50 is 48 to 74 %.
  await expect(page.getByText(/31 of 50 cells came up/)).toBeVisible()
  await expect(page.getByText(/48 % to 74 %/)).toBeVisible()
  const entries = (await household.list('entries')) as unknown as { body: { kind: string; on: string } }[]
  expect(entries.map(({ body }) => `${body.on} ${body.kind}`).sort()).toEqual([
    '2027-03-10 stage',
    `${TODAY} look`,
  ])
})

test('what stands already is pasted as a list: what is understood is kept, the rest stays to be said again', async ({
  page,
  household,
}) => {
  await household.setSeason()
  await goTo(page, '/plan')
  await page.getByRole('button', { name: 'Already growing' }).click()
  const list = page.getByLabel(/^One tray per line/)
  await list.fill('36 tomatillos\tin 72-cell trays\tsown 10 March\n12 kale\n2 trays of xyzzy sown 1 March')
  await expect(page.getByText(/When was it sown/)).toBeVisible()
  await expect(page.getByText(/‘?xyzzy’?.* is no crop/)).toBeVisible()
  await page.getByRole('button', { name: 'Add 1 line' }).click()
  await expect(list).toHaveValue('12 kale\n2 trays of xyzzy sown 1 March')
  await expect(page.getByRole('slider')).toHaveCount(1)
  expect((await household.list('entries')).map(({ body }) => (body as unknown as { on: string }).on)).toEqual(
    ['2027-03-10'],
  )
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('slider')).toHaveCount(0)
})

test('what may be sown now is pressed into the sentence', async ({ page, household }) => {
  await household.setSeason()
  await goTo(page, '/plan')
  await page.getByRole('button', { name: 'What can I sow now?' }).click()
  await page.getByRole('button', { name: 'Pepper', exact: true }).click()
  await expect(page.getByLabel('What do you want to grow?')).toHaveValue('12 Pepper, sow today')
  await expect(page.getByRole('button', { name: 'Plan', exact: true })).toBeEnabled()
  await expectAccessible(page)
})

test('where it never freezes places are named, a lamp is judged once it is, and the day is walked place by place', async ({
  page,
  household,
}) => {
  await goTo(page, '/plan')
  await page.getByLabel(/It never freezes here/).check()
  await expect(page.getByLabel('Last spring frost')).toBeHidden()
  await expect(page.getByText('nothing is assumed of your nights')).toBeVisible()
  await page.getByRole('button', { name: 'Shelf', exact: true }).click()
  await expect(page.getByText(/mol\/m² a day/)).toBeHidden()
  await page.getByRole('button', { name: 'Heat mat' }).click()
  const light = page.getByRole('combobox', { name: 'Light' }).first()
  await light.fill('LED bulb')
  await page.getByRole('option', { name: /LED bulb/ }).click()
  await expect(page.getByText(/too little for seedlings/)).toBeVisible()
  await page.getByLabel('Coldest nights').fill('10')
  await page.getByLabel('Warmest nights').fill('4')
  await page.keyboard.press('Tab')
  await page.getByLabel('Coldest around').fill('20/01/2027')
  await page.keyboard.press('Tab')
  await expect(page.getByText('The warmest nights are no colder than the coldest.')).toBeVisible()
  await page.getByLabel('Warmest nights').fill('22')
  await page.keyboard.press('Tab')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Save' }).click()

  await page.getByLabel('What do you want to grow?').fill('24 aubergines, sow today, on the shelf')
  await expect(page.getByText(/^Out /)).toBeVisible()
  await page.getByRole('button', { name: 'Plan', exact: true }).click()
  await expect(page.getByText('Plant out', { exact: true })).toBeVisible()
  await expect(
    page.getByText(/Shelf gives .* mol\/m² of light a day; a (seedling|transplant) needs/),
  ).toBeVisible()
  const [stored] = (await household.list('sowings')) as unknown as { id: string; body: { placeId: string } }[]
  expect(stored!.body.placeId).not.toBeNull()
  await page.keyboard.press('Escape')
  await sowing(household, 'Hot pepper', 'hot-pepper', { cells: 24, plants: 12 })
  await goTo(page, '/')
  await page.getByRole('button', { name: 'Sow Hot pepper: done', exact: true }).click()
  await page.getByRole('button', { name: 'Sow Aubergine: done', exact: true }).click()
  // What wants the warmth stands on the mat until it is up; what was put on the shelf stands there.
  await expect(
    page.getByRole('region', { name: 'Heat mat' }).getByRole('link', { name: /^Hot pepper, / }),
  ).toBeVisible()
  await expect(
    page.getByRole('region', { name: 'Shelf' }).getByRole('link', { name: /^Aubergine, / }),
  ).toBeVisible()
  await expectAccessible(page)
})

test('a part is potted up and the rest stays: it is asked for again, and the mix is for the rest', async ({
  page,
  household,
}) => {
  await household.setSeason()
  const { id } = await sowing(household, 'Tomato', 'tomato', {
    sowOn: '2027-02-10',
    plants: 40,
    scheduleId: 'cell-pot',
  })
  for (const [kind, on] of [
    ['stage', '2027-02-10'],
    ['look', '2027-02-17'],
  ])
    await household.put('entries', { name: 'done', kind, subjects: [{ what: 'sowings', id, stage: 0 }], on })
  await goTo(page, '/')
  const job = page.getByRole('listitem').filter({ hasText: /^\s*Pot up Tomato/ })
  await expect(job).toContainText('42 plants')
  await job.getByRole('button', { name: 'Done on another day: Pot up Tomato' }).click()
  await page.getByLabel('How many').fill('24')
  await expect(page.getByLabel(/The rest stays where it is: 18 plants/)).toBeChecked()
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(job).toContainText('24 of 42 plants moved')
  await expect(job).toContainText('18 × 10 cm round pot')
  await job.getByRole('button', { name: /^Pot up Tomato: done/ }).click()
  await expect(page.getByRole('button', { name: 'Pot up Tomato: done, undo' })).toBeVisible()
})
