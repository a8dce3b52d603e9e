import type { Problem, ProblemKind, Wrong } from '#core/problem'
import { printPath } from '#core/problem'
import { capital } from '#core/text/capital'
import { printNumber } from '#core/units/format'
import { fieldWords } from './fields'
import { messages } from './message'

/* Why something is not taken as it was given, at its field. */

/** What is against the rules of the trade, as core finds it. */
const RULES = {
  between: '{range}.',
  whole: 'A whole number, {range}.',
  unknown: 'This {what} is not known.',
  lampUnmeasured: 'Say what the lamp gives, by its sheet or a meter.',
  nameMissing: 'Give the place a name.',
  nameTwice: 'Two places have that name.',
  nightsWarmer: 'Nights are no warmer than days.',
  baseWider: 'The base cannot be wider than the top.',
  oneCell: 'Only a tray has more than one cell.',
  onlyExtras: 'Extras alone make no mix: add a material by the part.',
  nothingToFill: 'Say what to fill: add a container.',
  coverTooDeep: 'A cover is at most half the depth: {mm} mm.',
  potUpLarger: 'Their root balls fill it already: pot up into something larger.',
  blockLayers: 'A block is pressed from one mix: it has no layers.',
  tubTooSmall: 'The tub is smaller than a scoop can be stirred in. Choose a larger tub or a smaller scoop.',
  noMaterial: 'A recipe needs at least one material.',
  materialTwice: 'This material is already in the recipe.',
  holdsMoreDrier: 'A drier material holds less: this must not be above the water at {suction}.',
  nothingDrains: 'Nothing drains from this: look at the four points again.',
  noCurve: 'No curve of a growing medium goes through these four points.',
  poresTooMany: 'With {g} g of solids in a litre there is room for about {percent} % of pores.',
  sheetTooWide: '{n} side by side reach {reach} mm; the paper is {paper} mm wide.',
  sheetTooHigh: '{n} below each other reach {reach} mm; the paper is {paper} mm high.',
  otherGrid: '{rows} rows of {columns} make {size} cells; a {container} has {cells}.',
  cellsMissing: 'The tray has {size, plural, one {# cell} other {# cells}}; {laidOut} were laid out.',
  groupTwice: 'Two groups are called {code}.',
  noGroup: 'No group is called {code}.',
  feedOver100: 'The three numbers are per cent by mass and add up to {sum}. Together they cannot exceed 100.',
  feedEmpty: 'A feed holds something: all three numbers are 0.',
  formsOver100: 'The forms are together at most 100 % of the nitrogen.',
  scaleVolume: 'A scale has no volume. Leave it empty.',
  noStage: 'A programme needs at least one stage.',
  feedForWater: 'Choose a feed that holds nitrogen and is given in water.',
  feedMixedIn: 'This feed is mixed into the medium, not dissolved in water.',
  feedNoNitrogen: 'This feed holds no nitrogen, so a strength in nitrogen has no dose.',
  feedTooWeak: 'This feed cannot reach that: undiluted it holds about {mg} mg/L of nitrogen.',
  notADay: 'This is not a calendar day.',
  noPlace: 'Name a place where trays are kept.',
  sownAfterOut: 'It is sown before it goes out.',
  noAutumnDate: '{crop} has no usual autumn date: give it a day.',
  tooManyCells:
    'So many plants from seed that comes up so poorly would take more than {most, number} cells. Raise fewer, or use better seed.',
  beginsWithSowing: 'A schedule begins with sowing into a container.',
  sownTwice: 'Seed is sown once, at the start of the schedule.',
  smallerPot: '{here} is smaller than {before} before it.',
  onlyPeatPressed: 'Only peat is sold by its pressed volume.',
  frostsInOrder: 'The first frost of autumn comes after the last of spring.',
  bothFrosts: 'Give both frosts, or say that it never freezes.',
  nightsInOrder: 'The warmest nights are no colder than the coldest.',
  byTheGram: 'This is dosed by the gram: add it as an extra.',
  farFromSeason: 'That is more than a year and a half from this season.',
  outsideSeason: 'That is outside this season, whose last frost is {lastFrost}.',
  noSuchPack: 'It comes in {names}; a {wanted} of it is not known.',
  whichPack: 'Which {wanted}: {names}? Say it in litres.',
  noCount: '“{said}” is not a number of {wanted}s.',
  noGroupHere: 'There is no group {group} in this tray.',
  noCell: 'The tray has {cells, plural, one {# cell} other {# cells}}; there is no cell {cell}.',
  cellOfOther: '{cell} is not a cell of {group}.',
  cellNotSown: '{cell}: nothing was sown there yet.',
  cellMoreUp: '{cell}: {n} cannot be up of {sown} that were sown.',
  cellFewerUp: '{cell}: {gone} were taken out of it already; {n} are too few.',
  cellMoreLeave: '{cell}: only {there} there, so {n} cannot leave.',
  groupNoCells: '{group} has no cells in this tray.',
  groupNotSown: '{group} is not sown in this tray yet.',
  moreUp: '{n} cannot be up of {sown} that were sown.',
  fewerUp: '{gone} of {group} were taken out already; so few cannot have come up.',
  moreLeave: 'Only {there} of {group} there, so {n} cannot leave.',
  pouredTooMuch:
    'That is more water than the container holds beside the mix. Was it measured to the same line?',
  pouredTooLittle:
    'Water takes only {percent} % of it: no mix has so few pores. Pour slowly until it stands at the line, and count the water the mix brought.',
  drainedAll: 'As much ran out as was in it: some stays in every mix. Measure again.',
  noRun: 'Keep at least one run.',
  tooManyRuns: 'A test has at most {most} runs.',
} as const satisfies Readonly<Record<ProblemKind, string>>

