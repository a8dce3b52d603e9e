/** What can be wrong with what was asked, by its kind; `shared/messages/refusals.ts` says each in words. */
export type ProblemKind =
  | 'between'
  | 'whole'
  | 'unknown'
  | 'lampUnmeasured'
  | 'nameMissing'
  | 'nameTwice'
  | 'nightsWarmer'
  | 'baseWider'
  | 'oneCell'
  | 'onlyExtras'
  | 'nothingToFill'
  | 'potUpLarger'
  | 'coverTooDeep'
  | 'blockLayers'
  | 'tubTooSmall'
  | 'noMaterial'
  | 'materialTwice'
  | 'holdsMoreDrier'
  | 'nothingDrains'
  | 'noCurve'
  | 'poresTooMany'
  | 'sheetTooWide'
  | 'sheetTooHigh'
  | 'otherGrid'
  | 'cellsMissing'
  | 'groupTwice'
  | 'noGroup'
  | 'feedOver100'
  | 'feedEmpty'
  | 'formsOver100'
  | 'scaleVolume'
  | 'noStage'
  | 'feedForWater'
  | 'feedMixedIn'
  | 'feedNoNitrogen'
  | 'feedTooWeak'
  | 'notADay'
  | 'noPlace'
  | 'sownAfterOut'
  | 'noAutumnDate'
  | 'tooManyCells'
  | 'beginsWithSowing'
  | 'sownTwice'
  | 'smallerPot'
  | 'onlyPeatPressed'
  | 'frostsInOrder'
  | 'bothFrosts'
  | 'nightsInOrder'
  | 'byTheGram'
  | 'farFromSeason'
  | 'outsideSeason'
  | 'noSuchPack'
  | 'whichPack'
  | 'noCount'
  | 'noGroupHere'
  | 'noCell'
  | 'cellOfOther'
  | 'cellNotSown'
  | 'cellMoreUp'
  | 'cellFewerUp'
  | 'cellMoreLeave'
  | 'groupNoCells'
  | 'groupNotSown'
  | 'moreUp'
  | 'fewerUp'
  | 'moreLeave'
  | 'pouredTooMuch'
  | 'pouredTooLittle'
  | 'drainedAll'
  | 'noRun'
  | 'tooManyRuns'

/** A fault, and the facts that go with it. */
export interface Wrong<Kind extends string = ProblemKind> {
  readonly kind: Kind
  readonly values?: Readonly<Record<string, string | number>>
}

/**
 * Something wrong with what was asked, at a path into the request (`['fills', 0, 'count']`).
 * The domains state their rules as lists of problems; the edges show them beside the field,
 * the computations refuse with the first.
 */
export interface Problem<Kind extends string = ProblemKind> extends Wrong<Kind> {
  readonly path: readonly (string | number)[]
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

/** @example wrongAt(['stages'], 'noStage') // { path: ['stages'], kind: 'noStage' } */
export const wrongAt = <const Kind extends string>(
  path: Problem['path'],
  kind: Kind,
  values?: Wrong['values'],
): Problem<Kind> => (values ? { path, kind, values } : { path, kind })

/** What was asked cannot be computed. Its message is for who reads the log: path, kind and values. */
export class Refused extends RangeError {
  constructor(readonly problem: Problem) {
    const { path, kind, values } = problem
    super(`${printPath(path) || 'request'}: ${kind}${values ? ` ${JSON.stringify(values)}` : ''}`)
  }
}

/**
 * @throws Refused with the first problem, when there is one.
 * @example refuse([]) // undefined
 * @example refuse([{ path: ['fills'], kind: 'nothingToFill' }]) // throws RangeError
 */
export function refuse(problems: readonly Problem[]): void {
  const [first] = problems
  if (first) throw new Refused(first)
}

/**
 * The same problems, found one level deeper.
 *
 * @example under('fills', [{ path: [0] }]) // [{ path: ['fills', 0] }]
 */
export function under<P extends { readonly path: Problem['path'] }>(
  key: string | number,
  problems: readonly P[],
): P[] {
  return problems.map((problem) => ({ ...problem, path: [key, ...problem.path] }))
}

/**
 * A problem at `path` unless `value` lies in [low, high], edges included.
 *
 * @param unit what it is counted in; a `share` is a fraction, read in percent
 * @example within(['ph'], 7, 2, 12) // []
 */
export function within(
  path: Problem['path'],
  value: number,
  low: number,
  high: number,
  unit = '',
): Problem<'between'>[] {
  return Number.isFinite(value) && value >= low && value <= high
    ? []
    : [wrongAt(path, 'between', { low, high, unit })]
}

/**
 * The same for what is counted: halves are a problem too.
 *
 * @example wholeWithin(['plants'], 2.5, 1, 9)[0]?.kind // 'whole'
 */
export const wholeWithin = (
  path: Problem['path'],
  value: number,
  low: number,
  high: number,
  unit = '',
): Problem<'whole'>[] =>
  Number.isInteger(value) && value >= low && value <= high
    ? []
    : [wrongAt(path, 'whole', { low, high, unit })]
