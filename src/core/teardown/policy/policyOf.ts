import type { Operation } from '@/core/procedure/operations';
import type { Finding } from '@/core/procedure/vocabulary';
import type { HouseRules } from '@/core/shared/houseRules';
import { handOverStage, ladderPolicy, stagesOf, type LadderPolicy, type YieldOdds } from './ladderPolicy';

/** What following the policy of one operation hangs on. */
export interface PolicyGround {
  readonly findings: readonly Finding[];
  readonly odds: YieldOdds;
  /** What yielding is worth: all that still comes, less the work that follows. */
  readonly behindCents: number;
}

/** The policy at an operation that has a ladder; null at one that has none. */
export function policyOf(
  operation: Operation,
  { findings, odds, behindCents }: PolicyGround,
  { labourCentsPerMinute, handOverMinutes }: Pick<HouseRules, 'labourCentsPerMinute' | 'handOverMinutes'>,
): LadderPolicy | null {
  if (!operation.ladder) return null;
  const stages = stagesOf(operation, findings, odds);
  const other = handOverMinutes === null ? null : handOverStage(stages, odds, handOverMinutes, labourCentsPerMinute);
  return ladderPolicy(stages, behindCents, labourCentsPerMinute, operation.ladder.stop, other);
}
