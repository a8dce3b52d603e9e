import { ARCHIVE_KINDS, fileOfKind, oneOf, type Manifest } from '#shared/archive/format'

/** What the file says of itself, to whoever opens it in ten years. */
export const archiveReadme = ({ version, lines }: Manifest): string => `# An archive of Blastomix

Everything one household keeps: what it grows in and feeds with, what it planned, what happened, and its photos.
It is read back under *Settings, In and out*; or by anything that reads JSON.

- \`manifest.json\`: the version of the format (${version}), whose it is, when it was written, how many lines each file has.
- \`*.jsonl\`: JSON Lines (UTF-8, one JSON value a line, a line feed after each). One file a kind:
${ARCHIVE_KINDS.map((kind) => `  - \`${fileOfKind(kind)}\`: one ${oneOf(kind)} a line, ${lines[kind] ?? 0} of them`).join('\n')}
- \`photos/\`: the pictures as WebP, named by their id in \`photo-files.jsonl\`.

A record is its \`body\` with an \`id\` (a UUID, for ever), a \`version\` that each change raised by one, and when it was written,
changed and removed. Records point at each other by id; ids that are no UUID are rows of the book that ships with Blastomix.
Amounts carry their unit in the name of their field: \`volumeMl\`, \`lowC\`. Days are \`YYYY-MM-DD\`.

JSON Schema of every line: \`/api/schemas/<kind>\` of a running Blastomix, as \`/api/schemas/sowings\`; all of them at \`/api/schemas\`.

Files of an archive may be left out or shortened by hand: what is there is read, what is missing is not missed, unless
something points at it.
`
