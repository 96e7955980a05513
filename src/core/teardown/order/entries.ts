const slack = 1e-9;

/** Prices of leaving and entering, from which a bound follows: of c(a, b) at least `leave[a] + enter[b]` is paid. */
interface Prices {
  readonly leave: Float64Array;
  /** Entering, and leaving again later on; never below nothing. */
  readonly through: Float64Array;
  /** What is paid in any case: the last is not left, and where going through costs less than nothing it is done all the time. */
  readonly fixed: number;
  /** Per tool, from where it is entered at its price. */
  readonly nearest: Int32Array;
}

const mostPrices = 10;
const tuningSteps = 100;

/**
 * What entering the tools (or faces, postures, whole set-ups) that are still needed costs at least.
 *
 * Along a chain of operations that must come one after the other, two that need a tool, with one between them that cannot
 * be done with it, are two entries. Minutes are told apart by prices: of c(a, b) the part p(a) is paid for leaving a, so
 * that entering b costs at least min over a of c(a, b) − p(a), and leaving it again p(b). The last tool is not left. Any
 * prices give a bound. The first two (nothing for leaving; the cheapest way out) are joined by prices that are tuned to
 * states of the search: the dual of sending a hand from tool to tool so that each is entered as often as it must be.
 */
export class Entries {
  private readonly prices: Prices[] = [];
  /** Per operation, a number for what it needs downward: operations of the same number need the same. */
  readonly kindOf: Int32Array;
  /** Per kind and tool: entries from it downward when the tool is not in hand, and when it is. */
  private readonly fresh: Uint8Array;
  private readonly inHand: Uint8Array;
  private readonly most: Uint8Array;
  /** No tool is entered more often than it has operations. */
  private readonly atMost: Float64Array;
  /** What the last operation may be done with. */
  private readonly ends: readonly number[];
  private readonly size: number;
  private readonly isFree: boolean;

  constructor(
    private readonly minutes: readonly (readonly number[])[],
    uses: readonly (readonly number[])[],
    followers: readonly (readonly number[])[],
    lastFirst: readonly number[],
    ends: readonly number[],
  ) {
    this.ends = [...new Set(ends)];
    this.size = minutes.length;
    this.isFree = minutes.every((row) => row.every((own) => own === 0));
    this.most = new Uint8Array(this.size);
    this.atMost = new Float64Array(this.size);
    for (const own of uses) for (const use of own) this.atMost[use] = (this.atMost[use] as number) + 1;
    const fresh = new Uint8Array(uses.length * this.size);
    const inHand = new Uint8Array(uses.length * this.size);
    for (const operation of lastFirst)
      this.count(operation, uses[operation] as number[], followers[operation] as number[], fresh, inHand);
    const kinds = new Map<string, number>();
    this.kindOf = Int32Array.from(uses, (_, operation) => {
      const row = (all: Uint8Array) => all.subarray(operation * this.size, (operation + 1) * this.size).join();
      const key = `${row(fresh)} ${row(inHand)}`;
      const known = kinds.get(key) ?? kinds.size;
      kinds.set(key, known);
      return known;
    });
    this.fresh = new Uint8Array(kinds.size * this.size);
    this.inHand = new Uint8Array(kinds.size * this.size);
    this.kindOf.forEach((kind, operation) => {
      const row = (all: Uint8Array) => all.subarray(operation * this.size, (operation + 1) * this.size);
      this.fresh.set(row(fresh), kind * this.size);
      this.inHand.set(row(inHand), kind * this.size);
    });
    const others = (at: number) => minutes.map((_, other) => other).filter((other) => other !== at);
    this.prices.push(
      this.pricesFrom(new Float64Array(this.size)),
      this.pricesFrom(
        Float64Array.from(minutes, (row, from) =>
          this.size > 1 ? Math.min(...others(from).map((to) => row[to] as number)) : 0,
        ),
      ),
    );
  }

  private count(
    operation: number,
    used: readonly number[],
    next: readonly number[],
    freshOf: Uint8Array,
    inHandOf: Uint8Array,
  ): void {
    for (let use = 0; use < this.size; use += 1) {
      let fresh = 0;
      let inHand = 0;
      for (const follower of next) {
        fresh = Math.max(fresh, freshOf[follower * this.size + use] as number);
        inHand = Math.max(inHand, inHandOf[follower * this.size + use] as number);
      }
      const cell = operation * this.size + use;
      const isOnly = used.length === 1 && used[0] === use;
      // With another tool as well it may be done without an entry, and need not break the block.
      freshOf[cell] = isOnly ? Math.min(255, inHand + 1) : fresh;
      inHandOf[cell] = used.includes(use) ? inHand : fresh;
    }
  }

