import type { Knex } from 'knex';
import { readManifest, type ManifestPreview } from '@/core/intake/readManifest';
import { accept, type Outcome } from '@/core/shared/outcome';
import { serialsInHouse } from '@/data/parcels/parcelRepository';
import { readTable, type ReadTable } from '@/files/readTable';

export interface PreviewedFile extends ManifestPreview {
  readonly encoding: ReadTable['encoding'];
  readonly separator: string;
}

/** Reads a manifest and says what would be taken and what not. Nothing is written. */
export async function previewManifest(db: Knex, bytes: Uint8Array): Promise<Outcome<PreviewedFile>> {
  const table = readTable(bytes);
  if (!table.ok) return table;
  const read = readManifest(table.value.rows, await serialsInHouse(db));
  if (!read.ok) return read;
  return accept({ ...read.value, encoding: table.value.encoding, separator: table.value.separator });
}
