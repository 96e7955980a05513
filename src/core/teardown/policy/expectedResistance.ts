import type { Operation } from '@/core/procedure/operations';
import type { Finding } from '@/core/procedure/vocabulary';
import type { HouseRules } from '@/core/shared/houseRules';
import { attendedMinutes, meanMinutes } from '../attendedMinutes';
import type { LadderPolicy, YieldOdds } from './ladderPolicy';
import { policyOf } from './policyOf';

/** What a joint that may resist adds to a plan, in expectation. */
export interface ExpectedResistance {
  /** Chance that it yields, and breaks nothing, when the policy is followed. */
  readonly yields: number;
  /** Attended minutes beyond those of the step when it yields at once; less than nothing where it is given up early. */
  readonly minutes: number;
  /** Consumables of the rungs, and the words of handing over. */
  readonly cents: number;
  readonly policy: LadderPolicy;
}

export type ResistRules = Pick<HouseRules, 'labourCentsPerMinute' | 'handOverMinutes'>;

/** Ten times the labour of all its ways: enough that none is left untried. */
const stakeOf = (operation: Operation, findings: readonly Finding[], rules: ResistRules): number =>
  10 *
  rules.labourCentsPerMinute *
  (attendedMinutes(operation, findings).high +
    (operation.ladder?.rungs ?? []).reduce((sum, { mostMinutes }) => sum + mostMinutes, 0));

/**
 * An operation with a ladder as a plan sees it: how often it yields in the end, and what that takes. Null for one without
 * a ladder, which is taken to yield.
 *
 * A plan takes it that the ladder is tried to its end, whatever is behind it: so that a price changes what pays, and not
 * what trying takes. At the bench the policy weighs what is behind.
 */
export function expectedResistance(
  operation: Operation,
  findings: readonly Finding[],
  odds: YieldOdds,
  rules: ResistRules,
): ExpectedResistance | null {
  const behindCents = stakeOf(operation, findings, rules);
  const policy = policyOf(operation, { findings, odds, behindCents }, rules);
  if (!policy) return null;
  const usual = meanMinutes(attendedMinutes(operation, findings));
  // The policy's cents are what is behind, less labour and the rest: so the rest is what is missing.
  const { yieldChance, minutes, cents } = policy;
  const rest = yieldChance * behindCents - minutes * rules.labourCentsPerMinute - cents;
  return { yields: yieldChance, minutes: minutes - usual, cents: Math.max(0, rest), policy };
}
