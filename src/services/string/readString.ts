import type { Knex } from 'knex';
import { knots, type Knot } from '@/core/bench/stages';
import { tightKnot } from '@/core/flow/tightKnot';
import { passedKnots } from '@/data/flow/passedKnots';
import { waitingAtKnots } from '@/data/flow/waitingAtKnots';

export interface StringView {
  readonly shopName: string;
  readonly states: readonly { readonly knot: Knot; readonly count: number }[];
  readonly tight: Knot | null;
}

const lately = 7 * 24 * 3600 * 1000;
/** Knots where things wait for work; the dock's lines are still in the box, and the shelf is meant to be full. */
const working: ReadonlySet<Knot> = new Set(['triage', 'teardown', 'grade', 'match', 'rebuild', 'prove', 'send']);

/** What lies at every knot of the string, and which is pulled tight. */
export async function readString(db: Knex, now: Date): Promise<StringView> {
  const [waiting, passed] = await Promise.all([waitingAtKnots(db), passedKnots(db, new Date(now.getTime() - lately))]);
  const states = knots.map((knot) => ({ knot, count: waiting[knot] }));
  const flows = states
    .filter(({ knot }) => working.has(knot))
    .map(({ knot, count }) => ({ knot, waiting: count, passed: passed[knot] ?? 0 }));
  return { shopName: process.env.PLUCKY_SHOP_NAME ?? 'Gullwharf Renewal', states, tight: tightKnot(flows) };
}
