import { choose, expect, expectAccessible, goTo, SOWING_BATCH, test, unfold, type Household } from './fixture'

/* A hundred tins of 100 mL take 100 · 0.1 · 0.9 · 1.1 · 1.05 = 10.4 L of loose perlite. */
async function perliteBatch(household: Household, name = 'Tins') {
  const tin = await household.put('containers', {
    name: 'Tin',
    kind: 'pot',
    cells: 1,
    measuredVolumeMl: 100,
    shape: { form: 'round', topDiameterMm: 60, baseDiameterMm: 50, depthMm: 60 },
  })
  return household.put('batches', {
    ...SOWING_BATCH,
    name,
    parts: [{ materialId: 'perlite', parts: 1 }],
    fills: [{ containerId: tin.id, count: 100, coverMm: 0, coverMaterialId: 'mix' }],
  })
}
const bag = (household: Household, litres: number, price: number, packs: number) =>
  household.put('stocks', {
    name: `${litres} L perlite`,
    kind: 'material',
    goodsId: 'perlite',
    size: { measure: 'loose', amount: litres },
    price,
    packs,
  })

test('what is short is bought in the cheapest whole packs', async ({ page, household }) => {
  await perliteBatch(household)
  await bag(household, 25, 13, 0)
  await goTo(page, '/plan/shopping')
  const toBuy = page.getByRole('region', { name: 'Shopping list' })
  // Only the sack is known yet.
  await expect(toBuy).toContainText('1 × 25 L perlite')

  await goTo(page, '/supplies')
  await page.getByRole('button', { name: 'Add a pack' }).click()
  await choose(page, 'What is in it', 'Perlite, coarse')
  await page.getByLabel('A full pack').fill('0')
  await expect(page.getByText('More than 0, at most 5000 L')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Save' })).toBeDisabled()
  await page.getByLabel('A full pack').fill('10 L')
  await page.getByLabel('Full packs').fill('0')
  await page.getByLabel('In the open one').fill('20')
  await page.getByLabel('Price of a pack').fill('7')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('dialog')).toBeHidden()
  await goTo(page, '/plan/shopping')
  // 10.4 − 2 L are short by 8.4: a bag of 10 L for 7 beats the sack for 13.
  await expect(toBuy).toContainText('1 × 10 L perlite')
  await expect(toBuy.getByRole('row', { name: /^Total/ })).toContainText('7.00')
  // For two batches 18.8 L are short: the sack for 13 beats two bags for 14.
  await perliteBatch(household, 'More tins')
  await page.reload()
  await expect(toBuy).toContainText('1 × 25 L perlite')
  await expect(toBuy.getByRole('row', { name: /^Total/ })).toContainText('13.00')
  await expectAccessible(page)
})

