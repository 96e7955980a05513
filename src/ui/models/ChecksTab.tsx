'use client';
import { Box } from '@chakra-ui/react';
import { rules } from '@/core/procedure/checks/rules';
import type { ModelProblem } from '@/core/procedure/checks/problem';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { Section } from '@/ui/base/Section';
import { sayCount } from '@/ui/words/amounts';
import { ProblemList } from './ProblemList';

const kinds = Object.entries(rules);

/** What the checker found, and what it looks for. */
export function ChecksTab({ problems }: { readonly problems: readonly ModelProblem[] }) {
  return (
    <Box
      p="20px 28px"
      display="grid"
      gridTemplateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) 420px' }}
      gap="32px"
      borderTopWidth="1px"
      borderColor="rule"
    >
      <Section
        title={problems.length === 0 ? 'Nothing found' : sayCount(problems.length, 'thing to mend', 'things to mend')}
      >
        {problems.length === 0 ? (
          <Box pt="10px">
            Every joint was walked through, in every revision and configuration, clean and with each finding: what opens
            is shut again, nothing is freed while it is held, power is off before board work, and no tool goes where it
            harms.
          </Box>
        ) : (
          <ProblemList problems={problems} />
        )}
      </Section>
      <Section title="What is looked for" note={`${kinds.length} rules`}>
        <ScrollBox label="Rules" as="ul" role="list" pt="8px" maxH="calc(100vh - 300px)">
          {kinds.map(([id, { finds, severity }]) => (
            <Box as="li" key={id} py="3px" display="flex" justifyContent="space-between" gap="12px">
              <span>{finds}</span>
              <Box as="span" textStyle="caption" color="inkMuted" whiteSpace="nowrap">
                {severity === 'warning' ? 'warns' : 'stops'}
              </Box>
            </Box>
          ))}
        </ScrollBox>
      </Section>
    </Box>
  );
}
