import { join, resolve } from 'node:path';
import { archiveFacts } from '@/services/facts/archiveFacts';
import { openHome } from '../support/home';
import { say, Trouble } from '../support/say';
import { archivesOf, databaseOf, withShop } from '../support/shops';
import { withServer } from '../supervisor/withServer';

const usage = './plucky archive 2025-06-01';

/** Moves the facts of units that left your own shop before a day to a file that still opens, while the shop may be in use. */
export async function archive([day = '']: readonly string[]): Promise<void> {
  const isDay = /^\d{4}-\d\d-\d\d$/.test(day) && !Number.isNaN(Date.parse(day));
  if (!isDay) throw new Trouble('Facts of units that left before which day?', usage);
  const now = new Date();
  if (Date.parse(day) > now.getTime()) throw new Trouble(`${day} is not over yet.`, `Name a day in the past: ${usage}`);
  const home = openHome();
  await withServer(home, { command: 'archive' }, async () => {
    const folder = archivesOf(home, await databaseOf(home, 'own'));
    const done = await withShop(home, 'own', (db) => archiveFacts(db, day, folder, now));
    if (!done) return say(`Nothing to move: no unit left before ${day} of which everything is over.`);
    say(`${done.facts} facts of ${done.units} units are in ${resolve(join(folder, done.file))}.
Their records open as before for as long as the file lies there. Backups hold it, too.`);
  });
}
