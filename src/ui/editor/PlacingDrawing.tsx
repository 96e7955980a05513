'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useRef } from 'react';
import { drawable, marksOf, type Drawable } from '@/core/drafting/marks';
import { Button } from '@/ui/base/Button';
import { FaceDrawing } from '@/ui/drawing/FaceDrawing';
import { StepWork } from '@/ui/drawing/StepWork';
import { tiesOf } from '@/ui/drawing/ties';
import * as words from '@/words/catalogue/editor';
import { usePlacing, type PlacedOn } from './usePlacing';

const Handle = chakra('rect', {
  base: { fill: 'transparent', stroke: 'transparent', cursor: 'move', vectorEffect: 'non-scaling-stroke' },
  variants: { isChosen: { yes: { stroke: 'danger', strokeWidth: '2px' }, no: {} } },
});

const drawNames = {
  seam: words.addSeamStretch(),
  hold: words.addHold(),
  tip: words.addTip(),
  motion: words.addArrow(),
} as const satisfies Readonly<Record<Drawable, string>>;

const room = { width: 370, height: 300 };

/**
 * The face of a line with everything on it that can be placed: drag it, or step through the marks with N and B and move
 * them with the arrows by half a millimetre (Shift: five). Alt and arrows resize an area.
 */
export function PlacingDrawing(placed: PlacedOn) {
  const { face, operation } = placed;
  const frame = useRef<HTMLDivElement>(null);
  const scale = Math.min(room.width / face.widthMm, room.height / face.heightMm);
  const { chosen, shown, at, onKey, hands, addZone, draw } = usePlacing(placed, frame, scale);
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
          face={shown.faces.find(({ id }) => id === face.id) ?? face}
          joints={shown.joints.filter(({ id }) => operation?.opens.includes(id))}
          wanted={operation?.frees}
          maxWidth={room.width}
          maxHeight={room.height}
          work={(drawn) => (
            <>
              <StepWork
                drawn={drawn}
                hands={operation}
                ties={operation?.limit ? tiesOf(shown, face.id, [operation.limit]) : undefined}
              />
              {[...marksOf(shown, face.id, operation?.id)].reverse().map((mark) => {
                const [width, height] = [mark.widthMm ?? drawn.px(22), mark.heightMm ?? drawn.px(22)];
                const isArea = mark.widthMm !== undefined;
                return (
                  <Handle
                    key={mark.id}
                    isChosen={mark.id === chosen?.id ? 'yes' : 'no'}
                    x={isArea ? mark.xMm : mark.xMm - width / 2}
                    y={isArea ? mark.yMm : mark.yMm - height / 2}
                    width={width}
                    height={height}
                    {...hands(mark)}
                  />
                );
              })}
            </>
          )}
        />
      </Box>
      <Box display="flex" gap="12px" alignItems="center" mt="4px" minH="36px">
        <Box flex="1" textStyle="note" aria-live="polite">
          {chosen && at ? (
            <>
              <strong>{chosen.label}</strong>{' '}
              {words.atMm({
                xMm: at.xMm,
                yMm: at.yMm,
                isArea: chosen.widthMm === undefined ? 'no' : 'yes',
                widthMm: chosen.widthMm ?? 0,
                heightMm: chosen.heightMm ?? 0,
              })}
            </>
          ) : (
            words.nothingToPlaceOnThis()
          )}
        </Box>
      </Box>
      <Box display="flex" gap="6px" flexWrap="wrap" mb="8px">
        <Button size="small" onClick={addZone}>
          {words.addNoToolZone()}
        </Button>
        {operation &&
          drawable
            .filter((kind) => kind === 'seam' || operation[kind] === undefined)
            .map((kind) => (
              <Button key={kind} size="small" onClick={() => draw(kind)}>
                {drawNames[kind]}
              </Button>
            ))}
      </Box>
    </Box>
  );
}
