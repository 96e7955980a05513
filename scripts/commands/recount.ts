import { catchUp, mendedCounts, recount as countOn } from '@/data/tallies/catchUp';
import { databaseNames, withDatabase } from '../support/databases';
import { openHome } from '../support/home';
import { startDatabase, stopDatabase } from '../support/mariadb';
import { needPackage } from '../support/packages';
import { say } from '../support/say';

/** Counts your own shop anew from its first unit to its last, while it may be in use. */
export async function recount(): Promise<void> {
  await needPackage('mariadb-server');
  const home = openHome();
  const server = await startDatabase(home);
  try {
    await withDatabase(home, databaseNames.own, async (db) => {
      await catchUp(db);
      const before = (await mendedCounts(db))?.count ?? 0;
      // What a server has under way is finished first; then everything once more.
      for (let rounds = 0; rounds < 2;) if (await countOn(db, new Date())) rounds += 1;
      const wrong = ((await mendedCounts(db))?.count ?? 0) - before;
      say(
        wrong === 0
          ? 'Everything was counted anew: nothing was wrong.'
          : `${wrong} counts were wrong. Now they are right.`,
      );
    });
  } finally {
    if (server.isOurs) await stopDatabase(home);
  }
}
