'use client';
import { Box } from '@chakra-ui/react';
import { money } from '@/core/shared/money';
import type { PlanLine, TeardownPlan } from '@/core/teardown/plan/teardownPlan';
import { useState } from 'react';
import { Input } from '@/ui/base/Input';
import { Table } from '@/ui/base/Table';
import { KeyButton } from '@/ui/keys/KeyButton';
import { readMoney } from '@/ui/words/readMoney';
import { minutes, sayShare, verdictWords } from './planWords';

const keys = [...'123456789abdehijklmnqsxyz'];

/** What is freed above the line and what stays in below it, with the price from which each would pay. */
export function PartLines({
  plan,
  wanted,
  onToggle,
  onPrice,
}: {
  readonly plan: TeardownPlan;
  /** Parts picked by hand; null while the plan decides. */
  readonly wanted: readonly string[] | null;
  readonly onToggle: (part: string) => void;
  /** Another price for a sound one; null while prices are not being asked about. */
  readonly onPrice: ((part: string, soundCents: number | null) => void) | null;
}) {
  const place = new Map(plan.operations.flatMap(({ frees }) => frees).map((part, at) => [part, at]));
  const isOut = ({ part }: PlanLine) => place.has(part);
  const lines = [...plan.lines].sort(
    (a, b) =>
      (place.get(a.part) ?? 99) - (place.get(b.part) ?? 99) || b.soundCents * b.chance - a.soundCents * a.chance,
  );
  const lastOut = lines.findLastIndex(isOut);
  return (
    <Table>
      <thead>
        <tr>
          {wanted && <th>Key</th>}
          <th>Part</th>
          <th data-figure>Sound, 80 %</th>
          <th data-figure>A sound one brings</th>
          <th data-figure>Minutes to it</th>
          <th data-figure>Pays from</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {lines.map((line, at) => (
          <Box
            as="tr"
            key={line.part}
            color={isOut(line) ? 'ink' : 'inkMuted'}
            {...(at === lastOut && at < lines.length - 1 && { borderBottomWidth: '3px', borderColor: 'danger' })}
          >
            {wanted && (
              <td>
                <KeyButton
                  keyName={keys[plan.lines.indexOf(line)] ?? 'F12'}
                  label={`${wanted.includes(line.part) ? 'Leave' : 'Take'} the ${line.name}`}
                  size="small"
                  px="6px"
                  aria-pressed={wanted.includes(line.part)}
                  onPress={() => onToggle(line.part)}
                >
                  {wanted.includes(line.part) ? '✓' : '–'}
                </KeyButton>
              </td>
            )}
            <td>{line.name}</td>
            <td data-figure>{sayShare(line)}</td>
            <td data-figure>{onPrice ? <PriceField line={line} onPrice={onPrice} /> : money(line.soundCents)}</td>
            <td data-figure>{line.extraMinutes < 0.05 ? 'on the way' : `+ ${minutes(line.extraMinutes)}`}</td>
            <td data-figure>
              {line.payFromCents === null ? '–' : `${line.isPriceProven ? '' : '≤ '}${money(line.payFromCents)}`}
            </td>
            <td>{verdictWords[line.verdict]}</td>
          </Box>
        ))}
      </tbody>
    </Table>
  );
}

/** What if it fetched this? Empty is what it fetches today. Taken when the field is left or Enter is pressed. */
function PriceField({
  line,
  onPrice,
}: {
  readonly line: PlanLine;
  readonly onPrice: (part: string, soundCents: number | null) => void;
}) {
  const [isWrong, setIsWrong] = useState(false);
  const take = (typed: string) => {
    const cents = typed.trim() === '' ? null : readMoney(typed);
    setIsWrong(cents === undefined);
    if (cents !== undefined && cents !== line.soundCents) onPrice(line.part, cents);
  };
  return (
    <Input
      key={line.soundCents}
      aria-label={`A sound ${line.name} brings`}
      aria-invalid={isWrong}
      title={isWrong ? 'That is no amount; the price before stands. Write it like 12.50.' : undefined}
      defaultValue={money(line.soundCents)}
      inputMode="decimal"
      w="86px"
      minH="0"
      h="32px"
      px="8px"
      textAlign="end"
      onBlur={({ currentTarget }) => take(currentTarget.value)}
      onKeyDown={({ key, currentTarget }) => {
        if (key === 'Enter') take(currentTarget.value);
      }}
    />
  );
}