/** What does not fit what the household keeps. */
const KEPT = {
  unknownCrop: 'This crop is not in the book.',
  rowsOrCells: 'Rows go from 1 to {rows} and cells from 1 to {cells}.',
  cellTwice: 'Row {row}, cell {cell} is there twice.',
  cellOfNoCrop: 'Row {row}, cell {cell}: say the crop of “{name}”.',
  whichTray: 'Say which tray it was.',
  whatWeight: 'Say what it weighed.',
  whichOf: 'Say which {kind} it is of.',
  dayTwice: '{on} is there twice for this place.',
  measuredOutside: '{of}: {from} to {to} {unit}, not {value}.',
  whatFor: 'Say what it was for.',
  whichPlace: 'Say in which place it was measured.',
  sideTwice: 'Two sides are called {code}.',
  nothingToCorrect: 'There is nothing of that name to correct.',
  labelsOnSheet: 'This sheet has {n, plural, one {# label} other {# labels}}.',
  whatInPack: 'Say what is in the pack.',
  upOfHowMany: 'Say how many came up, and of how many.',
  keyTwice: 'Two parts have that key.',
  tooManyFills: 'A capacity is found for at most {most} kinds of container.',
  noSuchContainer: 'There is no such container in it.',
  tooManyToTry:
    'That is {n, number} recipes to try; at most {most, number} here. Name fewer materials or parts.',
  tooManyToRaise: 'That takes more than {most, number} cells: ask for fewer plants, or for less certainty.',
  wantAbove0: 'Give an amount above 0.',
  gone: 'This {what} is not here any more.',
  trayEmptied: 'Tray {tray} was emptied on {on}.',
  noGroupInTray: 'There is no {group} in tray {tray}.',
  onlyThere: 'Only {there} there, so {n} cannot leave.',
  sownAlready: '{group} is sown already in tray {tray}.',
  notLaidOut: 'It is not laid out in any tray that is still to be sown.',
  dayToCome: 'That day is still to come.',
  dayInFuture: 'That day is in the future. Check the year.',
  putOffToPast: 'Put it off to a day that is still to come.',
  jobFinished: 'This job is finished already; its entries are in the log.',
  planChanged: 'The plan for this tray has changed. Open the plan and lay it out from there.',
  laidOutElsewhere: 'It was laid out anew elsewhere in the meantime, in another grid.',
  nothingToWater: 'This tray was emptied: there is nothing in it to water.',
  entryOfKind: 'This is an entry of the kind “{kind}”.',
  entryChanged: 'This entry was changed elsewhere after you opened it.',
  targetEmptied: 'The tray they go into was emptied.',
  noRoom: 'There is room for {room}, and {n} are to go in.',
  notPlanned: 'This sowing is not planned any more.',
  noBiggerPot: 'There is no bigger pot in the book: keep it where it is, cool and dry.',
  dealtBefore: '{group} is sown already: cells are dealt before.',
  goneForUndo: 'It is no longer here.',
  pastNotKept: 'What it was before is not kept.',
} as const