  private pricesFrom(leave: Float64Array): Prices {
    const { size, minutes } = this;
    const through = new Float64Array(size);
    const nearest = new Int32Array(size).fill(-1);
    let fixed = 0;
    for (const use of this.ends) fixed = Math.max(fixed, leave[use] as number);
    fixed = -fixed;
    for (let to = 0; to < size; to += 1) {
      let enter = size > 1 ? Infinity : 0;
      for (let from = 0; from < size; from += 1) {
        if (from === to) continue;
        const own = ((minutes[from] as readonly number[])[to] as number) - (leave[from] as number);
        if (own >= enter) continue;
        enter = own;
        nearest[to] = from;
      }
      const own = enter + (leave[to] as number);
      through[to] = Math.max(0, own);
      fixed += Math.min(0, own) * (this.atMost[to] as number);
    }
    return { leave, through, fixed, nearest };
  }

  /**
   * Minutes of changes at least, until everything is done.
   *
   * @param ready    operations that can be done now, one at least
   * @param current  what is in hand
   */
  least(ready: Int16Array, readyCount: number, current: number): number {
    if (this.isFree) return 0;
    this.countMost(ready, readyCount, current);
    let least = 0;
    for (const prices of this.prices) least = Math.max(least, this.boundBy(prices, current));
    return least;
  }

  private countMost(ready: Int16Array, readyCount: number, current: number): void {
    const { size, most, kindOf } = this;
    most.fill(0);
    for (let index = 0; index < readyCount; index += 1) {
      const row = (kindOf[ready[index] as number] as number) * size;
      for (let use = 0; use < size; use += 1) {
        const own = (use === current ? this.inHand : this.fresh)[row + use] as number;
        if (own > (most[use] as number)) most[use] = own;
      }
    }
  }

  private boundBy({ leave, through, fixed }: Prices, current: number): number {
    const { size, most } = this;
    let sum = (leave[current] as number) + fixed;
    for (let use = 0; use < size; use += 1) sum += (through[use] as number) * (most[use] as number);
    return sum;
  }

  /**
   * Looks for prices that bound this state better, and keeps them for all.
   *
   * Climbs along subgradients: the bound is concave in the prices of leaving.
   */
  tune(ready: Int16Array, readyCount: number, current: number): void {
    if (this.isFree || this.size < 3 || this.prices.length >= mostPrices) return;
    this.countMost(ready, readyCount, current);
    let best = this.prices[0] as Prices;
    for (const prices of this.prices) if (this.boundBy(prices, current) > this.boundBy(best, current)) best = prices;
    const known = this.boundBy(best, current);
    let reached = known;
    const usual = this.minutes.flat().reduce((sum, own) => sum + own, 0) / (this.size * (this.size - 1));
    let at = best;
    for (let step = 0; step < tuningSteps; step += 1) {
      const slope = this.slopeAt(at, current);
      const length = Math.hypot(...slope);
      if (length === 0) break;
      const stride = usual / (1 + step / 8) / length;
      at = this.pricesFrom(at.leave.map((own, use) => own + stride * (slope[use] as number)));
      const bound = this.boundBy(at, current);
      if (bound > reached + slack) {
        reached = bound;
        best = at;
      }
    }
    if (reached > known + slack) this.prices.push(best);
  }

  private slopeAt({ leave, through, nearest }: Prices, current: number): Float64Array {
    const slope = new Float64Array(this.size);
    slope[current] = 1;
    for (let to = 0; to < this.size; to += 1) {
      const times = ((through[to] as number) > 0 ? this.most[to] : this.atMost[to]) as number;
      if (times === 0) continue;
      const from = nearest[to] as number;
      slope[to] = (slope[to] as number) + times;
      slope[from] = (slope[from] as number) - times;
    }
    let last = -1;
    for (const use of this.ends) if (last === -1 || (leave[use] as number) > (leave[last] as number)) last = use;
    if (last !== -1) slope[last] = (slope[last] as number) - 1;
    return slope;
  }
}
