import type { Knex } from 'knex';
import { readSupplies } from '@/services/supplies/readSupplies';
import { sayOfSupply } from '@/services/supplies/sayOfSupply';
import type { DemoBench } from './demoBench';

/** How many of the supplies that sheets used most were there when somebody counted: some run out, some last. */
const counted = [2, 24, 1, 60, 40];
const leadDays = 10;

/** What happened around the shelf: one part is kept for an order, a cell was read and is too low, and some supplies were counted. */
export async function tellShelfStory(db: Knex, bench: DemoBench, lead: string, now: Date): Promise<void> {
  bench.turn();
  const stored = bench.partsAt('shelf');
  const display = stored.findLast(({ category }) => category === 'display');
  if (display) await bench.fact('part-reserved', display.id, { for: 'Order 118, Fern & Bell' }, 0);
  const cell = stored.find(({ category }) => category === 'battery');
  if (cell) await bench.fact('cell-topped-up', cell.id, { restVolt: 3.31 }, 0);
  const at = new Date(now.getTime() - 2 * 24 * 3600 * 1000);
  const { rows } = await readSupplies(db, now);
  for (const [index, count] of counted.entries()) {
    const record = rows[index]?.record;
    if (!record) continue;
    const made = { at, by: lead };
    const because = 'counted for the first time';
    const outcome = await sayOfSupply(db, record.key, 0, { says: 'counted', count, because }, made);
    if (outcome.ok) await sayOfSupply(db, record.key, 1, { says: 'lead', days: leadDays }, made);
  }
}
