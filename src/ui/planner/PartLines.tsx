'use client';
import { money } from '@/words/format';
import { Box } from '@chakra-ui/react';
import type { PlanLine, TeardownPlan } from '@/core/teardown/plan/teardownPlan';
import { useState } from 'react';
import { Input } from '@/ui/base/Input';
import { Table } from '@/ui/base/Table';
import { KeyButton } from '@/ui/keys/KeyButton';
import { readMoney } from '@/words/say/readMoney';
import { sayShare, verdictWords } from './planWords';
import * as words from '@/words/catalogue/planner';
import { rowKeys } from '@/ui/keys/rowKeys';

const keys = rowKeys('cfgoprtuvw');

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
          {wanted && <th>{words.key()}</th>}
          <th>{words.part()}</th>
          <th data-figure>{words.ok80Range()}</th>
          <th data-figure>{words.goodOneFetches()}</th>
          <th data-figure>{words.minutesToReach()}</th>
          <th data-figure>{words.paysFrom()}</th>
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
                  keyName={keys[plan.lines.indexOf(line)]}
                  label={words.leave({ isLinePart: wanted.includes(line.part) ? 'yes' : 'no', name: line.name })}
                  size="small"
                  px="6px"
                  aria-pressed={wanted.includes(line.part)}
                  onPress={() => onToggle(line.part)}
                >
                  {wanted.includes(line.part) ? '✓' : '–'}
                </KeyButton>
              </td>
            )}
            <td>
              {line.name}
              {line.carriedCents !== 0 && (
                <Box textStyle="note" color="inkMuted">
                  {words.movesSaved({
                    cents: Math.abs(line.carriedCents),
                    isMore: line.carriedCents > 0 ? 'yes' : 'no',
                  })}
                </Box>
              )}
            </td>
            <td data-figure>{sayShare(line)}</td>
            <td data-figure>{onPrice ? <PriceField line={line} onPrice={onPrice} /> : money(line.soundCents)}</td>
            <td data-figure>
              {line.extraMinutes < 0.05 ? words.onWay() : words.moreTime({ extra: line.extraMinutes })}
            </td>
            <td data-figure>
              {line.payFromCents === null
                ? '–'
                : words.payFrom({ isProven: line.isPriceProven ? 'yes' : 'no', cents: line.payFromCents })}
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
      aria-label={words.goodFetches({ name: line.name })}
      aria-invalid={isWrong}
      title={isWrong ? words.thatNotAmountPreviousPrice() : undefined}
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
