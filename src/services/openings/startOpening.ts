import type { Knex } from 'knex';
import type { OpeningHead } from '@/core/opening/openingLog';
import { accept, type Outcome } from '@/core/shared/outcome';
import { findOpening, insertOpening } from '@/data/openings/openingRepository';

/** Begins the log of a first opening. The same request sent twice begins one. */
export async function startOpening(
  db: Knex,
  id: string,
  head: OpeningHead,
  startedBy: string,
  startedAt: Date,
): Promise<Outcome<string>> {
  if (!(await findOpening(db, id))) await insertOpening(db, { id, ...head, startedBy, startedAt });
  return accept(id);
}
