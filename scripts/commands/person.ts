import { roles, type Role } from '@/core/people/roles';
import { addPerson } from '@/services/people/addPerson';
import { databaseNames, withDatabase } from '../support/databases';
import { openHome } from '../support/home';
import { startDatabase, stopDatabase } from '../support/mariadb';
import { needPackage } from '../support/packages';
import { say, Trouble } from '../support/say';

/** Adds a person to your own shop and prints the PIN once. */
export async function person([name, role = 'technician']: readonly string[]): Promise<void> {
  if (!name) throw new Trouble('Who?', './plucky person "Imke R." technician');
  if (!roles.includes(role as Role)) throw new Trouble(`There is no role “${role}”.`, `One of: ${roles.join(', ')}.`);
  await needPackage('mariadb-server');
  const home = openHome();
  const server = await startDatabase(home);
  try {
    const { pin } = await withDatabase(home, databaseNames.own, async (db) => {
      const [known] = await db('people').where({ name }).limit(1);
      if (known) throw new Trouble(`There is a “${name}” already.`, 'Choose another name.');
      return addPerson(db, { name, role: role as Role });
    });
    say(`${name}, ${role}: PIN ${pin}. It is not shown again.`);
  } finally {
    if (server.isOurs) await stopDatabase(home);
  }
}
