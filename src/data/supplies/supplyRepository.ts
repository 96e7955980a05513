import type { Knex } from 'knex';
import type { SupplyRecord } from '@/core/supplies/stockOf';
import type { SupplyRow } from '@/data/rows';

const toRecord = (row: SupplyRow): SupplyRecord => ({
  key: row.key,
  counted: row.counted,
  countedAt: row.counted_at,
  usedThen: row.used_then,
  received: row.received,
  leadDays: row.lead_days,
  version: row.version,
});

export async function listSupplyRecords(db: Knex): Promise<readonly SupplyRecord[]> {
  return ((await db('supplies')) as SupplyRow[]).map(toRecord);
}

/** One, locked; undefined while nobody said anything of it. */
export async function lockSupply(trx: Knex, key: string): Promise<SupplyRecord | undefined> {
  const row = (await trx('supplies').where({ key }).forUpdate().first()) as SupplyRow | undefined;
  return row && toRecord(row);
}

export async function writeSupply(trx: Knex, record: SupplyRecord): Promise<void> {
  const row: SupplyRow = {
    key: record.key,
    counted: record.counted,
    counted_at: record.countedAt,
    used_then: record.usedThen,
    received: record.received,
    lead_days: record.leadDays,
    version: record.version,
  };
  await trx('supplies').insert(row).onConflict('key').merge();
}
