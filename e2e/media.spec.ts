import { choose, expect, expectAccessible, goTo, SOWING_BATCH, test, unfold } from './fixture'

test('the air in the container follows the mix, and the verdicts follow the air', async ({
  page,
  household,
}) => {
  const { id } = await household.put('batches', {
    ...SOWING_BATCH,
    fills: [{ containerId: 'tray-512', count: 1, coverMm: 0, coverMaterialId: 'mix' }],
  })
  await goTo(page, `/mix?batch=${id}`)
  await unfold(page, 'Why: air, pH and food')
  const air = page.getByRole('region', { name: 'The air in it' })
  const percent = async (name: RegExp) =>
    Number(/([\d.]+) %/.exec(await air.getByRole('figure').filter({ hasText: name }).innerText())![1])
  const [half, here, twice] = [
    await percent(/half as deep/),
    await percent(/this one/),
    await percent(/twice as deep/),
  ]
  expect(half).toBeLessThan(here)
  expect(here).toBeLessThan(twice)
  await expect(air).toContainText(/Good mixes show [\d.]+ % to [\d.]+ % at this depth/)
  await page.getByLabel('Parts of Perlite, coarse').fill('30')
  await expect(air).toContainText('this is airier')
  expect(await percent(/this one/)).toBeGreaterThan(here)
  await choose(page, 'Add a material', 'Composted green waste')
  await page.getByLabel('Parts of Composted green waste').fill('30')
  await expect(air).toContainText(/Composted green waste is \d/)
})

test('a mix is found in the worker, and used', async ({ page, household: _ }) => {
  await goTo(page, '/find')
  await unfold(page, 'Limits')
  await page.getByLabel('Food, at least').fill('60')
  await page.getByRole('button', { name: 'Find', exact: true }).click()
  const found = page.getByRole('region', { name: /fit$/ })
  const food = async () =>
    Number(/([\d.]+) mg\/L N/.exec(await found.getByRole('listitem').first().innerText())?.[1] ?? 0)
  await expect.poll(food).toBeGreaterThanOrEqual(60)
  await expectAccessible(page)
  const ratio = await found.getByRole('listitem').first().locator('strong').first().innerText()
  await found.getByRole('button', { name: 'Use it' }).first().click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('New mix')
  await expect(page.getByText(ratio, { exact: true }).first()).toBeVisible()
})

test('wants that exclude everything name the one to ease', async ({ page, household: _ }) => {
  await goTo(page, '/find')
  await unfold(page, 'Limits')
  await page.getByLabel('Air, at least').fill('80')
  await page.getByLabel('Air, at most').fill('')
  await page.getByRole('button', { name: 'Find', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'None fits' })).toBeVisible()
  await expect(page.getByText(/Air alone turned away/)).toBeVisible()
})

test('a point is dragged over all blends of three', async ({ page, household: _ }) => {
  await goTo(page, '/find')
  // What is found stands above the triangle and moves it down.
  await expect(page.getByRole('heading', { name: /fit$/ })).toBeVisible()
  await unfold(page, 'All blends of three')
  const point = page.getByRole('slider', { name: /^Blend of/ })
  await point.scrollIntoViewIfNeeded()
  const before = await point.getAttribute('aria-valuetext')
  const box = (await point.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height - 11)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 90, box.y + box.height, { steps: 5 })
  await page.mouse.up()
  await expect(point).not.toHaveAttribute('aria-valuetext', before!)
  await point.focus()
  const dragged = await point.getAttribute('aria-valuetext')
  await page.keyboard.press('ArrowLeft')
  await expect(point).not.toHaveAttribute('aria-valuetext', dragged!)
})

