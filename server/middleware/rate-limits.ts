import { defineEventHandler } from 'h3'
import { addressOf } from '../http/address'
import { answerProblem } from '../http/problem-json'
import { allow, type Rate } from '../services/rate-limits'

const HOUSEHOLD = /^\/api\/households\/([0-9a-f-]{36})(\/|\?|$)/i
/** What comes with a file or answers with one that has to be made. */
const FILES =
  /\/(archive|tables|photo-files|commands\/file|papers|calendar|labels\.pdf|labels|key\.pdf|weather\.csv)(\/|\.|\?|$)/

/** What a request counts as, by what it asks. */
export function ratesOf(method: string, path: string, address: string): [rate: Rate, key: string][] {
  if (!path.startsWith('/api/') || /^\/api\/(health|ready)$/.test(path)) return []
  const rates: [Rate, string][] = []
  const reads = method === 'GET' || method === 'HEAD'
  const household = HOUSEHOLD.exec(path)
  if (path.startsWith('/api/compute/')) return [['computations of an address', address]]
  rates.push([reads ? 'reads of an address' : 'writes of an address', address])
  if (household && FILES.test(path)) rates.push(['files of an address', address])
  else if (household && !reads) rates.push(['writes of a household', household[1] ?? ''])
  if (method === 'PUT' && household?.[2] !== '/') rates.push(['households an address makes', address])
  return rates
}

/** Who asks more often than a person can is told when to come back. Pages and their files are not counted. */
export default defineEventHandler(async (event) => {
  try {
    for (const [rate, key] of ratesOf(event.method, event.path, addressOf(event))) await allow(rate, key)
    return undefined
  } catch (error) {
    return answerProblem(event, error)
  }
})
