/** Sets of small whole numbers as 32-bit words. */
export function bitsOf(items: Iterable<number>, words: number): Int32Array {
  const bits = new Int32Array(words);
  for (const item of items) addBit(bits, item);
  return bits;
}

export const hasBit = (bits: Int32Array, item: number): boolean =>
  ((bits[item >> 5] as number) & (1 << (item & 31))) !== 0;

export function addBit(bits: Int32Array, item: number): void {
  bits[item >> 5] = (bits[item >> 5] as number) | (1 << (item & 31));
}

/** Whether two sets have something in common. */
export function overlap(a: Int32Array, b: Int32Array, words: number): boolean {
  for (let at = 0; at < words; at += 1) if (((a[at] as number) & (b[at] as number)) !== 0) return true;
  return false;
}
