'use client';
import { Box } from '@chakra-ui/react';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState } from 'react';
import type { Part } from '@/core/entities/entities';
import type { ShelfQuery, ShelfSort } from '@/core/shelf/shelfQuery';
import type { ShelfRowsView } from '@/services/shelf/readShelfRows';
import { Punches } from '@/ui/base/Punches';
import { Tag } from '@/ui/base/Tag';
import { useKey } from '@/ui/keys/KeysProvider';
import { capital, money, shortDay } from '@/words/format';
import { limitingName } from '@/words/say/attributes';
import * as texts from '@/words/catalogue/shelf';
import { Carried } from './Carried';

const rowPx = 46;
const columns = {
  base: '52px minmax(0, 1fr) 74px',
  md: '52px 118px minmax(0, 1fr) 130px 106px 76px',
  xl: '52px 118px minmax(0, 1fr) 138px 106px 130px 84px 76px',
};
const fromMd = { base: 'none', md: 'block' };
const fromXl = { base: 'none', xl: 'block' };
/** What is drawn before the browser has said how high its window is. */
const firstWindow = { width: 1280, height: 800 };

interface Shown {
  readonly total: number;
  readonly rowAt: (at: number) => Part | undefined;
  readonly kinds: ShelfRowsView['kinds'];
}

/**
 * The rows of a view of the shelf, of which only those in the window are drawn. Heads sort; arrows go from row to row.
 *
 * @param onSee  told which rows are looked at, so that they can be asked for
 */
export function ShelfTable({
  rows: { total, rowAt, kinds },
  query,
  at,
  onChoose,
  onSort,
  onSee,
}: {
  readonly rows: Shown;
  readonly query: ShelfQuery;
  readonly at: number | null;
  readonly onChoose: (at: number) => void;
  readonly onSort: (sort: ShelfSort) => void;
  readonly onSee: (from: number, to: number) => void;
}) {
  // The virtualizer changes inside, which the compiler cannot know.
  'use no memo';
  const body = useRef<HTMLDivElement>(null);
  const [top, setTop] = useState(0);
  useEffect(() => {
    const measure = () => setTop((body.current?.getBoundingClientRect().top ?? 0) + window.scrollY);
    measure();
    const watcher = new ResizeObserver(measure);
    watcher.observe(document.body);
    return () => watcher.disconnect();
  }, []);
  const virtual = useWindowVirtualizer({
    count: total,
    estimateSize: () => rowPx,
    overscan: 10,
    scrollMargin: top,
    initialRect: firstWindow,
  });
  const items = virtual.getVirtualItems();
  const [from, to] = [items[0]?.index ?? 0, items.at(-1)?.index ?? 0];
  useEffect(() => onSee(from, to), [from, to, onSee]);
  const move = (by: number) => {
    const next = Math.min(total - 1, Math.max(0, at === null ? 0 : at + by));
    onChoose(next);
    virtual.scrollToIndex(next, { align: 'auto' });
  };
  useKey('ArrowDown', texts.nextPart(), () => move(1), total > 0);
  useKey('ArrowUp', texts.previousPart(), () => move(-1), total > 0);
  useKey('PageDown', texts.tenFurther(), () => move(10), total > 10);
  useKey('PageUp', texts.tenBack(), () => move(-10), total > 10);
  useKey('Home', texts.firstPart(), () => move(-total), total > 1);
  useKey('End', texts.lastPart(), () => move(total), total > 1);
  const head = (sort: ShelfSort, name: string) => (
    <Box
      role="columnheader"
      aria-sort={query.sort === sort ? (query.isDown ? 'descending' : 'ascending') : 'none'}
      minW="0"
    >
      <Box as="button" cursor="pointer" fontWeight="600" onClick={() => onSort(sort)} color="action">
        {name}
        <Box as="span" aria-hidden color="ink">
          {query.sort === sort ? (query.isDown ? ' ↓' : ' ↑') : ''}
        </Box>
      </Box>
    </Box>
  );
  const plain = (name: string, display: typeof fromMd | typeof fromXl | undefined = undefined, isFigure = false) => (
    <Box role="columnheader" display={display} textAlign={isFigure ? 'end' : 'start'} fontWeight="600">
      {name}
    </Box>
  );
  return (
    <Box role="table" aria-rowcount={total + 1} aria-label={texts.tableOf({ total })}>
      <Box
        role="row"
        display="grid"
        gridTemplateColumns={columns}
        gap="0 8px"
        px="8px"
        py="8px"
        textStyle="caption"
        color="inkMuted"
        borderBottomWidth="1px"
        borderColor="rule"
        position="sticky"
        top="0"
        bg="paper"
        zIndex="1"
      >
        {head('bin', texts.bin())}
        {plain(texts.tag(), fromMd)}
        {head('kind', texts.part())}
        {plain(texts.fits(), fromMd)}
        {head('grade', texts.grade())}
        {plain(texts.limitedBy(), fromXl)}
        <Box display={fromXl}>{head('age', texts.since())}</Box>
        {plain(texts.price(), fromMd, true)}
      </Box>
      <Box ref={body} position="relative" h={`${virtual.getTotalSize()}px`}>
        {items.map(({ index, start }) => (
          <TableRow
            key={index}
            part={rowAt(index)}
            index={index}
            offset={start - virtual.options.scrollMargin}
            kinds={kinds}
            isChosen={index === at}
            onChoose={onChoose}
          />
        ))}
      </Box>
    </Box>
  );
}

