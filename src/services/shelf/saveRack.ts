import type { Knex } from 'knex';
import { changedFields } from '@/core/people/shopChange';
import { judgeRack, type Rack } from '@/core/shelf/racks';
import { accept, type Outcome } from '@/core/shared/outcome';
import { insertShopChange } from '@/data/people/shopChanges';
import { binStock } from '@/data/shelf/binStock';
import { racksForUpdate, writeRack } from '@/data/shelf/rackRepository';
import { readTallies } from '@/data/tallies/readTallies';
import { transaction } from '@/data/transaction';

/**
 * Adds a rack, or changes one: how many boxes it has, what goes into them, and whether anything does.
 *
 * @refuses 'too-many-boxes', 'bins-not-empty'
 */
export async function saveRack(
  db: Knex,
  rack: Rack,
  made: { readonly at: Date; readonly by: string },
): Promise<Outcome<Rack>> {
  const stock = binStock(await readTallies(db, ['bin']));
  return transaction(db, async (trx) => {
    const before = (await racksForUpdate(trx)).find(({ code }) => code === rack.code);
    const judged = judgeRack(rack, stock);
    if (!judged.ok) return judged;
    const fields = changedFields(before ? inWords(before) : nothing, inWords(rack));
    if (fields.length === 0) return judged;
    await writeRack(trx, rack);
    const kind = before ? 'rack-changed' : 'rack-added';
    await insertShopChange(trx, { kind, about: rack.code, fields }, made);
    return accept(rack);
  });
}

const inWords = ({ rows, boxes, room, category, isInUse }: Rack) => ({
  rows: `${rows}`,
  boxes: `${boxes}`,
  room: `${room}`,
  category,
  isInUse,
});
const nothing = { rows: null, boxes: null, room: null, category: null, isInUse: null };
