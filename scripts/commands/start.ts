import { databaseNames, withDatabase } from '../support/databases';
import { openHome } from '../support/home';
import { serve } from '../support/serve';
import { prepareOwnShop } from '../support/shop';

/** Your own shop, empty the first time. */
export async function start(): Promise<void> {
  const home = openHome();
  await serve(home, 'own', async () => {
    const { firstPin } = await withDatabase(home, databaseNames.own, prepareOwnShop);
    return firstPin
      ? [
          '',
          `First sign-in: “First lead”, PIN ${firstPin}. Write it down, it is not shown again.`,
          'Today leads from there: name the shop, add people, take in models, make a parcel.',
        ]
      : [];
  });
}
