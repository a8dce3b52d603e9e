import { readFileSync } from 'node:fs'
import { expect, it } from '@jest/globals'
import { globSync } from 'tinyglobby'

/** What a page asks for with a body, and which writes nothing that a household keeps. */
const ONLY_ASKED: Record<string, string> = {
  'app/settings/AwayForm.vue': 'a calendar is read, and shown before it is saved',
  'app/pages/trays/labels.vue': 'labels go to the printer',
  'app/records/in-and-out/followed.ts':
    'a command with its archive, to the address that household/send.ts gives',
}

it('what a household keeps is written by commands alone', () => {
  const files = globSync('app/**/*.{ts,vue}', { ignore: ['**/*.test.ts'] })
  expect(files.length).toBeGreaterThan(200)
  const elsewhere = files.filter(
    (file) =>
      file !== 'app/household/send.ts' &&
      /method:\s*['"`](PUT|POST|DELETE|PATCH)|new XMLHttpRequest|sendBeacon/i.test(
        readFileSync(file, 'utf8'),
      ),
  )
  expect(elsewhere.sort()).toEqual(Object.keys(ONLY_ASKED).sort())
  // The one that follows an archive is given its address.
  const users = files.filter((file) => /followed(<\w+>)?\(/.test(readFileSync(file, 'utf8')))
  for (const file of users.filter((one) => !one.endsWith('followed.ts')))
    expect(readFileSync(file, 'utf8')).toContain('addressWithFile(')
})
