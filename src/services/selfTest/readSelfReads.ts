import type { Knex } from 'knex';
import { findPersonName } from '@/data/people/peopleRepository';
import { selfReadsOf, type SelfReadAt } from '@/data/selfTest/selfReads';
import { selfTestOf, type SelfTest } from '@/data/selfTest/selfTestRepository';

/** What a bench sees of a unit that tests itself: the page that is open for it, and what was read. */
export interface SelfReadsView {
  readonly page: (Pick<SelfTest, 'code' | 'openedAt' | 'done'> & { readonly madeBy: string }) | null;
  readonly reads: readonly SelfReadAt[];
}

/**
 * @param part    tag of the part whose page is asked for; null for the unit's own
 * @param mayUse  whether who asks may record: to anybody else the code is not told, for it records under its maker's name
 */
export async function readSelfReads(
  db: Knex,
  unitId: string,
  part: string | null,
  mayUse: boolean,
  now: Date,
): Promise<SelfReadsView> {
  const [page, reads] = await Promise.all([
    mayUse ? selfTestOf(db, unitId, part, now) : undefined,
    selfReadsOf(db, unitId),
  ]);
  if (!page) return { page: null, reads };
  const madeBy = (await findPersonName(db, page.madeBy)) ?? '';
  return { page: { code: page.code, openedAt: page.openedAt, done: page.done, madeBy }, reads };
}
