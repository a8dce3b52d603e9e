/*
 * What records, their fields and a few of their values were called in version 1 of archives and cards. The migration
 * 0026_standard_names does the same to the tables.
 */

/** Collections that had another name. */
export const FIRST_COLLECTIONS: Readonly<Record<string, string>> = { runs: 'guidedJobs' }

type Names = Readonly<Record<string, string>>
/** Fields by the record they are in, however deep. */
const FIELDS: Readonly<Record<string, Names>> = {
  household: { kitchen: 'units', lightSchool: 'lightMethod', feedingSchool: 'feedingMethod' },
  feedings: { stageId: 'growthStageId' },
  programmes: { school: 'method', rungs: 'stages', stageId: 'growthStageId' },
  crops: { ladderId: 'scheduleId' },
  sowings: { ladderId: 'scheduleId', rungs: 'stages', stage: 'kind' },
  batches: { rung: 'stage' },
  trays: { runs: 'groups', rung: 'stage' },
  guidedJobs: { about: 'subjects', rung: 'stage' },
  trials: { runs: 'groups', run: 'group' },
  photos: { about: 'subjects' },
  entries: { about: 'subjects', rung: 'stage', run: 'group', really: 'actual' },
}
/** Values of a field of a record. */
const VALUES: Readonly<
  Record<string, { readonly field: string; readonly from: string; readonly to: string }>
> = {
  entries: { field: 'kind', from: 'rung', to: 'stage' },
  trials: { field: 'question', from: 'school', to: 'method' },
}

const renamed = (value: unknown, names: Names): unknown =>
  Array.isArray(value)
    ? value.map((one) => renamed(one, names))
    : typeof value === 'object' && value !== null
      ? Object.fromEntries(
          Object.entries(value).map(([key, one]) => [names[key] ?? key, renamed(one, names)]),
        )
      : value

/** The body of a record of version 1 as it is called now; `collection` by its present name. */
export function fromFirst(collection: string, body: unknown): unknown {
  const names = FIELDS[collection]
  const now = names ? renamed(body, names) : body
  const value = VALUES[collection]
  if (!value || typeof now !== 'object' || now === null) return now
  const said = (now as Record<string, unknown>)[value.field]
  return said === value.from ? { ...now, [value.field]: value.to } : now
}
