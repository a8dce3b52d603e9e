import { expect, goTo, standingTray, test } from './fixture'

/* What a person does reaches the server once, whatever happens on the way. */

test('an act whose answer was lost is not done twice, over a reload and when it is pressed again', async ({
  page,
  household,
  expectNoise,
}) => {
  expectNoise(/Failed to load resource|ERR_/)
  await goTo(page, '/supplies?tab=tools')
  await page.getByRole('button', { name: 'Teaspoon', exact: true }).click()
  await page.getByLabel('It holds').fill('6 mL')
  // The server does it, and its answer does not come through: the page cannot know.
  const keys: string[] = []
  // Nor does it know when the server is back.
  await page.route('**/api/ready', (route) => route.abort())
  await page.route('**/commands', async (route) => {
    keys.push((route.request().postDataJSON() as { act: string }).act)
    await route.fetch()
    await route.abort()
  })
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText(/The server does not answer/)).toBeVisible()
  const teaspoon = async () =>
    (await household.list('tools')).find(({ body }) => body['name'] === 'Teaspoon')!
  expect([await teaspoon()].map(({ version, body }) => [version, body['capacityMl']])).toEqual([[2, 6]])
  await page.unroute('**/commands')
  const again = page.waitForRequest('**/commands')
  await page.reload()
  // The same act, under the same key, is acknowledged; nothing was written again.
  expect(((await again).postDataJSON() as { act: string }).act).toBe(keys[0])
  expect(new Set(keys).size).toBe(1)
  await expect(page.getByText('Saved now, as it had been waiting: Teaspoon.')).toBeVisible()
  expect((await teaspoon()).version).toBe(2)
  await page.keyboard.press('Control+z')
  await expect.poll(async () => (await teaspoon()).body['capacityMl']).toBe(5)
  // Acknowledged, it is not sent a third time.
  let sent = 0
  page.on('request', (request) => (sent += request.url().endsWith('/commands') ? 1 : 0))
  await page.reload()
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await page.waitForLoadState('networkidle')
  expect(sent).toBe(0)
})

test('a page that was open goes on by itself once the server is back', async ({
  page,
  household,
  expectNoise,
}) => {
  expectNoise(/Failed to load resource|ERR_/)
  await goTo(page, '/supplies?tab=tools')
  await page.getByRole('button', { name: 'Teaspoon', exact: true }).click()
  await page.getByLabel('It holds').fill('7 mL')
  await page.route('**/api/**', (route) => route.abort())
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText(/The server does not answer/)).toBeVisible()
  await page.unroute('**/api/**')
  await expect(page.getByText('Saved now, as it had been waiting: Teaspoon.')).toBeVisible()
  const [spoon] = (await household.list('tools')).filter(({ body }) => body['name'] === 'Teaspoon')
  expect([spoon!.version, spoon!.body['capacityMl']]).toEqual([2, 7])
})

test('the log says who saved an entry, and how', async ({ page, household }) => {
  await household.setSeason()
  const tray = await standingTray(household)
  await goTo(page, `/trays/${tray.id}`)
  await page.getByRole('button', { name: 'Move and thin' }).press('Enter')
  await page.getByRole('application').focus()
  await page.keyboard.press('r')
  await page.getByRole('button', { name: 'Lost' }).press('Enter')
  await expect(page.getByText('24 plants lost.')).toBeVisible()
  await goTo(page, '/records')
  await page.getByRole('button', { name: /^Edit: Lost/ }).click()
  await expect(page.getByRole('dialog').getByText(/Saved .*: lose, 1 record\./)).toBeVisible()
})
