import type { Knex } from 'knex';
import { migrations, type Migration } from './migrations';

/** Runs one statement of a step. */
export type Execute = (db: Knex, statement: Statement, step: string) => Promise<unknown>;

interface Statement {
  readonly sql: string;
  readonly bindings?: readonly Knex.RawBinding[];
}

export const runStatement: Execute = (db, { sql, bindings = [] }) => db.raw(sql, [...bindings]);

/** What a statement meets that has been run already: a table, column or key is there, or not there any more. */
const alreadyThere: ReadonlySet<number> = new Set([1050, 1060, 1061, 1091, 1051, 1054, 1146]);
const isAlreadyDone = (error: unknown): boolean => alreadyThere.has((error as { errno?: number } | null)?.errno ?? 0);

const waitSeconds = 600;

/** The name, in SQL, of what whoever changes a database’s tables holds meanwhile. */
export const migrateLock = `concat('plucky-migrate ', database())`;

/**
 * Brings a database up to date. It may be interrupted anywhere, and by the next call goes on where it stood: what changes rows is
 * noted as done in the same transaction; what changes tables commits by itself, so that of the step that was under way the
 * statements which find their work done already are passed over. Of several who begin at once one does it.
 *
 * @param execute  how a statement is run: tests cut the way there
 * @param upTo  the name of the last step to take; all of them unless given
 * @returns names of the steps that were done now
 * @throws Error when the database was made by a newer version
 */
export async function migrate(db: Knex, execute: Execute = runStatement, upTo?: string): Promise<readonly string[]> {
  const held = await db.transaction();
  try {
    const [[lock]] = (await held.raw(`select get_lock(${migrateLock}, ?) as got`, [waitSeconds])) as [
      [{ got: number | null }],
    ];
    if (lock.got !== 1) throw new Error('migrate: somebody else has been at it for ten minutes');
    return await goOn(db, execute, upTo);
  } finally {
    // The lock is the connection's own: it falls when that is given back, or lost.
    await held.raw(`do release_lock(${migrateLock})`).catch(() => undefined);
    await held.rollback().catch(() => undefined);
  }
}

async function goOn(db: Knex, execute: Execute, upTo?: string): Promise<readonly string[]> {
  await db.raw(`create table if not exists knex_migrations (
    id int unsigned not null auto_increment primary key, name varchar(255), batch int, migration_time timestamp)`);
  await db.raw(`create table if not exists knex_migrations_lock (
    \`index\` int unsigned not null auto_increment primary key, is_locked int)`);
  const done = new Set((await db('knex_migrations').pluck('name')) as string[]);
  const unknown = [...done].filter((name) => !migrations.some((step) => step.name === name));
  if (unknown.length > 0)
    throw new Error(`migrate: a newer version of the application made this database: ${unknown.join(', ')}`);
  const last = upTo === undefined ? migrations.length : migrations.findIndex(({ name }) => name === upTo) + 1;
  const pending = migrations.slice(0, last).filter(({ name }) => !done.has(name));
  if (pending.length === 0) return [];
  const wasInterrupted = Boolean(await db('knex_migrations_lock').where({ is_locked: 1 }).first());
  if (!wasInterrupted) {
    await db('knex_migrations_lock').delete();
    await db('knex_migrations_lock').insert({ is_locked: 1 });
  }
  const batch = 1 + Number((await db('knex_migrations').max({ last: 'batch' }).first())?.last ?? 0);
  for (const [at, step] of pending.entries())
    await db.transaction(async (trx) => {
      await take(trx, step, execute, wasInterrupted && at === 0);
      await trx('knex_migrations').insert({ name: step.name, batch, migration_time: trx.fn.now() });
    });
  await db('knex_migrations_lock').update({ is_locked: 0 });
  return pending.map(({ name }) => name);
}

/** @param isAgain  it may have been begun before */
async function take(trx: Knex, { name, up }: Migration, execute: Execute, isAgain: boolean): Promise<void> {
  const built = up(trx) as Promise<unknown> & { toSQL?: () => Statement | readonly Statement[] };
  if (!built.toSQL) {
    await built;
    return;
  }
  const statements = built.toSQL();
  for (const statement of Array.isArray(statements) ? (statements as readonly Statement[]) : [statements as Statement])
    await execute(trx, statement, name).catch((error: unknown) => {
      if (!isAgain || !isAlreadyDone(error)) throw error;
    });
}
