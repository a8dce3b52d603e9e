import { spawn } from 'node:child_process'

const running = new Set()
/** Commands that still run end with the one who runs them. */
export function endCommands() {
  for (const child of running) child.kill('SIGTERM')
}

/**
 * Run a command to its end.
 * @param {{ inherit?: boolean, input?: string } & import('node:child_process').SpawnOptions} options input is what it reads
 * @returns {Promise<{ code: number, output: string }>} output is what it printed, both streams, unless inherited
 */
export function run(command, args, { inherit = false, input, ...options } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      stdio: inherit ? 'inherit' : [input === undefined ? 'ignore' : 'pipe', 'pipe', 'pipe'],
      ...options,
    })
    running.add(child)
    child.on('exit', () => running.delete(child))
    let output = ''
    child.stdin?.end(input)
    child.stdout?.on('data', (chunk) => (output += chunk))
    child.stderr?.on('data', (chunk) => (output += chunk))
    child.on('error', (error) => resolve({ code: 127, output: `${output}${error.message}` }))
    child.on('close', (code, signal) => resolve({ code: code ?? (signal ? 1 : 0), output }))
  })
}
