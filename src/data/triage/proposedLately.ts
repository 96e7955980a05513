import type { Unit } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';

const longestMs = 60_000;
const mostKept = 4000;

/** What the targets were worked out from, besides the unit and what changes from minute to minute. */
interface Basis {
  /** What was learnt: the same object while it is the same. */
  readonly learnt: object | undefined;
  /** Versions of the house rules and of the prices. */
  readonly versions: string;
}

interface Kept extends Basis {
  readonly atMs: number;
  readonly targets: readonly string[];
}

const kept = new Map<string, Kept>();

/**
 * What a teardown of a unit would be begun for, for lists: units that look alike are asked about once, and again after a minute,
 * in which the shelf can hardly have changed so much. Who takes one to the bench gets it worked out then.
 */
export function proposedLately(
  model: Model,
  unit: Unit,
  { learnt, versions }: Basis,
  now: Date,
  propose: () => readonly string[],
): readonly string[] {
  const { revision, configuration, variant, marks, tests, found } = unit;
  const key = JSON.stringify([model.id, model.version, revision, configuration, variant, marks, tests, found]);
  const known = kept.get(key);
  const isFresh = known?.learnt === learnt && known?.versions === versions && now.getTime() - known.atMs < longestMs;
  if (known && isFresh) return known.targets;
  const targets = propose();
  if (kept.size >= mostKept) kept.clear();
  kept.set(key, { learnt, versions, atMs: now.getTime(), targets });
  return targets;
}
