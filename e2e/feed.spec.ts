import { choose, expect, expectAccessible, goTo, test, unfold } from './fixture'

test('a label rate is read in three spellings, and a rule becomes a mark among the others', async ({
  page,
  household: _,
}) => {
  await goTo(page, '/feed')
  await choose(page, 'Feed', 'Balanced liquid feed')
  await unfold(page, /^On the label/)
  const rate = page.getByLabel('Label rate')
  // A US tablespoon in a US gallon is 3.91 mL/L; 15 mL in 4.5 L are 3.33; both by NIST volumes.
  for (const [text, hint] of [
    ['1 tbsp per us gal', /3\.9\d? mL\/L|3\.91 mL\/L/],
    ['15 ml to 4.5 litres', /3\.33 mL\/L/],
    ['5 ml/l', /5 mL\/L/],
  ] as const) {
    await rate.fill(text)
    await expect(page.getByText(hint).first()).toBeVisible()
    await expect(rate).toHaveValue(text)
  }
  await rate.fill('5-5-5')
  await expect(page.getByText(/are the contents, not the dose/)).toBeVisible()
  await rate.fill('a good glug')
  await expect(page.getByText(/mean here|How much is a glug/)).toBeVisible()
  await rate.fill('5')

  await unfold(page, 'Your own rules on the chart')
  const rule = page.getByLabel('A rule you go by')
  await rule.fill('1:500')
  await page.getByRole('button', { name: 'Add to chart' }).click()
  // 2 mL/L of a 5 % feed of 1.15 g/mL: 2 · 1.15 · 50 = 115 mg/L; one part to 500 is a little less.
  const marks = page.getByRole('region', { name: 'Rules on the scale' })
  await expect(marks.getByRole('listitem')).toContainText('115 mg/L')
  await marks.getByRole('button', { name: /1:500: read it as one part to/ }).click()
  await expect(marks.getByRole('listitem')).toContainText('1 part to n of water')
  await rule.fill('no stronger than 5-5-5')
  await page.getByRole('button', { name: 'Add to chart' }).click()
  await expect(marks).toContainText('How much goes in how much water?')
  await expectAccessible(page)
  await marks.getByRole('button', { name: 'use it' }).click()
  await expect(page.getByLabel('Strength', { exact: true })).toHaveValue('114.77')
})

test('what I did is read back, judged and rescued', async ({ page, household: _ }) => {
  await goTo(page, '/feed')
  await choose(page, 'Feed', 'Balanced soluble powder')
  await choose(page, 'Into', 'Blue jug')
  // 3 g of a 20 % powder in 2 L are 300 mg/L; first true leaves like 75 at most: 2 · (300 / 75 − 1) = 6 L more.
  await unfold(page, 'Check what I mixed')
  await page.getByLabel('Put into the blue jug').fill('3 g')
  const did = page.getByRole('region', { name: 'Check what I mixed' })
  await expect(did.getByRole('status')).toContainText('300 mg/L N: stronger than this stage likes')
  await expect(did.getByRole('status')).toContainText('Add 6 L of water')
  await page.getByLabel('Put into the blue jug').fill('a pinch')
  await expect(did).toContainText('Say it like 2 tsp')
})

