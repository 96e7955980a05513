import { catchUp, mendedCounts, recount as countOn } from '@/data/tallies/catchUp';
import { openHome } from '../support/home';
import { say } from '../support/say';
import { withShop } from '../support/shops';
import { withServer } from '../supervisor/withServer';

/** Counts your own shop anew from its first unit to its last, while it may be in use. */
export async function recount(): Promise<void> {
  const home = openHome();
  await withServer(home, { command: 'recount' }, async () => {
    await withShop(home, 'own', async (db) => {
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
  });
}
