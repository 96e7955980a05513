import type { Knex } from 'knex';

/** Who did the last thing to a unit, where and when. */
export interface LastActor {
  readonly unitId: string;
  readonly name: string;
  readonly benchName: string;
  /** ISO in UTC. */
  readonly at: string;
}

/** Who had each of these units in hand last. */
export async function lastActors(db: Knex, unitIds: readonly string[]): Promise<readonly LastActor[]> {
  if (unitIds.length === 0) return [];
  const rows = (await db('units as u')
    .join('facts as f', 'f.id', 'u.last_fact_id')
    .leftJoin('doers as d', 'd.fact_id', 'f.id')
    .joinRaw('join people as p on p.id = coalesce(d.person_id, f.person_id)')
    .leftJoin('benches as b', 'b.id', 'f.bench')
    .whereIn('u.id', [...unitIds])
    .select({
      unitId: 'u.id',
      name: 'p.name',
      benchName: 'b.name',
      bench: 'f.bench',
      at: 'f.client_at',
    })) as { unitId: string; name: string; benchName: string | null; bench: string; at: Date }[];
  return rows.map(({ unitId, name, benchName, bench, at }) => ({
    unitId,
    name,
    benchName: benchName ?? bench,
    at: at.toISOString(),
  }));
}
