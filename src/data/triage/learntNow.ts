import type { Knex } from 'knex';
import { learn, type Learnt, type ShopCounts } from '@/core/triage/shopKnowledge';
import { readTallies, type Tallies } from '@/data/tallies/readTallies';
import { lookCounts } from '@/data/yields/lookCounts';
import { outcomeCounts, outcomeCountsGiven } from '@/data/yields/outcomeCounts';
import { testCounts } from '@/data/yields/testCounts';

export const learntKinds = ['sought', 'tested', 'looked', 'look-tested', 'look-found'] as const;
type LearntTallies = Tallies<(typeof learntKinds)[number]>;

export interface ShopLearnt {
  readonly counts: ShopCounts;
  readonly learnt: Learnt;
}

interface Lesson extends ShopLearnt {
  readonly from: LearntTallies;
  /** How many of each kind were counted, and how many were good. */
  readonly sums: readonly number[];
  readonly atMs: number;
}

/** What a shop of many thousands of counts has learnt is not learnt anew for so small a share more of them, so soon. */
const noticedShare = 1 / 400;
const longestMs = 60_000;

const lessons = new WeakMap<object, Lesson>();

/**
 * The counts of the shop and what they teach. The counts are of now. What they teach is worked out anew when they changed, but
 * not more often than it could tell: in a shop that has counted less than some hundreds, always.
 */
export async function learntNow(db: Knex, now: Date): Promise<ShopLearnt> {
  const from = await readTallies(db, learntKinds);
  const config = db.client.config as object;
  const last = lessons.get(config);
  if (last && learntKinds.every((kind) => last.from[kind] === from[kind])) return last;
  const sums = sumsOf(from);
  const counts: ShopCounts = {
    outcomes: outcomeCounts(from),
    outcomesGiven: outcomeCountsGiven(from),
    tests: testCounts(from),
    looks: lookCounts(from),
  };
  const isAsGood = last !== undefined && isClose(last.sums, sums) && Math.abs(now.getTime() - last.atMs) < longestMs;
  const lesson: Lesson = isAsGood
    ? { ...last, counts, from }
    : { counts, from, sums, learnt: learn(counts), atMs: now.getTime() };
  lessons.set(config, lesson);
  return lesson;
}

const sumsOf = (tallies: LearntTallies): readonly number[] =>
  learntKinds.flatMap((kind) => {
    let [count, good] = [0, 0];
    for (const row of tallies[kind]) {
      count += row.count;
      good += row.good;
    }
    return [count, good];
  });

const isClose = (before: readonly number[], after: readonly number[]): boolean =>
  after.every((sum, at) => Math.abs(sum - (before[at] as number)) <= sum * noticedShare);
