import { grouped } from '@/core/shared/grouped';
import type { ModelWriter } from './linearModel';
import {
  centsOf,
  partFrom,
  rankOf,
  type Build,
  type Fate,
  type Given,
  type KeptPart,
  type Level,
  type MatchProblem,
  type Need,
  type Source,
  type UnitGroup,
} from './problem';

/** Units of a group that share a fate, by when. */
export interface FateColumn {
  readonly column: number;
  readonly group: UnitGroup;
  readonly fate: Fate;
  readonly build: Build | null;
  readonly level: Level | null;
  /** Which of the deadlines. */
  readonly by: number;
}

/** Parts from one source into slots of one kind, by when. */
export interface SupplyColumn {
  readonly column: number;
  readonly kind: string;
  readonly source: PlacedSource;
  readonly by: number;
}

/** Of a donor's part, of which units it comes. */
export type PlacedSource = Source & { readonly group: UnitGroup | null; readonly id: string };

/** Slots of one kind take the same parts at the same costs. */
export function kindOf(group: Pick<UnitGroup, 'id'>, need: Need, own: ReadonlySet<string>): string {
  const moved = need.moves ? JSON.stringify(need.moves) : '';
  return [need.of, moved, need.share, own.has(`${group.id}\n${need.slot}`) ? `${group.id}\n${need.slot}` : ''].join(
    '\r',
  );
}

/**
 * Slots of single units that are kinds of their own: somebody wants, or does not want, their part from somewhere, or one is kept or
 * promised for them.
 */
export function ownKinds({ units, lots, slotWishes, keeps }: MatchProblem): ReadonlySet<string> {
  const groupOf = new Map(units.flatMap((group) => group.tags.map((tag) => [tag, group] as const)));
  const slotsFor = (tag: string, classes: ReadonlySet<string>) => {
    const group = groupOf.get(tag);
    const needs = group?.builds.flatMap((build) => build.needs) ?? [];
    return needs.filter(({ of }) => classes.has(of)).map(({ slot }) => `${group?.id}\n${slot}`);
  };
  const givenBy = ({ from, part }: KeptPart) =>
    new Set(
      (groupOf.get(from)?.levels ?? []).flatMap(({ gives }) =>
        gives.filter(({ slot }) => slot === part).map(({ of }) => of),
      ),
    );
  return new Set([
    ...slotWishes.map(({ tag, slot }) => `${groupOf.get(tag)?.id}\n${slot}`),
    ...lots.flatMap((lot) => (lot.for === undefined ? [] : slotsFor(lot.for, new Set([lot.of])))),
    ...(keeps?.parts ?? []).flatMap((kept) => slotsFor(kept.tag, givenBy(kept))),
  ]);
}

/**
 * The units that somebody wishes something of, or of one of their slots, or that a part is kept for, each in a group of its own.
 */
export function withWishesApart(problem: MatchProblem): MatchProblem {
  const named = new Set([
    ...[...problem.wishes, ...problem.slotWishes].map(({ tag }) => tag),
    ...problem.slotWishes.map(({ from }) => from),
    ...problem.lots.flatMap((lot) => lot.for ?? []),
    ...(problem.keeps?.parts ?? []).flatMap(({ tag, from }) => [tag, from]),
  ]);
  if (named.size === 0) return problem;
  const units = problem.units.flatMap((group) => {
    const alone = group.tags.length < 2 ? [] : group.tags.filter((tag) => named.has(tag));
    const rest = group.tags.filter((tag) => !alone.includes(tag));
    return [
      ...(rest.length > 0 ? [{ ...group, tags: rest }] : []),
      ...alone.map((tag) => ({ ...group, id: `${group.id} ${tag}`, tags: [tag] })),
    ];
  });
  return { ...problem, units };
}

/** By which deadlines a build can be wanted: those of orders that it could meet, and the last. */
function duesOf({ orders }: MatchProblem, build: Build, deadlines: readonly number[]): readonly number[] {
  const last = deadlines.length - 1;
  const wanted = orders
    .filter(({ sellsAs, atLeast }) => sellsAs === build.sellsAs && rankOf(build.grade) <= rankOf(atLeast))
    .map(({ days }) => (days === null ? last : deadlines.findIndex((day) => day >= days)))
    .filter((by) => by >= 0);
  return [...new Set([...wanted, last])];
}

