import type { Knex } from 'knex';
import { definitions, type Fact } from '@/core/shop/facts';
import { findEntities } from '@/data/facts/entityTables';

/** The version at which the subject of a fact stands now; null when it is not there. */
export async function currentVersion(db: Knex, fact: Fact): Promise<number | null> {
  const kind = definitions[fact.type].subject;
  if (kind === null) return null;
  const [now] = await findEntities(db, kind, [fact.subjectId], false);
  return now?.version ?? null;
}
