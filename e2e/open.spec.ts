import { readFileSync } from 'node:fs'
import { expect, expectAccessible, goTo, test, unfold, type Household } from './fixture'

/* Both sides open: a spreadsheet pasted in, an archive out and in, a recipe handed on, days away, a drawing taken along. */

const TODAY = '2027-03-20'
test.beforeEach(async ({ page }) => {
  await page.clock.setFixedTime(new Date(`${TODAY}T09:00:00`))
})

test('a pasted table is read, put right, taken in, and taken back', async ({ page, household }) => {
  await goTo(page, '/tables')
  await page
    .getByLabel('Paste from your spreadsheet')
    .fill('Kultur;Sorte;Ernte;Keimfähigkeit\nLeek;Winterriese;2026;84 %\nLauchling;Zwerg;2026;80 %\n')
  await page.getByRole('button', { name: 'Check', exact: true }).click()
  // One heading is in nobody’s list: it is said which it is, and nothing is written before.
  await expect(page.getByText('No column is Year: choose below which it is.')).toBeVisible()
  const third = page.getByRole('combobox', { name: 'Ernte is taken as' })
  await third.fill('Year')
  await page.getByRole('option', { name: 'Year (needed)' }).click()
  await expect(page.getByText('1 new, 0 changed, 0 as here already, 1 with a problem.')).toBeVisible()
  await expect(page.getByText(/Line 3, Crop: There is no “Lauchling” here/)).toBeVisible()
  await expectAccessible(page)
  expect(await household.list('packets')).toEqual([])
  await page.getByRole('button', { name: 'Import the 1 packet without problems' }).click()
  await expect(page.getByText(/1 new, 0 changed. 1 line stayed out/)).toBeVisible()
  expect((await household.list('packets')).map(({ body }) => String(body.name))).toEqual(['Winterriese'])
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await expect.poll(async () => (await household.list('packets')).length).toBe(0)

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Packets as CSV with commas' }).click(),
  ])
  expect(readFileSync(await download.path(), 'utf8')).toMatch(/^variety,crop,supplier,year/)
})

test('a shelf pasted in, days that may be two, and a line that changes what is there', async ({
  page,
  household,
}) => {
  await household.put('stocks', {
    name: 'Sack',
    kind: 'material',
    goodsId: 'perlite',
    size: { measure: 'loose', amount: 100 },
    price: 20,
    packs: 1,
  })
  await goTo(page, '/tables')
  const choose = async (name: string) => {
    await page.getByRole('combobox', { name: 'Table' }).fill(name)
    await page.getByRole('option', { name, exact: true }).click()
  }
  await choose('Supplies')
  const paste = page.getByLabel('Paste from your spreadsheet')
  await paste.fill(
    'Name\tContents\tPack size\tQty\tCost\nSack\tPerlite, coarse\t100 L\t3\t\nBrick\tCoir, washed\t650 g\t2\t4,50\n',
  )
  await page.getByRole('button', { name: 'Check', exact: true }).click()
  await expect(page.getByText('1 new, 1 changed, 0 as here already, 0 with a problem.')).toBeVisible()
  await page.getByRole('button', { name: 'Import 2 packs' }).click()
  const shelf = async () =>
    (await household.list('stocks')).map(({ body }) => [body.name, body.packs, body.price] as unknown[])
  await expect.poll(shelf).toEqual([
    ['Sack', 3, 20],
    ['Brick', 2, 4.5],
  ])
  await choose('Sowings')
  await paste.fill('crop,plants,out on\nLeek,24,05/06/2027\n')
  await page.getByRole('button', { name: 'Check', exact: true }).click()
  await expect(page.getByText(/Line 2, Out on: “05\/06\/2027” may be/)).toBeVisible()
  await page.getByRole('combobox', { name: 'Days are written' }).click()
  await page.getByRole('option', { name: /day first/ }).click()
  await household.setSeason()
  await page.getByRole('button', { name: 'Check', exact: true }).click()
  await page.getByRole('combobox', { name: 'Days are written' }).click()
  await page.getByRole('option', { name: /day first/ }).click()
  await expect(page.getByText('1 new, 0 changed, 0 as here already, 0 with a problem.')).toBeVisible()
  await page.getByRole('button', { name: 'Import 1 sowing' }).click()
  await expect
    .poll(async () => (await household.list('sowings')).map(({ body }) => String(body.outOn)))
    .toEqual(['2027-06-05'])
})

