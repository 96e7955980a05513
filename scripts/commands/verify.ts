import { resolve } from 'node:path';
import type { BackupManifest, TablePart } from '@/files/backup/manifest';
import { verifyBackup } from '@/services/backup/verifyBackup';
import { backupTrouble } from '../backups/trouble';
import { say, Trouble } from '../support/say';

/** Reads a backup from its first byte to its last and says whether it is whole. It changes nothing. */
export async function verify([file]: readonly string[]): Promise<void> {
  if (!file) throw new Trouble('Which file?', './plucky verify shop.zip');
  const manifest = await verifyBackup(resolve(file)).catch(backupTrouble(resolve(file)));
  say(`${resolve(file)} is whole: ${told(manifest)}.`);
}

export function told({ shop, takenAt, parts }: BackupManifest): string {
  const tables = parts.filter((part): part is TablePart => part.kind === 'table');
  const rows = tables.reduce((sum, part) => sum + part.rows, 0);
  const facts = tables.find(({ table }) => table === 'facts')?.rows ?? 0;
  const archives = parts.length - tables.length;
  return `${shop || 'a shop without a name'} as it was at ${takenAt}, ${facts} facts, ${rows} rows in ${tables.length} tables, ${archives} archives`;
}
