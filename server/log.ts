import pino from 'pino'

/** What happened to the application, a JSON line each; `./start` keeps them in files. Nothing a person wrote stands in it. */
export const log = pino({ base: { part: 'application' } })

/** Where an error came from, without its words: those may hold what somebody wrote. */
export function traceOf(error: unknown) {
  const trace: object[] = []
  for (let cause: unknown = error; cause instanceof Error && trace.length < 5; cause = cause.cause) {
    const { code, table, constraint, routine } = cause as Error & Record<string, unknown>
    const frames = cause.stack?.split('\n').filter((line) => /^\s+at /.test(line)) ?? []
    trace.push({
      name: cause.name,
      code,
      table,
      constraint,
      routine,
      at: frames.slice(0, 6).map((one) => one.trim()),
    })
  }
  return { trace }
}
