// Made from words/en/core/yields.json by `npm run words`. Change it there.
import { l, type Text } from '@/words/runtime';
import { share, whole } from '@/words/format';
import { sayer } from '@/words/sayer';

export const goodExpectTo = (d: { good: Text; sought: Text; low: number; high: number }) => l`${d.good} of ${d.sought} good; expect ${whole(d.low)} to ${whole(d.high)} %`;
export const noPartHasBeenHarvested = () => l`No part has been harvested yet`;
export const comeOutGoodAllParts = (d: { name: Text; good: Text; sought: Text; overall: number }) => l`${d.name}: ${d.good} of ${d.sought} come out good; all parts together ${share(d.overall)}`;
export const partsComeOutGoodNone = (d: { good: Text; sought: Text }) => l`${d.good} of ${d.sought} parts come out good; none is clearly worse than the rest`;

export const all: Readonly<Record<string, (d: never) => string>> = { goodExpectTo, noPartHasBeenHarvested, comeOutGoodAllParts, partsComeOutGoodNone };

/** What the core found out, as a sentence. */
export const say = sayer<'yields'>({
  yields: all,
});
