import type { Page } from '@playwright/test'
import {
  daysAgo,
  expect,
  expectAccessible,
  goTo,
  SOWING_BATCH,
  test,
  type Household,
  standingTray,
} from './fixture'

/* Jobs at the bench with wet hands: one step a screen, timers, two phones, mix that is short; and the water of trays. */
const TODAY = new Date().toISOString().slice(0, 10)
const nine = (minutes = 0) => new Date(new Date(`${TODAY}T09:00:00`).getTime() + minutes * 60_000)

test.beforeEach(async ({ page, household }) => {
  await page.clock.setFixedTime(nine())
  await household.setSeason()
})

const next = (page: Page) => page.getByTestId('next')
const openJobs = async (household: Household) =>
  (await household.list('guidedJobs')).filter(({ body }) => String(body.status) !== 'ended')
const marks = async (household: Household) =>
  ((await household.list('guidedJobs'))[0]?.body.marks ?? []) as unknown as {
    step: string
    what: string
    value: number
  }[]

const watered = (household: Household, trayId: string, days: number) =>
  household.put('entries', {
    name: 'Watered',
    kind: 'watered',
    on: daysAgo(days),
    at: '09:00',
    subjects: [{ what: 'trays', id: trayId }],
    water: [{ trayId, how: 'below' }],
  })

