/** Sets of positions in a catalog as bits, 32 to a word. */
export type Bits = Uint32Array;

/** No position of so many. */
export const noBits = (size: number): Bits => new Uint32Array((size + 31) >>> 5);
/** All positions of so many. */
export const allBits = (size: number): Bits => {
  const bits = noBits(size).fill(0xffffffff);
  const rest = size & 31;
  if (rest !== 0) {
    bits[bits.length - 1] = (2 ** rest - 1) >>> 0;
  }
  return bits;
};
/** Whether the position is in. */
export const hasBit = (bits: Bits, at: number): boolean =>
  (((bits[at >>> 5] ?? 0) >>> (at & 31)) & 1) === 1;
/** Puts the position in. */
export const setBit = (bits: Bits, at: number): void => {
  bits[at >>> 5] = (bits[at >>> 5] ?? 0) | (1 << (at & 31));
};
/** Takes the position out. */
export const dropBit = (bits: Bits, at: number): void => {
  bits[at >>> 5] = (bits[at >>> 5] ?? 0) & ~(1 << (at & 31));
};

/** Each of these changes the first set. */
export const keepBoth = (bits: Bits, other: Bits): Bits => {
  for (let i = 0; i < bits.length; i += 1) {
    bits[i] = (bits[i] ?? 0) & (other[i] ?? 0);
  }
  return bits;
};
/** Adds all of the other to the first, and gives it back. */
export const addAll = (bits: Bits, other: Bits): Bits => {
  for (let i = 0; i < bits.length; i += 1) {
    bits[i] = (bits[i] ?? 0) | (other[i] ?? 0);
  }
  return bits;
};
/** Takes all of the other out of the first, and gives it back. */
export const takeAway = (bits: Bits, other: Bits): Bits => {
  for (let i = 0; i < bits.length; i += 1) {
    bits[i] = (bits[i] ?? 0) & ~(other[i] ?? 0);
  }
  return bits;
};

/** The positions in a set, ascending. */
export function positionsIn(bits: Bits): number[] {
  const found: number[] = [];
  for (let word = 0; word < bits.length; word += 1) {
    for (let rest = bits[word] ?? 0; rest !== 0; rest &= rest - 1) {
      found.push((word << 5) + (31 - Math.clz32(rest & -rest)));
    }
  }
  return found;
}
