'use client';
import { say as sayApart } from '@/words/catalogue/core/apart';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { apartRules } from '@/core/shop/apart';
import type { Part, Unit } from '@/core/entities/entities';
import { Headline } from '@/ui/base/Headline';
import { Section } from '@/ui/base/Section';
import { Tag } from '@/ui/base/Tag';
import { KeyButton } from '@/ui/keys/KeyButton';
import { partStateNames, placeNames, stageNames } from '@/words/say/names';
import { BenchHeader } from './BenchHeader';
import type { BenchProps } from './benchProps';
import * as words from '@/words/catalogue/bench';
import * as later from '@/words/catalogue/benchLater';

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
      ? { label: later.gradeParts({ toGrade }), path: '/grade' }
      : { label: later.backToList(), path: '/teardown' };
  if (stage === 'kept-apart')
    return {
      headline: later.takeToFireSafePlace({ tag }),
      lead: sayApart(apartRules.hazard.note),
      next: { label: later.thereNext(), path: '/apart' },
    };
  if (stage === 'prove')
    return {
      headline: sheet?.isClosed ? later.rebuilt() : later.isAt({ tag, stage: stageNames[stage] }),
      lead: later.backTogetherProveBeforeSold(),
      next: { label: later.prove(), path: `/prove?unit=${tag}` },
    };
  const lead = later.goesToRecyclingAsUndo({ freed: freed.length });
  if (!sheet?.isClosed) return { headline: later.isAt({ tag, stage: stageNames[stage] }), lead, next };
  const headline = freed.length === 0 ? later.stoppedNothingCameOut() : later.takenApartPart({ freed: freed.length });
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
    <Box
      minH="100vh"
      display="grid"
      gridTemplateColumns="minmax(0, 1fr)"
      gridTemplateRows={{ base: 'auto 1fr', lg: '60px 1fr' }}
    >
      <BenchHeader {...props}>{stageNames[unit.stage]}</BenchHeader>
      <Box as="main" p="32px" maxW="900px">
        <Headline lead={lead}>{headline}</Headline>
        <Box display="flex" gap="10px" mb="24px">
          <KeyButton keyName=" " label={next.label} look="action" size="wide" onPress={() => router.push(next.path)} />
          <KeyButton records keyName="u" label={later.undoLastStep()} onPress={() => void shop.takeBack(unit.id)} />
          <KeyButton keyName="Escape" label={later.today()} onPress={() => router.push('/')} />
        </Box>
        {isApart && (
          <Box as="ol" textStyle="lead" ps="28px" mb="24px" listStyleType="decimal">
            {apartRules.hazard.steps.map((step) => (
              <Box as="li" key={step.code} py="4px">
                {sayApart(step)}
              </Box>
            ))}
          </Box>
        )}
        {(!isApart || freed.length > 0) && (
          <Section title={words.partsFromThisUnit()}>
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
