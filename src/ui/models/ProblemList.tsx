'use client';
import { say as sayCheck } from '@/words/catalogue/core/checks';
import { Box } from '@chakra-ui/react';
import { CircleAlert, TriangleAlert } from 'lucide-react';
import type { ReactNode } from 'react';
import type { ModelProblem } from '@/core/procedure/checks/problem';
import * as words from '@/words/catalogue/models';

/** What the checker found: where, what, and the mend. `action` adds what can be done about one. */
export function ProblemList({
  problems,
  action,
}: {
  readonly problems: readonly ModelProblem[];
  readonly action?: (problem: ModelProblem, index: number) => ReactNode;
}) {
  return (
    <Box as="ul" aria-label={words.problems2()}>
      {problems.map((problem, index) => {
        const Symbol = problem.severity === 'error' ? TriangleAlert : CircleAlert;
        return (
          <Box
            as="li"
            key={`${problem.rule}${problem.place}${problem.says.code}`}
            display="grid"
            gridTemplateColumns="22px minmax(0, 1fr) auto"
            gap="10px"
            py="10px"
            borderBottomWidth="1px"
            borderColor="rule"
          >
            <Box color={problem.severity === 'error' ? 'danger' : 'waiting'} pt="2px">
              <Symbol
                size={18}
                aria-label={words.error({ isSeverityError: problem.severity === 'error' ? 'yes' : 'no' })}
              />
            </Box>
            <Box minW="0">
              <Box overflowWrap="anywhere">{sayCheck(problem.says)}</Box>
              <Box textStyle="note" color="inkMuted">
                {sayCheck(problem.mend)}
              </Box>
              <Box textStyle="caption" fontFamily="mono" color="inkMuted" overflowWrap="anywhere">
                {problem.place} · {problem.rule}
              </Box>
            </Box>
            {action?.(problem, index)}
          </Box>
        );
      })}
    </Box>
  );
}
