import { existsSync, mkdirSync, readdirSync, writeFileSync } from 'node:fs'
import { run } from './run.mjs'
import { Trouble } from './trouble.mjs'

const CREATE_CLUSTER = '/etc/postgresql-common/createcluster.conf'

/** Folder of PostgreSQL's programs, newest version first, or undefined. */
export function postgresBin() {
  const root = '/usr/lib/postgresql'
  if (!existsSync(root)) return undefined
  return readdirSync(root)
    .sort((a, b) => Number(b) - Number(a))
    .map((version) => `${root}/${version}/bin`)
    .find((bin) => existsSync(`${bin}/initdb`))
}

export const CHROMIUM = '/usr/bin/chromium'

/** Debian packages that are still missing among `postgresql` and `chromium`. */
function missing(names) {
  const here = { postgresql: () => postgresBin() !== undefined, chromium: () => existsSync(CHROMIUM) }
  return names.filter((name) => !here[name]())
}

/** Install what is missing when root or sudo allows; else say the line to run. */
export async function ensurePackages(names) {
  const wanted = missing(names)
  if (wanted.length === 0) return
  const line = `apt-get install ${wanted.join(' ')}`
  const root = process.getuid?.() === 0
  if (!root && (await run('sudo', ['-n', 'true'])).code !== 0)
    throw new Trouble(`${wanted.join(' and ')} must be installed first: sudo ${line}`)

  console.log(`Installing ${wanted.join(' and ')} from Debian's packages …`)
  const apt = (...args) => {
    const command = [
      'apt-get',
      '-o',
      'DPkg::Lock::Timeout=300',
      '-o',
      'Dpkg::Options::=--force-confold',
      ...args,
    ]
    const env = ['env', 'DEBIAN_FRONTEND=noninteractive']
    const [program, ...rest] = root ? [...env, ...command] : ['sudo', '-n', ...env, ...command]
    return run(program, rest)
  }
  // Blastomix runs a cluster of its own; Debian's default one is not wanted for it.
  if (wanted.includes('postgresql') && root && !existsSync(CREATE_CLUSTER)) {
    mkdirSync('/etc/postgresql-common', { recursive: true })
    writeFileSync(CREATE_CLUSTER, 'create_main_cluster = false\n')
  }
  await apt('update')
  const { code, output } = await apt('install', '-y', '--no-install-recommends', ...wanted)
  if (code !== 0 || missing(wanted).length)
    throw new Trouble(
      `${wanted.join(' and ')} could not be installed (${lastLine(output)}). Try: ${root ? '' : 'sudo '}${line}`,
    )
}

export const lastLine = (text) => text.trim().split('\n').at(-1)?.trim() ?? ''
