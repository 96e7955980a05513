'use client';
import { Box } from '@chakra-ui/react';
import type { Model } from '@/core/procedure/model';
import type { Refusal } from '@/core/shared/outcome';
import type { PlanAim, TeardownPlan } from '@/core/teardown/plan/teardownPlan';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useSayRefusal } from '@/ui/base/Refused';
import { sayDifference, sayFigures, sayPlan } from './planWords';
import * as words from '@/words/catalogue/planner';

/** The answer: what pays, what changed since the plan before, and why there is none where there is none. */
export function PlanHead({
  model,
  aim,
  plan,
  difference,
  refusal,
  hasCrashed,
  onAgain,
}: {
  readonly model: Model;
  readonly aim: PlanAim;
  readonly plan: TeardownPlan | null;
  readonly difference: Parameters<typeof sayDifference>[0] | null;
  readonly refusal: Refusal | null;
  readonly hasCrashed: boolean;
  readonly onAgain: () => void;
}) {
  const say = useSayRefusal();
  return (
    <Box>
      <Headline lead={plan ? sayFigures(model, plan) : words.oneMoment()}>
        {plan ? sayPlan(model, aim, plan) : words.computingWhatPays()}
      </Headline>
      {difference && (
        <Box textStyle="note" color="action" mt="-8px" mb="8px" aria-live="polite">
          {sayDifference(difference)}
        </Box>
      )}
      {refusal && <Caution what={words.noPlanForThis()}>{words.lastPlanStays({ refusal: say(refusal) })}</Caution>}
      {hasCrashed && (
        <Caution what={words.plannerStoppedWorking()}>
          {words.lastPlanStays2()}{' '}
          <KeyButton keyName="Enter" label={words.computeAgain()} size="small" onPress={onAgain} />
        </Caution>
      )}
    </Box>
  );
}
