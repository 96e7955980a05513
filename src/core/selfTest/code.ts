/** Letters and digits that nobody takes for one another when reading them off one screen and typing them on another. */
const letters = '23456789ABCDEFGHJKMNPQRSTUVWXYZ';
const length = 6;

/** A code from chance. @param bytes  at least twice as many as letters, each 0 to 255 */
export function selfTestCode(bytes: Uint8Array): string {
  // What is beyond the last whole round of the letters would make the first of them likelier.
  const fair = [...bytes].filter((byte) => byte < 256 - (256 % letters.length));
  if (fair.length < length) throw new Error('selfTestCode: not enough chance');
  return fair
    .slice(0, length)
    .map((byte) => letters[byte % letters.length])
    .join('');
}

/** A code as it was typed: any case, gaps and dashes between; null where it cannot be one. */
export function readSelfTestCode(text: string): string | null {
  const code = text.toUpperCase().replace(/[\s-]/g, '');
  return code.length === length && [...code].every((letter) => letters.includes(letter)) ? code : null;
}
