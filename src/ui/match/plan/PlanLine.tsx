'use client';
import { Box } from '@chakra-ui/react';
import { useDraggable, useDroppable } from '@dnd-kit/core';
import { Ban, Lock } from 'lucide-react';
import type { PlanGroup } from '@/core/matching/planGroups';
import type { PlanCell, PlannedFill, PlanRow } from '@/core/matching/planView';
import type { SlotWish, Wish } from '@/core/matchPlan/problem';
import { comingLot, keptLot } from '@/core/matching/accepted';
import { Punches } from '@/ui/base/Punches';
import { money, whole } from '@/words/format';
import * as words from '@/words/catalogue/matchPlan';
import type { Choice } from './choice';
import { dragId } from './dragging';

/** Unit, its slots, what it sells at, what it leaves, its minutes. */
export const rowColumns = (slots: number): string =>
  `clamp(104px, 10vw, 150px) repeat(${Math.max(1, slots)}, minmax(0, 1fr)) 84px 74px 34px`;

/** One unit of the plan: what becomes of it, what is in each slot and where that comes from, and what it leaves. */
export function PlanLine({
  row,
  columns,
  choice,
  wishes,
  slotWishes,
  onChoose,
}: {
  readonly row: PlanRow;
  readonly columns: PlanGroup['columns'];
  /** Of this row; undefined where another is chosen. */
  readonly choice: Choice | undefined;
  readonly wishes: readonly Wish[];
  readonly slotWishes: readonly SlotWish[];
  readonly onChoose: (choice: Choice) => void;
}) {
  const { tag, fate, cells, fills, sellsAt, cents, minutes } = row;
  const shown = new Set(columns.map(({ slot }) => slot));
  const others = cells.filter(({ slot, fill }) => fill && !shown.has(slot));
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr) 74px', md: rowColumns(columns.length) }}
      gap="4px 6px"
      alignItems="center"
      px="12px"
      py="5px"
      minH="46px"
      borderBottomWidth="1px"
      borderColor="rule"
      bg={choice ? 'actionSoft' : 'transparent'}
      cursor="pointer"
      aria-current={choice !== undefined}
      onClick={() => onChoose({ tag, slot: null })}
    >
      <UnitName row={row} isChosen={choice?.slot === null} wishes={wishes} />
      {fate === 'build' ? (
        // Side by side under their headings; one after the other, with their names, where there is no room for that.
        <Box
          display={{ base: 'flex', md: 'contents' }}
          gridColumn={{ base: '1 / -1', md: 'auto' }}
          flexWrap="wrap"
          gap="6px"
        >
          {columns.length === 0 && <Box color="inkMuted">{words.needsNothing()}</Box>}
          {columns.map(({ slot }) => {
            const cell = cells.find((own) => own.slot === slot);
            if (!cell) return <span key={slot} />;
            return (
              <SlotBox
                key={slot}
                {...{ tag, cell }}
                isChosen={choice?.slot === slot}
                wish={slotWishes.find((own) => own.slot === (cell.fill?.slot ?? slot))}
                onChoose={() => onChoose({ tag, slot })}
              />
            );
          })}
        </Box>
      ) : (
        <Box gridColumn={{ base: '1 / -1', md: `span ${Math.max(1, columns.length)}` }} textStyle="note">
          {sayOther(row)}
        </Box>
      )}
      <Box display={{ base: 'none', md: 'block' }}>{sellsAt && <Punches grade={sellsAt} />}</Box>
      <Box
        gridColumn={{ base: '2', md: 'auto' }}
        gridRow={{ base: '1', md: 'auto' }}
        textAlign="end"
        fontWeight="700"
        fontFamily="mono"
      >
        {money(cents)}
      </Box>
      <Box display={{ base: 'none', md: 'block' }} textAlign="end" color="inkMuted" textStyle="note">
        {minutes > 0 ? whole(minutes) : ''}
      </Box>
      {others.length > 0 && fills.length > 0 && (
        <Box gridColumn="1 / -1" textStyle="caption" color="inkMuted">
          {words.alsoIn({ slots: others.map((cell) => sayCell(cell)) })}
        </Box>
      )}
    </Box>
  );
}

