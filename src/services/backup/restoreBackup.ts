import { createWriteStream } from 'node:fs';
import { mkdir } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { fillDatabase } from '@/data/backup/fillDatabase';
import type { DatabasePlace } from '@/data/connection';
import type { ArchivePart, BackupManifest, TablePart } from '@/files/backup/manifest';
import { openBackup } from '@/files/backup/openBackup';

/**
 * Brings a backup that was verified into an empty database and an empty folder.
 *
 * @param place   an empty database, on which nothing works yet
 * @param folder  where the archives of that shop shall lie
 * @throws DamagedBackup, or Error when a value does not go in; what is in the database then is of no use
 */
export async function restoreBackup(place: DatabasePlace, file: string, folder: string): Promise<BackupManifest> {
  const backup = await openBackup(file);
  try {
    const { schema, parts } = backup.manifest;
    const tables = parts.filter((part): part is TablePart => part.kind === 'table');
    await fillDatabase(
      place,
      schema,
      tables.map((part) => ({
        table: { name: part.table, columns: part.columns },
        rows: () => backup.rows(part),
      })),
    );
    const archives = parts.filter((part): part is ArchivePart => part.kind === 'archive');
    if (archives.length > 0) await mkdir(folder, { recursive: true, mode: 0o700 });
    for (const part of archives)
      await pipeline(backup.bytes(part), createWriteStream(join(folder, basename(part.file)), { mode: 0o600 }));
    return backup.manifest;
  } finally {
    backup.close();
  }
}
