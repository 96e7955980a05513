'use client';
import { limitingName } from '@/words/say/attributes';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { Part } from '@/core/entities/entities';
import { capOf } from '@/core/findings/partHarm';
import { gradePart, gradeReading } from '@/core/grading/gradePart';
import { attributesOf, type Readings } from '@/core/grading/rules';
import { worstGrade, type Grade } from '@/core/shared/grades';
import type { PartKind } from '@/data/models/partKinds';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { Punches } from '@/ui/base/Punches';
import { Section } from '@/ui/base/Section';
import { SidePanel } from '@/ui/base/SidePanel';
import { Tag } from '@/ui/base/Tag';
import type { Shop } from '@/ui/facts/ShopProvider';
import { useKey } from '@/ui/keys/KeysProvider';
import { KeyButton } from '@/ui/keys/KeyButton';
import { findingNames, partStateNames } from '@/words/say/names';
import { AttributeRow } from './AttributeRow';
import { useHouseRules } from '@/ui/rules/RulesProvider';
import * as words from '@/words/catalogue/grade';

/** Readings of parts that somebody left in the middle, as long as this page lives. */
const halfRead = new Map<string, Readings>();

/** One attribute after the other, the grade live beside them with what limits it. */
export function GradeOnePart({
  part,
  kind,
  from,
  shop,
}: {
  readonly part: Part;
  readonly kind: PartKind;
  readonly from: string;
  readonly shop: Shop;
}) {
  const { gradingLimits } = useHouseRules();
  const attributes = attributesOf(part.category, gradingLimits);
  // What was half read before one left, or what a part was graded by that is graded again.
  const [readings, setReadings] = useState<Readings>(() => halfRead.get(part.id) ?? part.readings);
  const [wanted, setWanted] = useState<string | null>(null);
  const isRead = (id: string) => readings[id] !== undefined;
  const current = wanted ?? attributes.find(({ id }) => !isRead(id))?.id ?? null;
  const judged = gradePart(part.category, readings, gradingLimits, part.findings);
  const cap = capOf(part.category, part.findings);
  const soFar = worstGrade(attributes.flatMap((attribute) => gradeOf(attribute, readings) ?? []));
  const grade = judged.ok ? judged.value.grade : soFar;
  const readCount = attributes.filter(({ id }) => isRead(id)).length;
  const read = (id: string, reading: number | string) => {
    const next = { ...readings, [id]: reading };
    halfRead.set(part.id, next);
    setReadings(next);
    setWanted(null);
  };
  const name = kind.name.charAt(0).toUpperCase() + kind.name.slice(1);
  const settle = () => {
    if (judged.ok && shop.act('part-graded', part.id, { readings }).ok) halfRead.delete(part.id);
  };
  const lastRead = attributes.findLast(({ id }) => isRead(id) && id !== current)?.id ?? null;
  useKey('Backspace', words.previousReading(), () => setWanted(lastRead), lastRead !== null);

  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 260px', xl: 'minmax(0, 1fr) 330px' }}
    >
      <Box p="20px 26px" minW="0">
        <Headline
          lead={
            <>
              {words.fromAtTeardown({
                modelName: kind.modelName,
                anUnknownUnit: from || words.unknownUnit(),
                state: partStateNames[part.state],
                handling: kind.handling && ` · ${kind.handling}`,
              })}
            </>
          }
          aside={<Tag code={part.tag} href={`/t/${part.tag}`} />}
        >
          {name}:{' '}
          {judged.ok
            ? words.limitedBy({
                grade: grade === 'X' ? words.scrap2() : grade,
                limiting: limitingName(judged.value.limiting),
              })
            : words.ofRead({ readCount, attributes: attributes.length })}
        </Headline>
        <Box as="ul">
          {attributes.map((attribute) => (
            <AttributeRow
              key={attribute.id}
              attribute={attribute}
              reading={readings[attribute.id]}
              grade={gradeOf(attribute, readings)}
              isCurrent={attribute.id === current}
              isLimiting={judged.ok && judged.value.limiting === attribute.id && grade !== 'A'}
              onRead={(reading) => read(attribute.id, reading)}
              onWanted={() => setWanted(attribute.id)}
            />
          ))}
        </Box>
      </Box>
      <SidePanel>
        <GradeNow {...{ kind, judged, grade }} hasBegun={readCount > 0} />
        {cap && (
          <Caution tone="waiting" what={words.atBest({ grade: cap.grade })}>
            {words.inItsUnit({ finding: findingNames[cap.finding] })}
          </Caution>
        )}
        {!part.isDataCleared && (
          <Box color="danger" fontWeight="600">
            {words.mayHoldPersonalDataDestroy()}
          </Box>
        )}
        <Box mt="auto" display="grid" gap="10px">
          <KeyButton
            records
            keyName=" "
            label={words.scrapNext({
              isJudgedOk: judged.ok ? 'yes' : 'no',
              isGradeX: grade === 'X' ? 'yes' : 'no',
              grade,
            })}
            look="action"
            size="wide"
            isEnabled={judged.ok}
            onPress={settle}
          />
          <Box display="grid" gridTemplateColumns="1fr 1fr" gap="10px">
            <KeyButton records keyName="u" label={words.undo()} onPress={() => void shop.takeBack()} />
            <KeyButton
              records
              keyName="x"
              label={words.scrap()}
              look="danger"
              onPress={() => void shop.act('part-scrapped', part.id, { because: words.scrappedAtGrading() })}
            />
          </Box>
        </Box>
      </SidePanel>
    </Box>
  );
}

/** The grade so far, what it fetches, and what it would be without what limits it. */
function GradeNow({
  kind,
  judged,
  grade,
  hasBegun,
}: {
  readonly kind: PartKind;
  readonly judged: ReturnType<typeof gradePart>;
  readonly grade: Grade;
  readonly hasBegun: boolean;
}) {
  return (
    <Section title={words.grade({ isJudgedOk: judged.ok ? 'yes' : 'no' })}>
      <Box py="16px">
        {hasBegun ? <Punches grade={grade} size="large" /> : <Box color="inkMuted">{words.nothingReadYet()}</Box>}
      </Box>
      <Box color="inkMuted">
        {judged.ok && grade !== 'X' && words.fetches({ grade: kind.valueCents[grade] ?? 0 })}
        {judged.ok && grade !== 'A' && judged.value.without !== grade && (
          <>
            {' '}
            {words.wouldBe({
              isCapped: judged.value.cap ? 'yes' : 'no',
              limiting: limitingName(judged.value.limiting),
              without: judged.value.without,
              hasPrice: kind.valueCents[judged.value.without] === undefined ? 'no' : 'yes',
              moreCents: (kind.valueCents[judged.value.without] ?? 0) - (kind.valueCents[grade] ?? 0),
            })}
          </>
        )}
        {judged.ok && grade === 'A' && ` ${words.nothingLimits()}`}
        {!judged.ok && words.worstAttributeDecidesReadAll()}
      </Box>
    </Section>
  );
}

function gradeOf(attribute: Parameters<typeof gradeReading>[0], readings: Readings): Grade | undefined {
  const reading = readings[attribute.id];
  return reading === undefined ? undefined : gradeReading(attribute, reading);
}
