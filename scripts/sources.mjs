/* The list of sources: every work, habit and default that core names, by how far it is to be trusted. */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join, relative } from 'node:path'

const TAGS = { standard: 'standard', handbook: 'handbook', practice: 'practice', byDefault: 'default' }
const CITED = /\b(standard|handbook|practice|byDefault)\(\s*(?:'((?:[^'\\]|\\.)*)'|`([^`]*)`|"([^"]*)")/g

const filesIn = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((one) => {
    const path = join(folder, one.name)
    if (one.isDirectory()) return filesIn(path)
    return /\.ts$/.test(one.name) && !/\.test\.ts$/.test(one.name) && !path.includes('/test/') ? [path] : []
  })

/** @returns each source once, with the parts of the trade that go by it */
export function citedIn(core) {
  const found = new Map()
  for (const file of filesIn(core).sort()) {
    const domain = relative(core, file).split('/')[0].replace(/\.ts$/, '')
    if (domain === 'working') continue
    for (const match of readFileSync(file, 'utf8').matchAll(CITED)) {
      const [, how, ...texts] = match
      const cite = (texts.find((text) => text !== undefined) ?? '')
        .replace(/\$\{[^}]*\}/g, '…')
        .replace(/\s+/g, ' ')
      const key = `${TAGS[how]}|${cite}`
      const one = found.get(key) ?? { tag: TAGS[how], cite, for: [] }
      if (!one.for.includes(domain)) one.for.push(domain)
      found.set(key, one)
    }
  }
  return [...found.values()].sort((a, b) => (a.tag + a.cite < b.tag + b.cite ? -1 : 1))
}

if (process.argv[1] === import.meta.filename)
  writeFileSync(
    'core/working/sources.json',
    `[\n${citedIn('core')
      .map((one) => `  ${JSON.stringify(one)}`)
      .join(',\n')}\n]\n`,
  )
