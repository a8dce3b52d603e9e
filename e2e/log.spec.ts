import sharp from 'sharp'
import { choose, expect, expectAccessible, goTo, SOWING_BATCH, test, unfold, type Household } from './fixture'

/* The log in the real interface: written with a thumb, a trial from its lot to its verdict, a tray traced, a year ended. */

const on = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10)
const cells = (n: number, from = 0) => Array.from({ length: n }, (_, i) => [from + i, 1])

async function tray(household: Household, name: string, cropId: string, more: object = {}) {
  return household.put('trays', {
    name: '24-cell tray',
    containerId: 'tray-24',
    rows: 4,
    columns: 6,
    placeId: 'shelf',
    groups: [{ code: 'A', name, cropId }],
    cells: Array(24).fill('A'),
    ...more,
  })
}
const happened = (household: Household, trayId: string, kind: string, days: number, more: object = {}) =>
  household.put('entries', {
    name: kind,
    kind,
    on: on(days),
    subjects: [{ what: 'trays', id: trayId, stage: null }],
    ...more,
  })
const changed = (trayId: string, group: string, what: string, n: number, from = 0) => ({
  cells: [{ trayId, group, what, cells: cells(n, from), count: null }],
})

test.describe('with a thumb, on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })
  test('chips and a few letters write it down; it is asked where it cannot be, kept, and taken back', async ({
    page,
    household,
  }) => {
    await household.setSeason()
    const { id, number } = await tray(household, 'Okra', 'okra')
    await happened(household, id, 'stage', -9, changed(id, 'A', 'sown', 24))
    await goTo(page, '/records')
    const line = page.getByLabel('What happened?')
    await page.getByRole('button', { name: `${number} Okra` }).tap()
    await line.press('End')
    await line.pressSequentially(', 40 ')
    await page.getByRole('button', { name: 'up', exact: true }).tap()
    // Forty cannot be up of twenty-four: asked, and nothing typed is lost.
    await expect(page.getByText('24 seeds were sown in tray 1: 40 cannot be up.')).toBeVisible()
    await expect(page.getByRole('button', { name: 'Save' })).toBeDisabled()
    await expect(line).toHaveValue('tray 1, 40 up')
    await page.getByRole('button', { name: 'All 24 are up' }).tap()
    await page.getByRole('button', { name: 'Save' }).tap()
    await expect(line).toHaveValue('')
    const entry = page.getByRole('listitem').filter({ hasText: 'Up: Okra, tray 1' })
    await expect(entry).toContainText('24')
    // By a sign alone, and one that may be two is asked.
    await line.fill('okra yellow leaves')
    await page.getByRole('button', { name: 'Pale old leaves', exact: true }).tap()
    await page.getByRole('button', { name: 'Save' }).tap()
    const seen = page.getByRole('listitem').filter({ hasText: 'okra pale below' })
    await expect(seen.getByRole('link', { name: 'Pale old leaves' })).toBeVisible()
    await seen.getByRole('button', { name: /^Undo/ }).tap()
    await expect(seen).toBeHidden()
    await page.getByRole('button', { name: 'Undo' }).last().tap()
    await expect(seen).toBeVisible()
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390)
    await expectAccessible(page)
  })
})

