import { first } from '#core/numeric/at'
import { createHash } from 'node:crypto'
import {
  defineEventHandler,
  getQuery,
  getRequestHeader,
  getRouterParams,
  type EventHandler,
  type H3Event,
} from 'h3'
import type * as z from 'zod'
import type { Collection } from '#shared/records/collection-names'
import { id, problemsFrom } from '#shared/records/rules'
import { WHOEVER, type Principal } from '../principal'
import type { Act } from '../services/idempotency'
import { collectionParams } from './params'
import { answerProblem, HttpProblem } from './problem-json'
import { cleaned } from './clean'
import { readJson } from './read-json'

/** What a route takes, answers and refuses. The API document is made of these, so a route cannot say one and do another. */
export interface Contract<Params, Query, Body> {
  /** One line on what it is for. */
  readonly summary: string
  readonly params?: z.ZodType<Params>
  readonly query?: z.ZodType<Query>
  readonly body?: z.ZodType<Body>
  /** More than the usual body, where there can be much to say at once. */
  readonly mostBytes?: number
  /** What it answers with 200, and what that is in words. */
  readonly answers: z.ZodType
  readonly meaning: string
  readonly type?: string
  /** Refusals of the service, beside those of parameters and body. */
  readonly refuses?: readonly number[]
}
export type AnyContract = Contract<unknown, unknown, unknown>
/** A route's handler with what the document needs to know of it. */
export type Described = EventHandler & {
  readonly contract: AnyContract | ((collection: Collection) => AnyContract)
}

interface Request<Params, Query, Body> {
  readonly params: Params
  readonly query: Query
  readonly body: Body
  readonly event: H3Event
  readonly principal: Principal
  /** What the sender calls this write, so that it is done once however often it is sent. */
  readonly act: Act | null
}

/** A thin route: parse by its contract, call a service, answer; anything thrown becomes problem+json. */
export function route<Params, Query, Body>(
  contract: Contract<Params, Query, Body>,
  answer: (request: Request<Params, Query, Body>) => unknown,
): Described {
  const handler = defineEventHandler((event) => serve(event, contract, answer))
  return Object.assign(handler, { contract: contract as AnyContract })
}

/** A route that reads its body itself: the contract says what it takes. */
export function describedRoute<Params, Query, Body>(
  contract: Contract<Params, Query, Body>,
  answer: (request: Omit<Request<Params, Query, Body>, 'body'>) => unknown,
): Described {
  const { body: _, ...read } = contract
  const handler = defineEventHandler((event) => serve(event, read as typeof contract, answer))
  return Object.assign(handler, { contract: contract as AnyContract })
}

/** The same for every collection: the contract follows from what the collection keeps. */
export function collectionRoute<Params extends { collection: Collection }, Query, Body>(
  contractOf: (collection: Collection) => Contract<Params, Query, Body>,
  answer: (request: Request<Params, Query, Body>) => unknown,
): Described {
  const handler = defineEventHandler(async (event) => {
    try {
      const { collection } = parse(collectionParams, getRouterParams(event, { decode: true }), 404)
      return await serve(event, contractOf(collection), answer)
    } catch (error) {
      return answerProblem(event, error)
    }
  })
  return Object.assign(handler, { contract: contractOf as (collection: Collection) => AnyContract })
}

async function serve<Params, Query, Body>(
  event: H3Event,
  contract: Contract<Params, Query, Body>,
  answer: (request: Request<Params, Query, Body>) => unknown,
) {
  try {
    const params = parse(contract.params, getRouterParams(event, { decode: true }), 404)
    const query = parse(contract.query, cleanedQuery(event), 422)
    const body = contract.body
      ? parse(contract.body, await readJson(event, 'application/json', contract.mostBytes), 422)
      : (undefined as Body)
    const act = actOf(event, body)
    return await answer({ params, query, body, event, act, principal: WHOEVER })
  } catch (error) {
    return answerProblem(event, error)
  }
}

/** What stands behind the `?`, cleaned as texts of a body are: no database holds a NUL. */
function cleanedQuery(event: H3Event): unknown {
  const texts = Object.entries(getQuery(event)).map(([key, value]) => [
    key,
    Array.isArray(value) ? value.map((one) => cleaned('', one)) : cleaned('', value),
  ])
  return Object.fromEntries(texts)
}

/** The act a request names in its `Idempotency-Key`, with a checksum of what it asks. @throws HttpProblem 422 */
function actOf(event: H3Event, body: unknown): Act | null {
  const key = getRequestHeader(event, 'idempotency-key')
  if (key === undefined || event.method === 'GET') return null
  const read = id.safeParse(key)
  if (!read.success) throw new HttpProblem(422, 'An Idempotency-Key is a UUID.')
  const asked = createHash('sha256').update(`${event.method} ${event.path}\n${JSON.stringify(body) ?? ''}`)
  return { id: read.data, asked: asked.digest('base64') }
}

/** Parse or refuse, with each problem at its field. */
function parse<Value>(shape: z.ZodType<Value> | undefined, value: unknown, status: 404 | 422): Value {
  if (!shape) return undefined as Value
  const read = shape.safeParse(value)
  if (read.success) return read.data
  const problems = problemsFrom(read.error)
  throw new HttpProblem(
    status,
    status === 404 ? 'There is nothing at this address.' : first(problems).message,
    problems,
  )
}
