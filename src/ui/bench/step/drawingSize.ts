import type { Face } from '@/core/procedure/faces';

/** Room for a drawing at the bench: wide faces get the width, tall ones the height. */
export const drawingSize = ({
  widthMm,
  heightMm,
}: Pick<Face, 'widthMm' | 'heightMm'>): { readonly width: number; readonly height: number } =>
  widthMm >= heightMm ? { width: 620, height: 390 } : { width: 420, height: 390 };
