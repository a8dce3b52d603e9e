import { at } from '#core/numeric/at'
/** An id of our own choosing. On plain http, other than on this machine, browsers have no `randomUUID`. */
export function newId(): string {
  const { randomUUID } = crypto as Partial<Crypto>
  if (randomUUID) return randomUUID.call(crypto)
  const bytes = crypto.getRandomValues(new Uint8Array(16))
  bytes[6] = (at(bytes, 6) & 0x0f) | 0x40
  bytes[8] = (at(bytes, 8) & 0x3f) | 0x80
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('')
  return hex.replace(/^(.{8})(.{4})(.{4})(.{4})/, '$1-$2-$3-$4-')
}
