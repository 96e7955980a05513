'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { apartRules } from '@/core/bench/apart';
import { Headline } from '@/ui/base/Headline';
import { Section } from '@/ui/base/Section';
import { Tag } from '@/ui/base/Tag';
import { KeyButton } from '@/ui/keys/KeyButton';
import { sayCount } from '@/ui/words/amounts';
import { partStateNames, placeNames, stageNames } from '@/ui/words/names';
import { BenchHeader } from './BenchHeader';
import type { BenchProps } from './benchProps';

/** The sheet is over: what came of it and where to go. */
export function SheetFinished(props: BenchProps) {
  const { unit, model, shop, parts } = props;
  const router = useRouter();
  const known = new Map([...parts, ...shop.parts].map((part) => [part.id, part]));
  const freed = [...known.values()].filter((part) => part.unitId === unit.id);
  const toGrade = freed.filter(({ place }) => place === 'grade').length;
  const isApart = unit.stage === 'kept-apart';
  const next = isApart
    ? { label: 'It is there: what next', path: '/apart' }
    : unit.stage === 'prove'
      ? { label: 'Prove it', path: `/prove?unit=${unit.tag}` }
      : toGrade > 0
        ? { label: `Grade ${toGrade} parts`, path: '/grade' }
        : { label: 'Back to the list', path: '/teardown' };
  return (
    <Box minH="100vh" display="grid" gridTemplateColumns="minmax(0, 1fr)" gridTemplateRows="60px 1fr">
      <BenchHeader {...props}>{stageNames[unit.stage]}</BenchHeader>
      <Box as="main" p="32px" maxW="900px">
        <Headline
          lead={
            isApart
              ? apartRules.hazard.note
              : unit.stage === 'prove'
                ? 'It is together again. Prove it before it is sold.'
                : freed.length === 0
                  ? 'It goes to recycling as it is; take the last step back if that is a pity.'
                  : 'What is left of it goes to recycling. Its parts wait for their grades.'
          }
        >
          {isApart
            ? `Carry ${unit.tag} to the fire-safe place now`
            : unit.sheet?.isClosed
              ? unit.stage === 'prove'
                ? 'Rebuilt'
                : freed.length === 0
                  ? 'Left: nothing came out'
                  : `Taken apart: ${sayCount(freed.length, 'part')}`
              : `${unit.tag} is at “${stageNames[unit.stage]}”`}
        </Headline>
        <Box display="flex" gap="10px" mb="24px">
          <KeyButton keyName=" " label={next.label} look="action" size="wide" onPress={() => router.push(next.path)} />
          <KeyButton keyName="u" label="Take the last step back" onPress={() => void shop.takeBack(unit.id)} />
          <KeyButton keyName="Escape" label="Today" onPress={() => router.push('/')} />
        </Box>
        {isApart && (
          <Box as="ol" textStyle="lead" ps="24px" mb="24px" display="grid" gap="6px">
            {apartRules.hazard.steps.map((step) => (
              <li key={step}>{step}</li>
            ))}
          </Box>
        )}
        <Section title="Freed from this unit">
          <Box as="ul" display="grid" gridTemplateColumns="1fr 1fr" gap="8px" pt="12px">
            {freed.map((part) => (
              <li key={part.id}>
                <Tag
                  code={part.tag}
                  href={`/t/${part.tag}`}
                  fact={`${model.parts.find(({ id }) => id === part.partRef)?.name ?? part.partRef}, ${part.state === 'sound' ? placeNames[part.place] : partStateNames[part.state]}`}
                />
              </li>
            ))}
          </Box>
        </Section>
      </Box>
    </Box>
  );
}
