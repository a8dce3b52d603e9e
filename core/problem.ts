/**
 * Something wrong with what was asked, at a path into the request (`['fills', 0, 'count']`).
 * The domains state their rules as lists of problems; the edges show them beside the field,
 * the computations refuse with the first.
 */
export interface Problem {
  readonly path: readonly (string | number)[]
  readonly message: string
}

/**
 * `fills[0].count`
 *
 * @example printPath(['fills', 0, 'count']) // 'fills[0].count'
 */
export function printPath(path: Problem['path']): string {
  return path.reduce<string>(
    (text, key) => (typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${key}` : key),
    '',
  )
}

/**
 * The message for a field, `fills[0].count`; undefined where nothing is wrong with it.
 *
 * @example messageAt([{ path: ['fills', 0], message: 'Count them.' }], 'fills[0]') // 'Count them.'
 */
export const messageAt = (problems: readonly Problem[], field: string): string | undefined =>
  problems.find(({ path }) => printPath(path) === field)?.message

/**
 * @throws RangeError naming the first problem's field, when there is one.
 * @example refuse([]) // undefined
 * @example refuse([{ path: ['plants'], message: 'Count whole plants.' }]) // throws RangeError
 */
export function refuse(problems: readonly Problem[]): void {
  const [first] = problems
  if (first) throw new RangeError(`${printPath(first.path) || 'request'}: ${first.message}`)
}

/**
 * The same problems, found one level deeper.
 *
 * @example under('fills', [{ path: [0], message: 'No.' }]) // [{ path: ['fills', 0], message: 'No.' }]
 */
export function under(key: string | number, problems: readonly Problem[]): Problem[] {
  return problems.map((problem) => ({ ...problem, path: [key, ...problem.path] }))
}

/**
 * A problem at `path` unless `value` lies in [low, high], edges included.
 *
 * @example within(['ph'], 7, 2, 12, 'A pH lies between 2 and 12.') // []
 */
export function within(
  path: Problem['path'],
  value: number,
  low: number,
  high: number,
  message: string,
): Problem[] {
  return Number.isFinite(value) && value >= low && value <= high ? [] : [{ path, message }]
}

/**
 * The same for what is counted: halves are a problem too.
 *
 * @example wholeWithin(['plants'], 2.5, 1, 9, 'Count.') // [{ path: ['plants'], message: 'Count.' }]
 */
export const wholeWithin = (
  path: Problem['path'],
  value: number,
  low: number,
  high: number,
  message: string,
): Problem[] => (Number.isInteger(value) ? within(path, value, low, high, message) : [{ path, message }])
