import type { Knex } from 'knex';
import type { ParcelLine, Unit } from '@/core/bench/entities';
import type { Model } from '@/core/procedure/model';
import { knownYields, unseenYield } from '@/core/triage/knownYields';
import type { Knowledge } from '@/core/triage/valueDispositions';
import { newestModels } from '@/data/models/modelRepository';
import { linesOfUnits } from '@/data/parcels/parcelRepository';
import { shelfStock } from '@/data/parts/partRepository';
import { unitsAt } from '@/data/units/unitRepository';
import { outcomeCounts } from '@/data/yields/outcomeCounts';

export interface TriageView {
  readonly units: readonly Unit[];
  /** What the manifest says of a unit, by unit id. */
  readonly lines: Readonly<Record<string, ParcelLine>>;
  readonly models: readonly Model[];
  readonly shelf: Knowledge['shelf'];
  /** Yields so far, by model. */
  readonly yields: Readonly<Record<string, Knowledge['yields']>>;
  readonly unseen: Knowledge['unseen'];
}

/** Units that wait for a decision, and what is known to decide by. */
export async function readTriage(db: Knex): Promise<TriageView> {
  const [units, models, shelf, counts] = await Promise.all([
    unitsAt(db, ['triage']),
    newestModels(db),
    shelfStock(db),
    outcomeCounts(db),
  ]);
  return {
    units,
    models,
    shelf,
    yields: knownYields(counts),
    unseen: unseenYield,
    lines: await linesOfUnits(db, units),
  };
}
