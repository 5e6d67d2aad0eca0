/** A new identifier. `crypto.randomUUID` is there only over https or on this machine; phones in a yard mostly have plain http. */
export const newId = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('');
