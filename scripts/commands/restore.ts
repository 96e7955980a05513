import { resolve } from 'node:path';
import { DamagedBackup } from '@/files/backup/manifest';
import { restoreBackup } from '@/services/backup/restoreBackup';
import { verifyBackup } from '@/services/backup/verifyBackup';
import { backupTrouble } from '../backups/trouble';
import { isConfirmed } from '../support/ask';
import { createDatabase, placeOf } from '../support/databases';
import { openHome } from '../support/home';
import { say, Trouble } from '../support/say';
import { archivesOf, dropShopDatabase, moveBack, moveShop, nextDatabase } from '../support/shops';
import { withServer } from '../supervisor/withServer';
import { told } from './verify';

/**
 * Replaces your own shop by a backup. The file is checked whole, then brought into a database beside the shop; one row, changed in
 * the end, makes that the shop. The old one stays until the new one has started once; until then `restore --back` returns to it.
 */
export async function restore(args: readonly string[]): Promise<void> {
  const home = openHome();
  const [file] = args.filter((arg) => !arg.startsWith('--'));
  const closed = { command: 'restore', closed: 'own' } as const;
  if (args.includes('--back')) {
    const went = await withServer(home, closed, () => moveBack(home, 'own'));
    say(went ? 'Your shop is again what it was before the restore.' : 'There is nothing to go back to.');
    return;
  }
  if (!file) throw new Trouble('From which file?', './plucky restore shop.zip');
  const source = resolve(file);
  const manifest = await verifyBackup(source).catch(backupTrouble(source));
  say(`The backup is whole: ${told(manifest)}.`);
  if (!(await isConfirmed('This replaces your own shop by it.', args))) {
    say('Nothing was changed. To go on, run it in a terminal and type yes, or add --yes.');
    return;
  }
  await withServer(home, closed, async () => {
    const next = await nextDatabase(home, 'own');
    try {
      await createDatabase(home, next);
      await restoreBackup(placeOf(home, next), source, archivesOf(home, next));
    } catch (error) {
      await dropShopDatabase(home, next).catch(() => undefined);
      return backupTrouble(source)(
        error instanceof DamagedBackup ? error : new DamagedBackup(`Its rows do not go in: ${sentenceOf(error)}.`),
      );
    }
    await moveShop(home, 'own', next);
    say('Your shop is as it was when the backup was written.');
    say('What it was until now stays until the next ./plucky start; ./plucky restore --back returns to it.');
  });
}

const sentenceOf = (error: unknown): string => (error as Error).message.split('\n')[0] ?? '';
