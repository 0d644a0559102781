/** A name nobody else has. Also where the line is not encrypted, where browsers have no `randomUUID`. */
export const newName = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(12)), (byte) => byte.toString(16).padStart(2, '0')).join('')
