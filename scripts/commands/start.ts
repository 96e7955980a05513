import { openHome, homeSecret } from '../support/home';
import { readyFirstLead } from '../support/firstLead';
import { databaseOf, settleShop, withShop } from '../support/shops';
import { keepBackups } from '../supervisor/keepBackups';
import { supervise } from '../supervisor/supervise';

/** Your own shop, empty the first time. */
export async function start(): Promise<void> {
  const home = openHome();
  await supervise(home, 'own', {
    prepare: async () => {
      const pin = await withShop(home, 'own', (db) => readyFirstLead(db, homeSecret(home)));
      return {
        database: await databaseOf(home, 'own'),
        lines: pin
          ? [
              '',
              `First sign-in: “First lead”, PIN ${pin}. It is shown at each start until it was used.`,
              'Today leads from there: name the shop, add people, take in models, make a parcel.',
            ]
          : [],
      };
    },
    // It has started: what was there before the last restore is not needed any more.
    opened: () => settleShop(home, 'own'),
    meanwhile: (leave) => keepBackups(home, leave),
  });
}
