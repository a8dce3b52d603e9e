import { readFileSync, readlinkSync } from 'node:fs'
import { basename } from 'node:path'

/** Fields of /proc/<pid>/stat after the name, or undefined where no such process runs. A zombie does not count. */
function stateOf(pid) {
  try {
    const fields = readFileSync(`/proc/${pid}/stat`, 'utf8')
      .replace(/^.*\) /s, '')
      .split(' ')
    return fields[0] === 'Z' || fields[0] === 'X' ? undefined : fields
  } catch {
    return undefined
  }
}

/** When a process began, in ticks since the machine did: with its number, this one process and no later one of that number. */
export const bornAt = (pid) => stateOf(pid)?.[19]

/** Whether the process that was given this number at that moment still runs. */
export const isStill = (pid, born) => born !== undefined && bornAt(pid) === born

/** Whether a process is a PostgreSQL server on this very folder, by its program and its arguments. */
export function servesFolder(pid, data) {
  if (!stateOf(pid)) return false
  try {
    const args = readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0')
    return programOf(pid, args) === 'postgres' && args.includes(data)
  } catch {
    return false
  }
}

function programOf(pid, args) {
  try {
    return basename(readlinkSync(`/proc/${pid}/exe`))
  } catch {
    // Another user's program cannot be looked at; what it was called with can.
    return basename(args[0] ?? '')
  }
}
