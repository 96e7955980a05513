import { grouped } from '@/core/shared/grouped';
import { acrossParcels, alikeParcels, type ParcelCount } from './byParcel';

/** What became of the parts of one kind that were sought: from the log, nothing typed in. */
export interface OutcomeCount {
  readonly modelId: string;
  readonly partRef: string;
  readonly good: number;
  readonly sought: number;
}

/** The same in one parcel. */
export interface ParcelOutcome extends OutcomeCount, ParcelCount {}

/** What a shop expects of a part before it has sought any: as if one had come out good, and another half. Hopeful, and wide. */
export const startingOutcome = { good: 1.5, sought: 2 };
/** So many trials what is known of other parts counts for, before the counts say it. */
export const startingPartWeight = 4;

export const partKey = ({ modelId, partRef }: Pick<OutcomeCount, 'modelId' | 'partRef'>): string =>
  `${modelId}/${partRef}`;

/** How far the yields of one parcel stray from the shop's: the weight of `alikeParcels`. */
export function partsAlike(outcomes: readonly ParcelOutcome[]): number {
  const good = outcomes.reduce((sum, own) => sum + own.good, startingOutcome.good);
  const sought = outcomes.reduce((sum, own) => sum + own.sought, startingOutcome.sought);
  const prior = { share: good / sought, weight: startingPartWeight };
  return alikeParcels([...grouped(outcomes, partKey).values()].map((counts) => ({ counts, prior })));
}

/** Part by part, what all parcels together say, as trials that have nothing to do with each other would: no whole numbers. */
export const outcomesAcross = (outcomes: readonly ParcelOutcome[], alike: number): readonly OutcomeCount[] =>
  [...grouped(outcomes, partKey).values()].map((counts) => {
    const [{ modelId, partRef }] = counts as readonly [ParcelOutcome];
    return { modelId, partRef, ...acrossParcels(counts, alike) };
  });
