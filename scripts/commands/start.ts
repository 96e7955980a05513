import { databaseNames, withDatabase } from '../support/databases';
import { openHome } from '../support/home';
import { serve } from '../support/serve';
import { prepareOwnShop } from '../support/shop';

/** Your own shop, empty the first time. */
export async function start(): Promise<void> {
  const home = openHome();
  await serve(home, 'own', async () => {
    const { firstPin } = await withDatabase(home, databaseNames.own, (db) => prepareOwnShop(db, new Date()));
    return firstPin
      ? [
          '',
          `First sign-in: “First lead”, PIN ${firstPin}. Write it down, it is not shown again.`,
          'Add people with ./plucky person NAME ROLE.',
        ]
      : [];
  });
}
