import { HttpProblem } from './problem-json'

/** Bytes as text: UTF-8, or UTF-16 where its mark says so. @throws HttpProblem 422 for anything else */
export function asText(bytes: Buffer): string {
  const marked =
    bytes[0] === 0xff && bytes[1] === 0xfe
      ? 'utf-16le'
      : bytes[0] === 0xfe && bytes[1] === 0xff
        ? 'utf-16be'
        : 'utf-8'
  try {
    return new TextDecoder(marked, { fatal: true }).decode(bytes)
  } catch {
    throw new HttpProblem(
      422,
      'This is no text in UTF-8. Save it from the spreadsheet as “CSV UTF-8”, and send it again.',
    )
  }
}
