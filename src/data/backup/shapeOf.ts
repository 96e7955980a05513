import type { Connection } from 'mariadb';
import { grouped } from '@/core/shared/grouped';
import { ask } from './rawConnection';

export interface ColumnShape {
  readonly name: string;
  /** Of bytes, not of text. */
  readonly isBinary: boolean;
}

export interface TableShape {
  readonly name: string;
  readonly columns: readonly ColumnShape[];
}

/** Tables of a database with the columns that are written to, both by name: what is worked out from others is not among them. */
export async function shapeOf(connection: Connection): Promise<readonly TableShape[]> {
  const rows = (await ask(
    connection,
    `select c.table_name, c.column_name, c.data_type
       from information_schema.columns c
       join information_schema.tables t on t.table_schema = c.table_schema and t.table_name = c.table_name
       where c.table_schema = database() and t.table_type = 'BASE TABLE' and c.is_generated = 'NEVER'
       order by c.table_name, c.ordinal_position`,
  )) as [string, string, string][];
  return [...grouped(rows, ([table]) => table)].map(([name, columns]) => ({
    name,
    columns: columns.map(([, column, type]) => ({ name: column, isBinary: /blob|binary/.test(type) })),
  }));
}

/** Whether two databases hold the same tables with the same columns, in whatever order. */
export const isSameShape = (one: readonly TableShape[], other: readonly TableShape[]): boolean =>
  namesOf(one) === namesOf(other);

const namesOf = (tables: readonly TableShape[]): string =>
  tables
    .flatMap(({ name, columns }) => columns.map((column) => `${name}.${column.name} ${column.isBinary}`))
    .sort()
    .join('\n');
