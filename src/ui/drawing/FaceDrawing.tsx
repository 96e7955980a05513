'use client';
import { list } from '@/words/format';
import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import type { Mark } from '@/core/findings/mark';
import type { Face, Point } from '@/core/procedure/faces';
import type { Joint } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';
import type { ZonesNow } from '@/core/sheet/zonesNow';
import { findingNames } from '@/words/say/names';
import { Fields, Hatch, Marks, Outlines, type Px } from './faceParts';
import type { Box as Region } from './labelPlace';
import { Svg, Shape, Edge, Drop, Inner, Dot } from './shapes';
import * as words from '@/words/catalogue/drawing';

/** What is drawn: `px` turns screen pixels into the face's millimetres. */
export interface Drawn {
  readonly px: Px;
  readonly face: Face;
  readonly region: Region;
  readonly joints: readonly Joint[];
  /** What else is drawn on the face, faintly. */
  readonly others: readonly Point[];
  readonly wanted: readonly string[];
}

export interface FaceDrawingProps {
  readonly model: Model;
  readonly face: Face;
  /** Joints of the step, which its work draws; the face's others are faint. */
  readonly joints?: readonly Joint[];
  /** Zones that concern the step; all of the face when left out. */
  readonly zones?: ZonesNow;
  /** The part of the face that is drawn; all of it when left out. */
  readonly view?: Region;
  /** Another region of the face that is shown beside it, framed. */
  readonly framed?: Region;
  readonly wanted?: readonly string[];
  readonly outParts?: readonly string[];
  readonly marks?: readonly Mark[];
  /** Shows the keypad of nine fields for placing a mark. */
  readonly showsFields?: boolean;
  readonly onField?: (field: number) => void;
  /** Joints that are open already: drawn as empty places. */
  readonly openJoints?: ReadonlySet<string>;
  /** What is done here, drawn over the parts: see `StepWork`. */
  readonly work?: (drawn: Drawn) => ReactNode;
  readonly maxWidth: number;
  readonly maxHeight: number;
}

/** A face to scale: every mark comes from the model's own millimetres. */
export function FaceDrawing({
  model,
  face,
  joints = [],
  zones,
  view,
  framed,
  wanted = [],
  outParts = [],
  marks = [],
  showsFields = false,
  onField,
  openJoints,
  work,
  maxWidth,
  maxHeight,
}: FaceDrawingProps) {
  const region = view ?? { xMm: 0, yMm: 0, widthMm: face.widthMm, heightMm: face.heightMm };
  const scale = Math.min(maxWidth / region.widthMm, maxHeight / region.heightMm);
  const { keepOut, protectedZones = [] } = zones ?? face;
  // Lettering is sized in screen pixels whatever the device's size.
  const px = (pixels: number) => pixels / scale;
  const own = joints.filter((joint) => joint.face === face.id);
  const others = model.joints.filter(
    (joint) => joint.face === face.id && joint.kind !== 'tape' && !own.includes(joint),
  );
  return (
    <Box position="relative" display="inline-block">
      <Svg
        viewBox={`${region.xMm} ${region.yMm} ${region.widthMm} ${region.heightMm}`}
        width={region.widthMm * scale}
        height={region.heightMm * scale}
        overflow={view ? 'hidden' : 'visible'}
        role="img"
        aria-label={describe(model, face, own, marks)}
      >
        <Hatch size={px(9)} />
        {face.edge ? (
          <Edge points={face.edge.map(({ xMm, yMm }) => `${xMm},${yMm}`).join(' ')} />
        ) : (
          <Shape x={0} y={0} width={face.widthMm} height={face.heightMm} rx={face.cornerMm} />
        )}
        {protectedZones.map((zone) => (
          <Inner
            key={`${zone.label} ${zone.xMm} ${zone.yMm}`}
            state="shielded"
            x={zone.xMm}
            y={zone.yMm}
            width={zone.widthMm}
            height={zone.heightMm}
          />
        ))}
        <Outlines
          {...{ face, wanted, outParts, scale, region }}
          drawnOver={[...others, ...own, ...(face.indicators ?? [])]}
        />
        {keepOut.map((zone) => (
          <g key={`${zone.label} ${zone.xMm} ${zone.yMm}`}>
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
        {work?.({ px, face, region, joints: own, others: [...others, ...(face.indicators ?? [])], wanted })}
        {framed && (
          <Inner state="framed" x={framed.xMm} y={framed.yMm} width={framed.widthMm} height={framed.heightMm} />
        )}
        {showsFields && <Fields face={face} px={px} onField={onField} />}
        <Marks face={face} marks={marks} px={px} />
      </Svg>
    </Box>
  );
}

function describe(model: Model, face: Face, joints: readonly Joint[], marks: readonly Mark[]): string {
  const here = marks.filter((mark) => mark.face === face.id).map(({ kind }) => findingNames[kind]);
  const joined = joints.length > 0 ? words.jointsInThisStep({ joints: joints.length }) : '';
  return `${model.name}, ${face.name}${joined}${here.length > 0 ? words.marked({ here: list(here) }) : ''}`;
}