test('the log is looked through by words, things and kinds, put right, and goes back page by page', async ({
  page,
  household,
}) => {
  await household.setSeason()
  const { id } = await tray(household, 'Cosmos', 'cosmos')
  for (let i = 0; i < 60; i++)
    await household.put('entries', {
      name: `Quiet day ${i}`,
      kind: 'thought',
      on: on(-30 - i),
      subjects: [],
    })
  await happened(household, id, 'seen', -2, { name: 'Gnats over the cosmos', signs: ['flies'] })
  await goTo(page, '/records')
  await expect(page.getByText('Gnats over the cosmos')).toBeVisible()
  // The page before is fetched as its end comes into sight.
  await page.getByText('Quiet day 30').scrollIntoViewIfNeeded()
  await expect(page.getByText('Quiet day 59')).toBeAttached()
  await page.evaluate(() => scrollTo(0, 0))
  await page.getByRole('button', { name: 'Look for' }).click()
  await page.getByLabel('Words').fill('gnat')
  await expect(page.getByText('Quiet day 0', { exact: true })).toBeHidden()
  await expect(page.getByText('Gnats over the cosmos')).toBeVisible()
  await page.getByRole('button', { name: 'Edit: Gnats over the cosmos' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Note').fill('under the cover')
  await dialog.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByText('under the cover')).toBeVisible()
  await page.getByLabel('Words').fill('cover')
  await expect(page.getByText('under the cover')).toBeVisible()
  await page.getByRole('button', { name: 'Water', exact: true }).click()
  await expect(page.getByText('No match')).toBeVisible()
})

test('a trial: its cells dealt by lot, counted as usual, judged in words', async ({ page, household }) => {
  await household.setSeason()
  const { id, number } = await tray(household, 'Okra', 'okra')
  await goTo(page, '/records/trials')
  await page.getByRole('button', { name: 'Set up a trial' }).click()
  const dialog = page.getByRole('dialog')
  await choose(page, 'What is compared', 'something else')
  await dialog.getByLabel('Side A is').fill('Soaked overnight')
  await dialog.getByRole('button', { name: 'Draw the lot' }).click()
  await expect(dialog.getByText('Say what is different about each side.')).toBeVisible()
  await dialog.getByLabel('Side B is').fill('Sown dry')
  await dialog.getByLabel(/^Blind/).click()
  await dialog.getByRole('button', { name: 'Draw the lot' }).click()
  await expect(dialog).toBeHidden()
  await expect(page.getByRole('heading', { name: 'Soaked overnight or Sown dry?' })).toBeVisible()
  await expect(page.getByText('Which is which is shown once it is judged.')).toBeVisible()
  // Twelve cells each, by a lot that is kept.
  const [dealt] = await household.list('trays')
  const body = dealt!.body as unknown as { cells: string[]; groups: { code: string; name: string }[] }
  expect(body.cells.filter((code) => code === 'A')).toHaveLength(12)
  expect(body.cells.filter((code) => code === 'B')).toHaveLength(12)
  expect(body.groups.map(({ name }) => name)).toEqual(['Okra · side A', 'Okra · side B'])
  const of = (code: string) => body.cells.flatMap((one, cell) => (one === code ? [[cell, 1]] : []))
  for (const code of ['A', 'B'])
    await happened(household, id, 'stage', -12, {
      cells: [{ trayId: id, group: code, what: 'sown', cells: of(code), count: null }],
    })
  // Counted in the log as everything is; which side is asked.
  await goTo(page, '/records')
  for (const [count, side] of [
    [12, 'Okra · side A'],
    [2, 'Okra · side B'],
  ] as const) {
    await page.getByLabel('What happened?').fill(`tray ${number}, ${count} up`)
    await page.getByRole('button', { name: side, exact: true }).click()
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByLabel('What happened?')).toHaveValue('')
  }
  await page.getByRole('link', { name: 'Trials' }).click()
  await expect(page.getByText('10 more of 12 came up in side A')).toBeVisible()
  await page.getByRole('button', { name: 'Judge it' }).click()
  await expect(page.getByText('10 more of 12 came up in Soaked overnight')).toBeVisible()
  await expect(page.getByText('Take it as real').first()).toBeVisible()
})

