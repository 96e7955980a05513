import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';
import type { KnownYield } from './knownYields';

/** Counts of what triage noted on units that were decided about: by model, and by what was found. */
export interface LookGround {
  readonly units: readonly { readonly modelId: string; readonly units: number }[];
  readonly tests: readonly { readonly modelId: string; readonly test: DeviceTest; readonly units: number }[];
  readonly marks: readonly { readonly finding: Finding; readonly units: number }[];
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

/** What triage noted so far, and before that what any shop finds. */
export function knownLooks({ units, tests, marks }: LookGround): KnownLooks {
  const unitsOf = new Map(units.map((own) => [own.modelId, own.units]));
  const all = units.reduce((sum, own) => sum + own.units, 0);
  const made = new Map<DeviceTest, { made: number; of: number }>();
  for (const { modelId, test, units: own } of tests) {
    const known = made.get(test) ?? { made: 0, of: 0 };
    // Of the models that have this test: those on which it was ever made.
    made.set(test, { made: known.made + own, of: known.of + (unitsOf.get(modelId) ?? own) });
  }
  const found = new Map(marks.map((own) => [own.finding, own.units]));
  const kinds = new Set([...Object.keys(startingMarks), ...found.keys()] as Finding[]);
  return {
    made: Object.fromEntries([...made].map(([test, own]) => [test, looked(own.made, own.of, startingMade)])),
    marks: Object.fromEntries(
      [...kinds].map((finding) => [finding, looked(found.get(finding) ?? 0, all, startingMarks[finding] ?? 0)]),
    ),
  };
}
