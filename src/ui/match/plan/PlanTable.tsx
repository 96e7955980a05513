'use client';
import { Box } from '@chakra-ui/react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState, type RefObject } from 'react';
import type { PlanGroup } from '@/core/matching/planGroups';
import type { SlotWish, Wish } from '@/core/matchPlan/problem';
import { money } from '@/words/format';
import * as words from '@/words/catalogue/matchPlan';
import { PlanLine, rowColumns } from './PlanLine';
import type { Choice } from './choice';

const headPx = 58;
const rowPx = 47;

type Item =
  | { readonly is: 'group'; readonly group: PlanGroup }
  | { readonly is: 'row'; readonly group: PlanGroup; readonly row: PlanGroup['rows'][number] };

const itemsOf = (groups: readonly PlanGroup[]): readonly Item[] =>
  groups.flatMap((group): readonly Item[] => [
    { is: 'group', group },
    ...group.rows.map((row): Item => ({ is: 'row', group, row })),
  ]);

/** Units by model, and what goes into each of their slots; only the rows in sight are drawn. */
export function PlanTable({
  groups,
  scroller,
  choice,
  wishes,
  slotWishes,
  onChoose,
}: {
  readonly groups: readonly PlanGroup[];
  readonly scroller: RefObject<HTMLDivElement | null>;
  readonly choice: Choice | undefined;
  readonly wishes: readonly Wish[];
  readonly slotWishes: readonly SlotWish[];
  readonly onChoose: (choice: Choice) => void;
}) {
  // The virtualizer changes inside, which the compiler cannot know.
  'use no memo';
  const list = useRef<HTMLUListElement>(null);
  const [top, setTop] = useState(0);
  useEffect(() => {
    const measure = () => setTop(list.current?.offsetTop ?? 0);
    measure();
    const watcher = new ResizeObserver(measure);
    if (scroller.current?.firstElementChild) watcher.observe(scroller.current.firstElementChild);
    return () => watcher.disconnect();
  }, [scroller]);
  const items = itemsOf(groups);
  // eslint-disable-next-line react-hooks/incompatible-library -- not compiled: see above
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroller.current,
    estimateSize: (at) => (items[at]?.is === 'group' ? headPx : rowPx),
    getItemKey: (at) => {
      const item = items[at];
      return item?.is === 'row' ? item.row.tag : (item?.group.modelId ?? at);
    },
    overscan: 8,
    scrollMargin: top,
  });
  const chosenAt = items.findIndex((item) => item.is === 'row' && item.row.tag === choice?.tag);
  useEffect(() => {
    // With the first row of a model its heading is seen, too.
    if (chosenAt >= 0) virtual.scrollToIndex(chosenAt < 2 ? 0 : chosenAt, { align: 'auto' });
  }, [chosenAt, virtual]);
  return (
    <Box as="ul" ref={list} aria-label={words.units()} position="relative" h={`${virtual.getTotalSize()}px`}>
      {virtual.getVirtualItems().map(({ key, index, start }) => {
        const item = items[index];
        if (!item) return null;
        return (
          <li
            key={key}
            ref={virtual.measureElement}
            data-index={index}
            style={{ position: 'absolute', insetInline: 0, top: 0, transform: `translateY(${start - top}px)` }}
          >
            {item.is === 'group' ? (
              <GroupHead group={item.group} />
            ) : (
              <PlanLine
                row={item.row}
                columns={item.group.columns}
                choice={choice?.tag === item.row.tag ? choice : undefined}
                wishes={wishes.filter(({ tag }) => tag === item.row.tag)}
                slotWishes={slotWishes.filter(({ tag }) => tag === item.row.tag)}
                onChoose={onChoose}
              />
            )}
          </li>
        );
      })}
    </Box>
  );
}

function GroupHead({ group: { model, columns, rows, cents, news } }: { readonly group: PlanGroup }) {
  const count = (fate: string) => rows.filter((row) => row.fate === fate).length;
  return (
    <Box pt="14px" pb="4px" borderBottomWidth="1px" borderColor="rule">
      <Box display="flex" flexWrap="wrap" gap="2px 14px" alignItems="baseline">
        <Box as="h2" textStyle="section">
          {model}
        </Box>
        <Box textStyle="caption" color="inkMuted">
          {words.groupSays({
            units: rows.length,
            builds: count('build'),
            donors: count('donor'),
            money: money(cents),
            news,
          })}
        </Box>
      </Box>
      <Box
        display={{ base: 'none', md: 'grid' }}
        gridTemplateColumns={rowColumns(columns.length)}
        gap="0 6px"
        px="12px"
        textStyle="caption"
        color="inkMuted"
        aria-hidden
      >
        <span>{words.unit()}</span>
        {columns.length === 0 && <span />}
        {columns.map(({ slot, name }) => (
          <Box as="span" key={slot} overflow="hidden" textOverflow="ellipsis" whiteSpace="nowrap" title={name}>
            {name}
          </Box>
        ))}
        <span>{words.sellsAt()}</span>
        <Box as="span" textAlign="end">
          {words.leaves()}
        </Box>
        <Box as="span" textAlign="end">
          {words.minutes()}
        </Box>
      </Box>
    </Box>
  );
}
