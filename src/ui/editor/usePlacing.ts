'use client';
import { useRef, useState, type KeyboardEvent, type PointerEvent, type RefObject } from 'react';
import { marksOf, newMark, placeMark, sizeMark, type Drawable, type PlacedMark } from '@/core/drafting/marks';
import type { Face } from '@/core/procedure/faces';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { applyPatch } from '@/core/procedure/patch';
import * as words from '@/words/catalogue/editor';

export interface PlacedOn {
  readonly model: Model;
  readonly face: Face;
  readonly operation: Operation | undefined;
  readonly onChange: (model: Model) => void;
}

interface Dragged {
  readonly mark: PlacedMark;
  readonly xMm: number;
  readonly yMm: number;
}

const arrows: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/**
 * The marks of a face and the hands that move them: keys by half a millimetre (Shift: five, Alt: its size), or a pointer.
 *
 * @param frame  what holds the drawing
 * @param pxPerMm  the scale it is drawn at
 */
export function usePlacing(
  { model, face, operation, onChange }: PlacedOn,
  frame: RefObject<HTMLElement | null>,
  pxPerMm: number,
) {
  const marks = marksOf(model, face.id, operation?.id);
  const [chosenId, setChosenId] = useState<string | null>(null);
  const [drag, setDrag] = useState<Dragged | null>(null);
  // What the pointer holds is known at once, before anything is drawn anew.
  const held = useRef<{ readonly mark: PlacedMark; hasMoved: boolean } | null>(null);
  const index = Math.max(
    0,
    marks.findIndex(({ id }) => id === chosenId),
  );
  const chosen = marks[index];
  const shown = drag ? applyPatch(model, placeMark(model, face.id, drag.mark, drag)) : model;

  const onKey = (event: KeyboardEvent) => {
    const arrow = arrows[event.key];
    if (arrow && chosen) {
      const step = event.shiftKey ? 5 : 0.5;
      const [dx, dy] = [arrow[0] * step, arrow[1] * step];
      const patch = event.altKey
        ? sizeMark(model, face.id, chosen, { widthMm: dx, heightMm: dy })
        : placeMark(model, face.id, chosen, { xMm: chosen.xMm + dx, yMm: chosen.yMm + dy });
      onChange(applyPatch(model, patch));
    } else if (event.key === 'n' || event.key === 'b') {
      const next = marks[(index + (event.key === 'n' ? 1 : marks.length - 1)) % Math.max(1, marks.length)];
      setChosenId(next?.id ?? null);
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };

  const millimetres = (event: PointerEvent, mark: PlacedMark): Dragged => {
    const box = frame.current?.querySelector('svg')?.getBoundingClientRect();
    const [x, y] = [event.clientX - (box?.left ?? 0), event.clientY - (box?.top ?? 0)];
    // An area is held where it was taken: in its middle.
    return { mark, xMm: x / pxPerMm - (mark.widthMm ?? 0) / 2, yMm: y / pxPerMm - (mark.heightMm ?? 0) / 2 };
  };
  /** What a pointer does to a mark. */
  const hands = (mark: PlacedMark) => ({
    onPointerDown: (event: PointerEvent) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      setChosenId(mark.id);
      held.current = { mark, hasMoved: false };
    },
    onPointerMove: (event: PointerEvent) => {
      if (!held.current) return;
      held.current.hasMoved = true;
      setDrag(millimetres(event, held.current.mark));
    },
    onPointerUp: (event: PointerEvent) => {
      const { current } = held;
      held.current = null;
      setDrag(null);
      // A press without a move only chooses.
      if (current?.hasMoved)
        onChange(applyPatch(model, placeMark(model, face.id, current.mark, millimetres(event, current.mark))));
    },
  });

  const addZone = () => {
    const faceAt = model.faces.indexOf(face);
    const zone = {
      label: words.zone({ keepOut: face.keepOut.length + 1 }),
      xMm: Math.round(face.widthMm / 2),
      yMm: Math.round(face.heightMm / 2),
      widthMm: 8,
      heightMm: 8,
      because: words.toolDamagesWhatUnderHere(),
    };
    onChange(applyPatch(model, [{ path: ['faces', faceAt, 'keepOut', face.keepOut.length], value: zone }]));
    setChosenId(`keepOut-${face.keepOut.length}`);
  };
  /** Something that hands do at this line, drawn where it can be dragged from. */
  const draw = (kind: Drawable) => {
    if (!operation) return;
    const { patch, id } = newMark(model, face, operation, kind);
    onChange(applyPatch(model, patch));
    setChosenId(id);
  };
  /** Where the chosen mark is shown, to half a millimetre while it is dragged. */
  const at = drag && drag.mark.id === chosen?.id ? { xMm: half(drag.xMm), yMm: half(drag.yMm) } : chosen;
  return { chosen, shown, at, onKey, hands, addZone, draw };
}

const half = (valueMm: number): number => Math.round(valueMm * 2) / 2;
