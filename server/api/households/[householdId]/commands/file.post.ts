import { getRequestHeader, type H3Event } from 'h3'
import * as z from 'zod'
import { withFile as intentWithFile, type WithFileIntent } from '#shared/commands/alone'
import { id, problemsFrom } from '#shared/records/rules'
import { TABLE_IDS, type TableId } from '#shared/tables/tables'
import { asItGoes } from '../../../../http/as-it-goes'
import { householdParams } from '../../../../http/params'
import { HttpProblem } from '../../../../http/problem-json'
import { clean } from '../../../../http/clean'
import { readFile, readJson } from '../../../../http/read-json'
import { route } from '../../../../http/route'
import { fileDigest, spooled } from '../../../../http/spool'
import { asText } from '../../../../http/text'
import type { Principal } from '../../../../principal'
import { withFile, type Act } from '../../../../services/idempotency'
import { readArchive } from '../../../../services/archive/unpack'
import { takeIn } from '../../../../services/archive/import'
import { invalid } from '../../../../services/refusal'
import { weatherDays } from '#shared/records/weather'
import { checksum } from '../../../../services/commands'
import { keepPhotoFile } from '../../../../services/photo-files'
import { takeTable } from '../../../../services/tables/import'
import { weatherFromCsv } from '../../../../services/weather-csv'
import { putWeather } from '../../../../services/weather'
import { ARCHIVE_TYPE, MAX_ARCHIVE_BYTES } from '#shared/archive/format'

const MB = 1024 * 1024

/** The command as it is named in the address. */
const named = z
  .string()
  .max(8000)
  .transform((text, context) => {
    try {
      return JSON.parse(text) as unknown
    } catch {
      context.addIssue({ code: 'custom', message: 'The command is not valid JSON.' })
      return z.NEVER
    }
  })
  .pipe(intentWithFile)

export default route(
  {
    summary:
      'One command that comes with a file: an archive (application/zip), a table or weather (text/csv), a picture. What can be looked at first is only looked at without `seen`. Accepting application/x-ndjson, an archive or a table tells how far it is',
    params: householdParams,
    query: z.object({
      command: named,
      act: id.optional().describe('The id of the act, made when the person acts'),
    }),
    answers: z.looseObject({}),
    meaning: 'As the route of the same file answers',
    refuses: [404, 408, 409, 413, 415, 422],
  },
  ({ params, query, event, principal, act }) =>
    performWithFile(
      event,
      principal,
      params.householdId,
      query.command,
      query.act ? { id: query.act, asked: checksum(query.command) } : act,
    ),
)

async function performWithFile(
  event: H3Event,
  principal: Principal,
  householdId: string,
  intent: WithFileIntent,
  act: Act | null,
): Promise<object | undefined> {
  switch (intent.name) {
    case 'bring in archive':
      return spooled(event, { type: ARCHIVE_TYPE, most: MAX_ARCHIVE_BYTES, what: 'An archive' }, (file) =>
        asItGoes(event, async (going) => {
          const archive = await readArchive(file, going)
          try {
            return await takeIn(
              principal,
              householdId,
              archive,
              intent,
              withFile(act, await fileDigest(file)),
            )
          } finally {
            archive.close()
          }
        }),
      )
    case 'bring in table': {
      const { table, columns, decimal, days, headless, lines, seen } = intent
      if (!isTable(table)) throw new HttpProblem(422, 'There is no such table.')
      const text = clean(asText(await textOf(event, 8 * MB))).replaceAll('\uFEFF', '')
      const order = {
        ...(columns === null ? {} : { columns }),
        ...{ decimal: decimal ?? undefined, days: days ?? undefined, headless, seen },
        goodAlone: lines === 'good',
      }
      const own = withFile(act, checksum(text))
      return asItGoes(event, (going) => takeTable(principal, householdId, table, text, order, own, going))
    }
    case 'bring in weather': {
      const days = await weatherOf(event)
      return putWeather(principal, householdId, days, withFile(act, checksum(days)))
    }
    case 'add picture':
      return keepPhotoFile(principal, householdId, intent.id, await readFile(event, 25 * MB), act)
  }
}

async function weatherOf(event: H3Event) {
  if (!/^application\/json\b/i.test(getRequestHeader(event, 'content-type') ?? ''))
    return weatherFromCsv(asText(await textOf(event, 2 * MB)))
  const read = weatherDays.safeParse(await readJson(event, 'application/json', 2 * MB))
  if (!read.success) throw invalid(problemsFrom(read.error))
  return read.data
}

const isTable = (table: string): table is TableId => (TABLE_IDS as readonly string[]).includes(table)

function textOf(event: H3Event, most: number) {
  if (!/^text\/(?:csv|plain|tab-separated-values)\b/i.test(getRequestHeader(event, 'content-type') ?? ''))
    throw new HttpProblem(415, 'Send it as text/csv.')
  return readFile(event, most, 'A table')
}
