'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { Part } from '@/core/bench/entities';
import { capOf } from '@/core/grading/findingCaps';
import { gradePart, gradeReading } from '@/core/grading/gradePart';
import { attributesOf, type Readings } from '@/core/grading/rules';
import { worstGrade, type Grade } from '@/core/shared/grades';
import { money } from '@/core/shared/money';
import type { PartKind } from '@/data/models/partKinds';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { Punches } from '@/ui/base/Punches';
import { Section } from '@/ui/base/Section';
import { SidePanel } from '@/ui/base/SidePanel';
import { Tag } from '@/ui/base/Tag';
import type { Shop } from '@/ui/facts/ShopProvider';
import { KeyButton } from '@/ui/keys/KeyButton';
import { findingNames, partStateNames } from '@/ui/words/names';
import { AttributeRow } from './AttributeRow';

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
  const attributes = attributesOf(part.category);
  const [readings, setReadings] = useState<Readings>({});
  const [wanted, setWanted] = useState<string | null>(null);
  const isRead = (id: string) => readings[id] !== undefined;
  const current = wanted ?? attributes.find(({ id }) => !isRead(id))?.id ?? null;
  const judged = gradePart(part.category, readings, part.findings);
  const cap = capOf(part.category, part.findings);
  const soFar = worstGrade(attributes.flatMap((attribute) => gradeOf(attribute, readings) ?? []));
  const grade = judged.ok ? judged.value.grade : soFar;
  const readCount = attributes.filter(({ id }) => isRead(id)).length;
  const read = (id: string, reading: number | string) => {
    setReadings((before) => ({ ...before, [id]: reading }));
    setWanted(null);
  };
  const name = kind.name.charAt(0).toUpperCase() + kind.name.slice(1);
  const settle = () => judged.ok && shop.act('part-graded', part.id, { readings });

  return (
    <Box display="grid" gridTemplateColumns="minmax(0, 1fr) 330px">
      <Box p="20px 26px" minW="0">
        <Headline
          lead={
            <>
              {kind.modelName} · from {from || 'an unknown unit'} · {partStateNames[part.state]} at teardown
              {kind.handling && ` · ${kind.handling}`}
            </>
          }
          aside={<Tag code={part.tag} href={`/t/${part.tag}`} />}
        >
          {name}:{' '}
          {judged.ok
            ? `${grade === 'X' ? 'scrap' : grade}, ${judged.value.limiting.toLowerCase()} decides`
            : `${readCount} of ${attributes.length} read`}
        </Headline>
        <Box as="ul">
          {attributes.map((attribute) => (
            <AttributeRow
              key={attribute.id}
              attribute={attribute}
              reading={readings[attribute.id]}
              grade={gradeOf(attribute, readings)}
              isCurrent={attribute.id === current}
              isLimiting={judged.ok && judged.value.limiting === attribute.name && grade !== 'A'}
              onRead={(reading) => read(attribute.id, reading)}
              onWanted={() => setWanted(attribute.id)}
            />
          ))}
        </Box>
      </Box>
      <SidePanel>
        <Section title={judged.ok ? 'Its grade' : 'So far, at best'}>
          <Box py="16px">
            {readCount > 0 ? <Punches grade={grade} size="large" /> : <Box color="inkMuted">nothing read yet</Box>}
          </Box>
          <Box color="inkMuted">
            {judged.ok && grade !== 'X' && `Fetches ${money(kind.valueCents[grade] ?? 0)}.`}
            {judged.ok && grade !== 'A' && judged.value.without !== grade && (
              <>
                {' '}
                {judged.value.cap ? 'Otherwise' : `With perfect ${judged.value.limiting.toLowerCase()}`} it would be{' '}
                {judged.value.without}
                {kind.valueCents[judged.value.without] !== undefined &&
                  `, ${money((kind.valueCents[judged.value.without] ?? 0) - (kind.valueCents[grade] ?? 0))} more`}
                .
              </>
            )}
            {judged.ok && grade === 'A' && ' Nothing speaks against it.'}
            {!judged.ok && 'The worst attribute decides; read them all.'}
          </Box>
        </Section>
        {cap && (
          <Caution tone="waiting" what={`No better than ${cap.grade}:`}>
            {findingNames[cap.finding]} in its unit, {cap.because}.
          </Caution>
        )}
        {!part.isDataCleared && (
          <Box color="danger" fontWeight="600">
            It may hold personal data: destroy it, the shelf will refuse it.
          </Box>
        )}
        <Box mt="auto" display="grid" gap="10px">
          <KeyButton
            keyName=" "
            label={judged.ok ? (grade === 'X' ? 'Scrap it, next' : `Grade it ${grade}, next`) : 'Grade it, next'}
            look="action"
            size="wide"
            isEnabled={judged.ok}
            onPress={() => void settle()}
          />
          <Box display="grid" gridTemplateColumns="1fr 1fr" gap="10px">
            <KeyButton keyName="u" label="Take back" onPress={() => void shop.takeBack()} />
            <KeyButton
              keyName="x"
              label="Scrap it"
              look="danger"
              onPress={() => void shop.act('part-scrapped', part.id, { because: 'scrapped at grading' })}
            />
          </Box>
        </Box>
      </SidePanel>
    </Box>
  );
}

function gradeOf(attribute: Parameters<typeof gradeReading>[0], readings: Readings): Grade | undefined {
  const reading = readings[attribute.id];
  return reading === undefined ? undefined : gradeReading(attribute, reading);
}
