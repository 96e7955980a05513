import type { Connection } from 'mariadb';
import { connect, type DatabasePlace } from '@/data/connection';
import { migrate, runStatement } from '@/data/migrations/migrate';
import { migrations } from '@/data/migrations/migrations';
import { ask, rawConnection, type Cell } from './rawConnection';
import { isSameShape, shapeOf, type TableShape } from './shapeOf';

/** Rows for one table. */
export interface TableRows {
  readonly table: TableShape;
  readonly rows: () => AsyncIterable<readonly Cell[]>;
}

/** Where the tables of a snapshot stood. */
export interface SchemaPlace {
  readonly step: string | null;
  readonly isHalf: boolean;
}

/** Whether this version knows how such tables were made. */
export const knowsSchema = ({ step }: SchemaPlace): boolean =>
  step === null || migrations.some(({ name }) => name === step);

/** Carries the news that the tables are as they are wanted. */
class Reached extends Error {}

/**
 * Fills an empty database with rows: the tables are made by this application’s own steps, as far as those of the rows had come,
 * and brought up to date afterwards. Of the rows nothing but values reaches the database.
 *
 * @returns how many rows each table got
 * @throws Error when the tables cannot be made as they were, or a value does not go in
 */
export async function fillDatabase(
  place: DatabasePlace,
  schema: SchemaPlace,
  given: readonly TableRows[],
): Promise<ReadonlyMap<string, number>> {
  const wanted = given.map(({ table }) => table);
  const db = connect(place);
  const connection = await rawConnection(place);
  try {
    const isReached = async () => isSameShape(await shapeOf(connection), wanted);
    if (schema.step !== null) await migrate(db, runStatement, schema.step);
    if (schema.isHalf)
      await migrate(
        db,
        async (trx, statement, step) => {
          if (await isReached()) throw new Reached();
          await runStatement(trx, statement, step);
        },
        stepAfter(schema.step),
      ).catch((error: unknown) => {
        if (!(error instanceof Reached)) throw error;
      });
    if (!(await isReached())) throw new Error('fillDatabase: the tables are not those of any version');
    const counts = new Map<string, number>();
    await connection.query('set foreign_key_checks = 0');
    // What a new shop begins with is in the rows as well.
    for (const { name } of wanted) await connection.query(`truncate table \`${name}\``);
    for (const { table, rows } of given) counts.set(table.name, await fillTable(connection, table, rows()));
    await migrate(db);
    return counts;
  } finally {
    connection.destroy();
    await db.destroy();
  }
}

const stepAfter = (step: string | null): string | undefined =>
  migrations[migrations.findIndex(({ name }) => name === step) + 1]?.name;

const mostRows = 2_000;
const mostBytes = 4 * 1024 ** 2;

async function fillTable(
  connection: Connection,
  { name, columns }: TableShape,
  rows: AsyncIterable<readonly Cell[]>,
): Promise<number> {
  const sql = `insert into \`${name}\` (${columns.map((column) => `\`${column.name}\``).join(', ')})
    values (${columns.map(() => '?').join(', ')})`;
  let waiting: (readonly Cell[])[] = [];
  let bytes = 0;
  let count = 0;
  // The next rows are read while the ones before go in.
  let sent: Promise<unknown> = Promise.resolve();
  const send = async () => {
    await sent;
    if (waiting.length > 0) sent = connection.batch(sql, waiting as Cell[][]);
    sent.catch(() => undefined);
    count += waiting.length;
    [waiting, bytes] = [[], 0];
  };
  await connection.beginTransaction();
  for await (const row of rows) {
    waiting.push(row);
    for (const cell of row) bytes += cell?.length ?? 0;
    if (waiting.length >= mostRows || bytes >= mostBytes) await send();
  }
  await send();
  await sent;
  await connection.commit();
  const [[there] = []] = await ask(connection, `select count(*) from \`${name}\``);
  if (Number(there) !== count) throw new Error(`fillDatabase: ${name} holds ${String(there)} of ${count} rows`);
  return count;
}
