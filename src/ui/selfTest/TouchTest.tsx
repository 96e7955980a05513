'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useEffect, useLayoutEffect, useRef, useState, type PointerEvent } from 'react';
import type { SelfRead } from '@/core/selfTest/reads';
import { Button } from '@/ui/base/Button';
import * as texts from '@/words/catalogue/selfTest';
import { FullScreen } from './FullScreen';
import { kindNames } from './kindNames';

/** A field is about as large as a fingertip: CSS pixels. */
const field = 44;
/** So long after the last new field somebody is asked whether that is all. */
const patienceMs = 2500;

const Surface = chakra('svg', {
  base: { position: 'absolute', inset: '0', w: '100%', h: '100%', touchAction: 'none' },
});
const Cell = chakra('rect', { base: { stroke: 'rule', fill: 'paper', '&[data-reached=yes]': { fill: 'action' } } });

interface Grid {
  readonly columns: number;
  readonly rows: number;
  readonly width: number;
  readonly height: number;
}

/** A grid over the whole screen that fills where a finger is felt. Nothing lies over it while somebody wipes. */
export function TouchTest({
  onRead,
  onLeave,
}: {
  readonly onRead: (read: SelfRead) => void;
  readonly onLeave: () => void;
}) {
  const surface = useRef<SVGSVGElement>(null);
  const down = useRef(new Set<number>());
  const fingers = useRef(0);
  const [grid, setGrid] = useState<Grid | null>(null);
  const [reached, setReached] = useState<ReadonlySet<number>>(new Set());
  const [isAsked, setAsked] = useState(false);
  const [isMouse, setMouse] = useState(false);
  useLayoutEffect(() => {
    const measure = () => {
      const { width, height } = surface.current?.getBoundingClientRect() ?? { width: 0, height: 0 };
      // Full screen makes the grid anew: fields that were reached on another one say nothing of this.
      setGrid({
        columns: Math.min(100, Math.max(2, Math.round(width / field))),
        rows: Math.min(100, Math.max(2, Math.round(height / field))),
        width,
        height,
      });
      setReached(new Set());
    };
    measure();
    window.addEventListener('resize', measure);
    return () => window.removeEventListener('resize', measure);
  }, []);
  const cells = grid ? grid.columns * grid.rows : 0;
  const left = cells - reached.size;
  const finish = () => {
    if (!grid) return;
    const missed = Array.from({ length: cells }, (_, at) => at).filter((at) => !reached.has(at));
    onRead({ is: 'touch', columns: grid.columns, rows: grid.rows, missed, fingers: fingers.current });
  };
  const latest = useRef(finish);
  useEffect(() => {
    latest.current = finish;
  });
  useEffect(() => {
    if (cells > 0 && left === 0) return latest.current();
    if (reached.size === 0) return undefined;
    const timer = setTimeout(() => setAsked(true), patienceMs);
    return () => clearTimeout(timer);
  }, [cells, left, reached]);
  const feel = (event: PointerEvent) => {
    if (!grid) return;
    if (event.pointerType === 'mouse') return setMouse(true);
    const points = event.nativeEvent.getCoalescedEvents?.() ?? [];
    const found = (points.length > 0 ? points : [event.nativeEvent]).map(({ clientX, clientY }) => {
      const column = Math.min(grid.columns - 1, Math.max(0, Math.floor((clientX / grid.width) * grid.columns)));
      const row = Math.min(grid.rows - 1, Math.max(0, Math.floor((clientY / grid.height) * grid.rows)));
      return row * grid.columns + column;
    });
    if (found.some((at) => !reached.has(at))) setReached((before) => new Set([...before, ...found]));
  };
  const press = (event: PointerEvent) => {
    setAsked(false);
    if (event.pointerType !== 'mouse') {
      setMouse(false);
      down.current.add(event.pointerId);
      fingers.current = Math.max(fingers.current, down.current.size);
    }
    feel(event);
  };
  const lift = ({ pointerId }: PointerEvent) => void down.current.delete(pointerId);
  return (
    <FullScreen label={kindNames.touch} onLeave={onLeave}>
      <Surface
        ref={surface}
        data-left={left}
        onPointerDown={press}
        onPointerMove={(event) => (event.pointerType === 'mouse' ? undefined : feel(event))}
        onPointerUp={lift}
        onPointerCancel={lift}
      >
        {grid &&
          Array.from({ length: cells }, (_, at) => (
            <Cell
              key={at}
              data-reached={reached.has(at) ? 'yes' : 'no'}
              x={((at % grid.columns) * grid.width) / grid.columns}
              y={(Math.floor(at / grid.columns) * grid.height) / grid.rows}
              width={grid.width / grid.columns}
              height={grid.height / grid.rows}
            />
          ))}
      </Surface>
      {(reached.size === 0 || isAsked) && (
        <Box
          position="absolute"
          left="16px"
          right="16px"
          top="30%"
          maxW="460px"
          mx="auto"
          p="18px"
          bg="sheet"
          borderWidth="1px"
          borderColor="rule"
          borderRadius="soft"
          display="grid"
          gap="12px"
          // A finger goes through to the grid, but for the buttons.
          pointerEvents="none"
          css={{ '& button': { pointerEvents: 'auto' } }}
        >
          <Box fontSize="19px" fontWeight="600" role="status">
            {isMouse ? texts.mouseProvesNothing() : isAsked ? texts.fieldsLeft({ left }) : texts.wipeAll()}
          </Box>
          {isAsked && (
            <Button look="action" size="wide" onClick={finish}>
              {texts.finishTouch({ left })}
            </Button>
          )}
          <Button onClick={onLeave}>{texts.back()}</Button>
        </Box>
      )}
    </FullScreen>
  );
}
