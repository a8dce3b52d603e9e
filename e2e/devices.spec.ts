import { randomUUID } from 'node:crypto'
import { SEASON } from '../shared/test/season'
import { daysAgo, DEMO, expect, expectAccessible, goTo, standingTray, test, type Household } from './fixture'
import type { APIRequestContext } from '@playwright/test'

/* Devices as a gateway drives them, where the work is. */

/** A device with a key of its own, and what sends for it. */
async function device(request: APIRequestContext, household: Household, body: object) {
  const { id } = await household.put('devices', body)
  const home = `/api/households/${household.id}`
  const { key } = await (await request.post(`${home}/device-keys/${id}`)).json()
  return {
    id,
    send: async (unit: string, values: readonly (readonly [secondsAgo: number, value: number])[]) => {
      const answer = await request.post(`${home}/readings`, {
        headers: { 'content-type': 'application/senml+json', authorization: `Bearer ${key}` },
        data: JSON.stringify(values.map(([ago, v]) => ({ n: 'it', u: unit, t: -ago, v }))),
      })
      expect(answer.status(), await answer.text()).toBe(200)
    },
  }
}

test('the weight arrives once the pan is still: on the tray’s page, and in a run', async ({
  page,
  request,
  household,
}) => {
  test.slow()
  await household.setSeason()
  const tray = await standingTray(household)
  const scale = await device(request, household, { name: 'Bench scale', kind: 'kitchen scale' })
  await goTo(page, `/trays/${tray.id}`)
  await page
    .getByRole('region', { name: 'Water', exact: true })
    .getByRole('button', { name: 'Weigh' })
    .click()
  const form = page.getByRole('dialog', { name: 'Weigh tray 1' })
  // It is put on: the pan moves, then stands.
  await scale.send('kg', [
    [3, 0],
    [2, 1.9],
    [1, 3.6],
  ])
  await expect(form.getByText('Nothing is steady on Bench scale')).toBeVisible()
  await expect(form.getByRole('button', { name: 'Take this weight' })).toHaveCount(0)
  const still = async () => {
    await page.waitForTimeout(3500)
    await scale.send('kg', [
      [3, 3.401],
      [2, 3.4],
      [1, 3.399],
      [0, 3.4],
    ])
  }
  await still()
  await expect(form.getByRole('group', { name: 'The scale' })).toContainText('3.4 kg')
  await form.getByRole('button', { name: 'Take this weight' }).click()
  await expect(form.getByLabel('It weighs')).toHaveValue('3.4 kg')
  await expectAccessible(page)
  await form.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Weighed: tray 1.')).toBeVisible()
  const weighed = async () =>
    (await household.list('entries')).flatMap(({ body }) =>
      (body as unknown as { water: { grams: number | null }[] }).water.map(({ grams }) => grams),
    )
  expect(await weighed()).toEqual([3400])

  // In a run with the can: the step that asks for a weight takes it.
  const guidedJob = await household.put('guidedJobs', {
    name: 'Water the shelf',
    kind: 'water',
    subjects: [{ what: 'trays', id: tray.id, stage: null }],
    onDay: daysAgo(0),
    hands: 1,
    by: '',
    status: 'open',
    marks: [],
  })
  await goTo(page, `/jobs/${guidedJob.id}`)
  const after = page.getByLabel('Weighed after, with its saucer')
  for (let step = 1; (await after.count()) === 0; step++) {
    await expect(page.getByText(`step ${step} of`)).toBeVisible()
    await page.getByRole('button', { name: 'Done', exact: true }).click()
    await expect(page.getByText(`step ${step + 1} of`)).toBeVisible()
  }
  await still()
  await page.getByRole('button', { name: 'Take this weight' }).click()
  await expect(after).toHaveValue('3.4 kg')
})

test('a probe that is stuck, and one that jumps, are doubted in words and left out', async ({
  page,
  request,
  household,
}) => {
  await household.setSeason()
  const stuck = await device(request, household, { name: 'Mat probe', kind: 'mix probe', placeId: 'shelf' })
  await stuck.send(
    'Cel',
    Array.from({ length: 60 }, (_, i) => [(59 - i) * 180, 22.06]),
  )
  const wild = await device(request, household, { name: 'Door probe', kind: 'air probe', placeId: 'shelf' })
  await wild.send(
    'Cel',
    Array.from({ length: 20 }, (_, i) => [(19 - i) * 60, i % 2 ? 3 : 31]),
  )
  const fine = await device(request, household, { name: 'Shelf probe', kind: 'air probe', placeId: 'shelf' })
  await fine.send(
    'Cel',
    Array.from({ length: 30 }, (_, i) => [(29 - i) * 60, 20 + i / 100]),
  )
  await goTo(page, '/devices')
  const line = (name: string) =>
    page.getByRole('listitem').filter({ has: page.getByRole('heading', { name }) })
  await expect(line('Mat probe')).toContainText(/has said 22.06 °C for 3 hours.*stuck/)
  await expect(line('Door probe')).toContainText(/It jumps/)
  await expect(line('Shelf probe')).toContainText('20 °C')
  await expect(line('Shelf probe').getByRole('status')).toHaveCount(0)
  await expectAccessible(page)
})

