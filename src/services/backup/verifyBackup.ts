import { knowsSchema } from '@/data/backup/fillDatabase';
import { DamagedBackup, type BackupManifest } from '@/files/backup/manifest';
import { openBackup } from '@/files/backup/openBackup';

/**
 * Reads a backup from its first byte to its last and holds it against its manifest. Nothing is written.
 *
 * @throws DamagedBackup with a sentence, also when a newer version wrote it
 */
export async function verifyBackup(file: string): Promise<BackupManifest> {
  const backup = await openBackup(file);
  try {
    if (!knowsSchema(backup.manifest.schema))
      throw new DamagedBackup('A newer version of Plucky Parcel wrote it; bring it back with that one.');
    for (const part of backup.manifest.parts) {
      const pieces = part.kind === 'table' ? backup.rows(part) : backup.bytes(part);
      for await (const piece of pieces) void piece;
    }
    return backup.manifest;
  } finally {
    backup.close();
  }
}
