import { isConfirmed } from '../support/ask';
import { readyFirstLead } from '../support/firstLead';
import { openHome, homeSecret } from '../support/home';
import { say } from '../support/say';
import { dropShop, withShop, type Shop } from '../support/shops';
import { withServer } from '../supervisor/withServer';

/** Empties a shop. Asks first, and refuses while it is in use. */
export async function reset(args: readonly string[]): Promise<void> {
  const home = openHome();
  const shop: Shop = args.includes('demo') ? 'demo' : 'own';
  const what = shop === 'demo' ? 'the demo workshop' : 'your own shop with all its parcels, units, parts and people';
  if (!(await isConfirmed(`This deletes ${what}.`, args))) {
    say('Nothing was deleted. To go on, run it in a terminal and type yes, or add --yes.');
    return;
  }
  await withServer(home, { command: 'reset', closed: shop }, async () => {
    await dropShop(home, shop);
    if (shop === 'demo') {
      say('The demo is empty; ./plucky demo loads it again.');
      return;
    }
    const pin = await withShop(home, 'own', (db) => readyFirstLead(db, homeSecret(home)));
    say(`Your shop is empty. First sign-in: “First lead”, PIN ${pin}.`);
  });
}
