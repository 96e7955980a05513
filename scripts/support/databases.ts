import type { Knex } from 'knex';
import { userInfo } from 'node:os';
import { connect } from '@/data/connection';
import { migrate } from '@/data/migrations/migrate';
import { runSql } from './mariadb';
import type { Home } from './home';

/** One server holds both: the demo, and what is the user's own. */
export const databaseNames = { demo: 'plucky_demo', own: 'plucky_own' } as const;
export type Shop = keyof typeof databaseNames;

export async function createDatabase(home: Home, name: string): Promise<void> {
  await runSql(home, `create database if not exists \`${name}\``);
}

export const dropDatabase = async (home: Home, name: string): Promise<string> =>
  runSql(home, `drop database if exists \`${name}\``);

/** Opens a database, brought up to date, for the length of some work. */
export async function withDatabase<T>(home: Home, name: string, work: (db: Knex) => Promise<T>): Promise<T> {
  await createDatabase(home, name);
  const db = connect({ socketPath: home.socketPath, user: userInfo().username, database: name });
  try {
    await migrate(db);
    return await work(db);
  } finally {
    await db.destroy();
  }
}
