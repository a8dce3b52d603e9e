import { contextOf } from '#shared/derived/context'
import { wordsOf } from '#shared/derived/known'
import { readAs, type ReadKind } from '#shared/derived/read-as'
import { knownFrom } from '#core/language/reading'
import { dayFrom } from '#core/calendar/day'
import { median } from './report'

/** The reader: a thousand lines, and what is no sentence, against one short line. */
const known = knownFrom(wordsOf(contextOf({}), dayFrom('2027-03-10'), 'day first', 'metric'))
const LINES: readonly (readonly [ReadKind, string])[] = [
  ['log', '28 of 36 cosmos up, two leggy, watered with 1.5 l at 7:30'],
  ['log', 'potted up 12 peppers into 9 cm pots on Sunday'],
  ['wish', '24 snapdragons and 12 zinnias in 72-cell trays by 20 May, 3 seeds a cell'],
  ['list', '36 tomatoes in 50s, sown 13 February, 31 up'],
  ['recipe', '3 parts coir to 1 part perlite, 2 tbsp kelp meal per 10 L'],
  ['rule', '1 tsp per 4.5 litres'],
  ['frosts', 'last 8 May, first 12 October'],
  ['stores', '2 bricks of coir, a 40 L bag of perlite'],
]
const BAD: readonly (readonly [string, string])[] = [
  ['nothing', ''],
  ['5 000 letters', 'a'.repeat(5000)],
  ['5 000 digits', '1'.repeat(5000)],
  ['600 letters of words', 'basil '.repeat(100)],
  ['600 letters of numbers', '12 '.repeat(200)],
  ['another script', 'двенадцать томатов '.repeat(30)],
  ['an e-mail', 'Dear all, please find attached the minutes of our last meeting. Kind regards. '.repeat(7)],
]
const timed = (work: () => void) => {
  const since = performance.now()
  work()
  return performance.now() - since
}
readAs('log', 'tray 3, 28 up', known)
const one = median(41, () => readAs('log', 'tray 3, 28 up', known))
const thousand = timed(() => {
  for (let i = 0; i < 1000; i++) {
    const [kind, text] = LINES[i % LINES.length]!
    readAs(kind, text, known)
  }
})
console.log(
  `Reader: 1000 lines of ${LINES.length} kinds in ${thousand.toFixed(0)} ms, ${(thousand / 1000 / one).toFixed(1)} times a short line each`,
)
for (const [name, text] of BAD) {
  const most = Math.max(...LINES.map(([kind]) => timed(() => readAs(kind, text, known))))
  console.log(`  ${name.padEnd(24)} answered in ${most.toFixed(1)} ms at most, of every kind`)
}
