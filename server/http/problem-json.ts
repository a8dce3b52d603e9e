import { setResponseHeader, setResponseStatus, type H3Event } from 'h3'
import { printPath } from '#core/problem'
import type { SaidProblem } from '#shared/messages/refusals'
import { isBusy, isConnectionError, isFull } from '../services/database-trouble'
import { log, traceOf } from '../log'
import { Refusal, type User } from '../services/refusal'

/** RFC 9457 problem details, with the fields that are wrong and, after a stale write, what is stored now. */
export interface ProblemJson {
  type: string
  title: string
  status: number
  detail: string
  errors: { field: string; message: string }[]
  current?: unknown
  usedBy?: readonly User[]
  about?: readonly User[]
  afterS?: number
  stands?: unknown
  failed?: { index: number; name: string }
}

const TITLES: Readonly<Record<number, string>> = {
  400: 'Not readable',
  401: 'No key of a device here',
  404: 'Not found',
  409: 'Changed elsewhere',
  413: 'Too large',
  415: 'Not JSON',
  422: 'Not possible as it is',
  429: 'Too often',
  500: 'Something went wrong here',
  408: 'Too slow',
  403: 'Not from here',
  405: 'Not this way',
  503: 'Not now',
  507: 'The disk is full',
}

export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly problems: readonly SaidProblem[] = [],
  ) {
    super(message)
  }
}

/** Answer with a problem, whatever was thrown. What is not ours to explain is logged and told as a 500. */
export function answerProblem(event: H3Event, error: unknown): ProblemJson {
  const problem = problemOf(error)
  setResponseStatus(event, problem.status)
  setResponseHeader(event, 'content-type', 'application/problem+json')
  if (problem.afterS !== undefined) setResponseHeader(event, 'retry-after', problem.afterS)
  return problem
}

/** What was thrown, as a problem. */
export function problemOf(error: unknown): ProblemJson {
  if (error instanceof Refusal)
    return {
      ...body(error.status, error.message, error.problems),
      ...error.details,
    }
  if (error instanceof HttpProblem) return body(error.status, error.message, error.problems)
  if (isFull(error))
    return body(507, 'The disk of the database is full: nothing was written. What is there can be read.')
  if (isConnectionError(error)) return body(503, 'Nothing was written. Try again in a moment.')
  if (isBusy(error))
    return body(503, 'Somebody else is writing here. Nothing was written; try again in a moment.')
  log.error(traceOf(error), 'fault')
  return body(500, 'Nothing was written. The log on the server says more.')
}

function body(status: number, detail: string, problems: readonly SaidProblem[] = []): ProblemJson {
  const title = TITLES[status] ?? 'Problem'
  return {
    type: `/problems/${title.toLowerCase().replaceAll(' ', '-')}`,
    title,
    status,
    detail,
    errors: problems.map(({ path, message }) => ({ field: printPath(path), message })),
  }
}
