/** How often what was said held: inside, below and above it. */
export type Held = Readonly<Record<'inside' | 'below' | 'above', number>>;

/** What was expected, and what came of it, summed. */
export type Means = Readonly<Record<'said' | 'came', number>>;

/** Cents a unit; over how many shops; what perfect knowledge earned in the same shops; and squares of the differences. */
export type Earned = Readonly<Record<'sum' | 'squares' | 'shops' | 'perfect', number>>;

/** What one shop's life, or many, add up to. */
export interface Tally {
  readonly shops: number;
  readonly units: number;
  /** By what the range is of. */
  readonly ranges: Readonly<Record<string, Held>>;
  /** Cents a unit by who decided, summed over shops. */
  readonly money: Readonly<Record<string, Earned>>;
  /** Said and come true, summed: what was expected of all that was forecast. */
  readonly means: Readonly<Record<string, Means>>;
}

export const emptyTally: Tally = { shops: 0, units: 0, ranges: {}, money: {}, means: {} };

const added = <T extends Readonly<Record<string, number>>>(a: T | undefined, b: T): T =>
  Object.fromEntries(Object.entries(b).map(([key, value]) => [key, value + (a?.[key] ?? 0)])) as T;

const merged = <T extends Readonly<Record<string, number>>>(
  a: Readonly<Record<string, T>>,
  b: Readonly<Record<string, T>>,
): Readonly<Record<string, T>> => ({
  ...a,
  ...Object.fromEntries(Object.entries(b).map(([key, value]) => [key, added(a[key], value)])),
});

export const together = (a: Tally, b: Tally): Tally => ({
  shops: a.shops + b.shops,
  units: a.units + b.units,
  ranges: merged(a.ranges, b.ranges),
  money: merged(a.money, b.money),
  means: merged(a.means, b.means),
});

/** Adds up while a shop lives. */
export class Counting {
  private readonly ranges: Record<string, Held> = {};
  private readonly cents: Record<string, number> = {};
  private readonly means: Record<string, Means> = {};
  private units = 0;

  range(of: string, { low, high }: { readonly low: number; readonly high: number }, came: number): void {
    const own = { inside: 0, below: 0, above: 0 };
    own[came < low ? 'below' : came > high ? 'above' : 'inside'] = 1;
    this.ranges[of] = added(this.ranges[of], own);
  }

  mean(of: string, said: number, came: number): void {
    this.means[of] = added(this.means[of], { said, came });
  }

  earned(by: string, cents: number): void {
    this.cents[by] = (this.cents[by] ?? 0) + cents;
  }

  unit(): void {
    this.units += 1;
  }

  /** @param perfect  who decided with perfect knowledge */
  tally(perfect: string): Tally {
    const { units, ranges, means } = this;
    const eachUnit = (by: string) => (this.cents[by] ?? 0) / units;
    const money = Object.fromEntries(
      Object.keys(this.cents).map((by): [string, Earned] => {
        const sum = eachUnit(by);
        return [by, { sum, squares: (sum - eachUnit(perfect)) ** 2, shops: 1, perfect: eachUnit(perfect) }];
      }),
    );
    return { shops: 1, units, ranges, means, money };
  }
}
