import type { Knex } from 'knex';
import { reorderLine, type ReorderLine } from '@/core/supplies/reorderLine';
import { newRecord, onHand, type SupplyRecord } from '@/core/supplies/stockOf';
import type { Supply } from '@/core/supplies/supplies';
import { usesOf } from '@/core/supplies/supplies';
import { listSupplyRecords } from '@/data/supplies/supplyRepository';
import { supplyGround, usedSoFar } from '@/data/supplies/supplyGround';

export interface SupplyRow extends ReorderLine {
  readonly supply: Supply;
  readonly record: SupplyRecord;
  /** Null while nobody counted. */
  readonly onHand: number | null;
  /** By sheets, in the days that were watched. */
  readonly used: number;
  readonly usedSinceCount: number;
  readonly models: readonly string[];
  readonly standing: 'order' | 'count' | 'enough' | 'unused';
}

export interface SuppliesView {
  readonly rows: readonly SupplyRow[];
  readonly watchedDays: number;
}

const watchedDays = 56;
const dayMs = 24 * 3600 * 1000;
const order = { order: 0, count: 1, enough: 2, unused: 3 } as const;

/** What sheets use up, how much of it there is, and what is to be ordered. */
export async function readSupplies(db: Knex, now: Date): Promise<SuppliesView> {
  const [{ models, supplies, used }, records] = await Promise.all([supplyGround(db), listSupplyRecords(db)]);
  const recordOf = new Map(records.map((record) => [record.key, record]));
  const nameOf = new Map(models.map(({ id, name }) => [id, name]));
  const first = new Date(now.getTime() - (watchedDays - 1) * dayMs).toISOString().slice(0, 10);
  const perUse = new Map<string, number>();
  for (const model of models)
    for (const { supply, count } of [...usesOf(model).back.values()].flat())
      perUse.set(supply.key, Math.max(perUse.get(supply.key) ?? 1, count));
  const rows = supplies.map(({ supply, modelIds }): SupplyRow => {
    const record = recordOf.get(supply.key) ?? newRecord(supply.key);
    const days = [...(used.get(supply.key) ?? [])];
    const lately = days.filter(([day]) => day >= first).reduce((sum, [, count]) => sum + count, 0);
    const soFar = usedSoFar(used, supply.key);
    const line = reorderLine(lately, perUse.get(supply.key) ?? 1, watchedDays, record.leadDays);
    const left = onHand(record, soFar);
    const standing =
      left === null
        ? lately > 0
          ? 'count'
          : 'unused'
        : left < 0
          ? 'count'
          : left <= line.line && lately > 0
            ? 'order'
            : 'enough';
    return {
      ...{ supply, record, onHand: left, used: lately, standing, ...line },
      usedSinceCount: record.counted === null ? soFar : soFar - record.usedThen,
      models: modelIds.map((id) => nameOf.get(id) ?? id),
    };
  });
  return {
    watchedDays,
    rows: rows.sort(
      (a, b) => order[a.standing] - order[b.standing] || b.used - a.used || a.supply.key.localeCompare(b.supply.key),
    ),
  };
}
