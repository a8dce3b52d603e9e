import type { Locator, Page } from '@playwright/test'
import { choose, expect, expectAccessible, goTo, test, unfold } from './fixture'

/*
 * By hand, from the reference rules: a 72-cell cell is 36 → 20 mm, 57 mm deep; a 2½ in pot 64 → 48 mm, 64 mm deep.
 * litres = cells · volume · fill · (1 + settling) · (1 + spare); fill 0.75 under a cover, 0.9 without.
 */
const pyramidMl = (top: number, base: number, depth: number) =>
  ((depth / 3) * (top * top + top * base + base * base)) / 1000
const SETTLING = (3 * 0.1 + 1 * 0.15 + 1 * 0.1) / 5
const mixL =
  ((144 * pyramidMl(36, 20, 57) * 0.75 + 12 * pyramidMl(64, 48, 64) * 0.9) / 1000) * (1 + SETTLING) * 1.05
const materialsL = mixL / (1 - 4 * 0.1 * 0.2 * 0.8)
const shown = (value: number) => String(Number(value.toPrecision(3)))

test('from a recipe to the bench card, by pointer', async ({ page, household }) => {
  await goTo(page, '/mix')
  await choose(page, 'Recipe', 'Light seed mix')
  await expect(page.getByText('3 : 1 : 1')).toBeVisible()

  await page.getByLabel('How many: 72-cell tray').fill('2')
  await unfold(page, 'Cover, layers, potting up')
  await page.getByLabel('Cover on 72-cell tray').fill('5 mm')
  await choose(page, 'What covers 72-cell tray', 'Vermiculite, medium')
  await choose(page, 'Add a container', '6½ cm square pot')
  await page.getByLabel('How many: 6½ cm square pot').fill('12')
  await unfold(page, 'Scoop, moisture and spare')
  await choose(page, 'Measure with', 'Yoghurt pot')

  const tally = page.getByRole('region', { name: 'To measure out' })
  await expect(tally.getByText(`${shown(mixL)} L`).first()).toBeVisible()
  const coir = tally.getByRole('row', { name: /Coir/ })
  await expect(coir).toContainText(`${shown(materialsL * 0.6)} L`)
  await expect(coir).toContainText('1 × 650 g brick')
  // 144 cells of 36 × 36 mm under 5 mm
  await expect(tally.getByRole('row', { name: /Vermiculite/ })).toContainText(
    `${shown(144 * 0.36 * 0.36 * 0.05 * 1000)} mL`,
  )
  // 13 L of fibre and 5.5 L of water a kilogram
  await expect(tally).toContainText(`${shown((materialsL * 0.6 * 5.5) / 13)} L of water`)
  await expect(tally.getByRole('button', { name: /^Take care/ })).toContainText('old vermiculite')

  // every figure shows its working, down to a source
  await tally.getByRole('button', { name: /^Loose mix: / }).click()
  const working = page.getByTestId('working')
  await expect(working).toContainText('x₁ + x₂')
  await working.getByRole('button', { name: 'how this was reached →' }).first().click()
  await expect(working).toContainText('n · V · f / 1000 · (1 + s) · (1 + r)')
  await working.getByRole('button', { name: 'how this was reached →' }).nth(2).click()
  await expect(working).toContainText('a quarter of the cell is left free for the cover')
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await expect(working).toBeHidden()

  await page.getByLabel('Name of the batch').fill('Basil trays')
  await page.getByRole('button', { name: 'Plan this batch' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Batch 1')
  await page.getByRole('link', { name: 'Plan its feed' }).click()

  await unfold(page, /^On the label/)
  await page.getByLabel('N nitrogen').fill('20')
  await page.getByLabel('P₂O₅ phosphate').fill('10')
  await page.getByLabel('K₂O potash').fill('20')
  await page.getByLabel('Its name').fill('Barn powder')
  await choose(page, 'Stage', 'Growing on')
  await choose(page, 'Into', 'Blue jug')
  await page.getByLabel('It holds').fill('2 gal')
  await page.getByRole('textbox', { name: 'Strength' }).fill('100')
  const slip = page.getByRole('region', { name: 'How to measure it' })
  // 100 mg/L from 20 % N in 2 US gal is 3.785 g; P = 0.4364 · 10/20 · 100, K = 0.8301 · 100
  await expect(slip.getByText('3.79 g').first()).toBeVisible()
  await unfold(page, /^Why: how much N/)
  const wanted = page.getByRole('region', { name: /^Why: how much N/ })
  await expect(wanted).toContainText('21.8')
  await expect(wanted).toContainText('83')
  await expect(slip).toContainText(/Gives about \d+ mg\/L N \(\d+–\d+\)/)
  await page.getByRole('button', { name: 'Plan this feed' }).click()
  await page.getByRole('link', { name: 'Bench card' }).click()

  const card = page.getByTestId('bench-card')
  const expectCard = async () => {
    await expect(card).toContainText('Basil trays')
    await expect(card).toContainText(`${shown(mixL)} L`)
    await expect(card).toContainText('Soak the coir')
    await expect(card).toContainText('Barn powder, 20-10-20')
    await expect(card).toContainText('Take care')
  }
  await expectCard()
  await page.reload()
  await expectCard()
  expect((await household.list('batches')).map(({ body }) => body['name'])).toEqual(['Basil trays'])
  expect((await household.list('feeds')).map(({ body }) => body['name'])).toEqual(['Barn powder'])
})

/** Tab until it is focused, as somebody without a pointer must. */
async function tabTo(page: Page, target: Locator) {
  for (let i = 0; i < 90; i++) {
    if (await target.evaluate((element) => element === document.activeElement)) return
    await page.keyboard.press('Tab')
  }
  throw new Error('not reached by Tab')
}
async function type(page: Page, target: Locator, text: string) {
  await tabTo(page, target)
  await page.keyboard.press('Control+a')
  await page.keyboard.type(text)
}
async function pick(page: Page, target: Locator, option: string) {
  await tabTo(page, target)
  await page.keyboard.press('Enter')
  const wanted = page.getByRole('option', { name: option, exact: true })
  await expect(wanted).toBeVisible()
  for (let i = 0; i < 60 && (await wanted.getAttribute('data-p-focused')) !== 'true'; i++)
    await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
}

test('from a recipe to the bench card, by keyboard alone', async ({ page }) => {
  await goTo(page, '/')
  await page.keyboard.press('m')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('New mix')
  await pick(page, page.getByRole('combobox', { name: 'Recipe' }), 'Peat and mineral, sterile')

  const edge = page.getByRole('slider', { name: /^Edge between Sphagnum peat/ })
  await tabTo(page, edge)
  await page.keyboard.press('ArrowDown')
  await expect(page.getByText('1.25 : 0.75')).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByText('1 : 1', { exact: true })).toBeVisible()

  await type(page, page.getByLabel('How many: 72-cell tray'), '3')
  await pick(page, page.getByRole('combobox', { name: 'Add a container' }), '5 cm block')
  await type(page, page.getByLabel('Name of the batch'), 'Peat trays')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Batch 1')

  await tabTo(page, page.getByRole('link', { name: 'Plan its feed' }))
  await page.keyboard.press('Enter')
  const drop = page.getByRole('slider', { name: 'Wanted strength' })
  await tabTo(page, drop)
  await page.keyboard.press('PageUp')
  await expect(drop).toHaveAttribute('aria-valuenow', '85')
  await expect(page.getByText('stronger than this stage likes').first()).toBeVisible()
  await type(page, page.getByLabel('It holds'), '5 L')
  await tabTo(page, page.getByRole('button', { name: 'Plan this feed' }))
  await page.keyboard.press('Enter')
  await tabTo(page, page.getByRole('link', { name: 'Bench card' }))
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('bench-card')).toContainText('Peat trays')
  await expect(page.getByTestId('bench-card')).toContainText('5 L of water')
})

