import { RateLimiterMemory, RateLimiterPostgres, type RateLimiterAbstract } from 'rate-limiter-flexible'
import { runJobsSql } from '../db/door'
import { log, traceOf } from '../log'
import { Refusal } from './refusal'

/*
 * How often something may be asked: far more than a person presses, and less than a program in a loop. Counted in memory; where
 * several copies share one database (BLASTOMIX_COPIES), there.
 */

/** So many in so many seconds. */
export const RATES = {
  'reads of an address': { most: 30_000, inS: 10 },
  'writes of an address': { most: 1_200, inS: 10 },
  'writes of a household': { most: 600, inS: 10 },
  'computations of an address': { most: 600, inS: 10 },
  'files of an address': { most: 300, inS: 60 },
  'households an address makes': { most: 240, inS: 60 },
  'readings of a device': { most: 20_000, inS: 3600 },
} as const
export type Rate = keyof typeof RATES

/** For benchmarks and for tests that write as fast as they can. */
const SCALE = Number(process.env.BLASTOMIX_RATE_SCALE || 1)

const limiters = new Map<Rate, RateLimiterAbstract>()
function limiterOf(rate: Rate): RateLimiterAbstract {
  const known = limiters.get(rate)
  if (known) return known
  const { most, inS } = RATES[rate]
  const options = { keyPrefix: rate, points: most * SCALE, duration: inS }
  const memory = new RateLimiterMemory(options)
  const made =
    process.env.BLASTOMIX_COPIES && rate !== 'reads of an address'
      ? new RateLimiterPostgres({
          ...options,
          storeClient: {
            query: ({ text, values }: { text: string; values: unknown[] }) => runJobsSql(text, values),
          },
          storeType: 'pool',
          schemaName: 'jobs',
          tableName: 'rate_limit',
          tableCreated: true,
          // One that is over its limit asks the database no more, and one that is away limits each copy by itself.
          inMemoryBlockOnConsumed: most * SCALE,
          insuranceLimiter: memory,
        })
      : memory
  limiters.set(rate, made)
  return made
}

/** @throws Refusal 429 with when to come back */
export async function allow(rate: Rate, key: string, points = 1): Promise<void> {
  if (points === 0) return
  try {
    await limiterOf(rate).consume(key, points)
  } catch (refused) {
    if (refused instanceof Error) return void log.warn(traceOf(refused), 'rate limits')
    const { most, inS } = RATES[rate]
    const afterS = Math.max(1, Math.ceil((refused as { msBeforeNext: number }).msBeforeNext / 1000))
    throw new Refusal(
      429,
      `That is more than ${most * SCALE} ${rate} in ${inS} seconds. Nothing was done; go on in ${afterS} s.`,
      [],
      { afterS },
    )
  }
}
