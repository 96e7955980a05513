import type { Knex } from 'knex';
import { createHash } from 'node:crypto';
import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { connect } from '@/data/connection';
import { loadDemo } from '../demo/loadDemo';
import { createDatabase, dropDatabase, placeOf, withDatabase } from './databases';
import { projectRoot, type Home } from './home';

/** Whatever of these changes may change what the demo becomes. */
const grounds = ['src', 'scripts', 'data', 'package-lock.json'];
const patienceS = 600;

/**
 * A database with the demo as it is after loading, made as a copy: loading it plays thousands of facts and takes forty seconds
 * of a core, a copy one. The one that is copied is loaded by whoever comes first, and anew when the code changed.
 *
 * @param now  the day on which it is loaded; without one it is now, or within this hour
 */
export async function demoCopy(home: Home, name: string, now?: Date): Promise<void> {
  const hour = new Date().toISOString().slice(0, 13).replace(/\D/g, '');
  const kept = `kept_demo_${hashOfGrounds()}_${now ? now.getTime() : hour}`;
  await createDatabase(home, name);
  const db = connect(placeOf(home, name));
  try {
    await alone(db, () => loadOnce(home, db, kept, now ?? new Date()));
    await copyTables(db, kept, name);
  } finally {
    await db.destroy();
  }
}

async function loadOnce(home: Home, db: Knex, kept: string, now: Date): Promise<void> {
  const all = ((await db.raw('show databases')) as [readonly { Database: string }[]])[0].map(
    ({ Database }) => Database,
  );
  if (all.includes(kept)) return;
  // Those of other code are of no more use.
  const ofThisCode = kept.slice(0, kept.lastIndexOf('_'));
  for (const other of all)
    if (other.startsWith('kept_demo_') && !other.startsWith(ofThisCode)) await dropDatabase(home, other);
  const begun = `${kept}_begun`;
  await dropDatabase(home, begun);
  await withDatabase(home, begun, (demo) => loadDemo(demo, now));
  // Under its own name only once it is whole.
  await createDatabase(home, kept);
  await copyTables(db, begun, kept);
  await dropDatabase(home, begun);
}

/** One after the other, also from several processes. */
async function alone(db: Knex, work: () => Promise<void>): Promise<void> {
  const connection = (await db.client.acquireConnection()) as unknown;
  try {
    await db.raw(`do get_lock('kept_demo', ?)`, [patienceS]).connection(connection);
    await work();
  } finally {
    await db.raw(`do release_lock('kept_demo')`).connection(connection);
    await db.client.releaseConnection(connection);
  }
}

/** Every table with its rows; what is computed from other columns is computed there. */
async function copyTables(db: Knex, from: string, to: string): Promise<void> {
  const [columns] = (await db.raw(
    `select table_name as t, group_concat(concat('\`', column_name, '\`')) as c from information_schema.columns
     where table_schema = ? and is_generated = 'NEVER' group by table_name`,
    [from],
  )) as [readonly { t: string; c: string }[]];
  for (const { t, c } of columns) {
    await db.raw('create table ??.?? like ??.??', [to, t, from, t]);
    await db.raw(`insert into ??.?? (${c}) select ${c} from ??.??`, [to, t, from, t]);
  }
}

function hashOfGrounds(): string {
  const hash = createHash('sha256');
  const add = (path: string) => {
    const { mtimeMs, size } = statSync(path);
    hash.update(`${path} ${mtimeMs} ${size}\n`);
  };
  for (const ground of grounds) {
    const path = join(projectRoot, ground);
    if (!statSync(path).isDirectory()) add(path);
    else
      for (const entry of readdirSync(path, { recursive: true, withFileTypes: true }))
        if (entry.isFile()) add(join(entry.parentPath, entry.name));
  }
  return hash.digest('hex').slice(0, 12);
}