function TableRow({
  part,
  index,
  offset,
  kinds,
  isChosen,
  onChoose,
}: {
  readonly part: Part | undefined;
  readonly index: number;
  readonly offset: number;
  readonly kinds: ShelfRowsView['kinds'];
  readonly isChosen: boolean;
  readonly onChoose: (at: number) => void;
}) {
  const kind = part && kinds[`${part.modelId}/${part.partRef}`];
  const cents = part?.grade ? kind?.valueCents[part.grade] : undefined;
  return (
    <Box
      role="row"
      aria-rowindex={index + 2}
      aria-selected={isChosen}
      onClick={() => onChoose(index)}
      position="absolute"
      top="0"
      left="0"
      w="100%"
      h={`${rowPx}px`}
      transform={`translateY(${offset}px)`}
      display="grid"
      gridTemplateColumns={columns}
      gap="0 8px"
      px="8px"
      alignItems="center"
      cursor="pointer"
      borderBottomWidth="1px"
      borderColor="rule"
      bg={isChosen ? 'actionSoft' : undefined}
      css={{ '& > *': { overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap', minWidth: 0 } }}
    >
      {part ? (
        <>
          <Box role="cell" fontFamily="mono" fontWeight="700">
            {part.bin ?? '–'}
          </Box>
          <Box role="cell" display={fromMd}>
            <Tag code={part.tag} href={`/t/${part.tag}`} />
          </Box>
          <Box role="cell" title={kind?.name}>
            {kind?.name ?? part.partRef}
            <Carried part={part} kinds={kinds} />
            {part.reservedFor && (
              <Box as="span" color="waiting">
                {texts.reservedForNote({ for: part.reservedFor })}
              </Box>
            )}
          </Box>
          <Box role="cell" display={fromMd} color="inkMuted">
            {kind?.modelName}
          </Box>
          <Box role="cell">{part.grade && <Punches grade={part.grade} />}</Box>
          <Box role="cell" display={fromXl} color="inkMuted">
            {part.grade === 'A' || !part.limiting ? '' : capital(limitingName(part.limiting))}
          </Box>
          <Box role="cell" display={fromXl} color="inkMuted">
            {part.storedAt ? shortDay(part.storedAt.slice(0, 10)) : ''}
          </Box>
          <Box role="cell" display={fromMd} textAlign="end">
            {cents === undefined ? '' : money(cents)}
          </Box>
        </>
      ) : (
        <Box role="cell" gridColumn="1 / -1">
          <Box h="14px" w="60%" bg="sunk" borderRadius="soft" />
        </Box>
      )}
    </Box>
  );
}
