import knex, { type Knex } from 'knex';
import { userInfo } from 'node:os';

/** Where the database is. A socket for the shipped private server, host and port for one that several machines share. */
export interface DatabasePlace {
  readonly socketPath?: string;
  readonly host?: string;
  readonly port?: number;
  readonly user: string;
  readonly password?: string;
  readonly database: string;
}

export function placeFromEnvironment(env: Readonly<Record<string, string | undefined>>): DatabasePlace {
  const database = env.PLUCKY_DB_NAME ?? 'plucky_own';
  const user = env.PLUCKY_DB_USER ?? userInfo().username;
  if (env.PLUCKY_DB_SOCKET) return { socketPath: env.PLUCKY_DB_SOCKET, user, database };
  if (env.PLUCKY_DB_HOST) {
    const { PLUCKY_DB_HOST: host, PLUCKY_DB_PORT: port, PLUCKY_DB_PASSWORD: password } = env;
    return { host, port: Number(port ?? 3306), user, password, database };
  }
  throw new Error('No database named: set PLUCKY_DB_SOCKET or PLUCKY_DB_HOST, or start with ./plucky.');
}

export function connect(place: DatabasePlace): Knex {
  return knex({
    client: 'mariadb',
    version: '10.11.19',
    connection: {
      ...place,
      timezone: 'Z',
      insertIdAsNumber: true,
      bigIntAsNumber: true,
      checkNumberRange: true,
      connectTimeout: 2000,
    } as Knex.StaticConnectionConfig,
    pool: {
      min: 0,
      max: 10,
      acquireTimeoutMillis: 4000,
      idleTimeoutMillis: 30_000,
      // What a fact involves is locked before it is read, so each statement may see the newest: waiting for a counter
      // then costs no retry, as it would under a snapshot taken earlier.
      afterCreate: (
        raw: { query: (sql: string, done: (error: Error | null) => void) => void },
        done: (error: Error | null, raw: unknown) => void,
      ) => raw.query(`set session transaction isolation level read committed`, (error) => done(error, raw)),
    },
    log: { warn: () => undefined },
  });
}

const holder = globalThis as typeof globalThis & { pluckyDatabase?: Knex };

/** The one pool of this process; hot reloads share it. */
export function database(): Knex {
  holder.pluckyDatabase ??= connect(placeFromEnvironment(process.env));
  return holder.pluckyDatabase;
}
