import { startApplication } from '../../scripts/server/application';
import { dropDatabase } from '../../scripts/support/databases';
import { demoCopy } from '../../scripts/support/demoCopy';
import { endChild } from '../../scripts/support/processes';
import { startDatabase } from '../../scripts/server/mariadb';
import { Bench } from './e2e';
import { testHome } from './scratch';

/** A browser on a demo of its own, for tests that need what others use up. */
export async function openOwnDemo(
  name: string,
): Promise<{ readonly bench: Bench; readonly close: () => Promise<void> }> {
  const home = testHome();
  await startDatabase(home, { isDurable: false, outlives: true });
  await dropDatabase(home, name);
  await demoCopy(home, name);
  const application = await startApplication(home, name, { workers: 1 });
  const bench = await Bench.open(application.url);
  return {
    bench,
    close: async () => {
      await bench.close();
      await endChild(application.child);
      await dropDatabase(home, name);
    },
  };
}
