import type { Knex } from 'knex';
import type { Entities, EntityKind } from '@/core/entities/entities';
import type { Change } from '@/core/shop/world';
import { deletePhotosOf } from '../units/photos';
import { entityTables } from './entityTables';

const chunkRows = 500;

/** Brings the tables to what the changes say, in the caller's transaction. */
export async function saveChanges(trx: Knex, changes: readonly Change[]): Promise<void> {
  for (const kind of Object.keys(entityTables) as EntityKind[]) {
    const own = changes.filter((change) => change.kind === kind);
    const { table } = entityTables[kind];
    const write = entityTables[kind].write as (entity: Entities[EntityKind]) => object;
    const made = own.flatMap(({ before, after }) => (!before && after ? [write(after)] : []));
    if (made.length > 0) await trx.batchInsert(table, made, chunkRows);
    const gone = own.flatMap(({ before, after, id }) => (before && !after ? [id] : []));
    for (let from = 0; from < gone.length; from += chunkRows) {
      const ids = gone.slice(from, from + chunkRows);
      await trx(table).whereIn('id', ids).delete();
      if (kind === 'unit') await deletePhotosOf(trx, ids);
    }
    for (const { before, after, id } of own) {
      if (before && after) await trx(table).where({ id }).update(write(after));
    }
  }
}