function UnitName({
  row,
  isChosen,
  wishes,
}: {
  readonly row: PlanRow;
  readonly isChosen: boolean;
  readonly wishes: readonly Wish[];
}) {
  const { tag, fate, before, proposed, isNews } = row;
  const { setNodeRef, listeners } = useDraggable({ id: dragId({ tag, slot: null }) });
  const note =
    before && before !== fate && fate !== 'hold'
      ? words.wasDecided({ before: before.replace('-', '_') })
      : proposed
        ? words.triageSays({ proposed: proposed.replace('-', '_') })
        : isNews
          ? ''
          : words.isAccepted({ fate: fate.replace('-', '_') });
  return (
    <Box
      ref={setNodeRef}
      {...listeners}
      minW="0"
      justifySelf="start"
      px="4px"
      mx="-4px"
      outline={isChosen ? '2px solid' : 'none'}
      outlineColor="action"
      outlineOffset="2px"
      borderRadius="soft"
    >
      <Box as="span" textStyle="code" display="inline-flex" gap="6px" alignItems="center">
        {tag}
        {wishes.map(({ is }) =>
          is === 'pinned' ? (
            <Lock key={is} size={15} aria-label={words.pinned()} />
          ) : (
            <Ban key={is} size={15} aria-label={words.never()} />
          ),
        )}
      </Box>
      {note !== '' && (
        <Box
          as="span"
          display="block"
          textStyle="caption"
          color={proposed || before !== fate ? 'waiting' : 'inkMuted'}
          lineHeight="1.2"
        >
          {note}
        </Box>
      )}
    </Box>
  );
}

/** What is in a slot: the unit's own as a plain letter, another boxed with where it comes from. */
function SlotBox({
  tag,
  cell,
  isChosen,
  wish,
  onChoose,
}: {
  readonly tag: string;
  readonly cell: PlanCell;
  readonly isChosen: boolean;
  readonly wish: SlotWish | undefined;
  readonly onChoose: () => void;
}) {
  const { slot, grade, holds, fill, isSetAside } = cell;
  const id = dragId({ tag, slot });
  const drag = useDraggable({ id, disabled: fill === null });
  const drop = useDroppable({ id });
  const isOffer = fill?.is === 'offer';
  const isDonor = fill?.is === 'donor';
  return (
    <Box
      ref={(node: HTMLElement | null) => {
        drag.setNodeRef(node);
        drop.setNodeRef(node);
      }}
      {...drag.listeners}
      as="span"
      role="img"
      aria-label={sayCell(cell)}
      title={sayCell(cell)}
      onClick={(event) => {
        event.stopPropagation();
        onChoose();
      }}
      display="inline-flex"
      gap="5px"
      alignItems="center"
      justifySelf="start"
      maxW="100%"
      minH="30px"
      px="7px"
      overflow="hidden"
      whiteSpace="nowrap"
      bg={isOffer ? 'waitingSoft' : fill || isSetAside ? 'sheet' : 'transparent'}
      borderWidth="1px"
      borderStyle={isOffer ? 'dashed' : 'solid'}
      borderColor={isOffer ? 'waiting' : fill || isSetAside ? 'rule' : 'transparent'}
      borderStartWidth={isDonor ? '4px' : '1px'}
      borderStartColor={isDonor ? 'twine' : undefined}
      borderRadius="soft"
      outline={isChosen || drop.isOver ? '2px solid' : 'none'}
      outlineColor="action"
      outlineOffset="2px"
    >
      <Box as="span" display={{ base: 'inline', md: 'none' }} textStyle="note">
        {cell.name}
      </Box>
      <Box as="strong" borderBottomWidth={holds ? '3px' : '0'} borderColor="danger" lineHeight="1.15">
        {grade}
      </Box>
      {(fill || isSetAside) && (
        <Box as="span" color="inkMuted" textStyle="caption" overflow="hidden" textOverflow="ellipsis">
          {fill ? sourceOf(fill) : words.setAside()}
        </Box>
      )}
      {wish && (
        <Box as="span" color="waiting">
          {wish.is === 'pinned' ? (
            <Lock size={13} aria-label={words.pinned()} />
          ) : (
            <Ban size={13} aria-label={words.never()} />
          )}
        </Box>
      )}
    </Box>
  );
}

/** In a word: the shelf, what it is kept as, the number of a donor, or a price. */
function sourceOf({ is, from, cents }: PlannedFill): string {
  if (is === 'donor') return from.replace('U-', '');
  if (is === 'offer') return money(cents);
  if (from.startsWith(`${keptLot} `)) return words.keptForIt();
  return from.startsWith(`${comingLot} `) ? words.onItsWay() : words.fromShelf();
}

function sayCell({ name, grade, holds, fill, isSetAside }: PlanCell): string {
  return words.cellSays({
    name,
    grade,
    source: fill
      ? fill.is === 'donor'
        ? words.fromDonor({ from: fill.from })
        : fill.is === 'offer'
          ? words.bought({ cents: money(fill.cents) })
          : sourceOf(fill)
      : isSetAside
        ? words.setAside()
        : words.itsOwn(),
    holds: holds ? 'yes' : 'no',
  });
}

function sayOther({ fate, gives }: PlanRow): string {
  if (fate !== 'donor') return words.otherFate({ fate: fate.replace('-', '_') });
  const going = gives.flatMap(({ name, to }) => (to ? [words.goesTo({ name, to: to.tag })] : []));
  return words.gives({ count: gives.length, going, some: going.length > 0 ? 'yes' : 'no' });
}
