import type { Knex } from 'knex';

/**
 * The next numbers of a counter, taken in the caller's transaction: a rollback gives them back, so there are no gaps.
 *
 * @param count  how many numbers
 * @returns the first of them
 */
export async function takeNumbers(
  trx: Knex,
  name: 'events' | 'unit-tag' | 'part-tag' | 'shipment-tag',
  count: number,
): Promise<number> {
  const [result] = (await trx.raw('update counters set n = last_insert_id(n + ?) where name = ?', [count, name])) as
    [{ insertId: number }] | [{ insertId: number }, unknown];
  return Number(result.insertId) - count + 1;
}
