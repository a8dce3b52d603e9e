import {
  extendZodWithOpenApi,
  OpenAPIRegistry,
  OpenApiGeneratorV31,
  type RouteConfig,
} from '@asteasolutions/zod-to-openapi'
import * as z from 'zod'
import { COLLECTIONS, COLLECTION_NAMES, HOUSEHOLD, stored, write } from '#shared/collections'
import { batchToCompute } from '#shared/records/batch'
import { doseToCompute } from '#shared/records/feeding'
import { id } from '#shared/rules'

extendZodWithOpenApi(z)

let document: ReturnType<OpenApiGeneratorV31['generateDocument']> | undefined

/** The HTTP interface as OpenAPI 3.1, generated from the schemas that check the requests. */
export function openApiDocument() {
  return (document ??= new OpenApiGeneratorV31(describeRoutes().definitions).generateDocument({
    openapi: '3.1.0',
    info: {
      title: 'Blastomix',
      version: '0.1.0',
      description:
        'Mixes scaled to containers and feeds diluted for a stage. Every computed figure carries its working: formula, inputs and sources. Writes name the version they were made from.',
    },
  }))
}

function describeRoutes(): OpenAPIRegistry {
  const registry = new OpenAPIRegistry()
  const householdId = z.object({ householdId: id })
  const recordId = householdId.extend({ id })
  const add = (
    config: Omit<RouteConfig, 'responses'>,
    answer: z.ZodType,
    description: string,
    refusals: number[],
  ) =>
    registry.registerPath({
      ...config,
      responses: {
        200: { description, ...json(answer) },
        ...Object.fromEntries(
          refusals.map((status) => [
            status,
            { description: REFUSALS[status]!, content: { 'application/problem+json': { schema: problem } } },
          ]),
        ),
      },
    })

  add(
    { method: 'get', path: '/api/health', summary: 'Is the database answering?' },
    z.object({ ready: z.boolean() }),
    'It is',
    [503],
  )
  add(
    {
      method: 'post',
      path: '/api/compute/batch',
      summary: 'Parts and containers to litres, scoops, packs and soak',
      request: { body: json(batchToCompute) },
    },
    z.looseObject({ mixL: figure, lines: z.array(z.looseObject({ looseL: figure })) }),
    'The batch, every figure with its working',
    BODY_REFUSALS,
  )
  add(
    {
      method: 'post',
      path: '/api/compute/dose',
      summary: 'A feed, a stage and a vessel to a dose and how to measure it',
      request: { body: json(doseToCompute) },
    },
    z.looseObject({ massG: figure, volumeMl: figure }),
    'The dose, every figure with its working',
    BODY_REFUSALS,
  )

  add(
    { method: 'get', path: '/api/households', summary: 'All households' },
    z.array(stored(HOUSEHOLD)),
    'The households, oldest first',
    [503],
  )
  add(
    {
      method: 'get',
      path: '/api/households/{householdId}',
      summary: 'A household and everything it keeps',
      request: { params: householdId },
    },
    z.looseObject({ household: stored(HOUSEHOLD) }),
    'Everything',
    [404, 503],
  )
  add(
    {
      method: 'put',
      path: '/api/households/{householdId}',
      summary: 'Create (version 0) or change a household',
      request: { params: householdId, body: json(write(HOUSEHOLD)) },
    },
    stored(HOUSEHOLD),
    'As kept',
    [...BODY_REFUSALS, 409],
  )

  add(
    {
      method: 'get',
      path: '/api/households/{householdId}/today',
      summary: 'What is due, late or in danger on a day',
      request: { params: householdId, query: z.object({ on: z.iso.date() }).partial() },
    },
    z.object({ on: z.iso.date(), jobs: z.array(z.looseObject({ id: z.string(), kind: z.string() })) }),
    'The jobs, most pressing first',
    [404, 422, 503],
  )
  registry.registerPath({
    method: 'get',
    path: '/api/households/{householdId}/calendar.ics',
    summary: 'The season as a calendar to subscribe to (RFC 5545)',
    request: { params: householdId },
    responses: {
      200: { description: 'iCalendar', content: { 'text/calendar': { schema: z.string() } } },
    },
  })

  for (const collection of COLLECTION_NAMES) {
    const body: z.ZodType = COLLECTIONS[collection]
    const path = `/api/households/{householdId}/${collection}`
    add(
      { method: 'get', path, summary: `All ${collection}`, request: { params: householdId } },
      z.array(stored(body)),
      'Oldest first',
      [404, 503],
    )
    add(
      {
        method: 'get',
        path: `${path}/{id}`,
        summary: `One of the ${collection}`,
        request: { params: recordId },
      },
      stored(body),
      'As kept',
      [404, 503],
    )
    add(
      {
        method: 'get',
        path: `${path}/{id}/history`,
        summary: `What one of the ${collection} was before each change`,
        request: { params: recordId },
      },
      z.array(z.object({ version: z.int(), writtenAt: z.iso.datetime(), body })),
      'Newest first',
      [404, 503],
    )
    add(
      {
        method: 'put',
        path: `${path}/{id}`,
        summary: `Create (version 0) or change one of the ${collection}`,
        request: { params: recordId, body: json(write(body)) },
      },
      stored(body),
      'As kept',
      [404, ...BODY_REFUSALS, 409],
    )
    add(
      {
        method: 'delete',
        path: `${path}/{id}`,
        summary: `Remove one of the ${collection}; writing it again from the answered version brings it back`,
        request: { params: recordId, query: z.object({ version: z.int() }) },
      },
      z.object({ version: z.int() }),
      'The version it was removed at',
      [404, 409, 422, 503],
    )
  }
  return registry
}

const json = (schema: z.ZodType) => ({ content: { 'application/json': { schema } } })

const problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string(),
  errors: z.array(z.object({ field: z.string(), message: z.string() })),
})

const figure = z.looseObject({
  name: z.string(),
  value: z.number(),
  unit: z.string(),
  working: z.looseObject({ kind: z.enum(['given', 'derived']) }),
})

const REFUSALS: Readonly<Record<number, string>> = {
  400: 'The body is not valid JSON',
  404: 'Not known here',
  409: 'The version moved on; `current` holds what is stored now',
  413: 'The body is too large',
  415: 'The body is not sent as JSON',
  422: 'Not possible as it is; `errors` names each field',
  503: 'The database does not answer',
}
const BODY_REFUSALS = [400, 413, 415, 422, 503]
