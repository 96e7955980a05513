import type { Disposition } from '@/core/entities/stages';
import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';
import type { Chance } from '@/core/shared/chance';
import { middle80 } from '@/core/statistics/middle80';
import { grouped } from '@/core/shared/grouped';
import { likelierBy, type Look } from './looks';
import { believedOdds, parcelDraw, type Beliefs, type ParcelDraw } from './parcelDraw';

/** Middle of what is expected, and the ends of the middle 80 %. */
export interface Span {
  readonly mean: number;
  readonly low: number;
  readonly high: number;
}

/** A way a unit could turn out, with what would then be done. */
export interface Turnout {
  readonly choice: Disposition;
  readonly look: Look;
  /** What it brings, and the names of good parts, by one draw of the parcel. */
  readonly draw: (parcel: ParcelDraw) => { readonly cents: number; readonly good: readonly string[] };
}

/** The ways a unit could turn out. */
export interface Turnouts {
  readonly open: readonly DeviceTest[];
  readonly looked: readonly Finding[];
  /** Each as likely as the others, by what is believed. */
  readonly ways: readonly Turnout[];
}

const draws = 400;
/** So many units are drawn each time at most; those of a longer list stand for the rest. */
const mostDrawn = 1500;

/** What all units together come to, drawn so often. */
export interface Draws {
  /** Names of parts that came out good in any. */
  readonly names: readonly string[];
  readonly span: (read: (half: Half) => number) => Span;
}

/**
 * Draws a whole parcel again and again: its shares once for each draw, then every unit by them.
 *
 * Cost: 400 draws of at most 1,500 units
 */
export function drawParcels(units: readonly Turnouts[], beliefs: Beliefs, chance: Chance): Draws {
  const samples = samplesOf(units);
  const drawn = Array.from({ length: draws }, () => drawParcel(samples.next(chance), beliefs, chance));
  return {
    names: [...new Set(drawn.flatMap((halves) => halves.flatMap(({ parts }) => [...parts.keys()])))],
    span: (read) => spanOf(drawn, samples.share, read),
  };
}

/** What every other of the drawn units comes to. */
export interface Half {
  builds: number;
  donors: number;
  cents: number;
  readonly parts: Map<string, number>;
}

/** The units of each draw: all of them, or of a very long list evenly spread ones, others each time, that stand for all. */
function samplesOf(units: readonly Turnouts[]) {
  // Those that turn out alike stand together, so that each sort is there as often as it is in the list.
  const inGroups = [...grouped(units, (own) => own).values()].flat();
  const count = Math.min(units.length, mostDrawn);
  const step = units.length / count;
  return {
    share: units.length === 0 ? 1 : count / units.length,
    next: (chance: Chance): readonly Turnouts[] => {
      if (count === units.length) return inGroups;
      const first = chance.next() * step;
      return Array.from({ length: count }, (_, at) => inGroups[Math.floor(first + at * step)] as Turnouts);
    },
  };
}

/** One way the whole parcel could go, in two halves that have the parcel in common and the luck of single units not. */
function drawParcel(units: readonly Turnouts[], beliefs: Beliefs, chance: Chance): readonly [Half, Half] {
  const parcel = parcelDraw(beliefs, chance);
  const sums = new Map<Turnouts, Float64Array>();
  const half = (): Half => ({ builds: 0, donors: 0, cents: 0, parts: new Map() });
  const halves = [half(), half()] as const;
  units.forEach((own, at) => {
    const sum = halves[(at % 2) as 0 | 1];
    const weights = sums.get(own) ?? summedWeights(own, parcel, beliefs);
    sums.set(own, weights);
    const turnout = own.ways[placeIn(weights, chance.next())] as Turnout;
    if (turnout.choice === 'build') sum.builds += 1;
    if (turnout.choice === 'donor') sum.donors += 1;
    const drawn = turnout.draw(parcel);
    sum.cents += drawn.cents;
    for (const name of drawn.good) sum.parts.set(name, (sum.parts.get(name) ?? 0) + 1);
  });
  return halves;
}

/**
 * How often each way comes in this draw of the parcel, summed up: likelier or less by its shares, and by as much as so few
 * ways may be off (a Bayesian bootstrap).
 */
function summedWeights({ open, looked, ways: own }: Turnouts, parcel: ParcelDraw, beliefs: Beliefs): Float64Array {
  const odds = believedOdds(beliefs);
  let sum = 0;
  return Float64Array.from(own, ({ look }) => {
    if (own.length > 1) sum += likelierBy(open, looked, look, parcel, odds) * -Math.log(1 - parcel.chance.next());
    return sum;
  });
}

/** The place of the first sum that is beyond a share of all. */
function placeIn(sums: Float64Array, share: number): number {
  const aim = share * (sums.at(-1) ?? 0);
  let [low, high] = [0, sums.length - 1];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((sums[middle] as number) > aim) high = middle;
    else low = middle + 1;
  }
  return low;
}

/**
 * The span of a sum over the whole list. Where a share of it was drawn, the luck of single units is too great by that share:
 * the halves say how great it is, and the draws are drawn together by what is too much.
 */
function spanOf(drawn: readonly (readonly [Half, Half])[], share: number, read: (half: Half) => number): Span {
  const values = drawn.map(([a, b]) => (read(a) + read(b)) / share);
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  if (share === 1) return { mean, ...middle80(values) };
  const spread = values.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  const luck = drawn.reduce((sum, [a, b]) => sum + ((read(a) - read(b)) / share) ** 2, 0);
  const keep = spread > 0 ? Math.sqrt(Math.max(0, 1 - (luck * (1 - share)) / spread)) : 1;
  return { mean, ...middle80(values.map((value) => mean + (value - mean) * keep)) };
}
