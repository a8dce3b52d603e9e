import { randomUUID } from 'node:crypto'
import type { Page } from '@playwright/test'
import { expect, expectAccessible, goTo, test } from './fixture'

/* A stranger’s first hour: from nothing to a printed card, in the three kitchens, and help where it is looked for. */

/** As a browser that was never here, at a server that keeps nothing. */
async function nobodyYet(page: Page, baseURL: string) {
  await page.context().addCookies([{ name: 'household', value: randomUUID(), url: baseURL }])
  await page.route(/\/api\/households\?limit=/, (route) => route.fulfill({ json: [] }))
  await page.addInitScript(() => {
    window.print = () => (document.documentElement.dataset.printed = 'yes')
  })
}

const UNIT_SYSTEMS = [
  {
    locale: 'de-AT',
    units: 'metric',
    says: 'Metric',
    frosts: '8.5. bis 12.10.',
    coir: '650 g',
    perlite: '10 L',
    card: / L/,
  },
  {
    locale: 'en-US',
    units: 'us',
    says: 'US',
    frosts: 'last 5/8, first 10/12',
    coir: '1.5 lb',
    perlite: '8 dry qt',
    card: /cups|qt/,
  },
  {
    locale: 'en-GB',
    units: 'imperial',
    says: 'Imperial',
    frosts: 'last 8 May, first 12 October',
    coir: '650 g',
    perlite: '2 gal',
    card: /gal|pt/,
  },
] as const

for (const { locale, units, says, frosts, coir, perlite, card } of UNIT_SYSTEMS)
  test.describe(locale, () => {
    test.use({ locale })
    test(`from an empty start to a printed card in a ${units} kitchen`, async ({
      page,
      baseURL,
      expectNoise,
    }) => {
      test.slow()
      expectNoise(/404/)
      await page.clock.setFixedTime(new Date('2027-03-01T09:00:00'))
      await nobodyYet(page, baseURL!)
      let actions = 0
      const act = async (what: Promise<unknown>) => {
        actions++
        await what
      }
      await goTo(page, '/')
      // Guessed from the browser, nothing chosen.
      await expect(page.getByRole('combobox', { name: 'Kitchen measures' })).toContainText(says)
      await expectAccessible(page)
      await act(page.getByRole('button', { name: 'Begin' }).click())
      await expect(
        page.getByRole('heading', { name: 'What do you have, and what do you want?' }),
      ).toBeVisible()
      await expect(page.getByText(/Say your frosts above first/)).toBeVisible()
      await expectAccessible(page)

      await act(page.getByLabel('Your frosts, as you would say them').fill(frosts))
      await act(page.getByRole('button', { name: 'Keep', exact: true }).click())
      await expect(page.getByText(/What frost harms goes out from/)).toBeVisible()
      const step = (name: string) => page.getByRole('region', { name })
      await act(
        step('Where trays can stand')
          .getByLabel(/^Shelf/)
          .check(),
      )
      await expect(page.getByText(/Room for 4 trays/)).toBeVisible()
      for (const [name, amount] of [
        ['Coir, washed', coir],
        ['Perlite, coarse', perlite],
      ] as const) {
        await act(page.getByLabel(name, { exact: true }).check())
        await act(page.getByLabel(`How much ${name.toLowerCase()}`).fill(amount))
      }
      await act(page.getByRole('button', { name: 'Put it on the shelf' }).click())
      await expect(page.getByText('2 packs on the shelf.')).toBeVisible()
      await act(step('What stands already').getByRole('button', { name: 'Not now' }).click())
      await act(page.getByLabel('What will you raise?').fill('30 good plants of sweet basil by 12 June'))
      await act(page.getByRole('button', { name: 'Plan it' }).click())
      await expect(page.getByText('of Lean and light on')).toContainText(card)
      await expectAccessible(page)
      await act(page.getByRole('button', { name: 'The first bench card' }).click())
      await expect(page.getByRole('heading', { level: 1, name: /basil/i })).toBeVisible()
      await act(page.getByRole('button', { name: 'Print' }).click())
      await expect(page.locator('html')).toHaveAttribute('data-printed', 'yes')
      expect(actions).toBeLessThan(25)

      // Nothing was kept that was not said.
      const id = (await page.context().cookies()).find(({ name }) => name === 'household')!.value
      const { body } = (await (await page.request.get(`/api/households/${id}`)).json()).household
      expect(body).toMatchObject({
        units,
        season: {
          lastFrost: '2027-05-08',
          firstFrost: '2027-10-12',
          places: [{ kind: 'shelf', light: null }],
        },
      })
    })
  })

