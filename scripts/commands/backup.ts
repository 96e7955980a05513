import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { writeBackup } from '@/services/backup/writeBackup';
import { keepNewest, placeForBackup } from '@/files/backup/backupFolder';
import { choiceOf } from '../backups/trouble';
import { createDatabase, placeOf } from '../support/databases';
import { openHome } from '../support/home';
import { say, Trouble } from '../support/say';
import { archivesOf, databaseOf } from '../support/shops';
import { withServer } from '../supervisor/withServer';

/**
 * Writes your own shop to a file, whole and as it is at one moment, while it may be in use, and also when it does not start.
 * Without a name it goes to the folder for backups, where the oldest gives way.
 */
export async function backup([file]: readonly string[]): Promise<void> {
  const home = openHome();
  const choice = choiceOf(home);
  const now = new Date();
  if (file && existsSync(resolve(file)))
    throw new Trouble(`${resolve(file)} is there already.`, 'Name another file, so that no backup is lost.');
  await withServer(home, { command: 'backup' }, async () => {
    const target = file ? resolve(file) : placeForBackup(choice.folder, now);
    const database = await databaseOf(home, 'own');
    await createDatabase(home, database);
    const { missing } = await writeBackup(placeOf(home, database), target, archivesOf(home, database), now);
    if (!file) keepNewest(choice.folder, choice.keep);
    say(`Your shop is in ${target}.`);
    if (missing.length > 0)
      say(`These files of old facts are not where they should be, and not in it: ${missing.join(', ')}.`);
  });
}
