/**
 * A UUID made by the client, so that a write can be sent twice and count once.
 * `crypto.randomUUID` is absent on plain http in a home network; `getRandomValues` is not.
 * @returns a version 4 UUID
 */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16))
  bytes[6] = ((bytes[6] ?? NaN) & 0x0f) | 0x40
  bytes[8] = ((bytes[8] ?? NaN) & 0x3f) | 0x80
  const hex = Array.from(bytes, (b) => b.toString(16).padStart(2, '0')).join('')
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`
}
