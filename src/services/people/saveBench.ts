import type { Knex } from 'knex';
import { benchId, judgeBench, type WorkBench } from '@/core/people/benches';
import { changedFields } from '@/core/people/shopChange';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { benchesForUpdate, writeBench } from '@/data/people/benchRepository';
import { insertShopChange } from '@/data/people/shopChanges';
import { transaction } from '@/data/transaction';

/**
 * Adds a bench, or gives one another name, or takes it out of use.
 *
 * @param id  null for a new one
 * @refuses 'not-found', 'name-taken', 'last-bench'
 */
export async function saveBench(
  db: Knex,
  id: string | null,
  given: Omit<WorkBench, 'id'>,
  made: { readonly at: Date; readonly by: string },
): Promise<Outcome<WorkBench>> {
  return transaction(db, async (trx) => {
    const benches = await benchesForUpdate(trx);
    const before = benches.find((bench) => bench.id === id);
    if (id !== null && !before) return refuse('not-found', { id });
    const judged = judgeBench(benches, { id: id ?? benchId(given.name, benches), ...given });
    if (!judged.ok) return judged;
    const was = before ?? { id: null, name: null, isInUse: null };
    const fields = changedFields(was, { ...judged.value }).filter(({ field }) => field !== 'id');
    if (fields.length === 0) return judged;
    await writeBench(trx, judged.value);
    const kind = before ? 'bench-changed' : 'bench-added';
    await insertShopChange(trx, { kind, about: judged.value.name, fields }, made);
    return accept(judged.value);
  });
}
