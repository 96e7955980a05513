import type { Knex } from 'knex';
import { findColumns, fitsFile, type ColumnMapping } from '@/core/intake/columnMapping';
import { readManifest, type ManifestPreview } from '@/core/intake/readManifest';
import type { Outcome } from '@/core/shared/outcome';
import { findParcel, serialsInShop } from '@/data/parcels/parcelRepository';
import { mappingOf } from '@/data/parcels/supplierColumns';
import type { ReadTable } from '@/files/readTable';
import { readAside } from '@/workers/documents/readAside';

export interface PreviewedFile {
  readonly encoding: ReadTable['encoding'];
  readonly separator: string;
  /** First line of the file, and the next few, for saying which column is which. */
  readonly head: readonly string[];
  readonly sample: readonly (readonly string[])[];
  readonly mapping: ColumnMapping;
  /** The lines that would be taken, or why none can be: then the columns can still be said. */
  readonly read: Outcome<ManifestPreview>;
}

const sampleRows = 3;

/**
 * Reads a manifest and says what would be taken and what not. Nothing is written. Which column is which is said by hand, or
 * remembered from this supplier, or told from the headings.
 *
 * @refuses 'file-unreadable' and the like when it is no table at all
 */
export async function previewManifest(
  db: Knex,
  bytes: Uint8Array,
  about: { readonly parcelId?: string | undefined; readonly mapping?: ColumnMapping | undefined } = {},
): Promise<Outcome<PreviewedFile>> {
  const told = await readAside('table', bytes);
  const table = told.ok ? told.value : told;
  if (!table.ok) return table;
  const { rows, encoding, separator } = table.value;
  const head = rows[0] ?? [];
  const parcel = about.parcelId ? await findParcel(db, about.parcelId) : undefined;
  const remembered = parcel && !about.mapping ? await mappingOf(db, parcel.supplier) : undefined;
  const mapping = about.mapping ?? (remembered && fitsFile(remembered, head) ? remembered.mapping : findColumns(head));
  const { serial } = mapping.columns;
  const serials = serial === undefined ? [] : rows.map((cells) => (cells[serial] ?? '').trim().toUpperCase());
  const read = readManifest(rows, await serialsInShop(db, serials.filter(Boolean)), mapping);
  return { ok: true, value: { encoding, separator, head, sample: rows.slice(1, 1 + sampleRows), mapping, read } };
}
