const codes = function* (error: unknown): Generator<{ code: string; message: string }> {
  for (let cause: unknown = error; cause instanceof Error; cause = cause.cause)
    yield { code: (cause as { code?: string }).code ?? '', message: cause.message }
}
const some = (error: unknown, test: (one: { code: string; message: string }) => boolean) =>
  [...codes(error)].some(test)

/** Connection refused, reset or timed out; 57P01–05, 25P03 and 53300: the server is going down, starting, impatient, or full. */
export const isConnectionError = (error: unknown) =>
  some(
    error,
    ({ code, message }) =>
      /^(ECONN|ETIMEDOUT|EPIPE|ENOTFOUND|57P0|08|25P03|53300)/.test(code) ||
      /timeout exceeded when trying to connect|Connection terminated|Client has encountered a connection error/.test(
        message,
      ),
  )

/** 55P03, 57014: somebody else holds the household, or it took too long. */
export const isBusy = (error: unknown) => some(error, ({ code }) => code === '55P03' || code === '57014')

/** 53100: the database has no room on its disk; 25006: it only reads. */
export const isFull = (error: unknown) =>
  some(error, ({ code }) => code === '53100' || code === '25006' || code === '58030')

/** 23505: another wrote the same key first. */
export const isWrittenByAnother = (error: unknown) => some(error, ({ code }) => code === '23505')
