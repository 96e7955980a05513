import type { Knex } from 'knex';
import { subjectKinds, type BenchEvent } from '@/core/bench/events';
import { findEntities } from '@/data/events/entityTables';

/** The version at which the subject of a fact stands now; null when it is not there. */
export async function currentVersion(db: Knex, event: BenchEvent): Promise<number | null> {
  const kind = subjectKinds[event.type];
  if (kind === null) return null;
  const [now] = await findEntities(db, kind, [event.subjectId], false);
  return now?.version ?? null;
}