test('whole trays are dealt to two places, and each counts once', async ({ page, household }) => {
  await household.setSeason()
  const all = []
  for (let i = 0; i < 8; i++) all.push(await tray(household, 'Okra', 'okra'))
  await goTo(page, '/records/trials')
  await page.getByRole('button', { name: 'Set up a trial' }).click()
  const dialog = page.getByRole('dialog')
  await choose(page, 'What is compared', 'two places (whole trays)')
  await dialog.getByLabel('Side A is').fill('Under the lamp')
  await dialog.getByLabel('Side B is').fill('On the sill')
  await dialog.getByRole('button', { name: 'Draw the lot' }).click()
  await expect(dialog.getByText('Choose at least one tray for each side.')).toBeVisible()
  for (const { number } of all) await dialog.getByRole('checkbox', { name: `tray ${number}: Okra` }).click()
  await dialog.getByRole('button', { name: 'Draw the lot' }).click()
  await expect(dialog).toBeHidden()
  const [trial] = await household.list('trials')
  const { arms } = trial!.body as unknown as { arms: { groups: { trayId: string }[] }[] }
  expect(arms.map(({ groups }) => groups.length)).toEqual([4, 4])
  // Three trays of one side come up well, one as badly as the other side.
  const upIn = (side: number, i: number) => (side === 0 && i < 3 ? 20 : 6)
  for (const [side, { groups }] of arms.entries())
    for (const [i, { trayId }] of groups.entries()) {
      await happened(household, trayId, 'stage', -12, changed(trayId, 'A', 'sown', 24))
      await happened(household, trayId, 'look', -2, changed(trayId, 'A', 'up', upIn(side, i)))
    }
  await page.reload()
  // 66 of 96 cells against 24 of 96 would look certain; of four trays against four it is not.
  await expect(
    page.getByText('69 % came up in Under the lamp (4 trays), 25 % came up in On the sill (4 trays)'),
  ).toBeVisible()
  await expect(page.getByText('each tray counts once: chance would do that').first()).toBeVisible()
  await expect(page.getByText('Take it as real')).toHaveCount(0)
  await expectAccessible(page)
})

test('a sick tray leads to its batch, its seed and the other trays of that batch', async ({
  page,
  household,
}) => {
  await household.setSeason()
  const batch = await household.put('batches', SOWING_BATCH)
  const packet = await household.put('packets', {
    name: 'Okra, green',
    cropId: 'okra',
    supplier: 'swap',
    year: 2026,
  })
  const groups = [{ code: 'A', name: 'Okra', cropId: 'okra', packetId: packet.id }]
  const sick = await tray(household, 'Okra', 'okra', { batchId: batch.id, groups })
  const well = await tray(household, 'Cosmos', 'cosmos', { batchId: batch.id })
  await happened(household, sick.id, 'stage', -14, changed(sick.id, 'A', 'sown', 24))
  await happened(household, sick.id, 'look', -5, changed(sick.id, 'A', 'up', 20))
  await goTo(page, `/trays/${sick.id}`)
  await page.getByRole('link', { name: 'What is wrong with it?' }).click()
  await page.getByRole('radio', { name: 'Fallen at the neck' }).click()
  await expect(page.getByRole('heading', { name: /Damping-off/ })).toBeVisible()
  // It is still on its way when the next page opens and asks for all of it.
  let letGo = () => {}
  const opened = new Promise<void>((resolve) => (letGo = resolve))
  await page.route(/\/commands$/, (route) => opened.then(() => route.continue()))
  await page.getByRole('button', { name: 'Save' }).click()
  await page.getByRole('link', { name: 'Trace' }).click()
  await expect(page.getByRole('img', { name: /Batch 1/ })).toBeVisible()
  letGo()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(`Where tray ${sick.number} comes from`)
  const way = page.getByRole('img', { name: /Batch 1/ })
  await expect(way).toHaveAccessibleName(/Okra, green 2026/)
  await expect(way).toHaveAccessibleName(new RegExp(`Tray ${sick.number}: .*Fallen at the neck`))
  await expect(page.getByRole('listitem').filter({ hasText: `Tray ${sick.number}` })).toContainText(
    'does badly',
  )
  // On paper: the drawing and the words, nothing to press.
  await page.emulateMedia({ media: 'print' })
  await expect(way).toBeVisible()
  await expect(page.getByRole('listitem').filter({ hasText: `Tray ${sick.number}` })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden()
  await expect(page.getByRole('navigation').first()).toBeHidden()
  await page.emulateMedia({ media: 'screen' })
  await page.getByRole('link', { name: `Tray ${well.number}`, exact: true }).click()
  await expect(page).toHaveURL(new RegExp(well.id))
})

test('photos: several at once, what is none is refused by name, and two trays stand side by side by age', async ({
  page,
  household,
  expectNoise,
}) => {
  expectNoise(/422/)
  await household.setSeason()
  const one = await tray(household, 'Okra', 'okra')
  await happened(household, one.id, 'stage', -9, changed(one.id, 'A', 'sown', 24))
  const picture = (colour: string) =>
    sharp({ create: { width: 900, height: 700, channels: 3, background: colour } })
      .jpeg()
      .toBuffer()
  await goTo(page, `/trays/${one.id}`)
  await page.getByLabel('Add photos').setInputFiles([
    { name: 'one.jpg', mimeType: 'image/jpeg', buffer: await picture('#6a8f4a') },
    { name: 'two.jpg', mimeType: 'image/jpeg', buffer: await picture('#8fb35f') },
    { name: 'notes.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture at all') },
    { name: 'poster.jpg', mimeType: 'image/jpeg', buffer: Buffer.alloc(26 * 1024 * 1024, 7) },
  ])
  await expect(page.getByText(/notes\.jpg: This is no picture/)).toBeVisible()
  await expect(page.getByText(/poster\.jpg: It has more than 25 MB/)).toBeVisible()
  await expect(page.getByRole('button', { name: /day 9: see it large/ })).toHaveCount(2)
  await page
    .getByRole('button', { name: /day 9: see it large/ })
    .first()
    .click()
  await expect(page.getByRole('dialog').getByRole('img')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('dialog').getByRole('button', { name: 'Remove' }).click()
  await expect(page.getByRole('button', { name: /day 9: see it large/ })).toHaveCount(1)
  await goTo(page, '/records/photos')
  await expect(page.getByRole('columnheader', { name: 'week 2' })).toBeVisible()
})

test('what was learned is shown beside the book, can be left out and counted again', async ({
  page,
  household,
}) => {
  await household.setSeason()
  const packet = await household.put('packets', {
    name: 'Okra, green',
    cropId: 'okra',
    year: 2026,
    germination: 0.9,
  })
  const one = await tray(household, 'Okra', 'okra', {
    groups: [{ code: 'A', name: 'Okra', cropId: 'okra', packetId: packet.id }],
  })
  await happened(household, one.id, 'stage', -20, changed(one.id, 'A', 'sown', 24))
  await happened(household, one.id, 'look', -6, changed(one.id, 'A', 'up', 12))
  await goTo(page, '/records/learned')
  const seed = page.getByRole('region', { name: 'Seed that comes up' })
  await expect(seed).toContainText('standard90 %')
  await expect(seed).toContainText('yours, from 1')
  await seed.getByText('1 measured').click()
  await seed.getByRole('button', { name: 'Leave it out' }).click()
  await expect(seed).not.toContainText('yours, from')
  await seed.getByRole('button', { name: 'Count it again' }).click()
  await expect(seed).toContainText('yours, from 1')
  // A jug by the water it holds: the figure is used from then on.
  await unfold(page, /^Still standard/)
  await page
    .getByRole('listitem')
    .filter({ hasText: 'What the jug holds' })
    .getByRole('button', { name: 'Measure it' })
    .click()
  await choose(page, 'Which', /Blue jug/)
  await page.getByLabel('The water it holds weighs').fill('18 kg')
  await expect(page.getByText(/Grams or kilograms/)).toBeVisible()
  await page.getByLabel('The water it holds weighs').fill('1840 g')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('region', { name: /What the jug holds/ })).toContainText('yours, from 1')
})

