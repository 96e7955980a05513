'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { apartRules } from '@/core/bench/apart';
import type { Part, Unit } from '@/core/bench/entities';
import { Headline } from '@/ui/base/Headline';
import { Section } from '@/ui/base/Section';
import { Tag } from '@/ui/base/Tag';
import { KeyButton } from '@/ui/keys/KeyButton';
import { sayCount } from '@/ui/words/amounts';
import { partStateNames, placeNames, stageNames } from '@/ui/words/names';
import { BenchHeader } from './BenchHeader';
import type { BenchProps } from './benchProps';

interface Ending {
  readonly headline: string;
  readonly lead: string;
  readonly next: { readonly label: string; readonly path: string };
}

/** What came of the sheet, and where to go now. */
function endingOf({ tag, stage, sheet }: Unit, freed: readonly Part[]): Ending {
  const toGrade = freed.filter(({ place }) => place === 'grade').length;
  const next =
    toGrade > 0
      ? { label: `Grade ${toGrade} parts`, path: '/grade' }
      : { label: 'Back to the list', path: '/teardown' };
  if (stage === 'kept-apart')
    return {
      headline: `Carry ${tag} to the fire-safe place now`,
      lead: apartRules.hazard.note,
      next: { label: 'It is there: what next', path: '/apart' },
    };
  if (stage === 'prove')
    return {
      headline: sheet?.isClosed ? 'Rebuilt' : `${tag} is at “${stageNames[stage]}”`,
      lead: 'It is together again. Prove it before it is sold.',
      next: { label: 'Prove it', path: `/prove?unit=${tag}` },
    };
  const lead =
    freed.length === 0
      ? 'It goes to recycling as it is; take the last step back if that is a pity.'
      : 'What is left of it goes to recycling. Its parts wait for their grades.';
  if (!sheet?.isClosed) return { headline: `${tag} is at “${stageNames[stage]}”`, lead, next };
  const headline = freed.length === 0 ? 'Left: nothing came out' : `Taken apart: ${sayCount(freed.length, 'part')}`;
  return { headline, lead, next };
}

/** The sheet is over: what came of it and where to go. */
export function SheetFinished(props: BenchProps) {
  const { unit, model, shop, parts } = props;
  const router = useRouter();
  const known = new Map([...parts, ...shop.parts].map((part) => [part.id, part]));
  const freed = [...known.values()].filter((part) => part.unitId === unit.id);
  const { headline, lead, next } = endingOf(unit, freed);
  const isApart = unit.stage === 'kept-apart';
  return (
    <Box minH="100vh" display="grid" gridTemplateColumns="minmax(0, 1fr)" gridTemplateRows="60px 1fr">
      <BenchHeader {...props}>{stageNames[unit.stage]}</BenchHeader>
      <Box as="main" p="32px" maxW="900px">
        <Headline lead={lead}>{headline}</Headline>
        <Box display="flex" gap="10px" mb="24px">
          <KeyButton keyName=" " label={next.label} look="action" size="wide" onPress={() => router.push(next.path)} />
          <KeyButton keyName="u" label="Take the last step back" onPress={() => void shop.takeBack(unit.id)} />
          <KeyButton keyName="Escape" label="Today" onPress={() => router.push('/')} />
        </Box>
        {isApart && (
          <Box as="ol" textStyle="lead" ps="28px" mb="24px" listStyleType="decimal">
            {apartRules.hazard.steps.map((step) => (
              <Box as="li" key={step} py="4px">
                {step}
              </Box>
            ))}
          </Box>
        )}
        {(!isApart || freed.length > 0) && (
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
        )}
      </Box>
    </Box>
  );
}