test('a cold night in the forecast holds back what was to go out', async ({ page, request, household }) => {
  const since = new Date().toISOString()
  const home = `/api/households/${household.id}`
  const body = {
    name: 'Test bench',
    place: '',
    units: 'metric',
    clock: { day: '2027-05-20', since, speed: 1 },
    season: {
      ...SEASON,
      places: [SEASON.places[0], { ...SEASON.places[0]!, id: 'frame', name: 'Frame', kind: 'frame' }],
    },
  }
  expect((await request.put(home, { data: { version: 1, body } })).status()).toBe(200)
  const { id } = await household.put('sowings', {
    name: 'Tomatillo by the wall',
    cropId: 'tomatillo',
    plants: 6,
    sowOn: '2027-03-24',
    outOn: '2027-05-21',
    certainty: 0.9,
  })
  for (const [stage, on] of ['2027-03-24', '2027-04-21', '2027-05-12'].entries())
    await household.put('entries', {
      name: `Stage ${stage}`,
      kind: 'stage',
      on,
      subjects: [{ what: 'sowings', id, stage }],
    })
  await goTo(page, '/')
  await expect(page.getByRole('group', { name: 'Day of this demo' })).toContainText('20 May')
  const out = page.getByRole('listitem').filter({ hasText: 'Plant out Tomatillo by the wall' }).last()
  await expect(out).toBeVisible()
  await expect(out).not.toContainText('urgent')
  const day = (on: string, lowC: number) => ({
    on,
    lowC,
    highC: 16,
    source: 'forecast',
    madeOn: '2027-05-20',
  })
  const days = [day('2027-05-21', 9), day('2027-05-22', 1.5), day('2027-05-23', 8)]
  expect((await request.post(`${home}/weather`, { data: days })).status()).toBe(200)
  await goTo(page, '/')
  await page.getByRole('button', { name: 'Edit forecast' }).click()
  await expect(page.getByLabel('Lowest forecast, next 3 nights')).toHaveValue('1.5 °C')
  await expect(out).toContainText('urgent')
  await expect(out).toContainText('A night of 2 °C is forecast')
  // Moved on by the control, the day is another, and the night is over.
  const demoDay = page.getByRole('group', { name: 'Day of this demo' })
  await demoDay.getByRole('button', { name: /Demo day/ }).click()
  await page.getByLabel('Day', { exact: true }).fill('26/05/2027')
  await page.keyboard.press('Enter')
  await expect(demoDay).toContainText('26 May')
})

test('the simulated bench says that it is, and a tray that is put on its scale weighs what its water says', async ({
  page,
  request,
  household: _,
}) => {
  test.slow()
  await page.context().addCookies([{ name: 'household', value: DEMO, url: test.info().project.use.baseURL! }])
  await goTo(page, '/devices')
  const scale = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('heading', { name: 'Kitchen scale' }) })
  await expect(scale).toContainText('simulated')
  await expect(scale.getByText(/^−?[\d.]+ k?g$/)).toBeVisible({ timeout: 30_000 })
  await scale.getByRole('combobox', { name: 'On the pan' }).click()
  await page.getByRole('option', { name: /tray 3/ }).click()
  const weight = async () => {
    const all = (await (await request.get(`/api/households/${DEMO}/readings/latest?limit=1`)).json()) as {
      quantity: string
      value: number
    }[]
    return Math.max(0, ...all.filter(({ quantity }) => quantity === 'mass').map(({ value }) => value))
  }
  await expect.poll(weight, { timeout: 30_000 }).toBeGreaterThan(300)
  const before = await weight()
  // Watered by what is written down, it weighs so much more.
  const trays = (await (await request.get(`/api/households/${DEMO}/trays`)).json()) as {
    id: string
    number: number
  }[]
  const tray = trays.find(({ number }) => number === 3)!
  await request.put(`/api/households/${DEMO}/entries/${randomUUID()}`, {
    data: {
      version: 0,
      body: {
        name: 'Watered: tray 3',
        kind: 'watered',
        on: '2027-04-12',
        at: '09:00',
        subjects: [{ what: 'trays', id: tray.id, stage: null }],
        water: [{ trayId: tray.id, how: 'below', litres: 1.5 }],
      },
    },
  })
  await expect.poll(weight, { timeout: 60_000 }).toBeGreaterThan(before + 100)
})
