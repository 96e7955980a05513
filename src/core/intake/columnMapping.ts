export const manifestFields = ['line', 'maker', 'model', 'serial', 'note'] as const;
export type ManifestField = (typeof manifestFields)[number];

/** Which column of a file holds what, counting from 0, and whether its first line names the columns. */
export interface ColumnMapping {
  readonly hasHeading: boolean;
  readonly columns: Readonly<Partial<Record<ManifestField, number>>>;
}

/** Headings by which a column is known, in lower case without marks. */
const headings: Readonly<Record<ManifestField, readonly string[]>> = {
  line: ['line', 'no', 'nr', 'pos', 'position', 'item no'],
  maker: ['maker', 'make', 'manufacturer', 'hersteller'],
  model: ['model', 'device', 'type', 'modell', 'description'],
  serial: ['serial', 'serial number', 'serial no', 'sn', 'imei', 'seriennummer'],
  note: ['note', 'notes', 'condition', 'remark', 'comment', 'bemerkung'],
};

/** The columns whose headings are known. */
export function findColumns(head: readonly string[]): ColumnMapping {
  const plain = head.map((name) =>
    name
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z ]/g, '')
      .trim(),
  );
  const columns: Partial<Record<ManifestField, number>> = {};
  for (const field of manifestFields) {
    const column = plain.findIndex((name) => headings[field].includes(name));
    if (column !== -1) columns[field] = column;
  }
  return { hasHeading: true, columns };
}

/** A mapping that was made by hand, with the first line of the file it was made for. */
export interface RememberedMapping {
  readonly mapping: ColumnMapping;
  readonly head: readonly string[];
}

/** Whether a remembered mapping is for a file that begins like this: the same headings, or as many columns without any. */
export const fitsFile = ({ mapping, head }: RememberedMapping, first: readonly string[]): boolean =>
  mapping.hasHeading ? head.join('\n') === first.join('\n') : head.length === first.length;
