import type { Knex } from 'knex';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { afterWord, newRecord, onHand, type SupplyRecord, type SupplyWord } from '@/core/supplies/stockOf';
import { insertShopChange } from '@/data/people/shopChanges';
import { lockSupply, writeSupply } from '@/data/supplies/supplyRepository';
import { transaction } from '@/data/transaction';
import { supplyGround, usedSoFar } from '@/data/supplies/supplyGround';

/**
 * Somebody counted a supply, received some, or said how long an order takes. What there was and what there is stands in the record
 * of the shop, with the reason.
 *
 * @refuses 'not-found' when no sheet uses it; 'supply-changed', 'count-first': see `afterWord`
 */
export async function sayOfSupply(
  db: Knex,
  key: string,
  expects: number,
  word: SupplyWord,
  made: { readonly at: Date; readonly by: string },
): Promise<Outcome<SupplyRecord>> {
  const { supplies, used } = await supplyGround(db);
  if (!supplies.some(({ supply }) => supply.key === key)) return refuse('not-found', { key: key.slice(0, 80) });
  const soFar = usedSoFar(used, key);
  return transaction(db, async (trx) => {
    const before = (await lockSupply(trx, key)) ?? newRecord(key);
    const judged = afterWord(before, expects, word, soFar, made.at.toISOString());
    if (!judged.ok) return judged;
    await writeSupply(trx, judged.value);
    const amount = (record: SupplyRecord) => onHand(record, soFar);
    const fields =
      word.says === 'lead'
        ? [{ field: 'days', from: `${before.leadDays}`, to: `${word.days}` }]
        : [
            { field: 'count', from: say(amount(before)), to: say(amount(judged.value)) },
            ...(word.says === 'counted' ? [{ field: 'because', from: null, to: word.because }] : []),
          ];
    await insertShopChange(trx, { kind: `supply-${word.says}`, about: key.slice(0, 60), fields }, made);
    return accept(judged.value);
  });
}

const say = (count: number | null): string | null => (count === null ? null : `${count}`);