test('a mix, step by step: timers outlive a reload, what really happened goes into the ledger', async ({
  page,
  household,
}) => {
  test.slow()
  const batch = await household.put('batches', SOWING_BATCH)
  const pack = await household.put('stocks', {
    name: 'Sack of perlite',
    kind: 'material',
    goodsId: 'perlite',
    size: { measure: 'loose', amount: 100 },
    price: null,
    packs: 1,
  })
  await goTo(page, `/batches/${batch.id}`)
  await page.getByRole('button', { name: 'Start' }).click()
  await expect(page.getByRole('heading', { name: 'Soak the coir' })).toBeVisible()
  const size = await page.locator('.amount').evaluate((one) => parseFloat(getComputedStyle(one).fontSize))
  expect(size).toBeGreaterThanOrEqual(28)
  await expectAccessible(page)

  // The caution stands where the hazard is; a wait begins by itself.
  await expect(page.getByText('Dust.', { exact: true })).toBeVisible()
  await next(page).click()
  await expect(page.getByRole('heading', { name: 'Measure into the tub' })).toBeVisible()
  await expect(page.getByLabel('Timers').getByText('30:00')).toBeVisible()

  // The page is loaded anew ten minutes later: the timer is a time, the step is the same.
  await expect.poll(async () => (await marks(household)).length).toBe(2)
  await page.clock.setFixedTime(nine(10))
  await page.reload()
  await expect(page.getByLabel('Timers').getByText('20:00')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Measure into the tub' })).toBeVisible()
  await page.clock.setFixedTime(nine(31))
  await page.reload()
  await expect(page.getByLabel('Timers').getByRole('alert')).toBeVisible()
  await expect(page).toHaveTitle(/Coir has swollen now/)
  await page.getByRole('button', { name: 'Coir has swollen: done' }).click()
  await expect(page.getByLabel('Timers')).toBeHidden()

  // A tap anywhere, or the space bar, goes on; a step can be skipped with a reason, and looked back at.
  await page.locator('.screen').click({ position: { x: 5, y: 5 } })
  await expect(page.getByRole('heading', { name: 'Stir' })).toBeVisible()
  await page.getByRole('button', { name: 'drips' }).click()
  await expect(page.getByText(/of dry mix, or spread it out/)).toBeVisible()
  await page.getByLabel('Water really stirred in').fill('1.5 L')
  await page.locator('h1').click()
  await expect(page.getByRole('heading', { name: /^Fill/ })).toBeVisible()
  await page.keyboard.press('ArrowLeft')
  await expect(page.getByRole('heading', { name: 'Stir' })).toBeVisible()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press(' ')
  await expect(page.getByRole('heading', { name: 'What is left in the tub?' })).toBeVisible()
  await page.getByLabel('Left in the tub').fill('800 mL')
  await next(page).click()
  const end = page.getByRole('dialog', { name: 'End this job' })
  await expect(end.getByText(/Batch 1 is made/)).toContainText('800 mL left over')
  await end.getByLabel('Done by').fill('Wren')
  await end.getByRole('button', { name: 'Save and finish' }).click()
  await expect(page.getByText(/^Recorded: Batch 1 is made/)).toBeVisible()

  const made = (await household.list('entries')).find(({ body }) => String(body.kind) === 'batch made')!
    .body as never as {
    by: string
    actual: { leftL: number; waterL: number; share: number }
  }
  expect([made.by, made.actual.leftL, made.actual.waterL, made.actual.share]).toEqual(['Wren', 0.8, 1.5, 1])
  const left = (await household.list('stocks')).find(({ id }) => id === pack.id)!
  expect(Number(left.body.packs)).toBeLessThan(1)
  expect(await openJobs(household)).toEqual([])
})

test('mix is short: so much more is made, and who stops half way takes half', async ({ page, household }) => {
  test.slow()
  const batch = await household.put('batches', SOWING_BATCH)
  await goTo(page, `/batches/${batch.id}`)
  await page.getByRole('button', { name: 'Start' }).click()
  for (let i = 0; i < 3; i++) await next(page).click()
  await expect(page.getByRole('heading', { name: /^Fill/ })).toBeVisible()
  await page.getByRole('button', { name: 'The mix is short' }).click()
  const short = page.getByRole('dialog', { name: 'The mix is short' })
  await short.getByLabel(/Filled so far/).fill('200')
  await expect(short.getByText('There are 144 in all.')).toBeVisible()
  await short.getByLabel(/Filled so far/).fill('100')
  await expect(short.getByRole('status')).toContainText('44 cells of a 72-cell tray')
  await expectAccessible(page)
  await short.getByRole('button', { name: /^Make .* more$/ }).click()
  await expect(page.getByRole('heading', { name: 'Soak the coir' })).toBeVisible()
  await expect.poll(async () => (await openJobs(household)).length).toBe(2)
  const more = (await household.list('batches')).find(({ body }) => /^More for/.test(String(body.name)))!
  expect((more.body.fills as unknown as { cells: number }[])[0]!.cells).toBe(44)

  // Two groups, each with a timer, side by side; one is ended early.
  await next(page).click()
  await expect(page.getByLabel('Timers').locator('p')).toHaveCount(2)
  await next(page).click()
  await page.getByRole('button', { name: 'End', exact: true }).click()
  const end = page.getByRole('dialog', { name: 'End this job' })
  await end.getByLabel('How much of it was measured out').fill('50')
  await expect(end.getByText(/Batch 2 is made/)).toBeVisible()
  await expect.poll(async () => JSON.stringify(await household.list('guidedJobs'))).toContain('"share"')
  await end.getByRole('button', { name: 'Save and finish' }).click()
  await expect(page.getByRole('heading', { name: 'Guided jobs' })).toBeVisible()
  const entry = (await household.list('entries')).find(({ body }) => String(body.kind) === 'batch made')!
  expect((entry.body.actual as unknown as { share: number }).share).toBe(0.5)
})

test('two phones on one job, and a server that does not answer: no tick is lost', async ({
  page,
  context,
  browser,
  household,
  expectNoise,
}) => {
  test.slow()
  expectNoise(/Failed to load resource|409|ERR_/)
  const batch = await household.put('batches', SOWING_BATCH)
  await goTo(page, `/batches/${batch.id}`)
  await page.getByRole('button', { name: 'Start' }).click()
  await page.waitForURL(/\/jobs\//)
  await expect(page.getByRole('heading', { name: 'Soak the coir' })).toBeVisible()
  const second = await browser.newContext()
  await second.addCookies(await context.cookies())
  const other = await second.newPage()
  await other.clock.setFixedTime(nine(1))
  await goTo(other, new URL(page.url()).pathname)
  await expect(other.getByRole('heading', { name: 'Soak the coir' })).toBeVisible()

  // Both tick without having seen the other: what the second would read anew on the way does not reach it.
  await other.route(/\/api\/households\//, (route) =>
    route.request().method() === 'GET' ? route.abort() : route.continue(),
  )
  await next(page).click()
  await expect.poll(async () => (await marks(household)).length).toBe(2)
  await other.keyboard.press('ArrowRight')
  await expect(other.getByRole('heading', { name: 'Measure into the tub' })).toBeVisible()
  await next(other).click()
  await expect
    .poll(async () =>
      (await marks(household))
        .filter(({ what }) => what === 'done')
        .map(({ step }) => step)
        .sort(),
    )
    .toEqual(['measure', 'soak-coir'])
  await second.close()

  // The server is gone while a step is ticked, and the page is loaded anew without it: the tick is there and goes later.
  await page.route('**/api/households/**', (route) =>
    route.request().method() === 'POST' ? route.abort() : route.continue(),
  )
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('heading', { name: 'Stir' })).toBeVisible()
  await next(page).click()
  await expect(page.getByText('not yet on the server')).toBeVisible()
  await page.reload()
  await expect(page.getByText('not yet on the server')).toBeVisible()
  await page.unroute('**/api/households/**')
  await page.evaluate(() => window.dispatchEvent(new Event('focus')))
  await expect.poll(async () => (await marks(household)).map(({ step }) => step)).toContain('stir')
  await expect(page.getByText('not yet on the server')).toBeHidden()
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })
  test('a tray is sown group by group, label first, and only what was ticked is sown', async ({
    page,
    household,
  }) => {
    await household.put('trays', {
      name: '24-cell tray',
      containerId: 'tray-24',
      rows: 4,
      columns: 6,
      placeId: 'shelf',
      recipeId: 'lean-and-light',
      groups: [
        { code: 'A', name: 'Okra', cropId: 'okra', seedsPerCell: 2 },
        { code: 'B', name: 'Snapdragon', cropId: 'snapdragon' },
      ],
      cells: [...Array(12).fill('A'), ...Array(12).fill('B')],
    })
    await goTo(page, '/trays')
    await page
      .getByRole('link', { name: /Tray 1/ })
      .first()
      .click()
    await page.getByRole('button', { name: 'Sow', exact: true }).click()
    await expect(page.getByRole('heading', { name: 'Label tray 1 first' })).toBeVisible()
    // Nothing is wider than the phone, however long the name of the job.
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390)
    await expectAccessible(page)
    await next(page).tap()
    await expect(page.getByRole('heading', { name: 'Dent for Okra' })).toBeVisible()
    await next(page).tap()
    await expect(page.getByText('2 seeds × 12')).toBeVisible()
    await next(page).tap()
    await page.getByRole('button', { name: 'End', exact: true }).tap()
    const end = page.getByRole('dialog', { name: 'End this job' })
    await expect(end.getByText('Sown: Okra, tray 1')).toBeVisible()
    await expect(end.getByText('Snapdragon')).toBeHidden()
    await end.getByRole('button', { name: 'Save and finish' }).tap()
    await expect(page.getByText(/^Recorded: Sown: Okra/)).toBeVisible()
    const cells = (await household.list('entries')).flatMap(
      ({ body }) => body.cells as unknown as { group: string }[],
    )
    expect(cells.map(({ group }) => group)).toEqual(['A'])
  })

  test('plants are potted up by tap, and circling roots bring the next forward', async ({
    page,
    household,
  }) => {
    const sowing = await household.put('sowings', {
      name: 'Tomatillo',
      cropId: 'tomatillo',
      plants: 12,
      sowOn: daysAgo(35),
      stages: [
        { kind: 'sow', containerId: 'tray-24', recipeId: 'lean-and-light', part: 0.5 },
        { kind: 'pot up', containerId: 'pot-10cm', recipeId: 'stretched-potting', part: 0.5 },
        { kind: 'harden', containerId: null, recipeId: null, part: 0 },
      ],
    })
    for (const [kind, days] of [
      ['stage', 35],
      ['look', 28],
    ] as const)
      await household.put('entries', {
        name: kind,
        kind,
        on: daysAgo(days),
        subjects: [{ what: 'sowings', id: sowing.id, stage: 0 }],
      })
    const group = await household.put('guidedJobs', {
      name: 'Pot up Tomatillo',
      kind: 'pot up',
      subjects: [{ what: 'sowings', id: sowing.id, stage: 1 }],
      onDay: TODAY,
    })
    await goTo(page, `/jobs/${group.id}`)
    await page.getByRole('button', { name: 'All steps' }).tap()
    await page.getByRole('button', { name: /Look at the roots/ }).tap()
    await page.getByRole('button', { name: 'circling' }).tap()
    await expect(page.getByText(/loosen them with a finger/)).toBeVisible()
    await next(page).tap()
    await expect(page.getByRole('heading', { name: 'Pot up Tomatillo' })).toBeVisible()
    for (let i = 0; i < 3; i++) await page.locator('.say').tap()
    await page.getByRole('button', { name: 'Six more' }).tap()
    await page.getByRole('button', { name: 'One less' }).tap()
    await expect(page.getByTestId('tapped')).toHaveText('8')
    await page.getByRole('button', { name: 'End', exact: true }).tap()
    await page.getByRole('button', { name: 'Save and finish' }).tap()
    await expect(page.getByText(/^Recorded: Potted up: 8 of/)).toBeVisible()
    const moved = (await household.list('entries')).find(({ body }) => body.actual !== null)!
    expect([moved.body.count, moved.body.part]).toEqual([8, true])
    expect((moved.body.actual as unknown as { roots: string }).roots).toBe('circling')
  })
})

