import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { expect, expectAccessible, goTo, test } from './fixture'

/* A browser that may keep nothing for the page, and one that has no room left: the pages work, and say what is not kept. */

const PAGES = ['/', '/plan', '/trays', '/mix', '/feed', '/supplies', '/records', '/settings', '/help']

test('with site data denied every page works, and says what is not kept', async ({ baseURL }) => {
  // As Chromium’s own setting does it, not as a script would.
  const profile = mkdtempSync(join(tmpdir(), 'blastomix-profile-'))
  mkdirSync(join(profile, 'Default'))
  writeFileSync(
    join(profile, 'Default/Preferences'),
    JSON.stringify({ profile: { default_content_setting_values: { cookies: 2 } } }),
  )
  const context = await chromium.launchPersistentContext(profile, {
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage'],
    baseURL: baseURL!,
    viewport: { width: 1280, height: 800 },
  })
  try {
    const page = await context.newPage()
    const faults: string[] = []
    page.on('pageerror', (error) => faults.push(String(error)))
    await goTo(page, '/')
    expect(
      await page.evaluate(() => {
        try {
          return typeof window.localStorage
        } catch {
          return 'denied'
        }
      }),
    ).toBe('denied')
    await expect(page.getByText('This browser may not keep anything for this page.')).toBeVisible()
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    for (const path of PAGES) {
      await goTo(page, path)
      await expect(page.locator('main')).not.toBeEmpty()
      await expect(page.getByText(/Something went wrong/)).toHaveCount(0)
    }
    // What is saved is on the server: the example opens, and a page of it works.
    await goTo(page, '/')
    await page
      .getByRole('button', { name: /See a demo/ })
      .first()
      .click()
    await expect(page.getByRole('group', { name: 'Day of this demo' })).toBeVisible()
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    expect(faults).toEqual([])
  } finally {
    await context.close()
    rmSync(profile, { recursive: true, force: true })
  }
})

test('with storage full a draft goes on in the page, and the page says that it is not kept', async ({
  page,
  household,
}) => {
  expect(household.id).toBeTruthy()
  await goTo(page, '/mix')
  await page.evaluate(() => {
    let piece = 'x'.repeat(1024 * 1024)
    for (let n = 0; piece.length > 0;) {
      try {
        window.localStorage.setItem(`full ${n}`, piece)
        n++
      } catch {
        piece = piece.slice(0, Math.floor(piece.length / 2))
      }
    }
  })
  await page.getByRole('spinbutton').or(page.getByRole('slider')).first().press('ArrowUp')
  await expect(page.getByText('This browser’s storage is full.')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Got it' }).first().click()
  await expect(page.getByText('This browser’s storage is full.')).toHaveCount(0)
})