test('the end of a season on one page, and the next one from it', async ({ page, household }) => {
  await household.setSeason()
  const year = Number(on(0).slice(0, 4))
  const sowing = await household.put('sowings', {
    name: 'Okra',
    cropId: 'okra',
    plants: 18,
    sowOn: on(-60),
    outOn: on(-5),
  })
  const one = await tray(household, 'Okra', 'okra', {
    groups: [{ code: 'A', name: 'Okra', cropId: 'okra', sowingId: sowing.id }],
  })
  await happened(household, one.id, 'stage', -60, changed(one.id, 'A', 'sown', 24))
  await happened(household, one.id, 'look', -45, changed(one.id, 'A', 'up', 20))
  await happened(household, one.id, 'out', -5, {
    cells: [{ trayId: one.id, group: 'A', what: 'out', cells: [], count: 17 }],
  })
  await goTo(page, '/records/year')
  const row = page.getByRole('row', { name: /^Okra/ })
  await expect(row).toContainText('83 % (20 of 24 seeds)')
  await expect(row).toContainText('17')
  await page.getByLabel('What to do differently').fill('Two weeks later, on the mat')
  await page.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByText(/comes back .*/).first()).toContainText(String(year + 1))
  await page.getByRole('button', { name: 'Next season from this one' }).click()
  await page.getByRole('button', { name: 'Plan 1 sowing' }).click()
  await expect(page).toHaveURL(/shopping/)
  const sowings = (await household.list('sowings')).map(({ body }) => body as unknown as { outOn: string })
  expect(sowings.map(({ outOn }) => outOn.slice(0, 4)).sort()).toEqual([String(year), String(year + 1)])
  await goTo(page, '/records/charts')
  await expect(page.getByRole('img', { name: /Okra, tray 1: sown/ })).toBeVisible()
  await page.getByText('As a table').first().click()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save as CSV' }).first().click()
  expect((await download).suggestedFilename()).toBe(`sown-to-out-${year}.csv`)
})

