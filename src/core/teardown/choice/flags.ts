/** 1 for some of so many things, 0 for the others. */
export function flagsIn(items: Iterable<number>, count: number): Uint8Array {
  const flags = new Uint8Array(count);
  for (const item of items) flags[item] = 1;
  return flags;
}

export const notOf = (flags: Uint8Array): Uint8Array => flags.map((flag) => 1 - flag);
