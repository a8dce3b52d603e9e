import { describe, expect, it } from '@jest/globals'
import { readAway } from './away'
import { readFrosts } from './frosts'
import { readLine } from './log-line'
import type { Read } from './reading'
import { readRecipe } from './recipe'
import { readRule } from './rule'
import { readStores } from './stores'
import { bench } from './test/bench'
import { LINES, LINES_ASKED } from './test/log-lines'
import { RECIPES, RECIPES_ASKED } from './test/recipes'
import { RULES, RULES_ASKED } from './test/rules'
import { AWAY, AWAY_ASKED, FROSTS, FROSTS_ASKED, GROUPS, STORES, STORES_ASKED } from './test/short-kinds'
import { ASKED, READ } from './test/wish-sentences'
import { WISHES, WISHES_ASKED } from './test/wishes'
import { readGroups, readWish } from './wish'

/* Sentences of all kinds, each with its meaning, written before they were read. */

type Row = Record<string, unknown>
type Units = 'metric' | 'us' | 'imperial'
interface Case {
  readonly kind: string
  readonly text: string
  readonly meant: readonly Row[]
  readonly read: Read<unknown>
}
const rows = (meant: Row | readonly Row[]): readonly Row[] => (Array.isArray(meant) ? meant : [meant as Row])
type Said = readonly [text: string, meant: Row | readonly Row[], units?: Units]
const cases = (
  kind: string,
  all: readonly Said[],
  read: (text: string, units: Units) => Read<unknown>,
): Case[] =>
  all.map(([text, meant, units = 'metric']) => ({ kind, text, meant: rows(meant), read: read(text, units) }))

/** A wish’s amount as the corpus says it. */
const flat = (one: unknown): Row => {
  const { amount, ...rest } = one as { amount?: { n: number; of: string } | null }
  return { ...rest, ...(amount ?? {}) }
}
const flattened = (read: Read<unknown>) => ({ ...read, meaning: read.meaning.map(flat) })
const wish = (text: string, units: Units) => flattened(readWish(text, bench(units)))

const ALL: readonly Case[] = [
  ...cases('wish', READ as readonly Said[], wish),
  ...cases('wish', WISHES, wish),
  ...cases('log', LINES, (text, units) => readLine(text, bench(units, true))),
  ...cases(
    'recipe',
    RECIPES.map(([text, parts, extras = [], units]) => [text, { parts, extras }, units] as Said),
    (text, units) => {
      const read = readRecipe(text, bench(units))
      return {
        ...read,
        meaning: read.meaning.map(({ parts, extras }) => ({
          parts: Object.fromEntries(parts.map(({ materialId, parts: n }) => [materialId, n])),
          extras: extras.map(({ materialId }) => materialId),
        })),
      }
    },
  ),
  ...cases('rule', RULES, (text, units) => readRule(text, bench(units))),
  ...cases('frosts', FROSTS, (text, units) => readFrosts(text, bench(units))),
  ...cases('stores', STORES, (text, units) => readStores(text, bench(units))),
  ...cases('away', AWAY, (text, units) => readAway(text, bench(units))),
  ...cases('groups', GROUPS, (text, units) => flattened(readGroups(text, bench(units)))),
]

/** Numbers as near as they are said. */
const near = (value: unknown): unknown =>
  typeof value === 'number' && !Number.isInteger(value)
    ? expect.closeTo(value, 2)
    : Array.isArray(value)
      ? value.map(near)
      : value && typeof value === 'object'
        ? expect.objectContaining(
            Object.fromEntries(Object.entries(value).map(([key, one]) => [key, near(one)])),
          )
        : value

describe('what people say', () => {
  it.each(ALL.map((one) => [`${one.kind}: ${one.text}`, one] as const))('%s', (_, { meant, read }) => {
    expect(read.questions.map(({ question }) => question)).toEqual([])
    expect(read.meaning).toEqual(meant.map(near))
  })

  it.each([
    ...ASKED.map(([text, question]) => [text, question, readWish(text, bench())] as const),
    ...WISHES_ASKED.map(([text, question]) => [text, question, readWish(text, bench())] as const),
    ...LINES_ASKED.map(
      ([text, question]) => [text, question, readLine(text, bench('metric', true))] as const,
    ),
    ...RECIPES_ASKED.map(([text, question]) => [text, question, readRecipe(text, bench())] as const),
    ...RULES_ASKED.map(([text, question]) => [text, question, readRule(text, bench())] as const),
    ...FROSTS_ASKED.map(([text, question]) => [text, question, readFrosts(text, bench())] as const),
    ...STORES_ASKED.map(([text, question]) => [text, question, readStores(text, bench())] as const),
    ...AWAY_ASKED.map(([text, question]) => [text, question, readAway(text, bench())] as const),
  ] as readonly (readonly [string, RegExp, Read<unknown>])[])(
    'is asked about rather than guessed: %s',
    (_, question, { questions }) => {
      expect(
        questions.map((one) => `${one.question} ${one.choices.map(({ name }) => name)}`).join(' '),
      ).toMatch(question)
    },
  )

  it('a press on an answer is understood, or asks for what is still missing, never the same again', () => {
    for (const [text] of WISHES_ASKED) {
      const before = readWish(text, bench()).questions
      for (const question of before)
        for (const choice of question.choices.filter(({ makes }) => !makes)) {
          const after = readWish(choice.text, bench()).questions.map((one) => one.question)
          expect([choice.text, after]).not.toEqual([choice.text, expect.arrayContaining([question.question])])
        }
    }
  })
})
