import type { Knex } from 'knex';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { runSql } from '../server/mariadb';
import { dropDatabase, withDatabase } from './databases';
import type { Home } from './home';

/** One server holds both: the demo, and what is the user's own. */
export type Shop = 'own' | 'demo';

interface ShopPlace {
  /** The database it works on. */
  readonly database: string;
  /** The one before, kept until the shop has started once on this one. */
  readonly before: string | null;
}

const firstDatabase: Readonly<Record<Shop, string>> = { own: 'plucky_own', demo: 'plucky_demo' };

/** Which of the two shops a database is, or was, or will be. */
export const shopOfDatabase = (name: string): Shop => (name.startsWith(firstDatabase.demo) ? 'demo' : 'own');

const register = 'plucky_home.shops';

async function readyRegister(home: Home): Promise<void> {
  await runSql(
    home,
    `create database if not exists plucky_home;
     create table if not exists ${register} (shop varchar(10) primary key, name varchar(64) not null, before_name varchar(64))`,
  );
}

/**
 * Where a shop is. It stands in a row of the same server, so that one statement, whole or not at all, takes a shop from one
 * database to another.
 */
export async function placeOfShop(home: Home, shop: Shop): Promise<ShopPlace> {
  await readyRegister(home);
  const [line = ''] = (
    await runSql(home, `select name, ifnull(before_name, '') from ${register} where shop = '${shop}'`)
  ).split('\n');
  const [database, before] = line.split('\t');
  return database ? { database, before: before || null } : { database: firstDatabase[shop], before: null };
}

export const databaseOf = async (home: Home, shop: Shop): Promise<string> => (await placeOfShop(home, shop)).database;

/** Facts of a shop that were moved out of its log, in files. */
export const archivesOf = (home: Home, database: string): string => join(home.archiveDir, database);

/** Opens a shop, brought up to date, for the length of some work. */
export const withShop = async <T>(home: Home, shop: Shop, work: (db: Knex) => Promise<T>): Promise<T> =>
  withDatabase(home, await databaseOf(home, shop), work);

/** A name for the database of a shop that is about to come. */
export async function nextDatabase(home: Home, shop: Shop): Promise<string> {
  const { database } = await placeOfShop(home, shop);
  const number = Number(/_(\d+)$/.exec(database)?.[1] ?? 1);
  const name = `${firstDatabase[shop]}_${number + 1}`;
  // Somebody was interrupted on the way to it.
  await dropShopDatabase(home, name);
  return name;
}

/** From now on a shop is another database. What it was when it last started is kept. */
export async function moveShop(home: Home, shop: Shop, database: string): Promise<void> {
  const now = await placeOfShop(home, shop);
  await runSql(
    home,
    `insert into ${register} (shop, name, before_name) values ('${shop}', '${database}', '${now.before ?? now.database}')
       on duplicate key update name = values(name), before_name = values(before_name)`,
  );
  // It came by a move as well and never started.
  if (now.before !== null) await dropShopDatabase(home, now.database);
}

/** Takes a move back. @returns false when there is nothing to go back to */
export async function moveBack(home: Home, shop: Shop): Promise<boolean> {
  const { database, before } = await placeOfShop(home, shop);
  if (before === null) return false;
  await runSql(home, `update ${register} set name = '${before}', before_name = null where shop = '${shop}'`);
  await dropShopDatabase(home, database);
  return true;
}

/** A shop has started where it is now: what it was before is not needed any more. */
export async function settleShop(home: Home, shop: Shop): Promise<void> {
  const { before } = await placeOfShop(home, shop);
  if (before === null) return;
  // Whoever is interrupted in between has dropped what nobody asks for.
  await dropShopDatabase(home, before);
  await runSql(home, `update ${register} set before_name = null where shop = '${shop}'`);
}

/** Takes a shop away, with what it was before: it is as if it had never been. */
export async function dropShop(home: Home, shop: Shop): Promise<void> {
  const { database, before } = await placeOfShop(home, shop);
  await runSql(home, `delete from ${register} where shop = '${shop}'`);
  for (const name of new Set([database, before, firstDatabase[shop]]))
    if (name !== null) await dropShopDatabase(home, name);
}

/** Whether a shop was brought to where it is by a move, whole. */
export async function hasMoved(home: Home, shop: Shop): Promise<boolean> {
  await readyRegister(home);
  return (await runSql(home, `select count(*) from ${register} where shop = '${shop}'`)).trim() === '1';
}

/** Takes a database of a shop away, with its archives. */
export async function dropShopDatabase(home: Home, database: string): Promise<void> {
  await dropDatabase(home, database);
  rmSync(archivesOf(home, database), { recursive: true, force: true });
}