test('a batch is made: it leaves the shelf, and undo puts it back', async ({ page, household }) => {
  const batch = await perliteBatch(household)
  await bag(household, 10, 7, 1.5)
  await goTo(page, `/batches/${batch.id}`)
  await page.getByRole('button', { name: 'Mark as made' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('10.4 L, 10 L perlite')
  await dialog.getByLabel('Made by').fill('Wren')
  await expectAccessible(page)
  await dialog.getByRole('button', { name: 'Mark as made' }).click()
  await expect(page.getByTestId('bench-card')).toContainText('by Wren')
  const packs = async () => Number((await household.list('stocks'))[0]!.body['packs'])
  expect(await packs()).toBeCloseTo(1.5 - 1.0395, 4)
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('Undone: Tins.')).toBeVisible()
  expect(await packs()).toBe(1.5)
  await expect(page.getByRole('button', { name: 'Mark as made' })).toBeVisible()
})

test('when somebody else took the last bag, it is said, and nothing typed is lost', async ({
  page,
  household,
  expectNoise,
}) => {
  expectNoise(/422/)
  const mine = await perliteBatch(household)
  const theirs = await perliteBatch(household, 'Theirs')
  await bag(household, 12, 7, 1)
  await goTo(page, `/batches/${mine.id}`)
  await page.getByRole('button', { name: 'Mark as made' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Note').fill('Dusty bag')
  await household.put('entries', {
    name: 'Theirs',
    kind: 'batch made',
    on: '2027-03-02',
    subjects: [{ what: 'batches', id: theirs.id }],
  })
  await dialog.getByRole('button', { name: 'Mark as made' }).click()
  await expect(dialog.getByRole('alert')).toContainText('10.4 L wanted, 1.61 L in the supplies')
  await expect(dialog.getByLabel('Note')).toHaveValue('Dusty bag')
  await expect(dialog.getByText('8.79 L short')).toBeVisible()
  await dialog.getByLabel('It was made all the same').check()
  await dialog.getByRole('button', { name: 'Mark as made' }).click()
  await expect(page.getByTestId('bench-card')).toContainText('Dusty bag')
})

test('a recipe’s earlier version is had back', async ({ page, household: _ }) => {
  await goTo(page, '/mix')
  await page.getByLabel('Parts of Perlite, coarse').fill('2')
  await page.getByRole('button', { name: 'Save this recipe' }).click()
  await expect(page.getByText('Saved as Light seed mix, ours.')).toBeVisible()
  await page.getByLabel('Parts of Perlite, coarse').fill('5')
  await page.getByRole('button', { name: 'Save this recipe' }).click()
  await unfold(page, /^This recipe/)
  await page.getByRole('button', { name: 'Restore version 1, 3 : 1 : 2' }).click()
  await expect(page.getByText(/is as it was in version 1/)).toBeVisible()
  await expect(page.getByLabel('Parts of Perlite, coarse')).toHaveValue('2')
  await expect(page.getByRole('button', { name: 'Restore version 2, 3 : 1 : 5' })).toBeVisible()
  await expectAccessible(page)
})

test('layers, a sieve and hot water go from the mix to the card', async ({ page, household: _ }) => {
  await goTo(page, '/mix')
  await unfold(page, 'Cover, layers, potting up')
  await page.getByLabel('72-cell tray in two layers').check()
  await expect(page.getByRole('heading', { name: 'The mix below' }).first()).toBeVisible()
  await page.getByLabel('Depth of the top layer in 72-cell tray').fill('80 mm')
  await expect(page.getByText(/^5 to \d+ mm\.$/).first()).toBeVisible()
  await page.getByLabel('Depth of the top layer in 72-cell tray').fill('20 mm')
  await unfold(page, 'Extras and preparation')
  await choose(page, 'Against damping-off and gnats', 'Hot water over the whole mix')
  await page.getByLabel('sieve through 6 mm (¼ in) first').check()
  const tally = page.getByRole('region', { name: 'To measure out' })
  await expect(tally).toContainText('boiling water in all')
  await expect(tally).toContainText(/Sieve [\d.]+ m?L of bagged potting mix through 6 mm/)
  await expect(tally.getByRole('button', { name: /^Take care/ })).toContainText(/boiling water/i)
  await expectAccessible(page)
  // In the reader’s order of day and month.
  await page.getByLabel('Filled on').fill('14/03/2027')
  await page.keyboard.press('Tab')
  await page.getByRole('button', { name: 'Plan this batch' }).click()
  await page.getByRole('link', { name: 'Bench card' }).first().click()
  const card = page.getByTestId('bench-card')
  await expect(card.getByRole('heading', { name: /Soak the coir in boiling water/ })).toContainText('13')
  await expect(card).toContainText('of the lower mix first, then 20 mm of the upper')
  await expectAccessible(page)
})

test('an old mix is stretched with what is at hand', async ({ page, household: _ }) => {
  await goTo(page, '/find')
  await page.getByText('Stretch an old mix').click()
  const stretch = page.getByRole('region', { name: 'Stretch an old mix' })
  await stretch.getByLabel('How much of it').fill('12 L')
  await expect(stretch.getByRole('listitem').first()).toContainText(/L (worm castings|perlite|rice hulls)/)
  await stretch.getByRole('button', { name: 'Use it' }).first().click()
  await expect(page.getByLabel('Parts of Old mix, sieved')).toBeVisible()
})
