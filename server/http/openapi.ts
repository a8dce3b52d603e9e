import { setImmediate } from 'node:timers/promises'
import * as z from 'zod'
import { COLLECTION_NAMES } from '#shared/records/collection-names'
import type { AnyContract, Described } from './route'

export interface RouteFile {
  readonly method: string
  /** `/api/households/[householdId]/today` */
  readonly path: string
  readonly handler: Described
}

/** The HTTP interface as OpenAPI 3.1, made of the contracts that check the requests. */
export async function openApiDocument(routes: readonly RouteFile[]) {
  const paths: Record<string, Record<string, unknown>> = {}
  const add = (path: string, method: string, contract: AnyContract) => {
    const address = path.replace(/\[(\w+)\]/g, '{$1}')
    paths[address] = { ...paths[address], [method]: operation(contract, address) }
  }
  for (const { path, method, handler } of routes) {
    const { contract } = handler
    if (!contract) continue
    // Each schema takes a moment: others are answered in between.
    await setImmediate()
    if (typeof contract !== 'function') add(path, method, contract)
    else
      for (const collection of COLLECTION_NAMES) {
        await setImmediate()
        add(path.replace('[collection]', collection), method, contract(collection))
      }
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Blastomix',
      version: '0.1.0',
      description:
        'Mixes scaled to containers and feeds diluted for a stage. Every computed figure carries its working: formula, inputs and sources. Writes name the version they were made from.',
    },
    paths: Object.fromEntries(Object.entries(paths).sort(([a], [b]) => (a < b ? -1 : 1))),
  }
}

function operation(
  { summary, params, query, body, answers, meaning, type, refuses = [] }: AnyContract,
  path: string,
) {
  const statuses = new Set([...refuses, 429, 503])
  if (params) statuses.add(404)
  if (query) statuses.add(422)
  if (body) [400, 413, 415, 422].forEach((status) => statuses.add(status))
  return {
    summary,
    parameters: [...parameters('path', params, path), ...parameters('query', query, path)],
    ...(body ? { requestBody: { required: true, content: json(body, 'input') } } : {}),
    responses: {
      200: { description: meaning, content: json(answers, 'output', type) },
      ...Object.fromEntries(
        [...statuses]
          .sort()
          .map((status) => [
            status,
            { description: REFUSALS[status], content: json(problem, 'output', 'application/problem+json') },
          ]),
      ),
    },
  }
}

function parameters(where: 'path' | 'query', shape: z.ZodType | undefined, path: string) {
  if (!shape) return []
  const { properties = {}, required = [] } = schemaOf(shape, 'input')
  return Object.entries(properties)
    .filter(([name]) => where === 'query' || path.includes(`{${name}}`))
    .map(([name, schema]) => ({
      name,
      in: where,
      required: where === 'path' || required.includes(name),
      schema,
    }))
}

const json = (shape: z.ZodType, io: 'input' | 'output', type = 'application/json') => ({
  [type]: { schema: schemaOf(shape, io) },
})

function schemaOf(shape: z.ZodType, io: 'input' | 'output') {
  const { $schema: _, ...schema } = z.toJSONSchema(shape, {
    io,
    unrepresentable: 'any',
    target: 'draft-2020-12',
  })
  return schema
}

const problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string(),
  errors: z.array(z.object({ field: z.string(), message: z.string() })),
})

const REFUSALS: Readonly<Record<number, string>> = {
  400: 'The body is not valid JSON',
  401: 'No key of a device here',
  404: 'Not known here',
  408: 'It took too long to arrive',
  409: 'The version moved on; `current` holds what is stored now',
  413: 'The body is too large',
  415: 'The body is not sent as JSON',
  422: 'Not possible as it is; `errors` names each field, `usedBy` what still uses it',
  429: 'More often than it may be asked; `retry-after` says when to come back',
  503: 'The database does not answer, or too much is under way; `retry-after` says when to come back where that is known',
}
