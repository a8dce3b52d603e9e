import { expect, expectAccessible, goTo, SOWING_BATCH, test } from './fixture'

test('what is changed in the supplies is taken back by key and done again, and both say what', async ({
  page,
  context,
  household,
  expectNoise,
}) => {
  expectNoise(/ERR_INTERNET_DISCONNECTED/)
  await goTo(page, '/supplies?tab=tools')
  await page.getByRole('button', { name: 'Teaspoon', exact: true }).click()
  await page.getByLabel('It holds').fill('6 mL')
  await page.getByRole('button', { name: 'Save' }).click()
  const held = async () =>
    (await household.list('tools')).find(({ body }) => body['name'] === 'Teaspoon')!.body['capacityMl']
  await expect.poll(held).toBe(6)
  await page.keyboard.press('Control+z')
  await expect(page.getByText('Undone: Teaspoon.')).toBeVisible()
  expect(await held()).toBe(5)
  await page.keyboard.press('Control+Shift+z')
  await expect(page.getByText('Redone: Teaspoon.')).toBeVisible()
  expect(await held()).toBe(6)
  // On another page, and offline: it says that it could not, and can once the server answers.
  await page.keyboard.press('b')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Batches')
  await context.setOffline(true)
  await page.keyboard.press('Control+z')
  await expect(page.getByText(/Teaspoon stays as it is/)).toBeVisible()
  await context.setOffline(false)
  await page.keyboard.press('Control+z')
  await expect(page.getByText('Undone: Teaspoon.')).toBeVisible()
  expect(await held()).toBe(5)
})

test('what was removed is brought back in Settings, also after a reload', async ({ page, household }) => {
  await goTo(page, '/supplies?tab=tools')
  await page.getByRole('button', { name: 'Delete Blue jug' }).click()
  await expect(page.getByText('Blue jug was deleted.')).toBeVisible()
  await goTo(page, '/settings')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Restore Blue jug' }).click()
  await expect(page.getByText('Nothing in the last 90 days.')).toBeVisible()
  expect((await household.list('tools')).map(({ body }) => body['name'])).toContain('Blue jug')
})

test('what is in use says by whom, and another takes its place everywhere', async ({
  page,
  household,
  expectNoise,
}) => {
  expectNoise(/422/)
  const tin = await household.put('containers', {
    name: 'Bread tin',
    kind: 'tray',
    cells: 10,
    measuredVolumeMl: 90,
    shape: { form: 'round', topDiameterMm: 60, baseDiameterMm: 50, depthMm: 70 },
  })
  const fills = [{ ...SOWING_BATCH.fills[0]!, containerId: tin.id }]
  await household.put('batches', { ...SOWING_BATCH, fills })
  const filled = async () =>
    ((await household.list('batches'))[0]!.body['fills'] as unknown as { containerId: string }[])[0]!
      .containerId
  await goTo(page, '/supplies?tab=containers')
  await page.getByRole('button', { name: 'Delete Bread tin' }).click()
  const dialog = page.getByRole('dialog', { name: 'Bread tin is in use' })
  await expect(dialog.getByRole('listitem')).toHaveText('Sowing, batch')
  await expectAccessible(page)
  await dialog.getByRole('combobox', { name: 'Put in its place' }).click()
  await page.getByRole('option', { name: '72-cell tray', exact: true }).click()
  await dialog.getByRole('button', { name: 'Replace and remove' }).click()
  await expect(page.getByText(/Bread tin was deleted; 1 now uses the other/)).toBeVisible()
  expect(await filled()).toBe('tray-72')
  await page.keyboard.press('Control+z')
  await expect(page.getByText('Undone: Bread tin.')).toBeVisible()
  expect(await filled()).toBe(tin.id)
})

