import type { Knex } from 'knex';
import type { Parcel, Unit } from '@/core/entities/entities';
import type { UnitStage } from '@/core/entities/stages';
import { firstHour, type FirstHourEntry } from '@/core/flow/firstHour';
import { planToday, type Job } from '@/core/flow/planToday';
import { latelyDays, slowestStage, workingFlows, type StageFlow } from '@/core/flow/slowestStage';
import { shopDay } from '@/core/shared/shopDay';
import { withNames, type Named } from '@/core/shop/namedIn';
import { latestFacts, type ListedFact } from '@/data/facts/latestFacts';
import { lastActors, type LastActor } from '@/data/flow/lastActors';
import { passedStages } from '@/data/flow/passedStages';
import { shopSoFar } from '@/data/flow/shopSoFar';
import { waitingAtStages } from '@/data/flow/waitingAtStages';
import { newestModels } from '@/data/models/modelRepository';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { listParcels, stageCounts } from '@/data/parcels/parcelRepository';
import { shelfStock } from '@/data/parts/shelfStock';
import { readTallies } from '@/data/tallies/readTallies';
import { findPerson } from '@/data/people/peopleRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { unitsAt } from '@/data/units/unitRepository';

export interface ParcelProgress {
  readonly parcel: Parcel;
  readonly stages: readonly { readonly stage: UnitStage; readonly count: number }[];
  readonly untagged: number;
}

export interface TodayView {
  readonly jobs: readonly Job[];
  /** Who has the units that somebody is in the middle of. */
  readonly inHand: readonly LastActor[];
  /** The shop's day, ISO: what was before it says its day. */
  readonly today: string;
  readonly tight: StageFlow | null;
  readonly parcels: readonly ParcelProgress[];
  readonly facts: readonly Named<ListedFact>[];
  /** The way to a first unit for sale; null once it was gone, or put away. */
  readonly firstHour: readonly FirstHourEntry[] | null;
}

const working: readonly UnitStage[] = ['teardown', 'match', 'rebuild', 'prove', 'send'];

/** What needs somebody now, what is going on in the parcels, and what happened last. */
export async function readToday(db: Knex, personId: string, now: Date): Promise<TodayView> {
  const [units, models, tallies, passed, parcels, facts, person, rules] = await Promise.all([
    unitsAt(db, working),
    newestModels(db),
    readTallies(db, ['stage', 'place', 'lined', 'parcel-stage', 'stock', 'whole']),
    passedStages(db, new Date(now.getTime() - latelyDays * 24 * 3600 * 1000)),
    listParcels(db),
    latestFacts(db, 8),
    findPerson(db, personId),
    currentRules(db),
  ]);
  const waiting = await waitingAtStages(db, tallies);
  const counts = stageCounts(tallies);
  const guide = firstHour(await shopSoFar(db, tallies));
  const isOver = person?.put_away.includes('first-hour') || guide.every(({ isDone }) => isDone);
  const jobs = planToday({ units: units as readonly Unit[], models, waiting, shelf: shelfStock(tallies) });
  return {
    jobs,
    inHand: await lastActors(
      db,
      jobs.filter(({ kind }) => kind === 'go-on').map(({ id }) => id),
    ),
    today: shopDay(now.getTime(), rules.shop.timeZone),
    tight: slowestStage(workingFlows(waiting, passed)),
    parcels: parcels.slice(0, 4).map((parcel) => {
      const stages = counts.get(parcel.id) ?? [];
      const tagged = stages.reduce((sum, { count }) => sum + count, 0);
      return { parcel, stages, untagged: Math.max(0, parcel.lineCount - tagged) };
    }),
    facts: withNames(facts, await modelsOfUnits(db, facts)),
    firstHour: isOver ? null : guide,
  };
}