test('from a target to the procedure, the record and the supplies', async ({ page, household }) => {
  await household.put('stocks', {
    name: 'Tub',
    kind: 'feed',
    goodsId: 'balanced-20',
    size: { measure: 'mass', amount: 100 },
    price: 5,
    packs: 1,
  })
  await goTo(page, '/feed')
  await choose(page, 'Feed', 'Balanced soluble powder')
  await choose(page, 'Into', 'Blue jug')
  await page.getByLabel('Strength', { exact: true }).fill('100')
  await unfold(page, 'Compare ways to measure it')
  await expect(page.getByRole('row', { name: /: best/ })).toBeVisible()
  await page.getByRole('button', { name: 'Plan this feed' }).click()
  await page.getByRole('button', { name: 'Log as given' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('How many of the blue jug').fill('3')
  await dialog.getByLabel('To which trays').fill('Basil, both trays')
  // 100 mg/L in 2 L of a 20 % feed is 1 g, three times.
  await expect(dialog).toContainText('It takes 3 g')
  await expectAccessible(page)
  await dialog.getByRole('button', { name: 'It was given' }).click()
  await expect(page.getByRole('region', { name: 'Given' })).toContainText('to Basil, both trays')
  expect((await household.list('stocks'))[0]!.body['packs']).toBeCloseTo(0.97, 6)
  await page.getByRole('region', { name: 'Given' }).getByRole('button', { name: /^Undo/ }).click()
  await expect(page.getByRole('region', { name: 'Given' })).toBeHidden()
  expect((await household.list('stocks'))[0]!.body['packs']).toBe(1)
})

test('a blend reaches what it can and keeps calcium from sulphate', async ({ page, household: _ }) => {
  await goTo(page, '/blend')
  const blend = page.getByRole('region', { name: 'Weigh out' })
  await expect(blend.getByRole('status').filter({ hasText: 'undiluted' })).toContainText(
    'Never mix these two concentrates undiluted',
  )
  await expectAccessible(page)
  await page.getByLabel('Calcium nitrate').uncheck()
  await expect(blend).toContainText('These can share one bottle')
  await expect(blend).toContainText('Nothing ticked holds calcium')
  for (const one of ['Potassium nitrate', 'Monopotassium phosphate', 'Magnesium sulphate, hydrated'])
    await page.getByLabel(one).uncheck()
  await expect(blend.getByRole('status')).toHaveText('Tick at least one feed.')
})

test('a feeding schedule is planned, kept, and stands on the shopping list', async ({ page, household }) => {
  await goTo(page, '/programme')
  await choose(page, 'Method', 'Half strength, every 10–14 days')
  await unfold(page, /stages: strength/)
  await expect(page.getByLabel('Feed every').first()).toHaveValue('12')
  await choose(page, 'Appetite', 'heavy')
  await page.getByLabel('Plants').fill('0')
  await expect(page.getByText(/A whole number, 1 to 20.?000/).first()).toBeVisible()
  await expect(page.getByRole('button', { name: 'Save this schedule' })).toBeDisabled()
  await page.getByLabel('Plants').fill('500')
  await expect(page.getByRole('img', { name: /Over \d+ weeks a plant wants/ })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Save this schedule' }).click()
  await expect(page.getByText('The feeding schedule is kept.')).toBeVisible()
  expect(await household.list('programmes')).toHaveLength(1)
  await goTo(page, '/plan/shopping')
  await expect(page.getByRole('region', { name: 'Shopping list' })).toContainText('Balanced soluble powder')
})

test('a sign is read against the record of its tray, and says what would tell it from the others', async ({
  page,
  household,
}) => {
  await household.setSeason()
  const on = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10)
  const tray = await household.put('trays', {
    name: 'Six-pack',
    containerId: 'six-pack',
    rows: 2,
    columns: 3,
    placeId: 'shelf',
    recipeId: 'lean-and-light',
    groups: [{ code: 'A', name: 'Basil', cropId: 'basil' }],
    cells: ['A', 'A', 'A', 'A', '', ''],
  })
  const subjects = [{ what: 'trays', id: tray.id, stage: null }]
  const cells = [0, 1, 2, 3].map((cell) => [cell, 1])
  for (const [what, days] of [
    ['sown', -30],
    ['up', -20],
  ] as const)
    await household.put('entries', {
      name: what,
      kind: what === 'sown' ? 'stage' : 'look',
      on: on(days),
      subjects,
      cells: [{ trayId: tray.id, group: 'A', what, cells, count: null }],
    })
  await household.put('entries', {
    name: 'Strong one',
    kind: 'watered',
    on: on(-3),
    subjects,
    water: [{ trayId: tray.id, how: 'below', litres: 0.2, nMgPerL: 240 }],
  })
  await goTo(page, `/signs?tray=${tray.id}`)
  await page.getByRole('radio', { name: 'Burnt tips' }).click()
  const likely = page.getByRole('region', { name: 'Burnt tips: what is likely' })
  await expect(likely.getByRole('listitem').first()).toContainText('The last feed was 240 mg/L')
  await expect(likely.getByRole('listitem').first()).toContainText('To tell:')
  await expectAccessible(page)
  // Without a tray a few words say what the record would.
  await goTo(page, '/signs?sign=leggy')
  await page.getByLabel('Light a day').fill('4')
  const leggy = page.getByRole('region', { name: 'Long and thin: what is likely' })
  await expect(leggy.getByRole('listitem').first()).toContainText('4 mol/m² a day')
})
