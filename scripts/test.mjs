import { cpSync, existsSync, readFileSync, rmSync } from 'node:fs'
import { join, relative } from 'node:path'
import { buildApplication, checkNode, installPackages } from './install.mjs'
import { ensurePackages } from './packages.mjs'
import { run } from './run.mjs'
import { throwAwayFolder, withThrowAwayApplication } from './throw-away.mjs'
import { orSayWhy, Trouble } from './trouble.mjs'

const only = process.argv[2]
const reports = throwAwayFolder()
const total = { passed: 0, failed: 0 }

function tell(name, passed, failed, startedAt, output) {
  total.passed += passed
  total.failed += failed
  const seconds = ((Date.now() - startedAt) / 1000).toFixed(1)
  console.log(`${failed ? '✗' : '✓'} ${name}: ${passed} passed, ${failed} failed (${seconds} s)`)
  if (failed) console.log(output.trim().split('\n').slice(-120).join('\n'))
}

/** A check that holds or does not. */
async function check(name, command, ...args) {
  const startedAt = Date.now()
  const { code, output } = await run(command, args)
  tell(name, code === 0 ? 1 : 0, code === 0 ? 0 : 1, startedAt, output)
}

async function jest(project, env = {}) {
  const startedAt = Date.now()
  const report = join(reports, `jest-${project}.json`)
  const { code, output } = await run(
    'npx',
    ['jest', '--json', '--outputFile', report, ...(project === 'unit' ? [] : ['--runInBand'])],
    { env: { ...process.env, JEST_PROJECT: project, ...env } },
  )
  if (!existsSync(report)) return tell(`jest ${project}`, 0, 1, startedAt, output)
  const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites } = JSON.parse(
    readFileSync(report, 'utf8'),
  )
  const failed = numFailedTests + numRuntimeErrorTestSuites
  tell(`jest ${project}`, numPassedTests, failed || (code ? 1 : 0), startedAt, output)
}

async function playwright(env) {
  const startedAt = Date.now()
  const report = join(reports, 'playwright.json')
  const { code, output } = await run('npx', ['playwright', 'test', '--reporter=line,json'], {
    env: { ...process.env, ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: report },
  })
  if (!existsSync(report)) return tell('browser', 0, 1, startedAt, output)
  const { stats, errors, suites } = JSON.parse(readFileSync(report, 'utf8'))
  const failed = stats.unexpected + errors.length
  tell('browser', stats.expected + stats.flaky, failed || (code ? 1 : 0), startedAt, output)
  for (const title of flakyIn(suites)) console.log(`  at the second try: ${title}`)
}

const flakyIn = (suites) =>
  suites.flatMap(({ suites: inner = [], specs = [] }) => [
    ...flakyIn(inner),
    ...specs
      .filter(({ tests }) => tests.some(({ status }) => status === 'flaky'))
      .map(({ title, file, line }) => `${file}:${line} ${title}`),
  ])

/** The mutation score of each folder, or of those named; what survived is listed. */
async function mutants(folders) {
  const { mutantFolders, mutationScore } = await import('./mutants.mjs')
  for (const folder of folders.length ? folders : mutantFolders()) {
    const startedAt = Date.now()
    const { killed, mutants, survivors } = await mutationScore(folder)
    const seconds = ((Date.now() - startedAt) / 1000).toFixed(1)
    console.log(
      `${folder}: ${killed} of ${mutants} killed, ${Math.round((100 * killed) / mutants)} % (${seconds} s)`,
    )
    for (const { file, line, was, replacement } of survivors)
      console.log(`  ${file}:${line}  ${was}  →  ${replacement}`)
    total.passed += killed
    total.failed += survivors.length
  }
}

async function statics() {
  await check('formatting', 'npx', 'prettier', '--check', '.')
  await check('lint', 'npx', 'eslint', '.', '--max-warnings', '0')
  await check(
    'arrows',
    'npx',
    'depcruise',
    '--config',
    '.dependency-cruiser.cjs',
    'app',
    'core',
    'shared',
    'server',
  )
  await check('types', 'npx', 'vue-tsc', '-b', '--noEmit')
  await migrationsMatch()
}

/** A schema from which another migration would follow does not match: drizzle-kit is asked to write one, elsewhere. */
async function migrationsMatch() {
  const startedAt = Date.now()
  const out = join(reports, 'migrations')
  cpSync('server/db/migrations', out, { recursive: true })
  const from = ['--dialect', 'postgresql', '--schema', './server/db/schema.ts', '--casing', 'snake_case']
  const { code, output } = await run('npx', ['drizzle-kit', 'generate', ...from, '--out', relative('.', out)])
  const same = code === 0 && /No schema changes/.test(output)
  tell('migrations match the schema', same ? 1 : 0, same ? 0 : 1, startedAt, output)
}

await orSayWhy(async () => {
  if (only !== undefined && !['unit', 'deep', 'mutants'].includes(only))
    throw new Trouble(`./test takes 'unit', 'deep', 'mutants' or nothing, not '${only}'.`)
  checkNode()
  try {
    if (only === 'mutants') {
      await installPackages()
      await mutants(process.argv.slice(3))
    } else if (only === 'unit') {
      await installPackages()
      await jest('unit')
    } else if (only === 'deep') {
      // Many thousands of cases, drawn anew each time; the seed says how to draw them again.
      await installPackages()
      const seed = process.env.FC_SEED ?? String(Date.now() % 2 ** 31)
      console.log(`Properties drawn from FC_SEED=${seed}`)
      await jest('unit', { DEEP: '40', FC_SEED: seed })
      await ensurePackages(['postgresql'])
      await buildApplication()
      await withThrowAwayApplication(({ address, pid, databaseUrl }) =>
        jest('api', {
          ...{ BLASTOMIX_URL: address, BLASTOMIX_PID: String(pid), DATABASE_URL: databaseUrl },
          ...{ DEEP: '30', FC_SEED: seed },
        }),
      )
      await jest('start', { DEEP: '30' })
    } else {
      await ensurePackages(['postgresql', 'chromium'])
      await installPackages()
      await Promise.all([buildApplication(), jest('unit').then(statics)])
      await withThrowAwayApplication(async ({ address, databaseUrl }) => {
        const env = { BLASTOMIX_URL: address, DATABASE_URL: databaseUrl }
        await jest('api', env)
        await playwright(env)
      })
      await jest('start')
    }
  } catch (error) {
    // A step that could not even run is a failure among the others, told with its reason.
    console.log(error instanceof Trouble ? error.message : error)
    total.failed++
  } finally {
    rmSync(reports, { recursive: true, force: true })
  }
  console.log(`\n${total.passed} passed, ${total.failed} failed`)
  process.exit(total.failed || !total.passed ? 1 : 0)
})
