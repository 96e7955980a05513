'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { marksOf, placeMark, sizeMark, type PlacedMark } from '@/core/drafting/marks';
import type { Face } from '@/core/procedure/faces';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { applyPatch } from '@/core/procedure/patch';
import { Button } from '@/ui/base/Button';
import { FaceDrawing } from '@/ui/drawing/FaceDrawing';
import * as words from '@/words/catalogue/editor';

const Handle = chakra('rect', {
  base: { fill: 'transparent', stroke: 'transparent', cursor: 'move', vectorEffect: 'non-scaling-stroke' },
  variants: { isChosen: { yes: { stroke: 'danger', strokeWidth: '2px' }, no: {} } },
});

const room = { width: 370, height: 300 };
const arrows: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/**
 * The face of a line with everything on it that can be placed: drag it, or step through the marks with N and B and move
 * them with the arrows by half a millimetre (Shift: five). Alt and arrows resize an area.
 */
export function PlacingDrawing({
  model,
  face,
  operation,
  onChange,
}: {
  readonly model: Model;
  readonly face: Face;
  readonly operation: Operation | undefined;
  readonly onChange: (model: Model) => void;
}) {
  const marks = marksOf(model, face.id, operation?.id);
  const [chosenId, setChosenId] = useState<string | null>(null);
  const [drag, setDrag] = useState<{ readonly mark: PlacedMark; readonly xMm: number; readonly yMm: number } | null>(
    null,
  );
  // What the pointer holds is known at once, before anything is drawn anew.
  const held = useRef<{ readonly mark: PlacedMark; hasMoved: boolean } | null>(null);
  const frame = useRef<HTMLDivElement>(null);
  const at = Math.max(
    0,
    marks.findIndex(({ id }) => id === chosenId),
  );
  const chosen = marks[at];
  const scale = Math.min(room.width / face.widthMm, room.height / face.heightMm);
  const shown = drag ? applyPatch(model, placeMark(model, face.id, drag.mark, drag)) : model;
  const shownFace = shown.faces.find(({ id }) => id === face.id) ?? face;

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
      const next = marks[(at + (event.key === 'n' ? 1 : marks.length - 1)) % Math.max(1, marks.length)];
      setChosenId(next?.id ?? null);
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const millimetres = (event: PointerEvent, mark: PlacedMark) => {
    const box = frame.current?.querySelector('svg')?.getBoundingClientRect();
    const [x, y] = [event.clientX - (box?.left ?? 0), event.clientY - (box?.top ?? 0)];
    // An area is held where it was taken: in its middle.
    return { mark, xMm: x / scale - (mark.widthMm ?? 0) / 2, yMm: y / scale - (mark.heightMm ?? 0) / 2 };
  };
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
  return (
    <Box>
      <Box
        ref={frame}
        tabIndex={0}
        role="application"
        aria-label={words.positionsOnNNextArrows({ name: face.name })}
        onKeyDown={onKey}
        display="inline-block"
        p="4px"
        css={{ touchAction: 'none' }}
      >
        <FaceDrawing
          model={shown}
          face={shownFace}
          joints={shown.joints.filter(({ id }) => operation?.opens.includes(id))}
          operation={operation}
          wanted={operation?.frees}
          maxWidth={room.width}
          maxHeight={room.height}
          overlay={(px) =>
            [...marksOf(shown, face.id, operation?.id)].reverse().map((mark) => {
              const [width, height] = [mark.widthMm ?? px(22), mark.heightMm ?? px(22)];
              const isArea = mark.widthMm !== undefined;
              return (
                <Handle
                  key={mark.id}
                  isChosen={mark.id === chosen?.id ? 'yes' : 'no'}
                  x={isArea ? mark.xMm : mark.xMm - width / 2}
                  y={isArea ? mark.yMm : mark.yMm - height / 2}
                  width={width}
                  height={height}
                  onPointerDown={(event) => {
                    event.currentTarget.setPointerCapture(event.pointerId);
                    setChosenId(mark.id);
                    held.current = { mark, hasMoved: false };
                  }}
                  onPointerMove={(event) => {
                    if (!held.current) return;
                    held.current.hasMoved = true;
                    setDrag(millimetres(event, held.current.mark));
                  }}
                  onPointerUp={(event) => {
                    const { current } = held;
                    held.current = null;
                    setDrag(null);
                    // A press without a move only chooses.
                    if (current?.hasMoved) {
                      onChange(
                        applyPatch(model, placeMark(model, face.id, current.mark, millimetres(event, current.mark))),
                      );
                    }
                  }}
                />
              );
            })
          }
        />
      </Box>
      <Box display="flex" gap="12px" alignItems="center" mt="4px" minH="36px">
        <Box flex="1" textStyle="note" aria-live="polite">
          {chosen ? (
            <>
              <strong>{chosen.label}</strong>{' '}
              {words.atMm({
                xMm: drag?.mark.id === chosen.id ? round(drag.xMm) : chosen.xMm,
                yMm: drag?.mark.id === chosen.id ? round(drag.yMm) : chosen.yMm,
                mm: chosen.widthMm !== undefined && `, ${chosen.widthMm} × ${chosen.heightMm} mm`,
              })}
            </>
          ) : (
            words.nothingToPlaceOnThis()
          )}
        </Box>
        <Button size="small" onClick={addZone}>
          {words.addNoToolZone()}
        </Button>
      </Box>
    </Box>
  );
}

const round = (value: number): number => Math.round(value * 2) / 2;
