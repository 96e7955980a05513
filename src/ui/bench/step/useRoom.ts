'use client';
import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

export interface Room {
  readonly width: number;
  readonly height: number;
}

/** What a drawing is given before anything is measured. */
const usual: Room = { width: 640, height: 400 };
/** Less than this shows nothing: then the page scrolls. */
const least: Room = { width: 280, height: 250 };
const mostHeight = 620;

/**
 * The room that is left for a drawing below what stands above it in its column, down to the column's lower edge.
 *
 * @param belowPx  kept free below it, for its legend
 */
export function useRoom(belowPx: number): { readonly frame: RefObject<HTMLDivElement | null>; readonly room: Room } {
  const frame = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState(usual);
  useLayoutEffect(() => {
    const column = frame.current?.closest('main');
    if (!frame.current || !column) return;
    const measure = () => {
      if (!frame.current) return;
      const top = frame.current.getBoundingClientRect().top - column.getBoundingClientRect().top + column.scrollTop;
      const width = Math.max(least.width, Math.floor(frame.current.clientWidth));
      const height = Math.min(mostHeight, Math.max(least.height, Math.floor(column.clientHeight - top - belowPx)));
      setRoom((before) => (before.width === width && before.height === height ? before : { width, height }));
    };
    measure();
    // What stands above it grows and shrinks with the step, and the window with the hand.
    const watcher = new ResizeObserver(measure);
    watcher.observe(column);
    for (const child of column.children) watcher.observe(child);
    return () => watcher.disconnect();
  });
  return { frame, room };
}
