/** What a tag can name: a unit, a part, a shipment. */
export const tagKinds = { U: 'unit', P: 'part', S: 'shipment' } as const;
export type TagLetter = keyof typeof tagKinds;

/** A tag as it is printed and scanned: U-0747, P-20418, S-0012. */
export function formatTag(letter: TagLetter, number: number): string {
  if (!Number.isInteger(number) || number < 1) throw new RangeError(`formatTag: ${number}`);
  return `${letter}-${String(number).padStart(letter === 'P' ? 5 : 4, '0')}`;
}

/** By the number of the tag: U-9994 before U-30753. */
export const byTag = (a: { readonly tag: string }, b: { readonly tag: string }): number =>
  a.tag.length - b.tag.length || (a.tag < b.tag ? -1 : Number(a.tag > b.tag));

/** Reads what was scanned or typed as a tag: letter case, blanks and a missing dash do not matter. */
export function parseTag(text: string): { readonly letter: TagLetter; readonly tag: string } | undefined {
  const match = /^\s*([ups])\s*-?\s*0*([1-9]\d{0,8})\s*$/i.exec(text);
  if (!match) return undefined;
  const letter = (match[1] as string).toUpperCase() as TagLetter;
  return { letter, tag: formatTag(letter, Number(match[2])) };
}
