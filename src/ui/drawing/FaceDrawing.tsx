'use client';
import { list } from '@/words/format';
import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import type { Mark } from '@/core/findings/mark';
import type { Face, Point } from '@/core/procedure/faces';
import type { Joint } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';
import type { Handwork } from '@/core/procedure/operations';
import type { ZonesNow } from '@/core/sheet/zonesNow';
import { findingNames } from '@/words/say/names';
import { Fields, Hatch, Marks, Outlines } from './faceParts';
import type { Box as Region } from './labelPlace';
import { Cross, Hold, Motion, Seam, StepDots, type JointNote } from './stepMarks';
import { Svg, Shape, Edge, Drop, Inner, Dot } from './shapes';
import * as words from '@/words/catalogue/drawing';

export interface FaceDrawingProps {
  readonly model: Model;
  readonly face: Face;
  /** Joints of the step, drawn strong; the face's others are faint. */
  readonly joints?: readonly Joint[];
  /** How hands do it here. */
  readonly hands?: Pick<Handwork, 'motion' | 'hold' | 'tip' | 'seam'>;
  /** Zones that concern the step; all of the face when left out. */
  readonly zones?: ZonesNow;
  /** The part of the face that is drawn; all of it when left out. */
  readonly view?: Region;
  /** What stands beside the step’s joints: in a close-up there is room for it. */
  readonly noteOf?: JointNote;
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
  hands,
  zones,
  view,
  noteOf,
  framed,
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
            key={zone.label}
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
        {hands?.seam && <Seam segments={hands.seam} px={px} />}
        <StepDots joints={own} px={px} noteOf={noteOf} />
        {hands?.hold && <Hold at={hands.hold} where={hands.hold.where} px={px} />}
        {hands?.tip && <Cross {...hands.tip} size={px(7)} />}
        {hands?.motion && <Motion motion={hands.motion} from={motionPoint(face, region, own, hands, wanted)} px={px} />}
        {framed && (
          <Inner state="framed" x={framed.xMm} y={framed.yMm} width={framed.widthMm} height={framed.heightMm} />
        )}
        {showsFields && <Fields face={face} px={px} onField={onField} />}
        <Marks face={face} marks={marks} px={px} />
        {overlay?.(px)}
      </Svg>
    </Box>
  );
}

/** Where the arrow of a motion stands: beside what is moved, and inside of what is drawn. */
function motionPoint(
  face: Face,
  region: Region,
  joints: readonly Joint[],
  hands: Pick<Handwork, 'hold'>,
  wanted: readonly string[],
): Point {
  const outline = face.outlines.find(({ part }) => part !== undefined && wanted.includes(part));
  const [joint] = joints;
  const at = outline
    ? { xMm: outline.xMm + outline.widthMm / 2, yMm: outline.yMm + outline.heightMm * 0.72 }
    : (hands.hold ?? joint ?? { xMm: region.xMm + region.widthMm / 2, yMm: region.yMm + region.heightMm / 2 });
  const [x, y] = [region.widthMm * 0.14, region.heightMm * 0.16];
  // Not on a joint: its dot and the arrow would be one blot.
  const isTaken = joints.some((own) => Math.abs(own.xMm - at.xMm) < x && Math.abs(own.yMm - at.yMm) < y);
  const xMm = isTaken ? at.xMm + x : at.xMm;
  return {
    xMm: Math.min(Math.max(xMm, region.xMm + x), region.xMm + region.widthMm - x),
    yMm: Math.min(Math.max(at.yMm, region.yMm + y), region.yMm + region.heightMm - y),
  };
}

function describe(model: Model, face: Face, joints: readonly Joint[], marks: readonly Mark[]): string {
  const here = marks.filter((mark) => mark.face === face.id).map(({ kind }) => findingNames[kind]);
  const joined = joints.length > 0 ? words.jointsInThisStep({ joints: joints.length }) : '';
  return `${model.name}, ${face.name}${joined}${here.length > 0 ? words.marked({ here: list(here) }) : ''}`;
}
