import { isConfirmed } from '../support/ask';
import { databaseNames, dropDatabase, withDatabase, type Shop } from '../support/databases';
import { openHome } from '../support/home';
import { startDatabase, stopDatabase } from '../support/mariadb';
import { needPackage } from '../support/packages';
import { readRunning } from '../support/runFile';
import { say, Trouble } from '../support/say';
import { prepareOwnShop } from '../support/shop';

/** Empties a shop. Asks first, and refuses while it is in use. */
export async function reset(args: readonly string[]): Promise<void> {
  const home = openHome();
  const shop: Shop = args.includes('demo') ? 'demo' : 'own';
  const running = readRunning(home);
  if (running?.shop === shop) throw new Trouble('The shop is running.', 'Stop it first: ./plucky stop');
  const what = shop === 'demo' ? 'the demo workshop' : 'your own shop with all its parcels, units, parts and people';
  if (!(await isConfirmed(`This deletes ${what}.`, args))) {
    say('Nothing was deleted. To go on, run it in a terminal and type yes, or add --yes.');
    return;
  }
  await needPackage('mariadb-server');
  const server = await startDatabase(home);
  try {
    await dropDatabase(home, databaseNames[shop]);
    if (shop === 'demo') {
      say('The demo is empty; ./plucky demo loads it again.');
      return;
    }
    const { firstPin } = await withDatabase(home, databaseNames.own, prepareOwnShop);
    say(`Your shop is empty. First sign-in: “First lead”, PIN ${firstPin}.`);
  } finally {
    if (server.isOurs) await stopDatabase(home);
  }
}
