import { readFileSync } from 'node:fs'
import { basename } from 'node:path'
import { describe, expect, it } from '@jest/globals'
import { globSync } from 'tinyglobby'

/*
 * What is known by name everywhere stands at no file's head: dependency-cruiser does not see it. That what every place uses
 * builds on no place, and that a name means one thing, is seen here.
 */
const BASE = ['app/kit/**', 'app/household/**']
const components = (globs: string[], ignore: string[] = []) =>
  globSync(globs, { ignore: ['app/pages/**', ...ignore] })
    .filter((file) => file.endsWith('.vue'))
    .map((file) => basename(file, '.vue'))
    .filter((name) => /^[A-Z]/.test(name))
const composables = (globs: string[], ignore: string[] = []) =>
  globSync(globs, { ignore: ['**/*.test.ts', ...ignore] })
    .filter((file) => file.endsWith('.ts'))
    .flatMap((file) => [...readFileSync(file, 'utf8').matchAll(/^export (?:const|function) (use\w+)/gm)])
    .map(([, name]) => name!)

describe('names that are known everywhere', () => {
  it('mean one thing each', () => {
    const all = [...components(['app/**']), ...composables(['app/**'])]
    expect(all.length).toBeGreaterThan(200)
    expect(all.filter((name, i) => all.indexOf(name) !== i)).toEqual([])
  })

  it('of a place are not used by the kit or the household', () => {
    const ofPlaces = [...components(['app/**'], BASE), ...composables(['app/**'], BASE)]
    const used = globSync(BASE)
      .filter((file) => /\.(vue|ts)$/.test(file))
      .flatMap((file) => {
        const text = readFileSync(file, 'utf8')
        return ofPlaces
          .filter((name) => new RegExp(/^use/.test(name) ? `\\b${name}\\(` : `<(Lazy)?${name}\\b`).test(text))
          .map((name) => `${file}: ${name}`)
      })
    expect(used).toEqual([])
  })
})
