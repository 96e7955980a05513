import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { openSnapshot } from '@/data/backup/snapshot';
import type { DatabasePlace } from '@/data/connection';
import type { BackupManifest } from '@/files/backup/manifest';
import { packBackup } from '@/files/backup/packBackup';

export interface WrittenBackup {
  readonly manifest: BackupManifest;
  /** Archives that the shop speaks of and that are not where they should be. */
  readonly missing: readonly string[];
}

/** What lies in a shop but not in its backups: who is signed in. */
const notKept: ReadonlySet<string> = new Set(['sessions']);

/**
 * Writes a whole shop to a file as it is at this moment, while work goes on: its tables, and the facts that were moved out of them.
 * It asks nothing of the tables but what they are, so that a shop which does not start can be backed up, too.
 *
 * @param file     where to; it comes to be when it is complete
 * @param folder   where the shop's archives lie
 * @throws what the disk or the database says; then there is no file
 */
export async function writeBackup(
  place: DatabasePlace,
  file: string,
  folder: string,
  now: Date,
): Promise<WrittenBackup> {
  const snapshot = await openSnapshot(place);
  try {
    const { shop, step, isHalf } = snapshot;
    const archives = snapshot.archives.map((name) => ({ name, path: join(folder, name) }));
    const manifest = await packBackup(
      file,
      { shop, takenAt: now.toISOString(), schema: { step, isHalf } },
      snapshot.tables.map((table) => ({
        table: table.name,
        columns: table.columns,
        rows: notKept.has(table.name) ? nothing : () => snapshot.rows(table),
      })),
      archives.filter(({ path }) => existsSync(path)),
    );
    return { manifest, missing: archives.filter(({ path }) => !existsSync(path)).map(({ name }) => name) };
  } finally {
    await snapshot.close();
  }
}

async function* nothing(): AsyncGenerator<never, undefined> {
  return undefined;
}
