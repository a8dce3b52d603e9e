import * as z from 'zod'
import { setResponseHeaders } from 'h3'
import { problemsFrom } from '#shared/records/rules'
import { READ_KINDS } from '#shared/derived/read-as'
import { readToCompute } from '#shared/computations/read'
import { cleaned } from '../../http/clean'
import { HttpProblem } from '../../http/problem-json'
import { readJsonBytes } from '../../http/read-json'
import { describedRoute } from '../../http/route'
import { computedInThread } from '../../threads/compute-route'
import { readTextOf } from '../../services/read-text'

const word = z.object({
  text: z.string(),
  from: z.int().describe('Where it begins in its line'),
  to: z.int(),
  as: z.string().describe('What kind of thing it was taken for'),
  means: z.string().describe('What it was taken for'),
  line: z.int(),
})
const question = z.object({
  question: z.string(),
  about: z.object({ from: z.int(), to: z.int() }).nullable(),
  choices: z.array(z.looseObject({ name: z.string(), text: z.string().describe('The whole said anew') })),
  line: z.int(),
})

export default describedRoute(
  {
    summary: 'What people type, read: a wish, a list, a line of the log, a recipe, a rule, frosts, supplies',
    body: readToCompute,
    answers: z.object({
      kind: z.enum(READ_KINDS),
      readings: z
        .array(
          z.object({
            says: z.string().describe('In one plain sentence'),
            meaning: z.array(z.looseObject({})),
          }),
        )
        .describe('None while something is asked'),
      words: z.array(word).describe('Every word, and what it was taken for'),
      lines: z
        .array(z.object({ text: z.string(), meaning: z.array(z.looseObject({})) }))
        .describe('A list line by line'),
      understood: z.array(z.string()).describe('What was understood so far'),
      questions: z.array(question),
    }),
    meaning: 'The reading with the words each part took, or what is to be asked',
    refuses: [404, 503],
  },
  async ({ event, principal }) => {
    const bytes = await readJsonBytes(event)
    const household = householdIn(bytes)
    if (household === null) return computedInThread(event, 'read', bytes)
    const body = readToCompute.safeParse(household.body)
    if (!body.success) throw new HttpProblem(422, '', problemsFrom(body.error))
    setResponseHeaders(event, { 'content-type': 'application/json' })
    return readTextOf(principal, household.id, body.data)
  },
)

/** The household a body names; null where it names none, or cannot be read at all: the thread says so. */
function householdIn(bytes: Buffer): { id: string; body: unknown } | null {
  try {
    const body = JSON.parse(bytes.toString('utf8'), cleaned) as { household?: unknown } | null
    return typeof body?.household === 'string' ? { id: body.household, body } : null
  } catch {
    return null
  }
}
