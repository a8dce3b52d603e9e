export interface ProblemAnswer {
  status: number
  detail: string
  errors: { field: string; message: string }[]
  current?: unknown
  usedBy?: { collection: string; id: string; name: string }[]
  about?: { collection: string; id: string; name: string }[]
}

/** The problem+json a failed request was answered with, or undefined when there was no answer. */
export function readProblem(error: unknown): ProblemAnswer | undefined {
  const data = (error as { data?: ProblemAnswer } | null)?.data
  return data && typeof data.status === 'number' && data.detail ? data : undefined
}

/** What was not even tried; its message says why, in a sentence for the person. */
export class NotTried extends Error {}

/** Why something was not done, in a sentence. */
export function whyNot(error: unknown): string {
  if (error instanceof NotTried) return error.message
  const problem = readProblem(error)
  return (
    problem?.errors[0]?.message ??
    problem?.detail ??
    'The server does not answer. Whether this was done is seen once it answers again.'
  )
}

/** The same where a refusal means that nothing was written: said once, and not where nobody knows. */
export function whyNothing(error: unknown): string {
  const why = whyNot(error)
  return readProblem(error) && !/nothing was (written|taken in|read)/i.test(why)
    ? `${why} Nothing was written.`
    : why
}
