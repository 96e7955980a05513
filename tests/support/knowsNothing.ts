import type { Knowledge } from '@/core/triage/knowledge';
import { unseenYield } from '@/core/triage/knownYields';

/** A shop that has sought, tested and stored nothing yet. */
export const knowsNothing: Knowledge = {
  shelf: {},
  yields: {},
  yieldsGiven: {},
  resistances: [],
  unseen: unseenYield,
  market: {},
  lacking: {},
  tests: {},
};
