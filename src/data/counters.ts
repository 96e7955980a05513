import type { Knex } from 'knex';

type CounterName = 'facts' | 'unit-tag' | 'part-tag' | 'shipment-tag';

/** Keeps others from taking numbers until the caller's transaction is over. */
export async function holdCounter(trx: Knex, name: CounterName): Promise<void> {
  await trx('counters').where({ name }).forUpdate().first('n');
}

/**
 * The next numbers of a counter, taken in the caller's transaction: a rollback gives them back, so there are no gaps.
 *
 * @param count  how many numbers
 * @returns the first of them
 */
export async function takeNumbers(trx: Knex, name: CounterName, count: number): Promise<number> {
  const [result] = (await trx.raw('update counters set n = last_insert_id(n + ?) where name = ?', [count, name])) as
    [{ insertId: number }] | [{ insertId: number }, unknown];
  return Number(result.insertId) - count + 1;
}
