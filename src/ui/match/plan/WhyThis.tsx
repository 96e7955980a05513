'use client';
import { Box } from '@chakra-ui/react';
import { useDroppable } from '@dnd-kit/core';
import type { ReactNode } from 'react';
import type { PlanGroup } from '@/core/matching/planGroups';
import type { PlanRow } from '@/core/matching/planView';
import type { SlotWish, Wish } from '@/core/matchPlan/problem';
import { Refused } from '@/ui/base/Refused';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useKey } from '@/ui/keys/KeysProvider';
import { money, share } from '@/words/format';
import * as words from '@/words/catalogue/matchPlan';
import { slotsOfRow, type Choice } from './choice';
import { wishOn, type DropZone, type Dropped } from './dragging';
import { useWithout, type Asked, type WithoutAsked } from './useWithout';
import type { PlanView } from './usePlan';

/** The chosen unit, or one of its slots: why it is so, what the next best would cost, and what somebody may want otherwise. */
export function WhyThis({
  view,
  row,
  slot,
  columns,
  wishes,
  slotWishes,
  customer,
  mayAccept,
  isBusy,
  onChoose,
  onWished,
  onForget,
  onAccept,
  onAcceptOne,
}: {
  readonly view: PlanView;
  readonly row: PlanRow;
  readonly slot: string | null;
  /** Slots that are seen in its row. */
  readonly columns: PlanGroup['columns'];
  readonly wishes: readonly Wish[];
  readonly slotWishes: readonly SlotWish[];
  /** Whose order it goes to. */
  readonly customer: string | null;
  readonly mayAccept: boolean;
  readonly isBusy: boolean;
  readonly onChoose: (choice: Choice) => void;
  readonly onWished: (wished: Dropped) => void;
  readonly onForget: () => void;
  readonly onAccept: () => void;
  readonly onAcceptOne: () => void;
}) {
  const { tag, fate, proposed } = row;
  const slots = slotsOfRow(row, columns);
  const at = Math.max(0, slots.indexOf(slot));
  const move = (by: number) => onChoose({ tag, slot: slots[(at + by + slots.length) % slots.length] ?? null });
  useKey('ArrowRight', words.nextChoice(), () => move(1), slots.length > 1);
  useKey('ArrowLeft', words.previousChoice(), () => move(-1), slots.length > 1);
  const isWished = [...wishes, ...slotWishes].some((own) => own.tag === tag);
  const { says, asks, fill } = aboutChoice(row, slot, customer);
  const without = useWithout(view, isWished ? null : asks);
  const asTriage = useWithout(
    view,
    slot === null && proposed && !isWished && without ? { tag, fate, instead: proposed } : null,
  );
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
        {says}
      </Box>
      <Box color="inkMuted" minH="48px" role="status">
        {isWished
          ? words.asWished()
          : asks && <NextBest without={without} asks={asks} tag={tag} fillSlot={fill?.slot} />}
        {asTriage?.value && proposed && (
          <Box>
            {words.triageWould({
              proposed: proposed.replace('-', '_'),
              loss: money(asTriage.value.lossCents ?? 0),
              is: asTriage.value.lossCents === null ? 'none' : asTriage.value.lossCents > 0 ? 'less' : 'same',
            })}
          </Box>
        )}
      </Box>
      {slots.length > 1 && (
        <Box textStyle="caption" color="inkMuted">
          {words.arrowsLook({ slots: slots.length - 1, isDonor: fate === 'donor' ? 'yes' : 'no' })}
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
        <Drop zone="pin">
          <KeyButton keyName="p" label={words.pinThis()} onPress={() => onWished(wishOn('pin', row, fill))} />
        </Drop>
        <Drop zone="never">
          <KeyButton keyName="x" label={words.neverThis()} onPress={() => onWished(wishOn('never', row, fill))} />
        </Drop>
        {fate !== 'hold' && (
          <Drop zone="leave-out">
            <KeyButton keyName="l" label={words.leaveOut()} onPress={() => onWished(wishOn('leave-out', row, null))} />
          </Drop>
        )}
        {isWished && <KeyButton keyName="w" label={words.takeBackWish()} onPress={onForget} />}
      </Box>
    </Box>
  );
}

/** A button that units and parts can be dropped on. */
function Drop({ zone, children }: { readonly zone: DropZone; readonly children: ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id: zone });
  return (
    <Box ref={setNodeRef} borderRadius="soft" outline={isOver ? '3px solid' : 'none'} outlineColor="action">
      {children}
    </Box>
  );
}

