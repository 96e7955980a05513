import { grouped } from '@/core/shared/grouped';
import { givesIt, kindOf, ownKinds, withWishesApart, type FateColumn, type PlacedSource } from './columns';
import { type Formulation } from './formulate';
import { matchPlanFormat, type Fill, type MatchPlan, type PlannedUnit } from './plan';
import { centsOf, partFrom, rankOf, type Keeps, type MatchProblem, type Need } from './problem';

interface Being {
  readonly tag: string;
  readonly at: number;
}

/**
 * A solution of the integer programme as what becomes of every unit, by its tag: strict slots take first, each the worst part that
 * does for it, so that there is enough for all. Of units that are alike, those keep their fate first that had it before.
 *
 * @param formulation  of the problem
 * @param values  of the columns; whole up to the solver's tolerance
 */
export function decode(problem: MatchProblem, formulation: Formulation, values: ArrayLike<number>): MatchPlan {
  const { fates, supplies, deliveries, missing, deadlines } = formulation;
  const own = ownKinds(withWishesApart(problem));
  const whole = (column: number) => Math.round(values[column] as number);
  const beings = beingsOf(fates, whole, problem.keeps);
  const fateOf = (being: Being) => fates[being.at] as (typeof fates)[number];
  // What each donor still has to give, those that are done first before the others.
  const giving = grouped(
    beings.filter((being) => fateOf(being).level !== null).sort((a, b) => fateOf(a).by - fateOf(b).by),
    (being) => fateOf(being).group.id,
  );
  const given = new Set<string>();
  const fills = new Map<string, Fill[]>();
  const fill = (tag: string, need: Need, source: PlacedSource, by: number) => {
    const { grade } = partFrom(source);
    const filled = { slot: need.slot, grade, cents: centsOf(source, need) };
    const list = fills.get(tag) ?? [];
    fills.set(tag, list);
    if (source.is !== 'donor') return list.push({ ...filled, is: source.is, from: source.id });
    const { slot } = source.given;
    const donor = (giving.get(source.group?.id ?? '') ?? []).find((being) => {
      const { level, by: done } = fateOf(being);
      return done <= by && level && givesIt(level, source.given) && !given.has(`${being.tag}\n${slot}`);
    });
    if (!donor) throw new Error(`decode: no donor is left for ${tag} ${need.slot}`);
    given.add(`${donor.tag}\n${slot}`);
    return list.push({ ...filled, is: 'donor', from: donor.tag, part: slot });
  };
  const needs = beings.flatMap((being) =>
    (fateOf(being).build?.needs ?? []).map((need) => ({ being, need, by: fateOf(being).by })),
  );
  const supplied = grouped(
    supplies.filter(({ column }) => whole(column) > 0),
    ({ kind, by }) => `${by}\r${kind}`,
  );
  // By the sooner deadline first: what a donor gives early is not used up by what has time.
  const asking = grouped(needs, ({ being, need, by }) => `${by}\r${kindOf(fateOf(being).group, need, own)}`);
  for (const [key, wanted] of [...asking].sort(([, a], [, b]) => (a[0]?.by ?? 0) - (b[0]?.by ?? 0))) {
    const parts = (supplied.get(key) ?? [])
      .flatMap(({ column, source }) => Array.from({ length: whole(column) }, () => source))
      .sort((a, b) => rankOf(partFrom(b).grade) - rankOf(partFrom(a).grade));
    for (const { being, need, by } of wanted.toSorted((a, b) => rankOf(a.need.atLeast) - rankOf(b.need.atLeast))) {
      const at = parts.findIndex((part) => rankOf(partFrom(part).grade) <= rankOf(need.atLeast));
      const [part] = at < 0 ? [] : parts.splice(at, 1);
      if (!part) throw new Error(`decode: nothing is left for ${being.tag} ${need.slot}`);
      fill(being.tag, need, part, by);
    }
  }
  // Orders take what was built by them, the sooner ones first.
  const ordered = new Map<string, string>();
  for (const { column, order, grade, by } of deliveries) {
    const free = beings.filter((being) => {
      const { build, by: done } = fateOf(being);
      return build?.sellsAs === order.sellsAs && build.grade === grade && done === by && !ordered.has(being.tag);
    });
    for (const { tag } of free.slice(0, whole(column))) ordered.set(tag, order.id);
  }
  const units = beings.map((being): PlannedUnit => {
    const { fate, build, level, by } = fateOf(being);
    const way = build?.id ?? level?.id;
    const order = ordered.get(being.tag);
    return {
      tag: being.tag,
      fate,
      ...(way !== undefined && { way }),
      ...(build && { sellsAt: build.grade }),
      fills: (fills.get(being.tag) ?? []).toSorted((a, b) => (a.slot < b.slot ? -1 : 1)),
      ...(order !== undefined && { order }),
      byDays: deadlines[by] as number,
    };
  });
  return {
    format: matchPlanFormat,
    units,
    missing: missing
      .map(({ column, order }) => ({ order: order.id, count: whole(column) }))
      .filter(({ count }) => count > 0),
  };
}

/** Which of the units that are alike gets which fate: as many as the columns say, in two rounds. */
function beingsOf(
  fates: readonly FateColumn[],
  whole: (column: number) => number,
  keeps: Keeps | undefined,
): readonly Being[] {
  const before = new Map((keeps?.fates ?? []).map(({ tag, fate }) => [tag, fate]));
  const left = new Map(fates.map(({ group }) => [group.id, [...group.tags]]));
  const taken = fates.map((): string[] => []);
  const take = (fate: FateColumn, at: number, isFit: (tag: string) => boolean) => {
    const tags = left.get(fate.group.id) ?? [];
    const some = tags.filter(isFit).slice(0, whole(fate.column) - (taken[at]?.length ?? 0));
    taken[at]?.push(...some);
    left.set(
      fate.group.id,
      tags.filter((tag) => !some.includes(tag)),
    );
  };
  if (before.size > 0) for (const [at, fate] of fates.entries()) take(fate, at, (tag) => before.get(tag) === fate.fate);
  for (const [at, fate] of fates.entries()) take(fate, at, () => true);
  return taken.flatMap((tags, at) => tags.map((tag): Being => ({ tag, at })));
}
