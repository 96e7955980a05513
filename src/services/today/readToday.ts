import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { withNames, type Named } from '@/core/shop/namedIn';
import type { Knex } from 'knex';
import type { Parcel, Unit } from '@/core/entities/entities';
import type { UnitStage } from '@/core/entities/stages';
import { planToday, type Job } from '@/core/flow/planToday';
import { latestFacts, type ListedFact } from '@/data/facts/latestFacts';
import { waitingAtStages } from '@/data/flow/waitingAtStages';
import { newestModels } from '@/data/models/modelRepository';
import { listParcels, stageCounts } from '@/data/parcels/parcelRepository';
import { shelfStock } from '@/data/parts/partRepository';
import { unitsAt } from '@/data/units/unitRepository';

export interface ParcelProgress {
  readonly parcel: Parcel;
  readonly stages: readonly { readonly stage: UnitStage; readonly count: number }[];
  readonly untagged: number;
}

export interface TodayView {
  readonly jobs: readonly Job[];
  readonly parcels: readonly ParcelProgress[];
  readonly facts: readonly Named<ListedFact>[];
}

const working: readonly UnitStage[] = ['teardown', 'match', 'rebuild', 'prove', 'send'];

/** What needs somebody now, what is going on in the parcels, and what happened last. */
export async function readToday(db: Knex): Promise<TodayView> {
  const [units, models, waiting, shelf, parcels, counts, facts] = await Promise.all([
    unitsAt(db, working),
    newestModels(db),
    waitingAtStages(db),
    shelfStock(db),
    listParcels(db),
    stageCounts(db),
    latestFacts(db, 8),
  ]);
  return {
    jobs: planToday({ units: units as readonly Unit[], models, waiting, shelf }),
    parcels: parcels.slice(0, 4).map((parcel) => {
      const stages = counts.filter(({ parcelId }) => parcelId === parcel.id);
      const tagged = stages.reduce((sum, { count }) => sum + count, 0);
      return { parcel, stages, untagged: Math.max(0, parcel.lineCount - tagged) };
    }),
    facts: withNames(facts, await modelsOfUnits(db, facts)),
  };
}
