'use client';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import { Box } from '@chakra-ui/react';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import type { Finding } from '@/core/procedure/vocabulary';
import { explainOperation } from '@/core/teardown/explainOperation';
import type { TeardownPlan } from '@/core/teardown/plan/teardownPlan';
import { learnedOdds, type ResistanceCount } from '@/core/teardown/policy/learnedOdds';
import { policyOf } from '@/core/teardown/policy/policyOf';
import { minutes, sayPolicy } from './planWords';
import type { HouseRules } from '@/core/shared/houseRules';
import { useHouseRules } from '@/ui/rules/RulesProvider';
import * as words from '@/words/catalogue/planner';
import * as counts from '@/words/catalogue/counts';

/** Every operation of the plan in its order, with its tool, its minutes, why it is there, and what comes if it goes wrong. */
export function OperationLines({
  model,
  plan,
  findings,
  resistances,
}: {
  readonly model: Model;
  readonly plan: TeardownPlan;
  readonly findings: readonly Finding[];
  readonly resistances: readonly ResistanceCount[];
}) {
  const rules = useHouseRules();
  const targets = plan.lines.filter(({ verdict }) => verdict === 'free' || verdict === 'along').map(({ part }) => part);
  return (
    <Box as="ol">
      {plan.operations.map((operation, at) => {
        const step = plan.steps[at];
        const odds = learnedOdds(model, resistances, operation);
        const policy = policyOf(operation, { findings, odds, behindCents: behind(plan, at, rules) }, rules);
        const otherwise = policy ? sayPolicy(policy) : ifNot(operation);
        return (
          <Box
            as="li"
            key={operation.id}
            display="grid"
            gridTemplateColumns="30px minmax(0, 1fr) 150px 74px"
            gap="10px"
            py="7px"
            borderBottomWidth="1px"
            borderColor="rule"
          >
            <Box as="span" textStyle="caption" color="inkMuted" pt="3px">
              {at + 1}
            </Box>
            <Box minW="0">
              <Box fontWeight="600">{operation.title}</Box>
              <Box textStyle="note" color="inkMuted">
                {saySheet(explainOperation(model, operation, plan.operations, targets))}
              </Box>
              {otherwise && (
                <Box textStyle="note" color="waiting">
                  {otherwise}
                </Box>
              )}
            </Box>
            <Box textStyle="note" color="inkMuted" pt="2px">
              {operation.tool}
              {operation.waits?.map((wait) =>
                words.thenOn({ minutesValue: minutes(wait.minutes), fixture: wait.fixture }),
              )}
            </Box>
            <Box textAlign="end" fontFamily="mono">
              {minutes((step?.setUp ?? 0) + (step?.work ?? 0))}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}

/** What yielding is worth at a step: all that the plan still brings, its own labour not yet spent. */
function behind({ curve, operations, steps }: TeardownPlan, at: number, { labourCentsPerMinute }: HouseRules): number {
  const step = steps[at];
  const own = ((step?.setUp ?? 0) + (step?.work ?? 0)) * labourCentsPerMinute;
  return (curve[operations.length]?.cents ?? 0) - (curve[at]?.cents ?? 0) + own;
}

/** The next branch when an operation without a ladder does not go as planned. */
function ifNot({ ends, risks }: Operation): string | null {
  const other = [...(ends ?? [])].sort((a, b) => b.chance - a.chance)[1];
  if (other)
    return counts.chanceOf({ chance: other.chance, what: [other.says, other.then].filter(Boolean).join('. ') });
  const [risk] = risks ?? [];
  return risk ? counts.chanceOf({ chance: risk.chance, what: risk.what }) : null;
}
