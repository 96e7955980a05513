'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { dearerThanBetter, type GradeCents } from '@/core/prices/priceList';
import { readRule } from '@/core/rules/ruleFields';
import { saleGrades, type SaleGrade } from '@/core/shared/grades';
import { Input } from '@/ui/base/Input';
import { currencySign } from '@/words/format';
import { readNumber } from '@/words/say/readNumber';
import { writeRule } from '@/words/say/ruleWords';
import * as words from '@/words/catalogue/prices';

const kind = { is: 'money' } as const;

/** The price of each grade. What cannot be read stays in its field, marked, and changes nothing. */
export function PriceInputs({
  name,
  cents,
  onChange,
}: {
  readonly name: string;
  readonly cents: GradeCents;
  readonly onChange: (cents: GradeCents) => void;
}) {
  const [typed, setTyped] = useState<Readonly<Partial<Record<SaleGrade, string>>>>({});
  const isUnread = (grade: SaleGrade) =>
    typed[grade] !== undefined && typeof readRule(kind, typed[grade] ?? '', readNumber) !== 'number';
  const dearer = dearerThanBetter(cents);
  const faults = [saleGrades.some(isUnread) && words.unread(), dearer && words.dearer({ grade: dearer })].filter(
    Boolean,
  );
  const fault = faults.length > 0 ? faults.join(' ') : null;
  const id = `${name} fault`;
  return (
    <Box>
      <Box display="flex" gap="12px" flexWrap="wrap" alignItems="center">
        {saleGrades.map((grade) => (
          <Box key={grade} display="flex" gap="6px" alignItems="center">
            <Box as="span" aria-hidden fontWeight="600">
              {grade}
            </Box>
            <Input
              aria-label={words.priceOf({ name, grade })}
              aria-invalid={isUnread(grade) || dearer === grade || undefined}
              aria-describedby={fault ? id : undefined}
              w="84px"
              inputMode="decimal"
              maxLength={12}
              autoComplete="off"
              value={typed[grade] ?? writeRule(kind, cents[grade])}
              onChange={({ currentTarget: { value } }) => {
                setTyped((before) => ({ ...before, [grade]: value }));
                const read = readRule(kind, value, readNumber);
                if (typeof read === 'number') onChange({ ...cents, [grade]: read });
              }}
              onBlur={() => !isUnread(grade) && setTyped((before) => ({ ...before, [grade]: undefined }))}
              onKeyDown={({ key, currentTarget }) => {
                if (key === 'Escape') setTyped((before) => ({ ...before, [grade]: undefined }));
                if (key === 'Escape' || key === 'Enter') currentTarget.blur();
              }}
            />
          </Box>
        ))}
        <Box as="span" color="inkMuted">
          {currencySign()}
        </Box>
      </Box>
      {fault && (
        <Box id={id} role="alert" textStyle="note" color="danger" pt="4px">
          {fault}
        </Box>
      )}
    </Box>
  );
}