test('a material is swapped, and Mix says how far the supplies go', async ({ page, household: _ }) => {
  await goTo(page, '/mix')
  await page.getByRole('button', { name: 'Something instead of Coir, washed' }).click()
  await choose(page, 'Use', 'Sphagnum peat, medium')
  await expect(page.getByRole('dialog').getByRole('row', { name: /^Air/ })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Use these parts' }).click()
  await expect(page.getByLabel('Parts of Sphagnum peat, medium')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await expect(page.getByLabel('Parts of Coir, washed')).toHaveValue('3')

  await page.getByText('How far does what I have go?').click()
  await page.getByLabel('Worm castings, loose').fill('5 L')
  // One tray takes 0.741 L of castings: six take 4.4 L, seven 5.2 L.
  await expect(page.getByText('6 × 72-cell tray')).toBeVisible()
  await expect(page.getByText('then worm castings runs out')).toBeVisible()
  await page.getByRole('button', { name: 'Fill that many' }).click()
  await expect(page.getByLabel('How many: 72-cell tray')).toHaveValue('6')
})

test('a corrected material is used in the plan, says so, and can be put back', async ({
  page,
  household,
}) => {
  await goTo(page, '/supplies?tab=materials')
  await page.getByRole('button', { name: 'Coir, washed' }).click()
  await page.getByLabel('Water at 1 kPa').fill('99')
  await expect(page.getByText('must not be above the water at 0 kPa')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Save' })).toBeDisabled()
  await page.getByLabel('Water at 1 kPa').fill('55')
  await expect(page.getByText('was 62 %')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('1 corrected')).toBeVisible()
  expect(await household.list('materials')).toHaveLength(1)
  await page.getByRole('button', { name: 'Undo your Coir, washed' }).click()
  await expect(page.getByText('1 corrected')).toBeHidden()
})

test('a recipe is adjusted, kept, renamed, compared and removed, and the removal taken back', async ({
  page,
  household,
}) => {
  await goTo(page, '/mix')
  await page.getByLabel('Parts of Perlite, coarse').fill('2')
  await page.getByRole('button', { name: 'Save this recipe' }).click()
  await expect(page.getByText('Saved as Light seed mix, ours.')).toBeVisible()
  await unfold(page, /^This recipe/)
  await page.getByRole('button', { name: 'Rename', exact: true }).click()
  await page.getByLabel('New name').fill('Barn mix')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByRole('combobox', { name: 'Recipe' })).toHaveValue('Barn mix')
  await choose(page, 'Compare with', 'Light seed mix')
  await expect(page.getByRole('row', { name: /15 cm round pot [\d.]+ % air, .* [\d.]+ % air/ })).toBeVisible()
  await expect(page.getByRole('row', { name: /Once dry, wets again easily easily/ })).toBeVisible()
  await page.getByRole('button', { name: 'Delete', exact: true }).click()
  await expect(page.getByText('Barn mix was deleted.')).toBeVisible()
  expect(await household.list('recipes')).toEqual([])
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('Undone: Barn mix.')).toBeVisible()
  expect((await household.list('recipes')).map(({ body }) => body['name'])).toEqual(['Barn mix'])
})

test('a recipe is typed in per cent: the others share the rest', async ({ page, household: _ }) => {
  await goTo(page, '/mix')
  await page.getByLabel('in per cent').check()
  const coir = page.getByLabel('Per cent of Coir, washed')
  await expect(coir).toHaveValue('60')
  await coir.fill('120')
  await expect(page.getByText('Shares cannot exceed 100 %')).toBeVisible()
  await coir.fill('50')
  await expect(page.getByText('Shares cannot exceed 100 %')).toBeHidden()
  await expect(page.getByLabel('Per cent of Perlite, coarse')).toHaveValue('25')
  await expect(page.getByLabel('Per cent of Worm castings')).toHaveValue('25')
})

test('a mix measured at home in five steps counts as measured from then on, and goes back to the book', async ({
  page,
  household,
}) => {
  const { id } = await household.put('batches', {
    ...SOWING_BATCH,
    parts: [{ materialId: 'peat', parts: 1 }],
  })
  await goTo(page, `/mix?batch=${id}`)
  await unfold(page, 'Why: air, pH and food')
  const air = page.getByRole('region', { name: 'The air in it' })
  const before = await air.getByRole('figure').filter({ hasText: 'this one' }).innerText()
  await page.getByRole('button', { name: 'Measure your own mix' }).click()
  const keep = page.getByRole('button', { name: 'Keep this run', exact: true })
  const type = (label: string, what: string) => page.getByLabel(label, { exact: true }).fill(what)
  await type('It holds to the line', '1 L')
  await type('Poured on in all', '1.2 L')
  await type('Ran out', '150 mL')
  // More than it holds: told at the field, and not kept.
  await expect(page.getByText(/more water than the container holds/)).toBeVisible()
  await expect(keep).toBeDisabled()
  await type('Poured on in all', '900 mL')
  await keep.click()
  await expect(page.getByText('Run 1: 90 % pores, 15 % air')).toBeVisible()
  await page.getByRole('button', { name: 'Use it for this mix' }).click()
  await expect(air).toContainText('By your home test of this mix')
  await page.reload()
  await expect(air).toContainText('By your home test of this mix')
  expect(await air.getByRole('figure').filter({ hasText: 'this one' }).innerText()).not.toBe(before)
  await expectAccessible(page)
})
