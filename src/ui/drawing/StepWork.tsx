import { chakra } from '@chakra-ui/react';
import type { Point } from '@/core/procedure/faces';
import { isScrew, type Joint, type PrintedMark } from '@/core/procedure/joints';
import type { Handwork, PartMotion, SeamSegment } from '@/core/procedure/operations';
import { seamInOrder } from '@/core/procedure/seamInOrder';
import { signOf } from '@/core/screws/screwOrder';
import { sayMotion } from '@/words/say/sayHands';
import type { Drawn } from './FaceDrawing';
import { overlapOf, type Px } from './faceParts';
import { Dot, Line, Words } from './shapes';
import type { Tie } from './ties';
import * as words from '@/words/catalogue/drawing';

/** What stands beside a joint in a close-up. */
export type JointNote = (joint: Joint) => string | undefined;

/** How hands do a step, drawn over its face: joints, seam, hold, tip of the tool and motion. */
export function StepWork({
  drawn,
  hands,
  ties = [],
  noteOf,
}: {
  readonly drawn: Drawn;
  readonly hands?: Pick<Handwork, 'motion' | 'hold' | 'tip' | 'seam'>;
  readonly ties?: readonly Tie[];
  /** What stands beside the step’s joints: in a close-up there is room for it. */
  readonly noteOf?: JointNote;
}) {
  const { px } = drawn;
  return (
    <>
      {hands?.seam && <Seam segments={hands.seam} px={px} />}
      {ties.map((tie) => (
        <Tied key={tie.id} tie={tie} px={px} />
      ))}
      <StepDots drawn={drawn} noteOf={noteOf} />
      {hands?.hold && <Hold at={hands.hold} where={hands.hold.where} px={px} />}
      {hands?.tip && <Cross {...hands.tip} size={px(7)} />}
      {hands?.motion && <Motion motion={hands.motion} from={motionPoint(drawn, hands, hands.motion)} drawn={drawn} />}
    </>
  );
}

/** The joints of the step; screws with their order, or with what is printed beside them. */
function StepDots({ drawn: { joints, px, region }, noteOf }: { readonly drawn: Drawn; readonly noteOf?: JointNote }) {
  const rightMm = region.xMm + region.widthMm;
  return (
    <>
      {joints.map((joint, index) => {
        const isStaying = isScrew(joint) && joint.isCaptive === true;
        const note = noteOf?.(joint);
        const radius = px(joint.kind === 'screw' ? (noteOf ? 13 : 9) : noteOf ? 10 : 7);
        const besideMm = radius + px(6);
        // To the left of a joint at the right edge, where it would be cut off.
        const isLeft = joint.xMm + besideMm + px((note?.length ?? 0) * noteLetterPx) > rightMm;
        return (
          <g key={joint.id}>
            <Dot state={isStaying ? 'staying' : 'now'} cx={joint.xMm} cy={joint.yMm} r={radius} />
            {joint.mark && (
              <Printed mark={joint.mark} at={{ xMm: joint.xMm - radius, yMm: joint.yMm - radius }} px={px} />
            )}
            {joint.kind === 'screw' && (
              <chakra.text
                x={joint.xMm}
                y={joint.yMm}
                fontSize={px(noteOf ? 15 : 11)}
                fill="onAction"
                fontWeight="700"
                textAnchor="middle"
                dominantBaseline="central"
              >
                {signOf(joint, index + 1)}
              </chakra.text>
            )}
            {note !== undefined && (
              <chakra.text
                x={joint.xMm + (isLeft ? -besideMm : besideMm)}
                y={joint.yMm}
                textAnchor={isLeft ? 'end' : 'start'}
                fontSize={px(14)}
                fill="ink"
                dominantBaseline="central"
                paintOrder="stroke"
                stroke="sheet"
                strokeWidth={px(4)}
              >
                {note}
              </chakra.text>
            )}
          </g>
        );
      })}
    </>
  );
}

/** Room that a letter of a note takes, at its size of 14. */
const noteLetterPx = 7.6;

const inks: Readonly<Record<NonNullable<PrintedMark['colour']>, string>> = {
  white: 'sheet',
  black: 'ink',
  red: 'danger',
  yellow: 'waiting',
  blue: 'action',
};

