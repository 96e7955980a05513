import { attributesOf, type AttributeId, type NumberAttribute, type Readings } from '@/core/grading/attributes';
import { gradeReading } from '@/core/grading/gradePart';
import type { PartCategory } from '@/core/procedure/vocabulary';
import { areUsable, limitedGrades, limitsFor, type GradingRules, type Limits } from '@/core/shared/gradingRules';
import type { GradePair } from './kappa';

/** A part that was looked at twice, with what each look read. */
export interface TwoLooks extends GradePair {
  readonly category: PartCategory;
  readonly interchange: string;
  readonly readings: readonly [Readings, Readings];
  /** Who looked, by id. */
  readonly by: readonly [string, string];
}

/** What would make people agree more: a limit moved, or the words of two choices told apart. */
export type Cure =
  | {
      readonly kind: 'limit';
      readonly grade: (typeof limitedGrades)[number];
      readonly from: number;
      readonly to: number;
      /** Pairs that would still differ. */
      readonly left: number;
    }
  | { readonly kind: 'wording'; readonly choices: readonly [string, string]; readonly times: number };

export interface Dispute {
  readonly category: PartCategory;
  readonly attribute: AttributeId;
  /** Pairs in which both looks read it, and in which they gave it two grades. */
  readonly pairs: number;
  readonly differ: number;
  readonly cure: Cure | null;
}

/**
 * The attributes on which two looks gave two grades, the most disputed first, each with what would cure it best: of a number the
 * limit that parts the fewest pairs, of a choice the two that are taken for each other. Of a few pairs no cure is said.
 */
export function disputesOf(looks: readonly TwoLooks[], rules: GradingRules): readonly Dispute[] {
  const categories = [...new Set(looks.map(({ category }) => category))];
  return categories
    .flatMap((category) => {
      const own = looks.filter((look) => look.category === category);
      const ids = attributesOf({ category, interchange: '', reuse: 'asked' }, rules).map(({ id }) => id);
      return ids.flatMap((id) => disputeOf(category, id, own, rules) ?? []);
    })
    .sort((a, b) => b.differ - a.differ || a.attribute.localeCompare(b.attribute));
}

/** Of fewer pairs nobody can say what would cure them. */
const enoughDiffer = 3;

interface ReadTwice {
  readonly attribute: ReturnType<typeof attributesOf>[number];
  readonly values: readonly [number | string, number | string];
}

function disputeOf(
  category: PartCategory,
  id: AttributeId,
  looks: readonly TwoLooks[],
  rules: GradingRules,
): Dispute | null {
  const read = looks.flatMap(({ interchange, readings: [one, other] }): ReadTwice[] => {
    const attribute = attributesOf({ category, interchange, reuse: 'asked' }, rules).find((each) => each.id === id);
    const [a, b] = [one[id], other[id]];
    return attribute && a !== undefined && b !== undefined ? [{ attribute, values: [a, b] }] : [];
  });
  const differ = read.filter(differs);
  const [first] = read;
  if (!first || differ.length === 0) return null;
  const cure =
    differ.length < enoughDiffer
      ? null
      : first.attribute.kind === 'number'
        ? cureOfLimit(first.attribute, read, rules)
        : cureOfWording(differ);
  return { category, attribute: id, pairs: read.length, differ: differ.length, cure };
}

const differs = ({ attribute, values: [a, b] }: ReadTwice): boolean =>
  gradeReading(attribute, a) !== gradeReading(attribute, b);

/** How far a limit may be moved to cure a dispute: more would be another rule. */
const widthsMoved = 2;

/** The one limit whose move leaves the fewest pairs with two grades, moved as little as that needs; null when none helps. */
function cureOfLimit({ id, plusMinus }: NumberAttribute, read: readonly ReadTwice[], rules: GradingRules): Cure | null {
  const limits = limitsFor(rules, id, '');
  const span = Math.abs(limits.A - limits.D);
  const reach = plusMinus > 0 ? widthsMoved * plusMinus : span / 10;
  const values = [...new Set(read.flatMap(({ values: both }) => both.map(Number)))].sort((a, b) => a - b);
  const between = values.slice(1).map((value, at) => (value + (values[at] as number)) / 2);
  const left = (moved: Limits) =>
    read.filter(({ attribute, values: both }) =>
      differs({ attribute: { ...(attribute as NumberAttribute), limits: moved }, values: both }),
    ).length;
  let best: Extract<Cure, { kind: 'limit' }> | null = null;
  const now = left(limits);
  for (const grade of limitedGrades)
    for (const middle of between) {
      const to = Math.round(middle * 100) / 100;
      const moved = { ...limits, [grade]: to };
      if (Math.abs(to - limits[grade]) > reach || !areUsable(id, moved)) continue;
      const then = left(moved);
      const isNearer =
        best !== null && then === best.left && Math.abs(to - limits[grade]) < Math.abs(best.to - best.from);
      if (then < (best?.left ?? now) || isNearer) best = { kind: 'limit', grade, from: limits[grade], to, left: then };
    }
  return best;
}

/** The two choices that are most often taken for each other. */
function cureOfWording(differ: readonly ReadTwice[]): Cure {
  const times = new Map<string, number>();
  for (const { values } of differ) {
    const key = values.map(String).sort().join(' ');
    times.set(key, (times.get(key) ?? 0) + 1);
  }
  const [key, count] = [...times].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]))[0] as [string, number];
  const [a = '', b = ''] = key.split(' ');
  return { kind: 'wording', choices: [a, b], times: count };
}
