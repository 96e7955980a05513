import type { Knex } from 'knex';
import type { HouseRules } from '@/core/shared/houseRules';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { currentRules, insertRules } from '@/data/rules/houseRulesRepository';
import { holdCounter } from '@/data/counters';
import { transaction } from '@/data/transaction';

/**
 * Makes these the rules of today, as the next version. What was decided before keeps the version it was decided by.
 *
 * @param made.by  id of the person; null for the shop's own command
 * @param made.expects  the version that was seen; without it whatever stands is replaced
 * @refuses 'rules-stale' when another version stands by now
 */
export async function changeRules(
  db: Knex,
  rules: Omit<HouseRules, 'version'>,
  made: { readonly at: Date; readonly by: string | null; readonly expects?: number },
): Promise<Outcome<HouseRules>> {
  return transaction(db, async (trx) => {
    // Facts wait: each is said before the change or after it.
    await holdCounter(trx, 'facts');
    const { version } = await currentRules(trx);
    if (made.expects !== undefined && made.expects !== version) return refuse('rules-stale', { version });
    const next = { ...rules, version: version + 1 };
    await insertRules(trx, next, made);
    return accept(next);
  });
}
