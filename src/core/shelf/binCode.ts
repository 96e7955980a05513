/** What a label of a bin, or of a rack, says to a scanner: longer than the bin's name, so that no hand types it in one breath. */
export const binCode = (name: string): string => `BIN-${name}`;

/** The bin or rack that a code names; null where it names none. */
export function readBinCode(code: string): string | null {
  return /^BIN-?([A-Z]{1,2}(?:\d{2})?)$/i.exec(code.trim())?.[1]?.toUpperCase() ?? null;
}
