import { createConnection, type Connection, type FieldInfo } from 'mariadb';
import type { DatabasePlace } from '@/data/connection';

/** A value as the database writes it: text, bytes for what is binary, or nothing. */
export type Cell = string | Buffer | null;

/** A connection beside the pool that hands values through as they are, row by row: nothing is rounded, nothing becomes a date. */
export const rawConnection = (place: DatabasePlace): Promise<Connection> =>
  createConnection({
    ...place,
    timezone: 'Z',
    rowsAsArray: true,
    connectTimeout: 5_000,
    maxAllowedPacket: 64 * 1024 ** 2,
    typeCast: (field) => (isOfBytes(field) ? field.buffer() : field.string()),
  });

/** Text is sent as such a type, too, but in a character set; number 63 stands for none. */
const isOfBytes = ({ type, collation }: FieldInfo): boolean => type.endsWith('BLOB') && collation.index === 63;

/** All rows of a small answer. */
export const ask = async (connection: Connection, sql: string, values: readonly unknown[] = []): Promise<Cell[][]> =>
  (await connection.query(sql, [...values])) as Cell[][];