test('water: what wants it today, a round with the can, weighings that teach, a weight that cannot be', async ({
  page,
  household,
}) => {
  test.slow()
  const tray = await standingTray(household)
  for (const days of [8, 4]) await watered(household, tray.id, days)
  await goTo(page, '/')
  const round = page.getByRole('region', { name: 'Water' })
  await expect(round.getByText('Tray 1')).toBeVisible()
  await expectAccessible(page)

  // Weighed on the tray's page: refused, asked, kept.
  await goTo(page, `/trays/${tray.id}`)
  const water = page.getByRole('region', { name: 'Water', exact: true })
  await expect(water.getByText(/^Water (today|tomorrow|about)/)).toBeVisible()
  await water.getByRole('button', { name: 'Weigh' }).click()
  const form = page.getByRole('dialog', { name: 'Weigh tray 1' })
  const keep = form.getByRole('button', { name: 'Save' })
  await form.getByLabel('It weighs').fill('40 kg')
  await expect(form.getByText(/far more than it can weigh/)).toBeVisible()
  await expect(keep).toBeDisabled()
  await form.getByLabel('It weighs').fill('0.8 kg')
  await expect(form.getByText(/weighed without its saucer/)).toBeVisible()
  await expect(keep).toBeDisabled()
  await form.getByLabel('It weighs').fill('3.4 kg')
  await expectAccessible(page)
  await keep.click()
  await expect(page.getByText('Weighed: tray 1.')).toBeVisible()
  await water.getByRole('button', { name: 'light', exact: true }).click()
  await expect(page.getByText('Lifted: tray 1, light.')).toBeVisible()
  expect(
    (await household.list('entries')).filter(({ body }) => (body.water as unknown as []).length).length,
  ).toBe(4)

  // The drop of the next watering is moved by key, and says what it does.
  const drop = water.getByRole('slider', { name: 'Next watering' })
  const before = await drop.getAttribute('aria-valuetext')
  await drop.focus()
  await page.keyboard.press('PageUp')
  await expect(drop).not.toHaveAttribute('aria-valuetext', before!)

  // Watered step by step: poured in, poured off, into the ledger.
  await water.getByRole('button', { name: 'Water it, step by step' }).click()
  await expect(page.getByRole('heading', { name: 'Fill the can' })).toBeVisible()
  await next(page).click()
  await expect(page.getByRole('heading', { name: /^Tray 1, Snapdragon/ })).toBeVisible()
  await page.getByLabel('Poured in').fill('1.5 L')
  await page.getByLabel('Poured off again').fill('0.4 L')
  await next(page).click()
  const end = page.getByRole('dialog', { name: 'End this job' })
  await end.getByRole('button', { name: 'Save and finish' }).click()
  await expect(page.getByText(/^Recorded: Watered: 1 tray/)).toBeVisible()
  const poured = (await household.list('entries'))
    .flatMap(({ body }) => body.water as unknown as { litres: number | null; backL: number | null }[])
    .find(({ litres }) => litres === 1.5)
  expect(poured?.backL).toBe(0.4)
  await expect(page.getByLabel('Timers').getByText('Pour off tray 1')).toBeHidden()
})

