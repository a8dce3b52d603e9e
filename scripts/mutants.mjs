import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { dirname } from 'node:path'
import { Stryker } from '@stryker-mutator/core'
import { Instrumenter } from '@stryker-mutator/instrumenter'
import { randomLcg } from 'd3-random'
import { globSync } from 'tinyglobby'
import { unit } from '../jest.config.mjs'

/*
 * Mutation testing of core and shared: single expressions are changed, and the tests of their own folder must notice.
 * A sample of each folder, drawn by a seed; what a folder scored is kept until its code or its tests change.
 */
const SEED = Number(process.env.MUTANT_SEED ?? 20270412)
const MAX_MUTANTS = 150
const LINES_AT_A_TIME = 6

/** Words are for people to read: what decides is sought here, not how it is said. */
const EXCLUDED = ['StringLiteral']

/** Tables of figures and words with their sources, which are read and not computed with. */
const TABLES = [
  'core/cautions/**',
  'core/catalogue.ts',
  'core/glossary.ts',
  'core/containers/catalogue.ts',
  'core/feed/products.ts',
  'core/language/wish-phrases.ts',
  'core/media/materials.ts',
  'core/media/material-names.ts',
  'core/places/places.ts',
  'core/signs/signs.ts',
  'core/sowing/crop-names.ts',
  'core/sowing/crops.ts',
  'core/units/unit-table.ts',
  'shared/messages/**',
]

const silent = new Proxy({}, { get: () => () => false })

/** Folders with code, core's and shared's: `core/water`, `shared/tables` and so on. */
export function mutantFolders() {
  const files = globSync(['{core,shared}/*/**/*.test.ts'])
  return [...new Set(files.map((file) => file.split('/').slice(0, 2).join('/')))]
    .filter((folder) => folder !== 'shared/test')
    .sort()
}

const codeOf = (folder) =>
  globSync([`${folder}/**/*.ts`], { ignore: ['**/*.test.ts', '**/test/**', ...TABLES] }).sort()

/** What the score of a folder depends on. */
function fingerprint(folder) {
  const hash = createHash('sha256').update(`${SEED} ${MAX_MUTANTS} ${EXCLUDED} ${TABLES}`)
  for (const file of globSync([`${folder}/**/*.ts`]).sort()) hash.update(file).update(readFileSync(file))
  return hash.digest('hex').slice(0, 16)
}

/** Stretches of lines drawn from the files until they hold as many mutants as are wanted. */
async function sampleOf(files) {
  const sources = files.map((name) => ({ name, mutate: true, content: readFileSync(name, 'utf8') }))
  const options = { plugins: null, excludedMutations: EXCLUDED, ignorers: [] }
  const { mutants } = await new Instrumenter(silent).instrument(sources, options)
  const stretches = new Map()
  for (const { fileName, location, ignoreReason } of mutants) {
    if (ignoreReason) continue
    // Stryker counts an instrumented mutant's lines from 0.
    const first = Math.floor(location.start.line / LINES_AT_A_TIME)
    if (Math.floor(location.end.line / LINES_AT_A_TIME) !== first) continue
    const from = first * LINES_AT_A_TIME + 1
    const range = `${fileName}:${from}-${from + LINES_AT_A_TIME - 1}`
    stretches.set(range, (stretches.get(range) ?? 0) + 1)
  }
  const random = randomLcg(SEED / 2 ** 32)
  const drawn = [...stretches].map((stretch) => ({ stretch, at: random() })).sort((a, b) => a.at - b.at)
  const sample = []
  let count = 0
  for (const { stretch } of drawn) {
    const [range, mutantsInIt] = stretch
    if (count + mutantsInIt > MAX_MUTANTS) continue
    sample.push(range)
    count += mutantsInIt
  }
  return sample
}

async function mutate(folder) {
  const results = await new Stryker({
    mutate: await sampleOf(codeOf(folder)),
    mutator: { excludedMutations: EXCLUDED },
    testRunner: 'jest',
    testRunnerNodeArgs: ['--experimental-vm-modules', '--no-warnings'],
    jest: {
      projectType: 'custom',
      config: { ...unit, testMatch: [`<rootDir>/${folder}/**/*.test.ts`], testTimeout: 60_000 },
    },
    coverageAnalysis: 'off',
    concurrency: Number(process.env.MUTANT_CONCURRENCY ?? availableParallelism()),
    disableTypeChecks: false,
    reporters: [],
    logLevel: 'error',
    timeoutMS: 8_000,
    tempDirName: '.mutants/work',
    ignorePatterns: [
      'app',
      'server',
      'e2e',
      'docs',
      'public',
      'simulated',
      'benchmarks',
      'test-results',
      '.data*',
      '.output',
      '.nuxt',
      '.mutants',
    ],
  }).runMutationTest()
  return results.map(({ fileName, location, mutatorName, replacement, status }) => ({
    file: fileName.slice(fileName.indexOf(folder)),
    line: location.start.line,
    column: location.start.column,
    was: textAt(fileName, location),
    mutatorName,
    replacement,
    status,
  }))
}

function textAt(fileName, { start, end }) {
  const lines = readFileSync(fileName, 'utf8')
    .split('\n')
    .slice(start.line - 1, end.line)
  const last = lines.length - 1
  lines[last] = lines[last].slice(0, end.column - 1)
  lines[0] = lines[0].slice(start.column - 1)
  return lines.join(' ').replace(/\s+/g, ' ').slice(0, 120)
}

/** The score of a folder as it is kept, or measured now. */
export async function mutationScore(folder) {
  const kept = `.mutants/${folder.replace('/', '-')}.json`
  const print = fingerprint(folder)
  const before = existsSync(kept) ? JSON.parse(readFileSync(kept, 'utf8')) : undefined
  if (before?.print === print) return before
  const mutants = await mutate(folder)
  const killed = mutants.filter((one) => one.status === 'Killed' || one.status === 'Timeout').length
  const survivors = mutants.filter((one) => one.status === 'Survived' || one.status === 'NoCoverage')
  const score = { folder, print, mutants: killed + survivors.length, killed, survivors }
  mkdirSync(dirname(kept), { recursive: true })
  writeFileSync(kept, `${JSON.stringify(score, null, 2)}\n`)
  return score
}
