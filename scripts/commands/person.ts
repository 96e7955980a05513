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
    const added = await withDatabase(home, databaseNames.own, (db) => addPerson(db, { name, role: role as Role }));
    if (!added.ok) throw new Trouble(`There is a “${name}” already.`, 'Choose another name.');
    say(`${name}, ${role}: PIN ${added.value.pin}. It is not shown again.`);
  } finally {
    if (server.isOurs) await stopDatabase(home);
  }
}
