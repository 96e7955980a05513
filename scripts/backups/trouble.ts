import { DamagedBackup } from '@/files/backup/manifest';
import { readChoice, UnreadableChoice, type BackupChoice } from '@/files/backup/backupChoice';
import type { Home } from '../support/home';
import { Trouble } from '../support/say';

/** Says of what went wrong with a file what happened, what was kept and what to do. @throws Trouble, or what it cannot name */
export const backupTrouble =
  (file: string) =>
  (error: unknown): never => {
    const { code } = error as NodeJS.ErrnoException;
    if (code === 'ENOENT') throw new Trouble(`There is no file ${file}.`, 'Name a file that ./plucky backup wrote.');
    if (code === 'EISDIR') throw new Trouble(`${file} is a folder.`, 'Name a file that ./plucky backup wrote.');
    if (error instanceof DamagedBackup)
      throw new Trouble(`${file} cannot be used. ${error.message}`, 'Nothing was changed. Take another backup.');
    throw error;
  };

/** Where backups of a home go and how many stay. @throws Trouble when that cannot be read any more */
export function choiceOf(home: Home): BackupChoice {
  try {
    return readChoice(home.root);
  } catch (error) {
    if (error instanceof UnreadableChoice)
      throw new Trouble(error.message, 'Choose anew: ./plucky backups FOLDER NUMBER');
    throw error;
  }
}
