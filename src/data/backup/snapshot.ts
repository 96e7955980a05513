import type { Readable } from 'node:stream';
import type { DatabasePlace } from '@/data/connection';
import { migrateLock } from '@/data/migrations/migrate';
import { ask, rawConnection, type Cell } from './rawConnection';
import { shapeOf, type TableShape } from './shapeOf';

/** What a database held at one moment, however long it is read. */
export interface Snapshot {
  /** The last step of its tables that was done; null before the first. */
  readonly step: string | null;
  /** True when the step after that was begun and not finished. */
  readonly isHalf: boolean;
  readonly tables: readonly TableShape[];
  /** The shop’s name; empty when it has none yet. */
  readonly shop: string;
  /** Files of facts that were moved out of the log. */
  readonly archives: readonly string[];
  /** The rows of a table; one table at a time. */
  readonly rows: (table: TableShape) => AsyncIterable<readonly Cell[]>;
  readonly close: () => Promise<void>;
}

const waitSeconds = 120;

/**
 * Opens a snapshot. Work goes on beside it; only what changes tables waits until it is closed.
 *
 * @throws Error when somebody else changes tables for minutes, or the database does not answer
 */
export async function openSnapshot(place: DatabasePlace): Promise<Snapshot> {
  const connection = await rawConnection(place);
  try {
    const [[got] = []] = await ask(connection, `select get_lock(${migrateLock}, ?)`, [waitSeconds]);
    if (got !== '1') throw new Error('openSnapshot: the tables are being changed; try again in a minute');
    await connection.query('set session transaction isolation level repeatable read');
    await connection.query('start transaction with consistent snapshot, read only');
    const tables = await shapeOf(connection);
    const column = async (table: string, sql: string): Promise<readonly Cell[]> =>
      tables.some(({ name }) => name === table) ? (await ask(connection, sql)).map(([cell = null]) => cell) : [];
    const [step = null] = await column('knex_migrations', 'select max(name) from knex_migrations');
    const [locked] = await column('knex_migrations_lock', 'select max(is_locked) from knex_migrations_lock');
    const [shop] = await column(
      'house_rules',
      `select json_value(rules, '$.shop.name') from house_rules order by version desc limit 1`,
    );
    const archives = await column('archives', `select file from archives where sha256 <> ''`);
    return {
      step: step as string | null,
      isHalf: locked === '1',
      tables,
      shop: String(shop ?? ''),
      archives: archives.map(String),
      rows: ({ name, columns }) =>
        connection.queryStream(
          `select ${columns.map((column) => `\`${column.name}\``).join(', ')} from \`${name}\``,
        ) as Readable & AsyncIterable<readonly Cell[]>,
      // Whatever is still being read of it ends with the connection.
      close: () => Promise.resolve(connection.destroy()),
    };
  } catch (error) {
    connection.destroy();
    throw error;
  }
}
