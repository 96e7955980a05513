import type { Knex } from 'knex';
import type { SelfRead } from '@/core/selfTest/reads';
import { standingFacts } from '@/data/facts/standingFacts';

/** What the page on a unit read last, with the name of who stood by. */
export interface SelfReadAt {
  readonly read: SelfRead;
  /** ISO in UTC. */
  readonly at: string;
  readonly person: string;
}

/** As many as a unit that was tested over and over has; what is older was read again since. */
const most = 60;

/** The last read of each kind off a unit, the newest first. */
export async function selfReadsOf(db: Knex, unitId: string): Promise<readonly SelfReadAt[]> {
  const rows = (await standingFacts(db)
    .leftJoin('people as p', 'p.id', 'e.person_id')
    .where('e.unit_id', unitId)
    .whereIn('e.type', ['test-noted', 'proof-noted'])
    .whereRaw(`json_contains_path(e.payload, 'one', '$.read')`)
    .orderBy('e.position', 'desc')
    .limit(most)
    .select({ payload: 'e.payload', at: 'e.client_at', person: 'p.name' })) as readonly {
    readonly payload: { readonly read: SelfRead };
    readonly at: Date;
    readonly person: string | null;
  }[];
  const last = new Map<string, SelfReadAt>();
  for (const { payload, at, person } of rows)
    if (!last.has(payload.read.is))
      last.set(payload.read.is, { read: payload.read, at: at.toISOString(), person: person ?? '' });
  return [...last.values()];
}