interface About {
  readonly says: string;
  /** What the next best is the answer to; null where there is nothing else to choose. */
  readonly asks: WithoutAsked | null;
  /** A part that comes from elsewhere. */
  readonly fill: { readonly slot: string; readonly from: string } | null;
}

function aboutChoice(row: PlanRow, slot: string | null, customer: string | null): About {
  const { tag, fate, sellsAt, cells, gives, betterAt } = row;
  const cell = cells.find((own) => own.slot === slot);
  const gift = gives.find((own) => own.slot === slot);
  const unit = { tag, fate, ...(sellsAt && { grade: sellsAt }) };
  if (cell?.fill) {
    const { fill } = cell;
    return {
      says: words.sayFill({
        tag,
        name: fill.name,
        is: fill.is,
        from: fill.from,
        grade: fill.grade,
        cents: money(fill.cents),
      }),
      asks: { ...unit, slot: fill.slot, from: fill.from },
      fill,
    };
  }
  if (cell) {
    const { name, grade, holds, isSetAside, isSeen } = cell;
    return {
      says: words.sayOwn({
        ...{ tag, name, grade, better: betterAt ?? '' },
        is: isSetAside ? 'setAside' : holds ? 'holds' : isSeen ? 'seen' : 'works',
        sellsAt: sellsAt ?? '',
      }),
      // To put another in its place it would have to sell at a better grade.
      asks: holds && betterAt ? { tag, fate: 'build', grade: betterAt, instead: 'build' } : null,
      fill: null,
    };
  }
  if (gift) {
    const { name, to, chance, worthCents } = gift;
    return {
      says: words.sayGift({
        ...{ tag, name, to: to?.tag ?? '', chance: share(chance), worth: money(worthCents) },
        isTaken: to ? 'yes' : 'no',
      }),
      asks: to ? { tag: to.tag, fate: 'build', slot: to.slot, from: tag } : unit,
      fill: null,
    };
  }
  return { says: sayFate(row, customer), asks: unit, fill: null };
}

function NextBest({
  without,
  asks,
  tag,
  fillSlot,
}: {
  readonly without: Asked | null;
  readonly asks: WithoutAsked;
  readonly tag: string;
  readonly fillSlot: string | undefined;
}) {
  if (!without) return words.askingNextBest();
  if (without.refusal || !without.value) return without.refusal && <Refused refusal={without.refusal} />;
  const { lossCents, plan } = without.value;
  if (asks.instead !== undefined)
    return words.toSellBetter({
      grade: asks.grade ?? '',
      loss: money(lossCents ?? 0),
      is: lossCents === null ? 'none' : lossCents > 0 ? 'less' : 'same',
    });
  if (lossCents === null) return words.noOtherWay();
  const about = asks.slot === undefined ? tag : asks.tag;
  const other = plan?.units.find((own) => own.tag === about);
  const wanted = fillSlot ?? asks.slot;
  const fill = wanted === undefined ? undefined : other?.fills.find((own) => own.slot === wanted);
  const instead = fill
    ? words.insteadPart({ is: fill.is, grade: fill.grade, from: fill.from })
    : words.insteadFate({
        fate: (other?.fate ?? 'hold').replace('-', '_'),
        grade: other?.sellsAt ?? '',
        hasGrade: other?.sellsAt ? 'yes' : 'no',
      });
  return words.nextBest({
    instead,
    loss: money(Math.abs(lossCents)),
    is: lossCents > 0 ? 'less' : lossCents < 0 ? 'more' : 'same',
  });
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
