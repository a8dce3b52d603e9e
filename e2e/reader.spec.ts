import { expect, expectAccessible, goTo, test } from './fixture'

/* What people type, read as it is typed: on a screen and on a phone. */

const on = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10)

test('several crops in a sentence are planned with one press, each with its own answer', async ({
  page,
  household,
}) => {
  await household.setSeason()
  await goTo(page, '/plan')
  const sentence = page.getByLabel('What do you want to grow?')
  const heard = page.getByRole('list', { name: 'How it was understood' })
  await sentence.fill('18 kale and 24 cabbages in 50s by 20 May')
  await expect(heard).toContainText('50-cell tray')
  await expect(page.getByText(/Kale: /)).toBeVisible()
  await expect(page.getByText(/Cabbage: /)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Plan', exact: true }).click()
  await expect(sentence).toHaveValue('')
  expect(
    (await household.list('sowings'))
      .map(({ body }) => (body as unknown as { plants: number }).plants)
      .sort(),
  ).toEqual([18, 24])
})

test('a vessel nobody has is offered as the nearest, or made of that size in place', async ({
  page,
  household,
}) => {
  await household.setSeason()
  await goTo(page, '/plan')
  const sentence = page.getByLabel('What do you want to grow?')
  await sentence.fill('12 marigolds in egg boxes by 1 June')
  await expect(page.getByText(/is not among the containers here/)).toBeVisible()
  await page.getByRole('button', { name: /^A new one: egg box/ }).click()
  await expect(page.getByRole('button', { name: 'Plan', exact: true })).toBeEnabled()
  expect((await household.list('containers')).map(({ body }) => body.name)).toEqual(['Egg box'])
})

test('a line of the log is shown word by word and in a sentence; a word that is pressed can be another', async ({
  page,
  household,
}) => {
  await household.setSeason()
  await household.put('sowings', { name: 'Leek', cropId: 'leek', plants: 40, sowOn: on(-20) })
  await goTo(page, '/records')
  const line = page.getByLabel('What happened?')
  await line.fill('the leeks never germinated')
  await expect(page.getByText(/^Up: none of the leeks/)).toBeVisible()
  await line.fill('12 leeks up')
  await page.getByRole('button', { name: /^up: came up/ }).click()
  await page
    .getByRole('group', { name: /^Instead of up/ })
    .getByRole('button', { name: 'potted up' })
    .click()
  await expect(line).toHaveValue('12 leeks potted up')
  await expect(page.getByText(/^Potted up: 12 leeks/)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(line).toHaveValue('')
  expect(
    (await household.list('entries')).map(
      ({ body }) => (body as unknown as { kind: string; count: number }).count,
    ),
  ).toEqual([12])
})

test('who types and presses Enter at once is waited for', async ({ page, household }) => {
  await household.setSeason()
  await goTo(page, '/records')
  const line = page.getByLabel('What happened?')
  await line.fill('aired the greenhouse')
  await line.press('Enter')
  await expect(line).toHaveValue('')
  await goTo(page, '/plan')
  const wish = page.getByLabel('What do you want to grow?')
  await wish.fill('12 chard by 1 June')
  await wish.press('Enter')
  await expect(wish).toHaveValue('')
  expect((await household.list('sowings')).length).toBe(1)
})

test('the palette answers: what is in the shed, how deep, the next day of a crop, a word', async ({
  page,
  household,
}) => {
  await household.setSeason()
  await household.put('stocks', {
    name: 'Bag',
    kind: 'material',
    goodsId: 'perlite',
    size: { measure: 'loose', amount: 10 },
    packs: 2,
  })
  await household.put('sowings', { name: 'Leek', cropId: 'leek', plants: 40, outOn: on(80) })
  await goTo(page, '/')
  await page.keyboard.press('Control+k')
  const wanted = page.getByRole('combobox', { name: 'What to find' })
  const found = page.getByRole('listbox', { name: 'Found' })
  for (const [typed, answer] of [
    ['perlite', /20 L in supplies/],
    ['how deep leeks', /deep/],
    ['how deep', /Leek: .*deep/],
    ['hang lamp', /help/],
    ['leek', /Sow leek/],
    ['frost tonight', /Tonight/],
    ['prick out', /Move crowded seedlings/],
    ['damping off', /what it may be/],
  ] as const) {
    await wanted.fill(typed)
    await expect(found).toContainText(answer)
  }
  await expectAccessible(page)
})

test.describe('with a thumb, on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  test('a recipe that is told is asked about, each answer a press, and nothing typed is lost', async ({
    page,
    household,
  }) => {
    await household.setSeason()
    await goTo(page, '/supplies')
    const shed = page.getByLabel('Type what you have')
    await shed.fill('2 bricks of coir, half a bag of perlite')
    await page.getByRole('button', { name: '25 L', exact: true }).tap()
    await expect(shed).toHaveValue('2 bricks of coir, 0.5 × 25 L bag of perlite')
    await page.getByRole('button', { name: 'Add', exact: true }).tap()
    await expect(shed).toHaveValue('')
    expect(
      (await household.list('stocks')).map(({ body }) => (body as unknown as { packs: number }).packs).sort(),
    ).toEqual([0.5, 2])
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390)
    await expectAccessible(page)
  })
})
