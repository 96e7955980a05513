import type { Knex } from 'knex';
import { setTimeout as sleep } from 'node:timers/promises';
import type { Outcome } from '@/core/shared/outcome';
import { isPassing } from './errors';

const tries = 6;

/** Rolls back without being a fault: carries a refusal out of the transaction. */
class RolledBack extends Error {
  constructor(readonly outcome: Outcome<never>) {
    super('refused');
  }
}

/**
 * Runs some work in one transaction; a deadlock or a lost race is tried again from the start, with a random pause.
 *
 * @throws whatever the work throws, and the passing error when the last try meets it again
 */
export async function inTransaction<T>(db: Knex, work: (trx: Knex.Transaction) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt += 1) {
    try {
      return await db.transaction(work);
    } catch (error) {
      if (!isPassing(error) || attempt === tries) throw error;
      await sleep(Math.random() * 15 * 2 ** attempt);
    }
  }
}

/** Runs a use case in one transaction. A refusal rolls back and comes out as it is. @throws as `inTransaction` */
export async function transaction<T>(
  db: Knex,
  work: (trx: Knex.Transaction) => Promise<Outcome<T>>,
): Promise<Outcome<T>> {
  try {
    return await inTransaction(db, async (trx) => {
      const outcome = await work(trx);
      if (!outcome.ok) throw new RolledBack(outcome);
      return outcome;
    });
  } catch (error) {
    if (error instanceof RolledBack) return error.outcome;
    throw error;
  }
}
