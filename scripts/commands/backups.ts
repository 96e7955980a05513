import { mkdirSync } from 'node:fs';
import { resolve } from 'node:path';
import { writeChoice } from '@/files/backup/backupChoice';
import { listBackups } from '@/files/backup/backupFolder';
import { choiceOf } from '../backups/trouble';
import { openHome } from '../support/home';
import { say, Trouble } from '../support/say';

/** Says where a served shop is backed up by itself once a day, and what lies there; or chooses where, and how many stay. */
export async function backups([folder, number]: readonly string[]): Promise<void> {
  const home = openHome();
  if (folder !== undefined) {
    const keep = Number(number ?? 7);
    if (!Number.isInteger(keep) || keep < 1 || keep > 1000)
      throw new Trouble(`“${number}” is no number of backups.`, './plucky backups /mnt/other-disk 14');
    mkdirSync(resolve(folder), { recursive: true, mode: 0o700 });
    writeChoice(home.root, { folder: resolve(folder), keep });
  }
  const choice = choiceOf(home);
  const there = listBackups(choice.folder);
  say(`While your shop is open it is backed up once a day to ${choice.folder}; the newest ${choice.keep} stay.`);
  for (const { file, bytes } of there) say(`  ${file}  ${(bytes / 1024 ** 2).toFixed(1)} MB`);
  if (there.length === 0) say('There is none yet. ./plucky backup writes one now.');
  return Promise.resolve();
}
