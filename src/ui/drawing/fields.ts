import type { Face } from '@/core/procedure/faces';

/** Middle of one of a face's nine fields, numbered as on a keypad: 7 8 9 on top. */
export function fieldCentre(
  { widthMm, heightMm }: Pick<Face, 'widthMm' | 'heightMm'>,
  field: number,
): { readonly xMm: number; readonly yMm: number } {
  const column = (field - 1) % 3;
  const rowFromBelow = Math.floor((field - 1) / 3);
  return { xMm: ((column + 0.5) * widthMm) / 3, yMm: ((2.5 - rowFromBelow) * heightMm) / 3 };
}
