/** A body that is no JSON of ours. */
export class NotReadable extends Error {}

/** Line ends of other systems, and what no text of a person holds: control characters and halves of characters. */
export const clean = (text: string) =>
  text
    .replace(/\r\n?|[\u2028\u2029\u0085]/g, '\n')
    // eslint-disable-next-line no-control-regex
    .replace(/[\u0000-\u0008\u000b-\u001f\u007f-\u009f\ufeff\ufffe\uffff]/g, '')
    .replace(/[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g, '')

/** Every text of every body is cleaned here, once. @throws NotReadable for a key that would have to be */
export function cleaned(key: string, value: unknown): unknown {
  if (clean(key) !== key) throw new NotReadable('A key of the body holds a control character.')
  return typeof value === 'string' ? clean(value) : value
}
