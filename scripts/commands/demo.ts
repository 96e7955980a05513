import { loadDemo } from '../demo/loadDemo';
import { demoPeople } from '../demo/people';
import { withDatabase } from '../support/databases';
import { openHome } from '../support/home';
import { say } from '../support/say';
import { databaseOf, hasMoved, moveShop, nextDatabase, settleShop, withShop } from '../support/shops';
import { supervise } from '../supervisor/supervise';

/** The demo shop: loads it the first time, then serves it. */
export async function demo(): Promise<void> {
  const home = openHome();
  await supervise(home, 'demo', {
    prepare: async () => {
      if (await hasMoved(home, 'demo')) await withShop(home, 'demo', () => Promise.resolve());
      else {
        say('Loading the demo workshop …');
        // Loaded beside its place: one that was interrupted is loaded anew.
        const next = await nextDatabase(home, 'demo');
        await withDatabase(home, next, (db) => loadDemo(db, new Date()));
        await moveShop(home, 'demo', next);
      }
      const width = Math.max(...demoPeople.map(({ name }) => name.length));
      return {
        database: await databaseOf(home, 'demo'),
        lines: [
          '',
          'Demo sign-ins:',
          ...demoPeople.map(({ name, role, pin }) => `  ${name.padEnd(width)}  ${role.padEnd(10)}  PIN ${pin}`),
        ],
      };
    },
    opened: () => settleShop(home, 'demo'),
  });
}