test('what the log is about is removed once somebody was asked, and comes back', async ({
  page,
  household,
  expectNoise,
}) => {
  expectNoise(/422/)
  const packet = await household.put('packets', {
    name: 'Genovese',
    cropId: 'basil',
    year: 2027,
    seeds: null,
  })
  const subjects = [{ what: 'packets', id: packet.id, stage: null }]
  await household.put('entries', { name: 'Tried on paper', kind: 'seen', on: '2026-11-01', subjects })
  await goTo(page, '/crops?crop=basil')
  const remove = page.getByRole('button', { name: 'Delete Genovese' })
  await remove.click()
  const dialog = page.getByRole('dialog', { name: 'Delete Genovese?' })
  await expect(dialog.getByRole('listitem')).toHaveText('Tried on paper, entry')
  await expectAccessible(page)
  await dialog.getByRole('button', { name: 'Cancel' }).click()
  expect(await household.list('packets')).toHaveLength(1)
  await remove.click()
  await dialog.getByRole('button', { name: 'Delete anyway' }).click()
  await expect(page.getByText('Genovese was deleted.')).toBeVisible()
  expect(await household.list('packets')).toHaveLength(0)
  await page.keyboard.press('Control+z')
  await expect.poll(() => household.list('packets')).toHaveLength(1)
})

test('a draft that is kept nowhere is asked about before another is opened, and stays with its household', async ({
  page,
  household,
  request,
}) => {
  const batch = await household.put('batches', SOWING_BATCH)
  await goTo(page, '/mix')
  await page.getByLabel('Parts of Coir, washed').fill('7')
  await page.reload()
  await expect(page.getByLabel('Parts of Coir, washed')).toHaveValue('7')
  await goTo(page, `/mix?batch=${batch.id}`)
  const question = page.getByRole('alertdialog')
  await expect(question).toContainText('There is a mix you have not kept')
  await expectAccessible(page)
  await question.getByRole('button', { name: 'Stay with mine' }).click()
  await expect(page.getByLabel('Parts of Coir, washed')).toHaveValue('7')
  await goTo(page, `/mix?batch=${batch.id}`)
  await question.getByRole('button', { name: 'Open it' }).click()
  await expect(page.getByLabel('Parts of Coir, washed')).toHaveValue('3')
  await page.getByRole('heading', { level: 1 }).click()
  await page.keyboard.press('Control+z')
  await expect(page.getByLabel('Parts of Coir, washed')).toHaveValue('7')

  const other = crypto.randomUUID()
  await request.put(`/api/households/${other}`, {
    data: { version: 0, body: { name: 'Across the yard', units: 'us' } },
  })
  await page.keyboard.press('Control+k')
  await page.getByRole('combobox', { name: 'What to find' }).fill('across the yard')
  await page.keyboard.press('Enter')
  await expect(page.locator('main header p').filter({ hasText: /^Across the yard$/ })).toBeVisible()
  await page.keyboard.press('m')
  await expect(page.getByLabel('Parts of Coir, washed')).toHaveValue('3')
})

test('a whole household is removed and comes back', async ({ page, household: _ }) => {
  await goTo(page, '/settings')
  await page.getByRole('button', { name: 'Delete Test bench' }).click()
  const question = page.getByRole('alertdialog')
  await expect(question).toContainText('It can be restored for 30 days')
  await expectAccessible(page)
  await question.getByRole('button', { name: 'Delete', exact: true }).click()
  // Nobody is led into another: those on this machine are there to choose from.
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Set up your seed-starting bench')
  await expectAccessible(page)
  // Among many they are searched.
  const search = page.getByLabel('Search by name')
  if (await search.isVisible()) await search.fill('lamp room')
  await page
    .getByRole('button', { name: /^The Lamp Room/ })
    .first()
    .click()
  await expect(page.locator('main header p').filter({ hasText: /^The Lamp Room$/ })).toBeVisible()
  await goTo(page, '/settings')
  await page.getByRole('button', { name: 'Restore Test bench' }).first().click()
  await expect(page.locator('main header p').filter({ hasText: /^Test bench$/ })).toBeVisible()
})
