import type { Knex } from 'knex';
import { randomBytes, randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { connect } from '@/data/connection';
import { migrate } from '@/data/migrations/migrate';
import type { Person, Role } from '@/core/people/roles';
import { insertModel } from '@/data/models/modelRepository';
import { insertPerson } from '@/data/people/peopleRepository';
import { openHome, projectRoot, type Home } from '../../scripts/support/home';
import { createDatabase, dropDatabase, placeOf } from '../../scripts/support/databases';
import { demoCopy } from '../../scripts/support/demoCopy';
import { startDatabase } from '../../scripts/server/mariadb';
import { shippedModels } from './models';

/** The home of the tests' own MariaDB server. */
export const testHome = (): Home => openHome(process.env.PLUCKY_HOME ?? join(projectRoot, '.plucky', 'test'));

export interface Scratch {
  readonly db: Knex;
  readonly name: string;
  readonly drop: () => Promise<void>;
}

/** When the demo of the tests was loaded. */
export const demoDay = new Date('2026-11-25T12:00:00Z');

/** A database of its own with the demo in it; without a day, as it was loaded today. */
export async function demoScratch(now?: Date): Promise<Scratch> {
  const home = testHome();
  await startDatabase(home, { isDurable: false, outlives: true });
  const name = `scratch_${randomBytes(5).toString('hex')}`;
  await demoCopy(home, name, now);
  return opened(home, name);
}

/** A database of its own, migrated from zero, with the shipped models in it. */
export async function scratchDatabase(): Promise<Scratch> {
  const home = testHome();
  await startDatabase(home, { isDurable: false, outlives: true });
  const name = `scratch_${randomBytes(5).toString('hex')}`;
  await createDatabase(home, name);
  const db = connect(placeOf(home, name));
  await migrate(db);
  for (const model of shippedModels)
    await insertModel(db, model, { at: new Date('2026-01-01T00:00:00Z'), note: '', by: '' });
  await db.destroy();
  return opened(home, name);
}

function opened(home: Home, name: string): Scratch {
  const db = connect(placeOf(home, name));
  return {
    db,
    name,
    drop: async () => {
      await db.destroy();
      await dropDatabase(home, name);
    },
  };
}

/** Somebody in the shop, without a PIN. */
export async function somebody(db: Knex, name: string, role: Role = 'technician'): Promise<Person> {
  const id = randomUUID();
  await insertPerson(db, { id, name, role, pin_hash: 'none' });
  return { id, name, role, bench: 'bench-1' };
}
