'use client';
import { list } from '@/words/format';
import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import type { Mark } from '@/core/findings/mark';
import type { Face } from '@/core/procedure/faces';
import type { Joint } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { findingNames } from '@/words/say/names';
import { Cross, Fields, Hatch, holdArc, Marks, Outlines, Seam, StepDots } from './faceParts';
import { Svg, Shape, Edge, Drop, Inner, Line, Dot } from './shapes';
import * as words from '@/words/catalogue/drawing';

export interface FaceDrawingProps {
  readonly model: Model;
  readonly face: Face;
  /** Joints of the step, drawn strong; the face's others are faint. */
  readonly joints?: readonly Joint[];
  readonly operation?: Operation;
  readonly wanted?: readonly string[];
  readonly outParts?: readonly string[];
  readonly marks?: readonly Mark[];
  /** Shows the keypad of nine fields for placing a mark. */
  readonly showsFields?: boolean;
  readonly onField?: (field: number) => void;
  /** Joints that are open already: drawn as empty places. */
  readonly openJoints?: ReadonlySet<string>;
  /** Drawn over everything, in the face's millimetres; `px` turns screen pixels into them. */
  readonly overlay?: (px: (pixels: number) => number) => ReactNode;
  readonly maxWidth: number;
  readonly maxHeight: number;
}

/** A face to scale: every mark comes from the model's own millimetres. */
export function FaceDrawing({
  model,
  face,
  joints = [],
  operation,
  wanted = [],
  outParts = [],
  marks = [],
  showsFields = false,
  onField,
  openJoints,
  overlay,
  maxWidth,
  maxHeight,
}: FaceDrawingProps) {
  const scale = Math.min(maxWidth / face.widthMm, maxHeight / face.heightMm);
  // Lettering is sized in screen pixels whatever the device's size.
  const px = (pixels: number) => pixels / scale;
  const own = joints.filter((joint) => joint.face === face.id);
  const others = model.joints.filter(
    (joint) => joint.face === face.id && joint.kind !== 'tape' && !own.includes(joint),
  );
  return (
    <Box position="relative" display="inline-block">
      <Svg
        viewBox={`0 0 ${face.widthMm} ${face.heightMm}`}
        width={face.widthMm * scale}
        height={face.heightMm * scale}
        role="img"
        aria-label={describe(model, face, own, marks)}
      >
        <Hatch size={px(9)} />
        {face.edge ? (
          <Edge points={face.edge.map(({ xMm, yMm }) => `${xMm},${yMm}`).join(' ')} />
        ) : (
          <Shape x={0} y={0} width={face.widthMm} height={face.heightMm} rx={face.cornerMm} />
        )}
        {face.protectedZones?.map((zone) => (
          <Inner
            key={zone.label}
            state="shielded"
            x={zone.xMm}
            y={zone.yMm}
            width={zone.widthMm}
            height={zone.heightMm}
          />
        ))}
        <Outlines {...{ face, wanted, outParts, scale }} drawnOver={[...others, ...own, ...(face.indicators ?? [])]} />
        {face.keepOut.map((zone) => (
          <g key={zone.label}>
            <rect x={zone.xMm} y={zone.yMm} width={zone.widthMm} height={zone.heightMm} fill="url(#keep-out)" />
          </g>
        ))}
        {others.map((joint) => (
          <Dot
            key={joint.id}
            state={openJoints?.has(joint.id) ? 'open' : 'later'}
            cx={joint.xMm}
            cy={joint.yMm}
            r={px(joint.kind === 'screw' ? 3.5 : 2.5)}
          />
        ))}
        {face.indicators?.map(({ label, xMm, yMm }) => (
          <Drop
            key={label}
            d={`M${xMm} ${yMm - px(8)} L${xMm + px(6)} ${yMm + px(3)} A${px(6)} ${px(6)} 0 1 1 ${xMm - px(6)} ${yMm + px(3)} Z`}
          />
        ))}
        {operation?.seam && <Seam segments={operation.seam} px={px} />}
        <StepDots joints={own} px={px} />
        {operation?.hold && (
          <g>
            <Line tone="action" d={holdArc(operation.hold.xMm, operation.hold.yMm, px(16))} />
          </g>
        )}
        {operation?.tip && <Cross {...operation.tip} size={px(7)} />}
        {showsFields && <Fields face={face} px={px} onField={onField} />}
        <Marks face={face} marks={marks} px={px} />
        {overlay?.(px)}
      </Svg>
    </Box>
  );
}

function describe(model: Model, face: Face, joints: readonly Joint[], marks: readonly Mark[]): string {
  const here = marks.filter((mark) => mark.face === face.id).map(({ kind }) => findingNames[kind]);
  const joined = joints.length > 0 ? words.jointsInThisStep({ joints: joints.length }) : '';
  return `${model.name}, ${face.name}${joined}${here.length > 0 ? words.marked({ here: list(here) }) : ''}`;
}
