'use client';
import { Box } from '@chakra-ui/react';
import type { ModelProblem } from '@/core/procedure/checks/problem';
import type { Path } from '@/core/procedure/patch';
import { Button } from '@/ui/base/Button';
import { Section } from '@/ui/base/Section';
import { ProblemList } from '@/ui/models/ProblemList';
import * as counts from '@/words/catalogue/counts';
import * as texts from '@/words/catalogue/editor';

/** The first of what the checker found, each with a way to it and its mend. */
export function FoundProblems({
  problems,
  onMend,
  onGo,
}: {
  readonly problems: readonly ModelProblem[];
  readonly onMend: (problem: ModelProblem) => void;
  readonly onGo: (path: Path) => void;
}) {
  if (problems.length === 0) return null;
  return (
    <Section title={counts.problems({ count: problems.length })} mt="14px">
      <ProblemList
        problems={problems.slice(0, 12)}
        action={(problem) => (
          <Box display="flex" gap="6px" alignItems="flex-start">
            <Button size="small" onClick={() => onGo(problem.path)}>
              {texts.show()}
            </Button>
            {problem.fix && (
              <Button size="small" look="outline" onClick={() => onMend(problem)}>
                {texts.fix2()}
              </Button>
            )}
          </Box>
        )}
      />
    </Section>
  );
}
