import { loadDemo } from '../demo/loadDemo';
import { demoPeople } from '../demo/people';
import { databaseNames, withDatabase } from '../support/databases';
import { openHome } from '../support/home';
import { say } from '../support/say';
import { serve } from '../support/serve';

/** The demo shop: loads it the first time, then serves it. */
export async function demo(): Promise<void> {
  const home = openHome();
  await serve(home, 'demo', async () => {
    await withDatabase(home, databaseNames.demo, async (db) => {
      const [row] = (await db('facts').count({ n: '*' })) as { n: number }[];
      if (row && row.n > 0) return;
      say('Loading the demo workshop …');
      await loadDemo(db, new Date());
    });
    const width = Math.max(...demoPeople.map(({ name }) => name.length));
    return [
      '',
      'Demo sign-ins:',
      ...demoPeople.map(({ name, role, pin }) => `  ${name.padEnd(width)}  ${role.padEnd(10)}  PIN ${pin}`),
    ];
  });
}
