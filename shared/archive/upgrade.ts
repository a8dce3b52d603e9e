import { ARCHIVE_VERSION, type ArchiveKind } from './format'

type Line = Record<string, unknown>

/**
 * How a line of each earlier version becomes one of the next. Fields that came later and have a default need nothing:
 * the shape of the record fills them in.
 */
const UPGRADES: Readonly<Record<number, (kind: ArchiveKind, line: Line) => Line>> = {}

/** A line as the present version writes it. */
export function upgraded(version: number, kind: ArchiveKind, line: Line): Line {
  let now = line
  for (let at = version; at < ARCHIVE_VERSION; at++) now = UPGRADES[at]?.(kind, now) ?? now
  return now
}