test('everything goes out as one file, and comes in beside what is there once it was looked at', async ({
  page,
  household,
}) => {
  test.slow()
  await household.put('packets', { name: 'Winter giant', cropId: 'leek', year: 2026 })
  await goTo(page, '/in-and-out')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Export everything' }).click(),
  ])
  const [packet] = (await household.list('packets')) as unknown as { id: string; version: number }[]
  await household.put(
    'packets',
    { name: 'Winter dwarf', cropId: 'leek', year: 2026 },
    packet!.id,
    packet!.version,
  )
  await household.put('packets', { name: 'New one', cropId: 'leek', year: 2027 })
  await page.reload()
  await goTo(page, '/in-and-out')
  await page.getByLabel('Choose an archive').setInputFiles(await download.path())
  await expect(page.getByText(/packet: Winter dwarf/i)).toBeVisible()
  await expect(page.getByText('newer here')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Cancel' }).click()
  expect((await household.list('packets')).map(({ body }) => String(body.name)).sort()).toEqual([
    'New one',
    'Winter dwarf',
  ])
  // What takes long can be stopped.
  await page.route('**/commands/file?**', () => undefined)
  await page.getByLabel('Choose an archive').setInputFiles(await download.path())
  await expect(page.getByRole('progressbar', { name: 'Checking' })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByText('Stopped. Nothing was written.')).toBeVisible()
  await expect(page.getByRole('progressbar')).toHaveCount(0)
  await page.unroute('**/commands/file?**')
  // What is no archive is refused in words.
  await page.getByLabel('Choose an archive').setInputFiles({
    name: 'a.zip',
    mimeType: 'application/zip',
    buffer: Buffer.from('no zip at all'),
  })
  await expect(page.getByText(/This is no zip file.*Nothing was written\./)).toBeVisible()
})

test('a recipe is handed on as a link, and one in words is kept once every word is accounted for', async ({
  page,
  household,
}) => {
  await goTo(page, '/mix')
  await unfold(page, /^This recipe/)
  await page.getByRole('button', { name: /Share/ }).first().click()
  const share = page.getByRole('dialog', { name: /^Share/ })
  const link = await share.getByLabel('The link').inputValue()
  await expect(share.getByRole('img', { name: /A code that opens/ })).toBeVisible()
  await expectAccessible(page)
  await goTo(page, new URL(link).pathname + new URL(link).hash)
  await expect(page.getByRole('heading', { name: /^Recipe: / })).toBeVisible()
  await page.getByLabel('Save as').fill('From a friend')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect
    .poll(async () => (await household.list('recipes')).map(({ body }) => String(body.name)))
    .toEqual(['From a friend'])

  await goTo(page, '/shared')
  await page
    .getByLabel('A recipe in words')
    .fill('2 parts peat moss, 1 part perlite, half a part of worm castings, a glass of gravel')
  await expect(page.getByText(/glass/).last()).toBeVisible()
  await expectAccessible(page)
})

test('days away are read from a calendar, and what falls on them is asked for before', async ({
  page,
  household,
}) => {
  await household.setSeason()
  await goTo(page, '/settings')
  await page.getByLabel('Read an .ics file of your own calendar').setInputFiles({
    name: 'mine.ics',
    mimeType: 'text/calendar',
    buffer: Buffer.from(
      'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//own//EN\r\nBEGIN:VEVENT\r\nUID:x1\r\nDTSTAMP:20270101T000000Z\r\nDTSTART;VALUE=DATE:20270405\r\nDTEND;VALUE=DATE:20270409\r\nSUMMARY:By the sea\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n',
    ),
  })
  await page.getByRole('button', { name: 'These are days away' }).click()
  await expect(page.getByText(/5 Apr.* to .*8 Apr.*By the sea/)).toBeVisible()
  await expectAccessible(page)
  const jobs = async () =>
    (
      (await (await page.request.get(`/api/households/${household.id}/today?on=2027-04-03`)).json()) as {
        jobs: { kind: string; dueOn: string }[]
      }
    ).jobs
  await household.put('sowings', { name: 'Leek', cropId: 'leek', plants: 24, sowOn: '2027-04-06' })
  expect((await jobs()).filter(({ dueOn }) => dueOn >= '2027-04-05' && dueOn <= '2027-04-08')).toEqual([])
  expect((await jobs()).length).toBeGreaterThan(0)
})

test('a drawing is taken along as SVG and as PNG, its colours in it', async ({ page, household }) => {
  await season(household)
  await goTo(page, '/plan')
  const take = async (as: string) => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: `The season as ${as}` }).click(),
    ])
    return readFileSync(await download.path())
  }
  const svg = (await take('SVG')).toString('utf8')
  expect(svg).toMatch(/^<svg [^>]*xmlns="http:\/\/www.w3.org\/2000\/svg"/)
  expect(svg).toContain('Sweet basil')
  // Every pattern it points at is in it, and nothing of it hangs on the page.
  for (const [, id] of svg.matchAll(/url\((?:&quot;|")?#([^)"&]+)/g)) expect(svg).toContain(`id="${id}"`)
  expect(svg).not.toMatch(/var\(--|class="/)
  const png = await take('PNG')
  expect(png.subarray(1, 4).toString()).toBe('PNG')
})

async function season(household: Household) {
  await household.setSeason()
  await household.put('sowings', {
    name: 'Sweet basil',
    cropId: 'basil',
    plants: 48,
    sowOn: TODAY,
    certainty: 0.9,
  })
}
