import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';
import { grouped } from '@/core/shared/grouped';
import { acrossParcels, type ParcelCount } from '@/core/yields/byParcel';
import type { KnownYield } from './knownYields';

/** Counts of what triage noted on units that were decided about: by model and parcel, and by what was found. */
export interface LookGround {
  readonly units: readonly { readonly modelId: string; readonly parcelId: string; readonly units: number }[];
  readonly tests: readonly { readonly modelId: string; readonly test: DeviceTest; readonly units: number }[];
  readonly marks: readonly { readonly finding: Finding; readonly parcelId: string; readonly units: number }[];
}

/** A share, and how many trials the belief in it is worth. */
export type Belief = Pick<KnownYield, 'share' | 'weight'>;

/** How closely units are looked at, and what is found on them. */
export interface KnownLooks {
  /** Share of units on which a quick test is made before anything is decided. */
  readonly made: Readonly<Partial<Record<DeviceTest, Belief>>>;
  /** Share of units on which each thing is found. */
  readonly marks: Readonly<Partial<Record<Finding, Belief>>>;
}

/** What a shop expects that has decided about nothing: as if ten units had been looked at. Starting values of ours. */
const startingTrials = 10;
const startingMade = 9;
const startingMarks: Readonly<Partial<Record<Finding, number>>> = {
  crack: 1,
  dent: 1,
  liquid: 0.5,
  'opened-before': 0.5,
};

/** How often a test is made that nobody has made yet. */
export const unknownMade: Belief = looked(0, 0, startingMade);

function looked(seen: number, units: number, before: number): Belief {
  const [good, trials] = [seen + before, units + startingTrials];
  return { share: good / trials, weight: trials };
}

/** Of each thing that can be found, on how many units of each parcel it was, and what was expected of it before any. */
export function marksByParcel({
  units,
  marks,
}: Pick<LookGround, 'units' | 'marks'>): ReadonlyMap<
  Finding,
  { readonly counts: readonly ParcelCount[]; readonly prior: { readonly share: number; readonly weight: number } }
> {
  const parcels = [...grouped(units, ({ parcelId }) => parcelId)].map(([parcelId, own]) => ({
    parcelId,
    sought: own.reduce((sum, { units: more }) => sum + more, 0),
  }));
  const kinds = new Set([...Object.keys(startingMarks), ...marks.map(({ finding }) => finding)] as Finding[]);
  const found = new Map(marks.map(({ finding, parcelId, units: own }) => [`${finding} ${parcelId}`, own]));
  return new Map(
    [...kinds].map((finding) => [
      finding,
      {
        counts: parcels.map((parcel) => ({ ...parcel, good: found.get(`${finding} ${parcel.parcelId}`) ?? 0 })),
        prior: { share: (startingMarks[finding] ?? 0.1) / startingTrials, weight: startingTrials },
      },
    ]),
  );
}

/**
 * What triage noted so far, and before that what any shop finds. How closely units are looked at is the house's; what is
 * found on them is the parcel's as well.
 *
 * @param alike  how far parcels stray
 */
export function knownLooks(ground: LookGround, alike: number): KnownLooks {
  const unitsOf = new Map<string, number>();
  for (const { modelId, units } of ground.units) unitsOf.set(modelId, (unitsOf.get(modelId) ?? 0) + units);
  const made = new Map<DeviceTest, { made: number; of: number }>();
  for (const { modelId, test, units: own } of ground.tests) {
    const known = made.get(test) ?? { made: 0, of: 0 };
    // Of the models that have this test: those on which it was ever made.
    made.set(test, { made: known.made + own, of: known.of + (unitsOf.get(modelId) ?? own) });
  }
  return {
    made: Object.fromEntries([...made].map(([test, own]) => [test, looked(own.made, own.of, startingMade)])),
    marks: Object.fromEntries(
      [...marksByParcel(ground)].map(([finding, { counts }]) => {
        const { good, sought } = acrossParcels(counts, alike);
        return [finding, looked(good, sought, startingMarks[finding] ?? 0)];
      }),
    ),
  };
}
