import { isDeepStrictEqual } from 'node:util';
import type { Knex } from 'knex';
import type { EntityKind } from '@/core/bench/entities';
import type { RecordedEvent } from '@/core/bench/events';
import { replay } from '@/core/bench/replay';
import { entityTables } from '@/data/events/entityTables';
import { eventsAfter } from '@/data/events/eventRepository';
import { allModels } from '@/data/models/modelRepository';

export interface LogComparison {
  readonly events: number;
  readonly things: number;
  /** Things that the tables and the log disagree about, as `kind id`. */
  readonly differences: readonly string[];
}

/** Rebuilds the state from the log and holds every table against it. */
export async function compareWithLog(db: Knex): Promise<LogComparison> {
  const events = await wholeLog(db);
  const world = replay(events, await allModels(db));
  const differences: string[] = [];
  let things = 0;
  for (const kind of Object.keys(entityTables) as EntityKind[]) {
    const { table } = entityTables[kind];
    const read = entityTables[kind].read as (row: object) => { readonly id: string };
    const rows = (await db(table)) as object[];
    const stored = new Map(rows.map(read).map((entity) => [entity.id, entity]));
    const rebuilt = world.tables[kind] as ReadonlyMap<string, object>;
    things += rebuilt.size;
    for (const id of new Set([...stored.keys(), ...rebuilt.keys()])) {
      if (!isDeepStrictEqual(stored.get(id), plain(rebuilt.get(id)))) differences.push(`${kind} ${id}`);
    }
  }
  return { events: events.length, things, differences };
}

/** As it comes out of a JSON column: an absent optional is no key. */
const plain = (entity: object | undefined): unknown => entity && JSON.parse(JSON.stringify(entity));

async function wholeLog(db: Knex): Promise<readonly RecordedEvent[]> {
  const events: RecordedEvent[] = [];
  for (
    let chunk = await eventsAfter(db, 0, 1000);
    chunk.length > 0;
    chunk = await eventsAfter(db, events.length, 1000)
  ) {
    events.push(...chunk);
  }
  return events;
}
