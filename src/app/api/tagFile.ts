interface TagFile {
  readonly tag: string;
  readonly format: 'pdf' | 'svg';
}

/** Splits `U-0747.pdf` into tag and format; undefined for anything else. */
export const splitTagFile = (file: string): TagFile | undefined => split(/^([UPS]-\d{1,9})\.(pdf|svg)$/i, file);

/** The same, also for the code of a bin or a rack: `BIN-A07.svg`, `BIN-A.pdf`. */
export const splitLabelFile = (file: string): TagFile | undefined =>
  split(/^([UP]-\d{1,9}|BIN-[A-Z]{1,2}(?:\d{2})?)\.(pdf|svg)$/i, file);

function split(pattern: RegExp, file: string): TagFile | undefined {
  const [, tag, format] = pattern.exec(file) ?? [];
  return tag && format ? { tag: tag.toUpperCase(), format: format.toLowerCase() as TagFile['format'] } : undefined;
}
