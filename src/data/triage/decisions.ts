import type { Knex } from 'knex';
import type { Fact } from '@/core/shop/facts';
import type { Weighed } from '@/core/entities/entities';
import { standingFacts } from '@/data/facts/standingFacts';
import type { ArchivedUnitRow } from '@/data/rows';

export interface DecisionRow {
  readonly unitId: string;
  readonly payload: Fact<'unit-decided'>['payload'];
  /** Seconds of work on the unit's run sheets. */
  readonly seconds: number;
}

/** What a choice was weighed at when it was made, by unit; only for units that stand decided. */
export async function weighedOf(db: Knex, unitIds: readonly string[]): Promise<ReadonlyMap<string, Weighed>> {
  const rows = (await standingFacts(db)
    .where('e.type', 'unit-decided')
    .whereIn('e.unit_id', unitIds)
    .orderBy('e.position')
    .select({ unitId: 'e.unit_id', payload: 'e.payload' })) as Omit<DecisionRow, 'seconds'>[];
  return new Map(
    rows.flatMap(({ unitId, payload: { disposition, weighed = [] } }) => {
      const chosen = weighed.find((entry) => entry.disposition === disposition);
      return chosen ? [[unitId, chosen] as const] : [];
    }),
  );
}

/** What was decided about units, newest first, one standing decision each, with the work that went into each. */
export async function decisions(db: Knex, limit: number): Promise<readonly DecisionRow[]> {
  const rows = (await standingFacts(db)
    .where('e.type', 'unit-decided')
    .orderBy('e.position', 'desc')
    .limit(limit)
    .select({ unitId: 'e.unit_id', payload: 'e.payload' })) as Omit<DecisionRow, 'seconds'>[];
  const newest = [...new Map([...rows].reverse().map((row) => [row.unitId, row])).values()];
  const secondsOf = await workSeconds(
    db,
    newest.map(({ unitId }) => unitId),
  );
  return newest.map((row) => ({ ...row, seconds: secondsOf.get(row.unitId) ?? 0 }));
}

/** Seconds of work on the run sheets of units, as the bench timed them. */
export async function workSeconds(db: Knex, unitIds: readonly string[]): Promise<ReadonlyMap<string, number>> {
  const work = (await standingFacts(db)
    .where('e.type', 'step-done')
    .whereIn('e.unit_id', [...unitIds])
    .groupBy('e.unit_id')
    .select({ unitId: 'e.unit_id' })
    .sum({ seconds: db.raw(`json_value(e.payload, '$.seconds')`) })) as { unitId: string; seconds: number }[];
  const archived = (await db('archived_units')
    .whereIn('unit_id', [...unitIds])
    .select('unit_id', 'seconds')) as Pick<ArchivedUnitRow, 'unit_id' | 'seconds'>[];
  const total = new Map(work.map(({ unitId, seconds }) => [unitId, Number(seconds)]));
  for (const { unit_id, seconds } of archived) total.set(unit_id, (total.get(unit_id) ?? 0) + seconds);
  return total;
}
