import type { Knex } from 'knex';
import { readMachine } from '@/services/machine/readMachine';

/** How large a shop is and how it is kept, in numbers: nothing that anybody named, typed or did. */
export async function aboutShop(db: Knex, home: string, now: Date): Promise<object> {
  const [tables, [version], steps, { state, verdicts }] = await Promise.all([
    db('information_schema.tables')
      .where({ table_schema: db.raw('database()') })
      .orderBy('table_name')
      .select({ table: 'table_name', rows: 'table_rows', bytes: db.raw('data_length + index_length') }) as Promise<
      readonly object[]
    >,
    db.raw('select version() as version').then(([rows]) => rows as { version: string }[]),
    db('knex_migrations').orderBy('id', 'desc').limit(1).pluck('name') as Promise<string[]>,
    readMachine(db, { home, isDemo: false }, now),
  ]);
  const { room, shop, backup, late, clocks, uncounted } = state;
  return {
    database: version?.version,
    schema: steps[0] ?? null,
    tables,
    size: shop,
    room,
    backup: typeof backup === 'object' ? { ...backup, folder: undefined } : backup,
    late: late.map(({ facts, longestMinutes }) => ({ facts, longestMinutes })),
    clocks: clocks.map(({ facts, offS }) => ({ facts, offS })),
    uncounted,
    verdicts: verdicts.map(({ about, urgency, says }) => ({ about, urgency, says: says.code })),
  };
}
