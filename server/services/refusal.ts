import { isConnectionError } from './database-trouble'
import { inWords, sayProblemOf, type AnyProblem, type SaidProblem } from '#shared/messages/refusals'
import type { Collection } from '#shared/records/collection-names'

/** A record that points at another. */
export interface User {
  collection: Collection
  id: string
  name: string
}

interface Details {
  /** What is stored now, for the one whose copy went stale. */
  readonly current?: unknown
  /** What stands, where a command does not fit it. */
  readonly stands?: unknown
  /** Which command of a list failed. */
  readonly failed?: { readonly index: number; readonly name: string }
  /** What still uses the thing that was to be removed. */
  readonly usedBy?: readonly User[]
  /** What is about the thing that was to be removed, and stays: asked again with `anyway` it is removed. */
  readonly about?: readonly User[]
  /** After how many seconds it may be asked again. */
  readonly afterS?: number
}

/** Why a service does not do what it was asked; routes turn it into an answer. */
export class Refusal extends Error {
  constructor(
    readonly status: 401 | 404 | 409 | 413 | 422 | 429 | 503,
    message: string,
    readonly problems: readonly SaidProblem[] = [],
    readonly details: Details = {},
  ) {
    super(message)
  }
}

export const unknown = (what: string) => new Refusal(404, `There is no such ${what} here.`)
/** What a commit that failed is told as: a connection that broke leaves open whether it went through. */
export const uncertain = (error: unknown) =>
  isConnectionError(error)
    ? new Refusal(
        503,
        'The connection to the database broke while this was written: whether it was is not known. Sent again with the same Idempotency-Key it is done once.',
      )
    : error
export const stale = (current: unknown) =>
  new Refusal(
    409,
    'This was changed elsewhere after you opened it. Both versions are kept until you choose.',
    [],
    { current },
  )
export const invalid = (problems: readonly AnyProblem[]) =>
  new Refusal(
    422,
    problems[0] ? sayProblemOf(problems[0]) : 'This cannot be saved as it is.',
    problems.map(inWords),
  )
/** What is about it would go on naming what is no longer in sight: whoever removes it is asked. */
export const namedBy = (about: readonly User[]) => {
  const others = about.length - 1
  return new Refusal(
    422,
    `“${about[0]?.name ?? ''}”${others ? ` and ${others} more are` : ' is'} about this, and stay${others ? '' : 's'} where ${others ? 'they are' : 'it is'}. Remove it anyway?`,
    [],
    { about: about.slice(0, 20) },
  )
}
export const inUse = (usedBy: readonly User[]) => {
  const names = usedBy.slice(0, 3).map(({ name }) => name)
  const more = usedBy.length > names.length ? ` and ${usedBy.length - names.length} more` : ''
  return new Refusal(
    422,
    `${names.join(', ')}${more} ${usedBy.length > 1 ? 'use' : 'uses'} this. Put another in its place, or change ${usedBy.length > 1 ? 'them' : 'that'} first.`,
    [],
    { usedBy },
  )
}
