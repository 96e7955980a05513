import type { Knex } from 'knex';
import { userInfo } from 'node:os';
import { connect, type DatabasePlace } from '@/data/connection';
import { migrate } from '@/data/migrations/migrate';
import { runSql } from '../server/mariadb';
import type { Home } from './home';

export const placeOf = (home: Home, database: string): DatabasePlace => ({
  socketPath: home.socketPath,
  user: userInfo().username,
  database,
});

export async function createDatabase(home: Home, name: string): Promise<void> {
  await runSql(home, `create database if not exists \`${name}\``);
}

export const dropDatabase = async (home: Home, name: string): Promise<string> =>
  runSql(home, `drop database if exists \`${name}\``);

/** Opens a database, brought up to date, for the length of some work. */
export async function withDatabase<T>(home: Home, name: string, work: (db: Knex) => Promise<T>): Promise<T> {
  await createDatabase(home, name);
  const db = connect(placeOf(home, name));
  try {
    await migrate(db);
    return await work(db);
  } finally {
    await db.destroy();
  }
}
