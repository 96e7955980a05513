'use client';
import { say as sayHeat } from '@/words/catalogue/core/heat';
import { Box } from '@chakra-ui/react';
import { useMemo } from 'react';
import { heatSegments } from '@/core/heat/heatPlan';
import { seamStretches } from '@/core/heat/seamStretches';
import type { HeatQuestion } from '@/core/heat/stackOf';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { sayStretch } from './heatWords';
import * as words from '@/words/catalogue/benchLater';

/** The seam, stretch by stretch, in the order of the cutting; nothing where there is only one. */
export function HeatStretches({
  model,
  operation,
  question,
}: {
  readonly model: Model;
  readonly operation: Operation;
  readonly question: HeatQuestion;
}) {
  const plans = useMemo(
    () => heatSegments(question.stack, question.heater, question.goal, seamStretches(model, operation)),
    [model, operation, question],
  );
  if (plans.length < 2) return null;
  return (
    <Box as="ol" aria-label={words.seamBySection()} display="grid" gap="4px" listStyleType="none">
      {plans.map((plan, at) => (
        <Box as="li" key={at} display="grid" gridTemplateColumns="112px minmax(0, 1fr)" gap="10px" textStyle="note">
          <strong>
            {at + 1}. {sayHeat(plan.segment.warm)}
          </strong>
          <span>{sayStretch(plan)}</span>
        </Box>
      ))}
    </Box>
  );
}
