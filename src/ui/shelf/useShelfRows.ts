'use client';
import { useEffect, useRef, useState } from 'react';
import type { Refusal } from '@/core/shared/outcome';
import type { Part } from '@/core/entities/entities';
import type { ShelfRowsView } from '@/services/shelf/readShelfRows';
import { send } from '@/ui/server/send';

const rowsAtOnce = 100;

type Pages = ReadonlyMap<number, ShelfRowsView>;

export interface ShelfRowsNow {
  readonly total: number;
  /** The part in a row; undefined while it is on its way. */
  readonly rowAt: (at: number) => Part | undefined;
  readonly loaded: readonly Part[];
  readonly kinds: ShelfRowsView['kinds'];
  readonly refused: Refusal | null;
  readonly again: () => void;
}

/**
 * The rows of a view of the shelf, of which only those near what is looked at are here: the server has the rest in its order.
 *
 * @param address  of the view
 * @param first    its first rows, as they came with the page; when the page is drawn anew, the others are asked for anew
 * @param from     and `to`: the rows that are looked at now
 */
export function useShelfRows(address: string, first: ShelfRowsView, from: number, to: number): ShelfRowsNow {
  const [pages, setPages] = useState<Pages>(() => new Map([[0, first]]));
  const [seen, setSeen] = useState(first);
  const [refused, setRefused] = useState<Refusal | null>(null);
  const asking = useRef(new Set<string>());
  if (seen !== first) {
    setSeen(first);
    setPages(new Map([[0, first]]));
    setRefused(null);
  }
  useEffect(() => {
    if (refused) return;
    for (let page = Math.floor(from / rowsAtOnce); page <= Math.floor(to / rowsAtOnce); page += 1) {
      const name = `${address} ${page}`;
      if (pages.has(page) || asking.current.has(name) || page * rowsAtOnce >= first.total) continue;
      asking.current.add(name);
      void send<ShelfRowsView>('GET', `/api/shelf/rows?${address}&from=${page * rowsAtOnce}&of=${first.total}`).then(
        (outcome) => {
          asking.current.delete(name);
          if (!outcome.ok) return setRefused(outcome.refusal);
          // An answer for a view that is no longer shown comes too late.
          return setPages((before) => (before.get(0) === first ? new Map([...before, [page, outcome.value]]) : before));
        },
      );
    }
  }, [address, first, from, to, pages, refused]);
  const all = [...pages.values()];
  return {
    total: first.total,
    rowAt: (at) => pages.get(Math.floor(at / rowsAtOnce))?.parts[at % rowsAtOnce],
    loaded: all.flatMap(({ parts }) => parts),
    kinds: Object.assign({}, ...all.map(({ kinds }) => kinds)) as ShelfRowsView['kinds'],
    refused,
    again: () => setRefused(null),
  };
}