/** The shape that is printed beside a hole, at its upper left. */
function Printed({
  mark: { shape, colour },
  at,
  px,
}: {
  readonly mark: PrintedMark;
  readonly at: Point;
  readonly px: Px;
}) {
  if (shape === undefined) return null;
  const size = px(5);
  const { xMm: x, yMm: y } = at;
  const paths = {
    triangle: `M${x} ${y - size} L${x + size} ${y + size} L${x - size} ${y + size} Z`,
    square: `M${x - size} ${y - size} H${x + size} V${y + size} H${x - size} Z`,
    circle: `M${x - size} ${y} A${size} ${size} 0 1 1 ${x + size} ${y} A${size} ${size} 0 1 1 ${x - size} ${y} Z`,
  };
  return (
    <chakra.path
      d={paths[shape]}
      fill={inks[colour ?? 'black']}
      stroke="ink"
      strokeWidth="1px"
      vectorEffect="non-scaling-stroke"
    />
  );
}

/** The line that a prying tool follows. */
function Seam({ segments, px }: { readonly segments: readonly SeamSegment[]; readonly px: Px }) {
  const order = seamInOrder(segments);
  return (
    <>
      {segments.map((segment, index) => {
        const place = order.indexOf(segment);
        const middle = { x: (segment.xMm + segment.toXMm) / 2, y: (segment.yMm + segment.toYMm) / 2 };
        return (
          <g key={index}>
            <Line
              tone={segment.isForbidden ? 'danger' : 'action'}
              d={`M${segment.xMm} ${segment.yMm} L${segment.toXMm} ${segment.toYMm}`}
            />
            {place !== -1 && (
              <>
                <ArrowHead from={[segment.xMm, segment.yMm]} to={[segment.toXMm, segment.toYMm]} size={px(12)} />
                <Dot state="stretch" cx={middle.x} cy={middle.y} r={px(10)} />
                <Words x={middle.x} y={middle.y} fontSize={px(13)} tone="action">
                  {place + 1}
                </Words>
              </>
            )}
            {segment.leavesPick && (
              <Line
                tone="action"
                d={`M${segment.toXMm} ${segment.toYMm} m${-px(5)} ${-px(5)} l${px(10)} ${px(10)} m0 ${-px(10)} l${-px(10)} ${px(10)}`}
              />
            )}
          </g>
        );
      })}
    </>
  );
}

/** How the part is moved: an arrow the way it goes, or round for a turn, with how far. */
function Motion({
  motion,
  from,
  drawn: { px, region },
}: {
  readonly motion: PartMotion;
  readonly from: Point;
  readonly drawn: Drawn;
}) {
  if (motion.kind === 'none') return null;
  // Its words stay on the drawing, also where what is moved is narrow.
  const half = px(halfWidthPx(motion));
  const middle = Math.max(region.xMm + half, Math.min(region.xMm + region.widthMm - half, from.xMm));
  const isTurn = motion.kind === 'rotate' || motion.kind === 'twist';
  const angle = ((motion.kind === 'lift' ? 90 : (motion.towardDegrees ?? 90)) * Math.PI) / 180;
  const length = px(34);
  const [dx, dy] = [Math.cos(angle) * length, -Math.sin(angle) * length];
  const start = { x: from.xMm - dx / 2, y: from.yMm - dy / 2 };
  const end = { x: from.xMm + dx / 2, y: from.yMm + dy / 2 };
  const radius = px(15);
  return (
    <g>
      {isTurn ? (
        <>
          <Line
            tone="action"
            d={`M${from.xMm - radius} ${from.yMm} A${radius} ${radius} 0 1 1 ${from.xMm} ${from.yMm + radius}`}
          />
          <ArrowHead from={[from.xMm + radius, from.yMm + radius]} to={[from.xMm, from.yMm + radius]} size={px(9)} />
        </>
      ) : (
        <>
          <Line tone="action" d={`M${start.x} ${start.y} L${end.x} ${end.y}`} />
          <ArrowHead from={[start.x, start.y]} to={[end.x, end.y]} size={px(12)} />
        </>
      )}
      <Words
        x={region.widthMm < 2 * half ? from.xMm : middle}
        y={from.yMm + px(labelPx)}
        fontSize={px(14)}
        tone="action"
        paintOrder="stroke"
        stroke="sheet"
        strokeWidth={px(4)}
      >
        {sayMotion(motion)}
      </Words>
    </g>
  );
}

