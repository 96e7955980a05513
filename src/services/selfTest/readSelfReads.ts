import type { Knex } from 'knex';
import { selfReadsOf, type SelfReadAt } from '@/data/selfTest/selfReads';
import { selfTestOf, type SelfTest } from '@/data/selfTest/selfTestRepository';

/** What a bench sees of a unit that tests itself: the page that is open for it, and what was read. */
export interface SelfReadsView {
  readonly page: Pick<SelfTest, 'code' | 'openedAt' | 'done'> | null;
  readonly reads: readonly SelfReadAt[];
}

/** @param part  tag of the part whose page is asked for; null for the unit's own */
export async function readSelfReads(db: Knex, unitId: string, part: string | null, now: Date): Promise<SelfReadsView> {
  const [page, reads] = await Promise.all([selfTestOf(db, unitId, part, now), selfReadsOf(db, unitId)]);
  return { page: page ? { code: page.code, openedAt: page.openedAt, done: page.done } : null, reads };
}
