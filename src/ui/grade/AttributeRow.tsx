'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import type { Attribute, ChoiceAttribute, NumberAttribute } from '@/core/grading/attributes';
import { gradeReading } from '@/core/grading/gradePart';
import type { Grade } from '@/core/shared/grades';
import { Button } from '@/ui/base/Button';
import { Input } from '@/ui/base/Input';
import { Punches } from '@/ui/base/Punches';
import { KeyButton } from '@/ui/keys/KeyButton';
import { capital } from '@/words/format';
import { attributeHows, attributeNames, choiceName, numberRead } from '@/words/say/attributes';
import { readSigned } from '@/words/say/readNumber';
import * as words from '@/words/catalogue/grade';
import { Ruler } from './Ruler';

interface AttributeRowProps {
  readonly attribute: Attribute;
  readonly reading: number | string | undefined;
  /** Half of the interval of the reading. */
  readonly plusMinus: number;
  /** How often it was read. */
  readonly times: number;
  readonly grade: Grade | undefined;
  readonly isCurrent: boolean;
  readonly isLimiting: boolean;
  readonly onRead: (reading: number | string) => void;
  readonly onWanted: () => void;
}

const Row = chakra('li');

/** One attribute: how to measure it, where the reading stands between the limits, and what that makes of it. */
export function AttributeRow(props: AttributeRowProps) {
  const { attribute, reading, plusMinus, times, grade, isCurrent, isLimiting, onRead, onWanted } = props;
  const nameId = `attribute-${attribute.id}`;
  const row = useRef<HTMLLIElement>(null);
  const wasCurrent = useRef(isCurrent);
  useEffect(() => {
    // The next one to read comes into sight; the first of a part is where the page begins.
    if (isCurrent && !wasCurrent.current) row.current?.scrollIntoView({ block: 'nearest' });
    wasCurrent.current = isCurrent;
  }, [isCurrent]);
  const isNumber = attribute.kind === 'number';
  return (
    <Row
      ref={row}
      data-attribute={attribute.id}
      data-current={isCurrent || undefined}
      borderBottomWidth="1px"
      borderColor="rule"
      bg={isCurrent ? 'actionSoft' : undefined}
      mx="-14px"
      px="14px"
      py="9px"
    >
      <Box
        display="grid"
        gridTemplateColumns={{
          base: 'minmax(0, 1fr)',
          md: '170px minmax(0, 1fr) 90px',
          xl: '210px minmax(0, 1fr) 96px',
        }}
        gap={{ base: '8px', xl: '16px' }}
        alignItems="center"
      >
        <Box>
          <Box id={nameId} fontWeight={isCurrent ? '700' : '600'} color={isLimiting ? 'danger' : undefined}>
            {capital(attributeNames[attribute.id])}
            {isLimiting && ` ${words.limits()}`}
          </Box>
          <Box textStyle="caption" color="inkMuted">
            {isCurrent || reading === undefined
              ? attributeHows[attribute.id]
              : sayReading(attribute, reading, plusMinus, times)}
            {attribute.isOptional && reading === undefined && ` ${words.optional()}`}
          </Box>
        </Box>
        <Box display="grid" gap="8px">
          {isCurrent && isNumber && <NumberReading attribute={attribute} times={times} onRead={onRead} />}
          {isCurrent && !isNumber && <ChoiceReading attribute={attribute} onRead={onRead} />}
          {isNumber && (reading !== undefined || isCurrent) && (
            <Ruler
              attribute={attribute}
              reading={typeof reading === 'number' ? reading : undefined}
              plusMinus={plusMinus}
              isLimiting={isLimiting}
            />
          )}
          {!isCurrent && (!isNumber || reading === undefined) && (
            <Box>
              <Button size="small" justifyContent="flex-start" onClick={onWanted} aria-describedby={nameId}>
                {reading === undefined ? words.notRead() : choiceName(attribute.id, String(reading))}
              </Button>
            </Box>
          )}
        </Box>
        <Box textAlign="end" display="grid" justifyItems="end" gap="2px">
          {grade && <Punches grade={grade} />}
          {isNumber && !isCurrent && reading !== undefined && (
            <Button size="small" onClick={onWanted} aria-describedby={nameId}>
              {words.change()}
            </Button>
          )}
        </Box>
      </Box>
    </Row>
  );
}

function sayReading(attribute: Attribute, reading: number | string, plusMinus: number, times: number): string {
  if (attribute.kind === 'choice' || typeof reading === 'string') return attributeHows[attribute.id];
  return numberRead(attribute.id, reading, plusMinus, times);
}

function NumberReading({
  attribute,
  times,
  onRead,
}: {
  readonly attribute: NumberAttribute;
  readonly times: number;
  readonly onRead: (reading: number) => void;
}) {
  const field = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => field.current?.focus({ preventScroll: true }), []);
  const take = () => {
    const reading = readSigned(field.current?.value ?? '') ?? Number.NaN;
    if (gradeReading(attribute, reading) === undefined)
      setProblem(
        words.enterNumberFromTo({
          low: attribute.low,
          high: attribute.high,
          unit: attribute.unit && ` ${attribute.unit}`,
        }),
      );
    else onRead(reading);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
    >
      <Box display="flex" gap="10px" alignItems="center" flexWrap="wrap">
        <Input
          ref={field}
          data-figures
          inputMode="decimal"
          aria-label={capital(attributeNames[attribute.id])}
          aria-invalid={problem !== null}
          w="120px"
          autoComplete="off"
        />
        <Box as="span">{attribute.unit}</Box>
        <Box as="span" textStyle="note" color={problem ? 'danger' : 'inkMuted'} role={problem ? 'alert' : undefined}>
          {problem ?? (times > 0 ? words.onceMore({ times }) : words.pressEnter())}
        </Box>
      </Box>
    </form>
  );
}

function ChoiceReading({
  attribute,
  onRead,
}: {
  readonly attribute: ChoiceAttribute;
  readonly onRead: (reading: string) => void;
}) {
  return (
    <Box display="flex" flexWrap="wrap" gap="6px">
      {attribute.choices.map(({ id }, index) => (
        <KeyButton
          records
          key={id}
          keyName={String(index + 1)}
          label={choiceName(attribute.id, id)}
          size="small"
          look="outline"
          onPress={() => onRead(id)}
        />
      ))}
    </Box>
  );
}