test('where it never freezes and nothing more is said, nights are asked for and nothing is invented', async ({
  page,
  household,
}) => {
  await page.clock.setFixedTime(new Date('2027-03-01T09:00:00'))
  await goTo(page, '/first')
  const frosts = page.getByLabel('Your frosts, as you would say them')
  await frosts.fill('around the 12th')
  await expect(page.getByText(/of which month/)).toBeVisible()
  await frosts.fill('never')
  const keep = page.getByRole('button', { name: 'Keep', exact: true })
  await expect(keep).toBeDisabled()
  await page.getByLabel('Coldest nights of the year').fill('52 F')
  await page.getByLabel('Warmest nights').fill('22')
  await page.getByLabel('The coldest are about').fill('20/01/2027')
  await page.keyboard.press('Tab')
  await keep.click()
  await expect(page.getByText('It never freezes: plants go out by the warmth of the nights.')).toBeVisible()
  const kept = async () =>
    (
      (await (await page.request.get(`/api/households/${household.id}`)).json()) as {
        household: {
          body: { season: { nights: { coldestC: number }; places: { kind: string; light: unknown }[] } }
        }
      }
    ).household.body.season
  // 52 °F are 11.1 °C; where no room was said there is the open air alone.
  expect((await kept()).nights.coldestC).toBeCloseTo(11.1, 1)
  expect((await kept()).places.map(({ kind }) => kind)).toEqual(['outside'])

  // A room that is ticked takes its place; a lamp is there once it is named, and is judged then.
  const room = page.getByRole('region', { name: 'Where trays can stand' })
  await room.getByLabel(/^Shelf/).check()
  await expect.poll(async () => (await kept()).places.map(({ kind }) => kind)).toEqual(['shelf'])
  await expect(room.getByText(/mol\/m² of light a day/)).toBeHidden()
  await room.getByRole('combobox', { name: 'Lamps over it' }).fill('120 cm (4 ft), 36')
  await page.getByRole('option').first().click()
  await expect(room.getByText(/mol\/m² of light a day, for seedlings (too little|right)/)).toBeVisible()
  await expectAccessible(page)
})

test('an example is opened beside one’s own, looked at, and thrown away', async ({ page, household }) => {
  test.slow()
  await goTo(page, '/first')
  await page.getByRole('button', { name: 'Look at an example first' }).click()
  await expect(page.getByText(/An example. Its day is/)).toBeVisible({ timeout: 30_000 })
  await expect(page.getByRole('heading', { level: 1, name: /12 Apr/ })).toBeVisible()
  const example = (await page.context().cookies()).find(({ name }) => name === 'household')!.value
  expect(example).not.toBe(household.id)
  await page.getByRole('button', { name: 'Back to Test bench' }).click()
  await expect(page.getByRole('heading', { name: 'Test bench' })).toBeVisible()
  await goTo(page, '/first')
  await page.getByRole('button', { name: 'Look at an example first' }).click()
  await expect(page.getByText(/An example. Its day is/)).toBeVisible({ timeout: 30_000 })
  await page.getByRole('button', { name: 'Throw it away' }).click()
  await expect(page.getByRole('heading', { name: 'Test bench' })).toBeVisible()
  const left = (await page.context().cookies()).find(({ name }) => name === 'household')!.value
  expect(left).toBe(household.id)
})

test('a page says what it is for, a word what it means, a tag where it comes from', async ({
  page,
  household: _,
}) => {
  await page.addInitScript(
    () => location.protocol.startsWith('http') && window.localStorage.setItem('words-met', '[]'),
  )
  await goTo(page, '/mix')
  const words = page.getByRole('complementary', { name: 'Words that are new here' })
  await words.getByRole('button', { name: 'What is: Settling' }).click()
  await expect(page.getByText(/How much a mix sinks/)).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: /What is this page for/ }).click()
  const help = page.getByRole('dialog', { name: 'Mix: what is this for?' })
  await expect(help.getByText('Old vermiculite')).toBeVisible()
  await expect(help.getByText('find anything, go anywhere')).toBeVisible()
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await words.getByRole('button', { name: 'I know them all' }).click()
  await expect(words).toBeHidden()

  await page
    .getByRole('button', { name: /working/i })
    .first()
    .click()
  const tag = page
    .getByTestId('working')
    .getByRole('link', { name: /default|handbook|common practice|standard/ })
    .first()
  const name = await tag.textContent()
  await tag.click()
  await expect(page).toHaveURL(/\/help#sources-/)
  await expect(page.getByRole('heading', { name: name!.trim(), exact: true })).toBeInViewport()
  await expectAccessible(page)
})