test('the file of a logger is read, its bad lines are named, and a low above the high is told at the field', async ({
  page,
  household,
}) => {
  await household.setSeason()
  await goTo(page, '/records')
  await page.getByRole('button', { name: 'Log temperature and humidity' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Lowest').fill('22')
  await dialog.getByLabel('Highest').fill('12')
  await expect(dialog.getByText('The low is no higher than the high.')).toBeVisible()
  const rows = [-2, -1].flatMap((days) =>
    Array.from(
      { length: 24 },
      (_, hour) =>
        `${on(days)} ${String(hour).padStart(2, '0')}:00;${(14 + (hour % 12) / 2).toFixed(1).replace('.', ',')}`,
    ),
  )
  await dialog.getByLabel(/file of a logger/).setInputFiles({
    name: 'racks.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`Zeit;Temperatur °C\n${rows.join('\n')}\nnever;20,0\n`),
  })
  await expect(dialog.getByText('48 readings, 2 days')).toBeVisible()
  await dialog.getByText('1 line left out').click()
  await expect(dialog.getByText('‘never’ is no date')).toBeVisible()
  await expectAccessible(page)
  await dialog.getByRole('button', { name: 'Keep 2 days' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: '2 days of air' })).toBeVisible()
})

test('a made-up tray is asked about and decided on, and says what its record would have said', async ({
  page,
  household: _,
}) => {
  await goTo(page, '/signs')
  await page.getByRole('link', { name: 'Practice', exact: true }).click()
  await page.getByRole('button', { name: 'Lift or weigh it' }).click()
  await expect(page.getByText(/of the water it can easily have is gone/)).toBeVisible()
  const choices = page.getByRole('region', { name: 'What is it?' })
  expect(await choices.getByRole('button').count()).toBeGreaterThanOrEqual(4)
  await choices.getByRole('button').first().click()
  await expect(choices.getByText(/^(Yes:|No\. It was:)/)).toBeVisible()
  await expect(choices.getByText('You asked for 1 measurement.')).toBeVisible()
  await expect(choices.getByRole('heading', { name: 'What the record would have said' })).toBeVisible()
  await expectAccessible(page)
  await choices.getByRole('button', { name: 'Another tray' }).click()
  await expect(
    page.getByText('0 of 1 found so far.').or(page.getByText('1 of 1 found so far.')),
  ).toBeVisible()
})

test('a note to oneself stands on Today on its day; a tray that is carried in a line stands there, and undo carries it back', async ({
  page,
  household,
}) => {
  await household.setSeason()
  await household.put('entries', {
    name: 'Start the okra on the mat this year',
    kind: 'thought',
    on: on(-365),
    subjects: [],
    remindOn: on(0),
  })
  const { id } = await tray(household, 'Okra', 'okra')
  await happened(household, id, 'stage', -9, changed(id, 'A', 'sown', 24))
  await goTo(page, '/')
  await expect(page.getByRole('region', { name: 'You wanted to be told' })).toContainText(
    'on the mat this year',
  )
  await goTo(page, '/records')
  await page.getByLabel('What happened?').fill('carried tray 1 to outside')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByLabel('What happened?')).toHaveValue('')
  const placeOf = async () => (await household.list('trays'))[0]!.body as unknown as { placeId: string }
  await expect.poll(async () => (await placeOf()).placeId).toBe('outside')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await expect.poll(async () => (await placeOf()).placeId).toBe('shelf')
})
