/**
 * Something wrong with what was asked, at a path into the request (`['fills', 0, 'count']`).
 * The domains state their rules as lists of problems; the edges show them beside the field,
 * the computations refuse with the first.
 */
export interface Problem {
  readonly path: readonly (string | number)[]
  readonly message: string
}

/** `fills[0].count` */
export function printPath(path: Problem['path']): string {
  return path.reduce<string>(
    (text, key) => (typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${key}` : key),
    '',
  )
}

/** The message for a field, `fills[0].count`; undefined where nothing is wrong with it. */
export const messageAt = (problems: readonly Problem[], field: string): string | undefined =>
  problems.find(({ path }) => printPath(path) === field)?.message

/** @throws RangeError naming the first problem's field, when there is one. */
export function refuse(problems: readonly Problem[]): void {
  const [first] = problems
  if (first) throw new RangeError(`${printPath(first.path) || 'request'}: ${first.message}`)
}

/** The same problems, found one level deeper. */
export function under(key: string | number, problems: readonly Problem[]): Problem[] {
  return problems.map((problem) => ({ ...problem, path: [key, ...problem.path] }))
}

/** A problem at `path` unless `value` lies in [low, high], edges included. */
export function within(
  path: Problem['path'],
  value: number,
  low: number,
  high: number,
  message: string,
): Problem[] {
  return Number.isFinite(value) && value >= low && value <= high ? [] : [{ path, message }]
}

/** The same for what is counted: halves are a problem too. */
export const wholeWithin = (
  path: Problem['path'],
  value: number,
  low: number,
  high: number,
  message: string,
): Problem[] => (Number.isInteger(value) ? within(path, value, low, high, message) : [{ path, message }])
