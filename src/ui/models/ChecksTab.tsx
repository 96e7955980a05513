'use client';
import * as counts from '@/words/catalogue/counts';
import { Box } from '@chakra-ui/react';
import { rules } from '@/core/procedure/checks/rules';
import type { ModelProblem } from '@/core/procedure/checks/problem';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { Section } from '@/ui/base/Section';
import { ProblemList } from './ProblemList';
import { say as sayCheck } from '@/words/catalogue/core/checks';
import * as words from '@/words/catalogue/models';

const kinds = Object.entries(rules);

/** What the checker found, and what it looks for. */
export function ChecksTab({ problems }: { readonly problems: readonly ModelProblem[] }) {
  return (
    <Box
      p="20px 28px"
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 420px' }}
      gap="32px"
      borderTopWidth="1px"
      borderColor="rule"
    >
      <Section title={problems.length === 0 ? words.nothingFound() : counts.problems({ count: problems.length })}>
        {problems.length === 0 ? (
          <Box pt="10px">{words.everyJointWasCheckedIn()}</Box>
        ) : (
          <ProblemList problems={problems} />
        )}
      </Section>
      <Section title={words.whatChecked()} note={words.rules({ kinds: kinds.length })}>
        <ScrollBox label={words.rules2()} as="ul" role="list" pt="8px" maxH="calc(100vh - 300px)">
          {kinds.map(([id, { finds, severity }]) => (
            <Box as="li" key={id} py="3px" display="flex" justifyContent="space-between" gap="12px">
              <span>{sayCheck(finds)}</span>
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
