import type { Knex } from 'knex';
import { plainSerial } from '@/core/shared/serials';
import type { Person } from '@/core/people/roles';
import { accept, type Outcome } from '@/core/shared/outcome';
import { transaction } from '@/data/transaction';
import { noteLost } from '@/data/triage/lostSerials';

/** Notes serials as reported lost. Units that carry one are proposed to be kept apart from then on. */
export const reportLost = (
  db: Knex,
  serials: readonly string[],
  by: Person,
  now: Date,
): Promise<Outcome<{ readonly fresh: number; readonly known: number }>> =>
  transaction(db, async (trx) => {
    const plain = [...new Set(serials.map(plainSerial).filter((serial) => serial !== ''))];
    const fresh = await noteLost(trx, plain, by.name, now);
    return accept({ fresh, known: plain.length - fresh });
  });