test('from the plan over the tray to its feed, by keyboard alone', async ({ page, household }) => {
  test.slow()
  await household.setSeason()
  await goTo(page, '/plan')
  await type(page, page.getByLabel('What do you want to grow?'), '6 basil')
  const press = async (target: Locator) => {
    await expect(target).toBeEnabled()
    await tabTo(page, target)
    await page.keyboard.press('Enter')
  }
  await press(page.getByRole('button', { name: 'Plan', exact: true }))
  const strip = page.getByRole('list', { name: /^Sow .*: steps$/ })
  await press(strip.getByRole('button', { name: /^Lay out/ }))
  await tabTo(page, strip.getByRole('link', { name: 'Labels' }))
  await press(strip.getByRole('button', { name: 'Sow' }))
  await expect(page).toHaveURL(/\/jobs\//)
  const end = page.getByRole('dialog', { name: 'End this job' })
  const next = page.getByTestId('next')
  for (let i = 0; i < 30 && !(await end.isVisible()); i++) {
    await tabTo(page, next)
    await page.keyboard.press('Enter')
    await page.waitForTimeout(100)
  }
  await press(end.getByRole('button', { name: 'Save and finish' }))
  const tray = (await household.list('trays'))[0]!
  await expect
    .poll(async () => (await household.list('entries')).some(({ body }) => body['kind'] === 'stage'))
    .toBe(true)
  await goTo(page, `/trays/${tray.id}`)
  await type(page, page.locator('li.group').getByRole('textbox'), '4')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/4 of 7 up/).first()).toBeVisible()
  await tabTo(
    page,
    page
      .getByRole('button', { name: 'Labels' })
      .or(page.getByRole('link', { name: 'Labels' }))
      .first(),
  )
  await page.keyboard.press('f')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('New feed')
  await press(page.getByRole('button', { name: 'Plan this feed' }))
  await expect(page.getByRole('link', { name: 'Bench card' })).toBeVisible()
})

test('bands, drop and steppers follow the pointer at once', async ({ page }) => {
  await goTo(page, '/mix')
  const edge = page.getByRole('slider', { name: /^Edge between Coir/ })
  const box = (await edge.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  // The section is 400 px for 5 parts: 80 px up moves one part.
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 80, { steps: 6 })
  await expect(page.getByLabel('Parts of Coir, washed')).toHaveValue('2')
  await expect(page.getByLabel('Parts of Worm castings')).toHaveValue('2')
  await page.mouse.up()
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await expect(page.getByLabel('Parts of Coir, washed')).toHaveValue('3')
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect(page.getByLabel('Parts of Coir, washed')).toHaveValue('2')

  await page.keyboard.press('f')
  const drop = page.getByRole('slider', { name: 'Wanted strength' })
  const before = Number(await drop.getAttribute('aria-valuenow'))
  const mark = (await drop.boundingBox())!
  await page.mouse.move(mark.x + mark.width / 2, mark.y + 80)
  await page.mouse.down()
  await page.mouse.move(mark.x + mark.width / 2 + 200, mark.y + 80, { steps: 6 })
  await page.mouse.up()
  const after = Number(await drop.getAttribute('aria-valuenow'))
  expect(after).toBeGreaterThan(before + 20)
  await expect(page.getByRole('textbox', { name: 'Strength' })).toHaveValue(String(after))
})
