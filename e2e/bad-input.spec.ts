import { choose, expect, expectAccessible, goTo, SOWING_BATCH, test, unfold } from './fixture'

test.describe('what cannot be read or done is told at the field, and stays as typed', () => {
  test('on Mix', async ({ page, household }) => {
    await goTo(page, '/mix')
    await unfold(page, 'Cover, layers, potting up')
    await unfold(page, 'Scoop, moisture and spare')
    const save = page.getByRole('button', { name: 'Plan this batch' })
    const cases: [string, string, RegExp][] = [
      ['Parts of Coir, washed', '0', /More than 0, at most 1000/],
      ['Parts of Coir, washed', '-2', /More than 0, at most 1000/],
      ['Parts of Coir, washed', 'some', /'some' is not a number/],
      ['How many: 72-cell tray', '1000000', /A whole number, 1 to 5000/],
      ['How many: 72-cell tray', '1.5', /A whole number, 1 to 5000/],
      ['Cover on 72-cell tray', '5 cm', /at most half the depth/],
      ['Cover on 72-cell tray', '3 handfuls', /'handfuls' is not a length unit/],
      ['It holds', '0', /More than 0, at most 200 L/],
      ['It holds', 'a bit', /'bit' is not a volume unit/],
    ]
    for (const [label, text, message] of cases) {
      const field = page.getByLabel(label, { exact: true })
      const good = await field.inputValue()
      await field.fill(text)
      await expect(page.getByText(message).first()).toBeVisible()
      await expect(field).toHaveValue(text)
      await expect(field).toHaveAttribute('aria-invalid', 'true')
      await expect(save).toBeDisabled()
      await field.fill(good)
      await expect(save).toBeEnabled()
    }
    for (let i = 0; i < 3; i++)
      await page
        .getByRole('button', { name: /^Leave out/ })
        .first()
        .click()
    await expect(page.getByText('A recipe needs at least one material.').first()).toBeVisible()
    await expect(save).toBeDisabled()
    expect(await household.list('batches')).toEqual([])
  })

  test('on Feed', async ({ page, household }) => {
    await goTo(page, '/feed')
    await unfold(page, /^On the label/)
    const save = page.getByRole('button', { name: 'Plan this feed' })
    const cases: [string, string, RegExp][] = [
      ['N nitrogen', '70', /add up to 110\. Together they cannot exceed 100/],
      ['N nitrogen', '0', /holds no nitrogen/],
      ['Bulk density', '0', /0\.2 to 2\.5 g\/mL/],
      ['It holds', '0 L', /More than 0, at most/],
      ['Strength', '0', /More than 0, at most 1000 mg\/L/],
      ['Strength', 'weak', /'weak' is not a number/],
    ]
    for (const [label, text, message] of cases) {
      const field = page.getByLabel(label, { exact: true })
      const good = await field.inputValue()
      await field.fill(text)
      await expect(page.getByText(message).first()).toBeVisible()
      await expect(field).toHaveValue(text)
      await expect(save).toBeDisabled()
      await field.fill(good)
      await expect(save).toBeEnabled()
    }
    expect(await household.list('feedings')).toEqual([])
  })
})

test('quantities are read as people say them, in the kitchen’s meaning', async ({ page, household }) => {
  await goTo(page, '/feed')
  const field = page.getByLabel('It holds')
  await field.fill('1 1/2 gal')
  await expect(page.getByText('5.68 L · 1½ US gal')).toBeVisible()
  const saved = page.waitForResponse((response) => response.url().endsWith('/commands'))
  await goTo(page, '/settings')
  await choose(page, 'Units', /Imperial/)
  await saved
  await goTo(page, '/feed')
  await field.fill('1 1/2 gal')
  await expect(page.getByText('1½ gal · 6.82 L')).toBeVisible()
  const kept = await page.request.get(`/api/households/${household.id}`)
  expect((await kept.json()).household.body.units).toBe('imperial')
})

test('two tabs on one batch: the second is told, sees what stands, and neither is lost', async ({
  page,
  context,
  household,
  expectNoise,
}) => {
  expectNoise(/409/)
  const { id } = await household.put('batches', SOWING_BATCH)
  const other = await context.newPage()
  await page.emulateMedia({ reducedMotion: 'reduce' })
  await goTo(page, `/mix?batch=${id}`)
  await goTo(other, `/mix?batch=${id}`)
  await other.getByLabel('Parts of Coir, washed').fill('4')
  await other.getByRole('button', { name: 'Save the changes' }).click()
  await expect(other.getByRole('button', { name: 'Saved' })).toBeVisible()

  await page.getByLabel('Parts of Worm castings').fill('2')
  await page.getByRole('button', { name: 'Save the changes' }).click()
  const parts = page.getByRole('row', { name: /^Parts/ })
  await expect(parts).toContainText('Coir, washed, 3; Worm castings, 2; Perlite, coarse, 1')
  await expect(parts).toContainText('Coir, washed, 4; Worm castings, 1')
  await expectAccessible(page)
  await expect(page.getByLabel('Parts of Worm castings')).toHaveValue('2')
  await page.getByRole('button', { name: 'Keep mine' }).click()
  await expect(page.getByRole('button', { name: 'Saved' })).toBeVisible()
  expect((await household.list('batches'))[0]).toMatchObject({
    version: 3,
    body: { parts: [{ parts: 3 }, { parts: 2 }, { parts: 1 }] },
  })

  await other.getByLabel('Parts of Coir, washed').fill('5')
  await other.getByRole('button', { name: 'Save the changes' }).click()
  await other.getByRole('button', { name: 'Take theirs' }).click()
  await expect(other.getByLabel('Parts of Worm castings')).toHaveValue('2')
})

test('a server that does not answer costs nothing that was typed', async ({
  page,
  context,
  household,
  expectNoise,
}) => {
  expectNoise(/ERR_INTERNET_DISCONNECTED/)
  await goTo(page, '/mix')
  await page.getByLabel('How many: 72-cell tray').fill('7')
  await context.setOffline(true)
  await page.getByRole('button', { name: 'Plan this batch' }).click()
  await expect(page.getByText(/The server does not answer/)).toBeVisible()
  await context.setOffline(false)
  await page.reload()
  await expect(page.getByLabel('How many: 72-cell tray')).toHaveValue('7')
  await page.getByRole('button', { name: 'Plan this batch' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Batch 1')
  expect(await household.list('batches')).toHaveLength(1)
})

test('removing can be taken back', async ({ page, household }) => {
  await household.put('batches', SOWING_BATCH)
  await goTo(page, '/batches')
  await page.getByRole('button', { name: 'Delete batch 1, Sowing' }).click()
  await expect(page.getByRole('heading', { name: 'Sowing' })).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await expect(page.getByRole('heading', { name: 'Sowing' })).toBeVisible()
})
