import { roles, type Role } from '@/core/people/roles';
import { addPerson } from '@/services/people/addPerson';
import { openHome } from '../support/home';
import { say, Trouble } from '../support/say';
import { withShop } from '../support/shops';
import { withServer } from '../supervisor/withServer';

/** Adds a person to your own shop and prints the PIN once. */
export async function person([name, role = 'technician']: readonly string[]): Promise<void> {
  if (!name) throw new Trouble('Who?', './plucky person "Imke R." technician');
  if (!roles.includes(role as Role)) throw new Trouble(`There is no role “${role}”.`, `One of: ${roles.join(', ')}.`);
  const home = openHome();
  await withServer(home, { command: 'person' }, async () => {
    const added = await withShop(home, 'own', (db) => addPerson(db, { name, role: role as Role }));
    if (!added.ok) throw new Trouble(`There is a “${name}” already.`, 'Choose another name.');
    say(`${name}, ${role}: PIN ${added.value.pin}. It is not shown again.`);
  });
}