export function fatesOf(
  writer: ModelWriter,
  problem: MatchProblem,
  group: UnitGroup,
  deadlines: readonly number[],
): readonly FateColumn[] {
  const count = group.tags.length;
  const made: FateColumn[] = [];
  const add = (
    fate: Fate,
    gain: number,
    by: number,
    { build = null, level = null }: Partial<Pick<FateColumn, 'build' | 'level'>> = {},
  ) => {
    const name = [group.id, fate, build?.id ?? level?.id ?? '', by].join('|');
    const column = writer.column({ name, gain, low: 0, high: count, isWhole: true });
    made.push({ column, group, fate, build, level, by });
  };
  const last = deadlines.length - 1;
  add('hold', 0, last);
  if (group.asIs) add('as-is', group.asIs.cents, last);
  if (group.recycle) add('recycle', group.recycle.cents, last);
  for (const build of group.builds)
    for (const by of duesOf(problem, build, deadlines)) add('build', build.cents, by, { build });
  for (const level of group.levels) for (const [by] of deadlines.entries()) add('donor', level.cents, by, { level });
  return made;
}

/** Slots of one kind: by which builds they come about, and what a part for them is. */
export interface Kind {
  readonly key: string;
  readonly need: Need;
  readonly wanted: readonly { readonly fate: FateColumn; readonly rank: number }[];
}

export function kindsOf(fates: readonly FateColumn[], own: ReadonlySet<string>): readonly Kind[] {
  const kinds = new Map<string, { need: Need; wanted: { fate: FateColumn; rank: number }[] }>();
  for (const fate of fates)
    for (const need of fate.build?.needs ?? []) {
      const key = kindOf(fate.group, need, own);
      const kind = kinds.get(key) ?? { need, wanted: [] };
      kinds.set(key, kind);
      kind.wanted.push({ fate, rank: rankOf(need.atLeast) });
    }
  return [...kinds].map(([key, kind]) => ({ key, ...kind }));
}

/** All places that parts come from, by class. */
export function sourcesOf({ lots, offers, units }: MatchProblem): readonly PlacedSource[] {
  return [
    ...lots.map((lot): PlacedSource => ({ is: 'lot', lot, group: null, id: lot.id })),
    ...offers.map((offer): PlacedSource => ({ is: 'offer', offer, group: null, id: offer.id })),
    ...units.flatMap((group) => {
      // The same part on several levels is one source, as far as it comes out as well on each.
      const given = new Map(group.levels.flatMap(({ gives }) => gives.map((one) => [writtenOf(one), one] as const)));
      return [...given.values()].map((one, at): PlacedSource => ({
        is: 'donor',
        given: one,
        group,
        id: `${group.id}/${one.slot}~${at}`,
      }));
    }),
  ];
}

/** Whether a level gives just this. */
export const givesIt = ({ gives }: Level, given: Given): boolean =>
  gives.some((one) => one === given || writtenOf(one) === writtenOf(given));

const written = new WeakMap<Given, string>();

/** A part that is given, as a text: the same for the same. */
function writtenOf(given: Given): string {
  const known = written.get(given) ?? JSON.stringify(given);
  written.set(given, known);
  return known;
}

export function suppliesOf(
  writer: ModelWriter,
  problem: MatchProblem,
  kinds: readonly Kind[],
  deadlines: readonly number[],
): readonly SupplyColumn[] {
  const sources = grouped(sourcesOf(problem), (source) => partFrom(source).of);
  return kinds.flatMap(({ key, need, wanted }) => {
    const worstBy = new Map<number, number>();
    for (const { fate, rank } of wanted) worstBy.set(fate.by, Math.max(rank, worstBy.get(fate.by) ?? 0));
    // What is kept for a unit goes into slots of just that unit.
    const isOpen = (source: PlacedSource) => {
      const only = source.is === 'lot' ? source.lot.for : undefined;
      return only === undefined || wanted.every(({ fate }) => fate.group.tags.includes(only));
    };
    return (sources.get(need.of) ?? []).filter(isOpen).flatMap((source) =>
      [...worstBy].flatMap(([by, worst]): readonly SupplyColumn[] => {
        if (rankOf(partFrom(source).grade) > worst) return [];
        if (source.is === 'offer' && source.offer.leadDays > (deadlines[by] as number)) return [];
        const most =
          source.is === 'lot'
            ? source.lot.count
            : source.is === 'offer'
              ? (source.offer.most ?? Infinity)
              : (source.group?.tags.length ?? 0);
        const name = ['part', source.id, key.replaceAll(/[\r\n]/g, ' '), by].join('|');
        const column = writer.column({ name, gain: -centsOf(source, need), low: 0, high: most, isWhole: true });
        return [{ column, kind: key, source, by }];
      }),
    );
  });
}
