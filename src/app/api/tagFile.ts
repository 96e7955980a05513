/** Splits `U-0747.pdf` into tag and format; undefined for anything else. */
export function splitTagFile(file: string): { readonly tag: string; readonly format: 'pdf' | 'svg' } | undefined {
  const match = /^([UPS]-\d{1,9})\.(pdf|svg)$/i.exec(decodeURIComponent(file));
  return match
    ? { tag: (match[1] as string).toUpperCase(), format: (match[2] as string).toLowerCase() as 'pdf' | 'svg' }
    : undefined;
}
