import { readFileSync } from 'node:fs'

/** Whether a process runs and its command line holds `word`. A zombie that nobody reaped does not count. */
export function isAlive(pid, word) {
  try {
    const state = readFileSync(`/proc/${pid}/stat`, 'utf8').replace(/^.*\) /s, '')[0]
    return state !== 'Z' && state !== 'X' && readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(word)
  } catch {
    return false
  }
}