const REFUSALS = { ...RULES, ...KEPT }
export type RefusalKind = keyof typeof REFUSALS
const say = messages(REFUSALS)

/** A problem in words: what a form shows, and the answers of the server. */
export interface SaidProblem {
  readonly path: Problem['path']
  readonly message: string
}
/** As a rule finds it, or as a schema has said it already. */
export type AnyProblem = Problem<RefusalKind> | SaidProblem

/** In thousands from ten of them on: `20,000`. */
const limit = (n: number) => (n >= 10_000 ? n.toLocaleString('en-GB') : printNumber(n))
/** `1 to 40 days`, `10 to 100 %`; `more than 0, at most 500 L` where the least is only not nothing. */
function rangeOf({ kind, values: { low, high, unit } = {} }: Wrong<RefusalKind>): string {
  const isShare = unit === 'share'
  const [from, to] = [low, high].map((n) => limit(Number(n) * (isShare ? 100 : 1))) as [string, string]
  const counted = isShare ? ' %' : unit ? ` ${unit}` : ''
  const justAbove0 = kind === 'between' && Number(low) > 0 && Number(low) * 1000 <= Number(high)
  return `${justAbove0 ? 'more than 0, at most' : `${from} to`} ${to}${counted}`
}

/** What is wrong, for beside the field it is about. */
export function sayWrong(wrong: Wrong<RefusalKind>): string {
  const { kind, values = {} } = wrong
  if (kind === 'between' || kind === 'whole') return capital(say(kind, { range: rangeOf(wrong) }))
  return say(kind, Object.fromEntries(Object.entries(values).map(([key, value]) => [key, dayNamed(value)])))
}
export const sayProblem = (problem: AnyProblem): string =>
  'message' in problem ? problem.message : sayWrong(problem)

/** The same where its field is not in sight: `Count: a whole number, 1 to 5000.` */
export function sayProblemOf(problem: AnyProblem, record?: string): string {
  const said = sayProblem(problem)
  const isRange = 'kind' in problem && (problem.kind === 'between' || problem.kind === 'whole')
  return isRange ? `${fieldWords(record, printPath(problem.path)).label}: ${lower(said)}` : said
}

export const inWords = (problem: AnyProblem): SaidProblem => ({
  path: problem.path,
  message: sayProblem(problem),
})

/**
 * The message for a field, `fills[0].count`; undefined where nothing is wrong with it.
 *
 * @example messageAt([wrongAt(['fills', 0], 'noStage')], 'fills[0]') // 'A programme needs at least one stage.'
 */
export function messageAt(problems: readonly AnyProblem[], field: string): string | undefined {
  const found = problems.find(({ path }) => printPath(path) === field)
  return found && sayProblem(found)
}

const days = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeZone: 'UTC' })
/** `3 May 2027` for a day; anything else as it is. */
export const dayNamed = <Value extends string | number>(value: Value) =>
  /^\d{4}-\d\d-\d\d$/.test(String(value)) ? days.format(new Date(`${value}T00:00Z`)) : value

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)
