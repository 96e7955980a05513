import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { startingOdds, type YieldOdds } from './ladderPolicy';

/** How often a step came to an end on a rung of its ladder (0: the usual way), and whether it yielded there. */
export interface ResistanceCount {
  readonly operationId: string;
  readonly rung: number;
  readonly hasYielded: boolean;
  readonly count: number;
}

/** Nine of ten of a normal lie under so many standard deviations. */
const tenth = 1.2815515655446004;

/** Every so many times that a joint was given up on before its ladder, the ladder is tried to learn. */
const lookAgainAfter = 8;

/** So many trials the prior counts for. */
const weight = 8;

interface Tally {
  readonly tried: number;
  readonly yielded: number;
}

/**
 * Chances to yield as the log teaches them: of an operation, drawn towards those of the other operations of the model that open
 * the same kind of joint, and these towards what is assumed. Beta-binomial with a prior worth eight trials at each step;
 * each trial counts once.
 *
 * @param counts  of this model, any version
 */
export function learnedOdds(model: Model, counts: readonly ResistanceCount[], operation: Operation): YieldOdds {
  const kind = kindOf(model, operation);
  const alike = new Set(
    model.operations
      .filter((other) => other.ladder && other.id !== operation.id && kindOf(model, other) === kind)
      .map(({ id }) => id),
  );
  const ofKind = counts.filter(({ operationId }) => alike.has(operationId));
  const own = counts.filter(({ operationId }) => operationId === operation.id);
  const drawn = (prior: number, { tried, yielded }: Tally) => (weight * prior + yielded) / (weight + tried);
  const twice = (start: number, tally: (counts: readonly ResistanceCount[]) => Tally) =>
    drawn(drawn(start, tally(ofKind)), tally(own));
  return {
    usual: twice(startingOdds.usual, usualTally),
    rung: twice(startingOdds.rung, rungTally),
    practised: startingOdds.practised,
  };
}

/**
 * The odds that a policy goes by now. What it never begins it never learns of, and a few bad trials would write a rung off
 * for ever: so after every eighth time that a joint was given up on the usual way, its rungs are taken to be as good as
 * they could well be (the upper end of the middle 80 %). Where beginning pays even then, one trial more is what that is
 * worth.
 */
export function oddsToTry(model: Model, counts: readonly ResistanceCount[], operation: Operation): YieldOdds {
  const odds = learnedOdds(model, counts, operation);
  const own = counts.filter(({ operationId }) => operationId === operation.id);
  const givenUp = sum(own, ({ rung, hasYielded }) => (rung === 0 && !hasYielded ? 1 : 0));
  if (givenUp === 0 || givenUp % lookAgainAfter !== 0) return odds;
  const trials = weight + rungTally(own).tried;
  // Near enough by a normal: the quantile of a Beta is too heavy for the bench.
  const spread = Math.sqrt((odds.rung * (1 - odds.rung)) / (trials + 1));
  return { ...odds, rung: Math.min(1, odds.rung + tenth * spread) };
}

/** The kind of joint that most of what an operation opens is of. */
function kindOf(model: Model, { opens }: Operation): string {
  const kinds = opens.map((id) => model.joints.find((joint) => joint.id === id)?.kind ?? '');
  return kinds.sort((a, b) => countOf(kinds, b) - countOf(kinds, a) || a.localeCompare(b))[0] ?? '';
}

const countOf = (items: readonly string[], item: string) => items.filter((other) => other === item).length;

const sum = (counts: readonly ResistanceCount[], of: (entry: ResistanceCount) => number) =>
  counts.reduce((total, entry) => total + entry.count * of(entry), 0);

const usualTally = (counts: readonly ResistanceCount[]): Tally => ({
  tried: sum(counts, () => 1),
  yielded: sum(counts, ({ rung, hasYielded }) => (rung === 0 && hasYielded ? 1 : 0)),
});

/** Every rung that was begun was tried once; the last one is where it yielded, if it did. */
const rungTally = (counts: readonly ResistanceCount[]): Tally => ({
  tried: sum(counts, ({ rung }) => rung),
  yielded: sum(counts, ({ rung, hasYielded }) => (rung > 0 && hasYielded ? 1 : 0)),
});