/** A joint that is not to be opened yet, though what it holds moves: a ring round it, and how far it goes. */
function Tied({ tie: { xMm, yMm, says }, px }: { readonly tie: Tie; readonly px: Px }) {
  return (
    <g>
      <Dot state="tie" cx={xMm} cy={yMm} r={px(11)} />
      <Words
        x={xMm}
        y={yMm + px(24)}
        fontSize={px(13)}
        tone="danger"
        paintOrder="stroke"
        stroke="sheet"
        strokeWidth={px(4)}
      >
        {says}
      </Words>
    </g>
  );
}

/** Where the arrow of a motion stands: on what is moved, where it is seen, and clear of everything else that is drawn. */
function motionPoint(
  { face, region, joints, others, wanted, px }: Drawn,
  { hold, tip, seam = [] }: Pick<Handwork, 'hold' | 'tip' | 'seam'>,
  motion: PartMotion,
): Point {
  const outline = face.outlines.find(({ part }) => part !== undefined && wanted.includes(part));
  const seen = outline && overlapOf(outline, region);
  const area = seen && seen.widthMm * seen.heightMm > 0 ? seen : region;
  // An outline's name stands in its middle.
  const middle = { xMm: area.xMm + area.widthMm / 2, yMm: area.yMm + area.heightMm / 2 };
  const taken = [
    ...joints,
    middle,
    ...[hold, tip].filter((point) => point !== undefined),
    ...seam.flatMap(pointsAlong),
  ];
  const places = shares.flatMap((across) =>
    shares.map((down) => ({
      xMm: area.xMm + area.widthMm * across,
      yMm: area.yMm + area.heightMm * down,
      fromMiddle: Math.hypot(across - 0.5, down - 0.5),
    })),
  );
  const half = px(halfWidthPx(motion));
  const isUnderWords = (at: Point) => (other: Point) =>
    Math.abs(other.xMm - at.xMm) < half && Math.abs(other.yMm - at.yMm - px(labelPx - 5)) < px(12);
  // Faint dots may lie near the arrow, but not under its words.
  const clear = (at: Point) =>
    [...taken, ...others].some(isUnderWords(at))
      ? 0
      : Math.min(
          px(clearPx),
          ...taken.map(({ xMm, yMm }) => Math.hypot(xMm - at.xMm, yMm - at.yMm)),
          ...others.map(({ xMm, yMm }) => 2.5 * Math.hypot(xMm - at.xMm, yMm - at.yMm)),
        );
  return places.sort((one, other) => clear(other) - clear(one) || one.fromMiddle - other.fromMiddle)[0] as Point;
}

/** Shares of an outline at which an arrow may stand, and how far from anything else it is far enough. */
const shares = [0.5, 0.35, 0.65, 0.2, 0.8];
const clearPx = 70;
/** How far below an arrow its words stand, and half of how wide they are, in pixels. */
const labelPx = 34;
const halfWidthPx = (motion: PartMotion): number => sayMotion(motion).length * 3.8;

const pointsAlong = ({ xMm, yMm, toXMm, toYMm }: SeamSegment): readonly Point[] =>
  [0, 0.25, 0.5, 0.75, 1].map((share) => ({ xMm: xMm + (toXMm - xMm) * share, yMm: yMm + (toYMm - yMm) * share }));

/** Where it is held, with which hand. */
function Hold({ at, where, px }: { readonly at: Point; readonly where: string; readonly px: Px }) {
  const radius = px(16);
  return (
    <g>
      <Line
        tone="action"
        d={`M${at.xMm - radius} ${at.yMm} A${radius} ${radius} 0 0 1 ${at.xMm + radius} ${at.yMm} Z`}
      />
      <title>{words.hold({ where })}</title>
    </g>
  );
}

/** Where the tip of a tool is set. */
function Cross({ xMm, yMm, size }: { readonly xMm: number; readonly yMm: number; readonly size: number }) {
  return <Line tone="action" d={`M${xMm - size} ${yMm} H${xMm + size} M${xMm} ${yMm - size} V${yMm + size}`} />;
}

function ArrowHead({
  from,
  to,
  size,
}: {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  readonly size: number;
}) {
  const angle = Math.atan2(to[1] - from[1], to[0] - from[0]);
  const wing = (turn: number) => `${to[0] - size * Math.cos(angle + turn)} ${to[1] - size * Math.sin(angle + turn)}`;
  return <Line tone="action" d={`M${wing(0.5)} L${to[0]} ${to[1]} L${wing(-0.5)}`} />;
}
