/** Letters and digits that are taken for each other when a serial is read by eye or written by hand. */
const alike: Readonly<Record<string, string>> = {
  O: '0',
  Q: '0',
  D: '0',
  I: '1',
  L: '1',
  Z: '2',
  S: '5',
  G: '6',
  B: '8',
};

/** A serial as it is compared: capitals, no blanks or dashes. */
export const plainSerial = (serial: string): string => serial.toUpperCase().replace(/[\s-]/g, '');

/** A serial with every letter that could be misread as the digit it looks like. */
const lookOf = (serial: string): string => [...plainSerial(serial)].map((letter) => alike[letter] ?? letter).join('');

/** How two serials stand to each other: the same, the same but for letters that look alike, or different. */
export function compareSerials(a: string, b: string): 'same' | 'look-alike' | 'other' {
  if (plainSerial(a) === plainSerial(b)) return 'same';
  return lookOf(a) === lookOf(b) ? 'look-alike' : 'other';
}

export interface SerialMatch<T> {
  readonly entry: T;
  readonly isExact: boolean;
}

/**
 * The entry that a scanned or typed serial means: the one with that serial, else the only one that differs by look-alike
 * letters alone. Null when there is none, or more than one that it could be.
 */
export function findSerial<T extends { readonly serial: string | null }>(
  serial: string,
  entries: readonly T[],
): SerialMatch<T> | null {
  const exact = entries.find((entry) => entry.serial && compareSerials(entry.serial, serial) === 'same');
  if (exact) return { entry: exact, isExact: true };
  const close = entries.filter((entry) => entry.serial && compareSerials(entry.serial, serial) === 'look-alike');
  return close.length === 1 ? { entry: close[0] as T, isExact: false } : null;
}
