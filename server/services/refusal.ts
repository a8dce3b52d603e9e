import type { Problem } from '#core/problem'

/** Why a service does not do what it was asked; routes turn it into an answer. */
export class Refusal extends Error {
  constructor(
    readonly status: 404 | 409 | 422,
    message: string,
    readonly problems: readonly Problem[] = [],
    /** What is stored now, for the one whose copy went stale. */
    readonly current: unknown = undefined,
  ) {
    super(message)
  }
}

export const unknown = (what: string) => new Refusal(404, `There is no such ${what} here.`)
export const stale = (current: unknown) =>
  new Refusal(
    409,
    'This was changed elsewhere after you opened it. Both versions are kept until you choose.',
    [],
    current,
  )
export const invalid = (problems: readonly Problem[]) =>
  new Refusal(422, problems[0]?.message ?? 'This cannot be saved as it is.', problems)
