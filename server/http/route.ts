import { defineEventHandler, getQuery, getRouterParams, type H3Event } from 'h3'
import type * as z from 'zod'
import { problemsFrom } from '#shared/rules'
import { answerProblem, HttpProblem } from './problem-json'
import { readJson } from './read-json'

interface Shapes<Params, Query, Body> {
  params?: z.ZodType<Params>
  query?: z.ZodType<Query>
  body?: z.ZodType<Body>
}

/** A thin route: parse with Zod, call a service, answer; anything thrown becomes problem+json. */
export function route<Params, Query, Body>(
  shapes: Shapes<Params, Query, Body>,
  answer: (request: { params: Params; query: Query; body: Body; event: H3Event }) => unknown,
) {
  return defineEventHandler(async (event) => {
    try {
      const params = parse(shapes.params, getRouterParams(event, { decode: true }), 404)
      const query = parse(shapes.query, getQuery(event), 422)
      const body = shapes.body ? parse(shapes.body, await readJson(event), 422) : (undefined as Body)
      return await answer({ params, query, body, event })
    } catch (error) {
      return answerProblem(event, error)
    }
  })
}

/** Parse or refuse, with each problem at its field. */
export function parse<Value>(shape: z.ZodType<Value> | undefined, value: unknown, status: 404 | 422): Value {
  if (!shape) return undefined as Value
  const read = shape.safeParse(value)
  if (read.success) return read.data
  const problems = problemsFrom(read.error)
  throw new HttpProblem(
    status,
    status === 404 ? 'There is nothing at this address.' : problems[0]!.message,
    problems,
  )
}
