'use client';
import { Box } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import type { PlanRow } from '@/core/matching/planView';
import type { SlotWish, Wish } from '@/core/matchPlan/problem';
import type { Refusal } from '@/core/shared/outcome';
import { Refused } from '@/ui/base/Refused';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useKey } from '@/ui/keys/KeysProvider';
import { send } from '@/ui/server/send';
import type { WithoutIt } from '@/workers/match/matchJobs';
import { money, share } from '@/words/format';
import * as words from '@/words/catalogue/matchPlan';
import type { PlanView } from './usePlan';

/** The chosen unit: why it becomes that, what the next best would cost, and what somebody may want otherwise. */
export function WhyThis({
  view,
  row,
  wishes,
  slotWishes,
  customer,
  mayAccept,
  isBusy,
  onWish,
  onSlotWish,
  onForget,
  onAccept,
  onAcceptOne,
}: {
  readonly view: PlanView;
  readonly row: PlanRow;
  readonly wishes: readonly Wish[];
  readonly slotWishes: readonly SlotWish[];
  /** Whose order it goes to. */
  readonly customer: string | null;
  readonly mayAccept: boolean;
  readonly isBusy: boolean;
  readonly onWish: (wish: Wish | null) => void;
  readonly onSlotWish: (wish: SlotWish) => void;
  readonly onForget: () => void;
  readonly onAccept: () => void;
  readonly onAcceptOne: () => void;
}) {
  const { tag, fate, sellsAt, fills } = row;
  // 0 is the unit itself; then each of its parts.
  const [at, setAt] = useState(0);
  const fill = at === 0 ? undefined : fills[at - 1];
  const move = (by: number) => setAt((at + by + fills.length + 1) % (fills.length + 1));
  useKey('ArrowRight', words.nextChoice(), () => move(1), fills.length > 0);
  useKey('ArrowLeft', words.previousChoice(), () => move(-1), fills.length > 0);
  const isWished = [...wishes, ...slotWishes].some((own) => own.tag === tag);
  const without = useWithout(view, row, fill?.slot, fill?.from, isWished);
  return (
    <Box
      as="section"
      aria-label={words.whyThis({ tag })}
      bg="sheet"
      borderTopWidth="3px"
      borderColor="action"
      p="14px 26px 12px"
      data-main
    >
      <Box fontWeight="600" fontSize="18px">
        {fill ? sayFill(row, fill) : sayFate(row, customer)}
      </Box>
      <Box color="inkMuted" minH="24px" role="status">
        {isWished ? words.asWished() : <NextBest without={without} tag={tag} slot={fill?.slot} />}
      </Box>
      {fills.length > 0 && (
        <Box textStyle="caption" color="inkMuted">
          {words.arrowsLook({ parts: fills.length })}
        </Box>
      )}
      <Box display="flex" flexWrap="wrap" gap="8px" mt="10px">
        <KeyButton
          records
          keyName=" "
          look="action"
          label={words.acceptAll()}
          isEnabled={mayAccept && !isBusy}
          onPress={onAccept}
        />
        <KeyButton
          records
          keyName="a"
          label={words.acceptOne({ tag })}
          isEnabled={mayAccept && !isBusy && fate !== 'hold'}
          onPress={onAcceptOne}
        />
        <KeyButton
          keyName="p"
          label={words.pinThis()}
          onPress={() =>
            fill
              ? onSlotWish({ tag, slot: fill.slot, from: fill.from, is: 'pinned' })
              : onWish({ tag, fate, ...(sellsAt && { grade: sellsAt }), is: 'pinned' })
          }
        />
        <KeyButton
          keyName="x"
          label={words.neverThis()}
          onPress={() =>
            fill
              ? onSlotWish({ tag, slot: fill.slot, from: fill.from, is: 'forbidden' })
              : onWish({ tag, fate, is: 'forbidden' })
          }
        />
        {fate !== 'hold' && (
          <KeyButton keyName="l" label={words.leaveOut()} onPress={() => onWish({ tag, fate: 'hold', is: 'pinned' })} />
        )}
        {isWished && <KeyButton keyName="w" label={words.takeBackWish()} onPress={onForget} />}
      </Box>
    </Box>
  );
}

type Asked = { readonly of: string; readonly value: WithoutIt | null; readonly refusal: Refusal | null };

/** What the next best to a choice loses, asked once the hand rests on it. */
function useWithout(
  view: PlanView,
  { tag, fate, sellsAt }: PlanRow,
  slot: string | undefined,
  from: string | undefined,
  isWished: boolean,
): Asked | null {
  const [asked, setAsked] = useState<Asked | null>(null);
  const of = [tag, slot, from, view.at].join(' ');
  const { problem, cents } = view;
  useEffect(() => {
    if (isWished) return undefined;
    const calledOff = new AbortController();
    const timer = setTimeout(() => {
      void send<WithoutIt>(
        'POST',
        '/api/match-plan/without',
        { problem, cents, tag, fate, ...(sellsAt && { grade: sellsAt }), ...(slot !== undefined && { slot, from }) },
        calledOff.signal,
      ).then((outcome) => {
        if (calledOff.signal.aborted) return;
        setAsked({ of, value: outcome.ok ? outcome.value : null, refusal: outcome.ok ? null : outcome.refusal });
      });
    }, 250);
    return () => {
      clearTimeout(timer);
      calledOff.abort();
    };
  }, [of, problem, cents, tag, fate, sellsAt, slot, from, isWished]);
  return asked?.of === of ? asked : null;
}

function NextBest({
  without,
  tag,
  slot,
}: {
  readonly without: Asked | null;
  readonly tag: string;
  readonly slot: string | undefined;
}) {
  if (!without) return words.askingNextBest();
  if (without.refusal) return <Refused refusal={without.refusal} />;
  const { lossCents, plan } = without.value as WithoutIt;
  if (lossCents === null) return words.noOtherWay();
  const other = plan?.units.find((own) => own.tag === tag);
  const fill = slot === undefined ? undefined : other?.fills.find((own) => own.slot === slot);
  const instead = fill
    ? words.insteadPart({ is: fill.is, grade: fill.grade, from: fill.from })
    : words.insteadFate({
        fate: (other?.fate ?? 'hold').replace('-', '_'),
        grade: other?.sellsAt ?? '',
        hasGrade: other?.sellsAt ? 'yes' : 'no',
      });
  return words.nextBest({ instead, loss: money(lossCents), isSame: lossCents <= 0 ? 'yes' : 'no' });
}

function sayFate(
  { tag, fate, sellsAt, heldBy, cents, fills, gives, completes }: PlanRow,
  customer: string | null,
): string {
  return words.sayFate({
    tag,
    fate: fate.replace('-', '_'),
    grade: sellsAt ?? '',
    cents: money(cents),
    held: heldBy,
    isHeld: heldBy.length > 0 ? 'yes' : 'no',
    parts: fills.length,
    gives: gives.length,
    order: customer ?? '',
    hasOrder: customer ? 'yes' : 'no',
    completes: share(completes),
    isSure: completes >= 1 ? 'yes' : 'no',
  });
}

const sayFill = ({ tag }: PlanRow, { name, is, from, grade, cents }: PlanRow['fills'][number]): string =>
  words.sayFill({ tag, name, is, from, grade, cents: money(cents) });
