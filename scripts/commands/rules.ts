import { readFileSync } from 'node:fs';
import { readHouseRules, writeHouseRules } from '@/files/houseRulesDocument';
import { changeRules } from '@/services/rules/changeRules';
import { readRules } from '@/services/rules/readRules';
import { sayRefusal } from '@/words/say/sentences';
import { openHome } from '../support/home';
import { say, Trouble } from '../support/say';
import { withShop } from '../support/shops';
import { withServer } from '../supervisor/withServer';

/** Prints the house rules of your own shop, or takes them from a file. */
export async function rules([file]: readonly string[]): Promise<void> {
  const read = file === undefined ? null : readHouseRules(readFileSync(file, 'utf8'));
  if (read && !read.ok)
    throw new Trouble(sayRefusal(read.refusal), 'docs/formats/house-rules.schema.json lists every rule.');
  const home = openHome();
  await withServer(home, { command: 'rules' }, async () => {
    await withShop(home, 'own', async (db) => {
      if (!read) return say(writeHouseRules(await readRules(db)));
      const changed = await changeRules(db, read.value, { at: new Date(), by: null });
      if (!changed.ok) throw new Trouble(sayRefusal(changed.refusal), 'Try again.');
      say(`House rules are now version ${changed.value.version}. What was decided before keeps its own.`);
    });
  });
}