test('a habit of watering is tried out: six weeks, two trays side by side', async ({ page, household }) => {
  await standingTray(household)
  await goTo(page, '/trays/try-it')
  await expect(page.getByRole('row', { name: /Times watered/ })).toBeVisible()
  const times = page.getByRole('row', { name: /Times watered/ }).getByRole('cell')
  const [one, other] = await times.allTextContents()
  expect(Number(one)).toBeLessThan(Number(other))
  await expectAccessible(page)
  const group = page.getByRole('group', { name: 'The other' })
  await group.getByRole('combobox', { name: 'Watered' }).click()
  await page.getByRole('option', { name: 'every third day' }).click()
  await expect.poll(async () => Number((await times.allTextContents())[1])).toBeLessThan(Number(other))
})

test('a class: the same run for three pairs of hands, one sheet each, amounts that add up', async ({
  page,
  household,
}) => {
  const batch = await household.put('batches', SOWING_BATCH)
  const group = await household.put('guidedJobs', {
    name: 'Mix with the class',
    kind: 'mix',
    subjects: [{ what: 'batches', id: batch.id, stage: 0 }],
    onDay: TODAY,
    hands: 3,
  })
  await goTo(page, `/jobs/sheets/${group.id}`)
  const sheets = page.getByTestId('bench-card')
  await expect(sheets).toHaveCount(3)
  for (const sheet of await sheets.all()) {
    await expect(sheet.getByRole('heading', { name: 'Take care' })).toBeVisible()
    await expect(sheet.getByText('Fill 48 cells of a 72-cell tray')).toBeVisible()
  }
  await expectAccessible(page)
})
