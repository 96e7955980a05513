import type { Knex } from 'knex';
import type { Rack } from '@/core/shelf/racks';
import type { RackRow } from '@/data/rows';

const toRack = ({ code, row_count, boxes, room, category, is_in_use }: RackRow): Rack => ({
  code,
  rows: row_count,
  boxes,
  room,
  category,
  isInUse: Boolean(is_in_use),
});

/** One letter before two: the way through them. */
const inOrder = 'length(code), code';

export async function listRacks(db: Knex): Promise<readonly Rack[]> {
  return ((await db('racks').orderByRaw(inOrder)) as RackRow[]).map(toRack);
}

/** The same, locked, so that nobody else changes them meanwhile. */
export async function racksForUpdate(trx: Knex): Promise<readonly Rack[]> {
  return ((await trx('racks').orderByRaw(inOrder).forUpdate()) as RackRow[]).map(toRack);
}

/** Adds a rack, or writes over one that is there. */
export async function writeRack(trx: Knex, { code, rows, boxes, room, category, isInUse }: Rack): Promise<void> {
  await trx('racks')
    .insert({ code, row_count: rows, boxes, room, category, is_in_use: isInUse })
    .onConflict('code')
    .merge();
}

export async function partsInBin(db: Knex, bin: string): Promise<number> {
  const row = (await db('parts').where({ bin }).count({ n: '*' }).first()) as { n: number } | undefined;
  return Number(row?.n ?? 0);
}
