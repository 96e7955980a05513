'use client';
import { capital } from '@/words/format';
import { attributeHows, attributeNames, choiceName } from '@/words/say/attributes';
import { Box } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import type { Attribute, ChoiceAttribute, NumberAttribute } from '@/core/grading/rules';
import { gradeReading } from '@/core/grading/gradePart';
import type { Grade } from '@/core/shared/grades';
import { Input } from '@/ui/base/Input';
import { Punches } from '@/ui/base/Punches';
import { KeyButton } from '@/ui/keys/KeyButton';
import { Button } from '@/ui/base/Button';
import { readNumber } from '@/words/say/readNumber';
import * as words from '@/words/catalogue/grade';

interface AttributeRowProps {
  readonly attribute: Attribute;
  readonly reading: number | string | undefined;
  readonly grade: Grade | undefined;
  readonly isCurrent: boolean;
  readonly isLimiting: boolean;
  readonly onRead: (reading: number | string) => void;
  readonly onWanted: () => void;
}

interface ReadingProps<A extends Attribute> {
  readonly attribute: A;
  readonly onRead: (reading: number | string) => void;
}

/** One attribute: how to measure it, what was read, what that makes of it. */
export function AttributeRow({
  attribute,
  reading,
  grade,
  isCurrent,
  isLimiting,
  onRead,
  onWanted,
}: AttributeRowProps) {
  const nameId = `attribute-${attribute.id}`;
  return (
    <Box
      as="li"
      borderBottomWidth="1px"
      borderColor="rule"
      bg={isCurrent ? 'actionSoft' : undefined}
      mx="-14px"
      px="14px"
      py="10px"
    >
      <Box
        display="grid"
        gridTemplateColumns={{
          base: 'minmax(0, 1fr)',
          md: '150px minmax(0, 1fr) 90px',
          xl: '230px minmax(0, 1fr) 96px',
        }}
        gap={{ base: '10px', xl: '16px' }}
        alignItems="center"
      >
        <Box>
          <Box id={nameId} fontWeight={isCurrent ? '700' : '600'} color={isLimiting ? 'danger' : undefined}>
            {capital(attributeNames[attribute.id])}
            {isLimiting && ` ${words.limits()}`}
          </Box>
          <Box textStyle="caption" color="inkMuted">
            {attributeHows[attribute.id]}
          </Box>
        </Box>
        {isCurrent ? (
          attribute.kind === 'number' ? (
            <NumberReading attribute={attribute} onRead={onRead} />
          ) : (
            <ChoiceReading attribute={attribute} onRead={onRead} />
          )
        ) : (
          <Button size="small" justifyContent="flex-start" onClick={onWanted} aria-describedby={nameId}>
            {reading === undefined ? words.notRead() : sayReading(attribute, reading)}
          </Button>
        )}
        <Box textAlign="end">{grade && <Punches grade={grade} />}</Box>
      </Box>
    </Box>
  );
}

const sayReading = (attribute: Attribute, reading: number | string): string =>
  attribute.kind === 'number' ? `${reading} ${attribute.unit}`.trim() : choiceName(attribute.id, String(reading));

function NumberReading({ attribute, onRead }: ReadingProps<NumberAttribute>) {
  const field = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => field.current?.focus({ preventScroll: true }), []);
  const take = () => {
    const reading = readNumber(field.current?.value ?? '') ?? Number.NaN;
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
      <Box display="flex" gap="10px" alignItems="center">
        <Input
          ref={field}
          inputMode="decimal"
          aria-label={capital(attributeNames[attribute.id])}
          aria-invalid={problem !== null}
          w="120px"
          autoComplete="off"
        />
        <Box as="span">{attribute.unit}</Box>
        <Box as="span" textStyle="note" color={problem ? 'danger' : 'inkMuted'} role={problem ? 'alert' : undefined}>
          {problem ?? words.toBToCTo({ a: attribute.limits.A, b: attribute.limits.B, c: attribute.limits.C })}
        </Box>
      </Box>
    </form>
  );
}

function ChoiceReading({ attribute, onRead }: ReadingProps<ChoiceAttribute>) {
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
