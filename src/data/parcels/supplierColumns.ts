import type { Knex } from 'knex';
import type { RememberedMapping } from '@/core/intake/columnMapping';
import type { SupplierColumnsRow } from '@/data/rows';

/** How the last list of a supplier was read that somebody mapped by hand. */
export async function mappingOf(db: Knex, supplier: string): Promise<RememberedMapping | undefined> {
  const row = (await db('supplier_columns').where({ supplier }).first('mapping')) as
    Pick<SupplierColumnsRow, 'mapping'> | undefined;
  return row?.mapping;
}

export async function rememberMapping(db: Knex, supplier: string, mapping: RememberedMapping): Promise<void> {
  await db('supplier_columns')
    .insert({ supplier, mapping: JSON.stringify(mapping) })
    .onConflict('supplier')
    .merge();
}
