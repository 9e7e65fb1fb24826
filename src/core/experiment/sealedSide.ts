/** Bytes of a sealed side: nobody sees by looking which it is. */
export const SEALED_BYTES = 24;

const isOdd = (bytes: Uint8Array) => {
  let odd = 0;
  for (const byte of bytes) odd ^= byte;
  for (let shift = 4; shift > 0; shift >>= 1) odd ^= odd >> shift;
  return (odd & 1) === 1;
};

/**
 * A side as a program is told it that loads it by itself: random digits of one length, of which an even number of bits is set for A
 * and an odd one for B. It keeps a driver from reading it by mistake, not from working it out.
 * @param random as many random bytes; the last bit of one of them is set as needed
 */
export function sealSide(side: 'A' | 'B', random: Uint8Array): string {
  const bytes = Uint8Array.from(random.subarray(0, SEALED_BYTES));
  if (isOdd(bytes) !== (side === 'B')) bytes[0] = bytes[0]! ^ 1;
  return [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** Which side it is; `null` of what is no sealed side. */
export function openSide(sealed: string): 'A' | 'B' | null {
  if (!new RegExp(`^[0-9a-f]{${2 * SEALED_BYTES}}$`).test(sealed)) return null;
  return isOdd(Uint8Array.from(sealed.match(/../g)!, (two) => parseInt(two, 16))) ? 'B' : 'A';
}
