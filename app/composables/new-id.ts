/** An id nothing else has. Browsers give out UUIDs on localhost and over https only; a phone in the house has neither. */
export const newId = (): string =>
  Array.from(globalThis.crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('')
