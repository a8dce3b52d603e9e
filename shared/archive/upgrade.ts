import { ARCHIVE_VERSION, fileOfKind, type ArchiveKind } from './format'
import { FIRST_COLLECTIONS, fromFirst } from './first-version'

type Line = Record<string, unknown>

/**
 * How a line of each earlier version becomes one of the next. Fields that came later and have a default need nothing:
 * the shape of the record fills them in.
 */
const UPGRADES: Readonly<Record<number, (kind: ArchiveKind, line: Line) => Line>> = {
  1: (kind, line) => {
    if (kind !== 'revisions') return { ...line, body: fromFirst(kind, line.body) }
    const collection = FIRST_COLLECTIONS[String(line.collection)] ?? line.collection
    return { ...line, collection, body: fromFirst(String(collection), line.body) }
  },
}

/** A line as the present version writes it. */
export function upgraded(version: number, kind: ArchiveKind, line: Line): Line {
  let now = line
  for (let at = version; at < ARCHIVE_VERSION; at++) now = UPGRADES[at]?.(kind, now) ?? now
  return now
}

/** A manifest with its kinds as they are called now. */
export function upgradedManifest(said: unknown): unknown {
  const { version, lines } = (said ?? {}) as { version?: unknown; lines?: unknown }
  if (version !== 1 || typeof lines !== 'object' || lines === null) return said
  const renamed = Object.entries(lines).map(([kind, count]) => [FIRST_COLLECTIONS[kind] ?? kind, count])
  return { ...(said as object), lines: Object.fromEntries(renamed) }
}

/** The file that held a kind in a version of the format. */
export function fileIn(version: number, kind: ArchiveKind): string {
  const [first] = Object.entries(FIRST_COLLECTIONS).find(([, now]) => now === kind) ?? []
  return version === 1 && first ? `${first}.jsonl` : fileOfKind(kind)
}
