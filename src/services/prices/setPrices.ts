import type { Knex } from 'knex';
import type { PricesAsked } from '@/core/prices/judgePrices';
import { accept, type Outcome } from '@/core/shared/outcome';
import { judgeAsked } from '@/data/prices/judgeAsked';
import { insertPrice } from '@/data/prices/priceRepository';
import { transaction } from '@/data/transaction';

/** Sets prices of a model from a day on, all or none. @refuses as `judgePrices`, 'not-found' */
export async function setPrices(
  db: Knex,
  asked: PricesAsked & { readonly modelId: string },
  made: { readonly at: Date; readonly by: string },
): Promise<Outcome<{ readonly set: number }>> {
  const judged = await judgeAsked(db, asked, made.at);
  if (!judged.ok) return judged;
  return transaction(db, async (trx) => {
    for (const price of judged.value) await insertPrice(trx, price, made);
    return accept({ set: judged.value.length });
  });
}
