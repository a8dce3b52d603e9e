import { readdirSync } from 'node:fs'
import { describe, expect, it } from '@jest/globals'
import { GLOSSARY } from '#core/glossary'
import { PAGE_HELP } from './page-help'

/** Paths of pages by their files, as the router makes them. */
const paths = (readdirSync('app/pages', { recursive: true }) as string[])
  .filter((file) => file.endsWith('.vue'))
  .map(
    (file) =>
      `/${file
        .replace(/\.vue$/, '')
        .replace(/(^|\/)index$/, '')
        .replace(/\[(\w+)\]/g, ':$1')}`,
  )

describe('help', () => {
  it('says of every page what it is for, and of none that is not there', () => {
    expect(Object.keys(PAGE_HELP).sort()).toEqual([...paths].sort())
  })
  it('explains every word somewhere, and each once', () => {
    const used = new Set<string>(Object.values(PAGE_HELP).flatMap(({ words }) => words))
    expect(GLOSSARY.filter(({ id }) => !used.has(id))).toEqual([])
    expect(new Set(GLOSSARY.map(({ name }) => name)).size).toBe(GLOSSARY.length)
  })
})
