import type { Knex } from 'knex';
import { randomBytes } from 'node:crypto';
import type { Person } from '@/core/people/roles';
import { selfTestCode } from '@/core/selfTest/code';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { findPart } from '@/data/parts/partRepository';
import { insertSelfTest } from '@/data/selfTest/selfTestRepository';
import { findUnit } from '@/data/units/unitRepository';

/** Where tests of a whole unit are noted. */
const testedAt: readonly string[] = ['triage', 'prove'];

/**
 * Makes a page on a unit, under a code that is short enough to type.
 *
 * @param part  tag of the part that is read there; without it the unit's own tests are
 * @refuses 'not-found', 'wrong-stage' for a unit that is not tested where it stands
 */
export async function openSelfTest(
  db: Knex,
  { unitId, part = null }: { readonly unitId: string; readonly part?: string | null | undefined },
  { id: madeBy, bench }: Person,
  now: Date,
): Promise<Outcome<{ readonly code: string }>> {
  const unit = await findUnit(db, { id: unitId });
  const own = part === null ? undefined : await findPart(db, { tag: part });
  if (!unit || (part !== null && own?.unitId !== unitId)) return refuse('not-found', { id: part ?? unitId });
  if (part === null && !testedAt.includes(unit.stage))
    return refuse('wrong-stage', { tag: unit.tag, stage: unit.stage });
  const code = selfTestCode(randomBytes(64));
  await insertSelfTest(db, { code, unitId, part, bench, madeBy }, now);
  return accept({ code });
}
