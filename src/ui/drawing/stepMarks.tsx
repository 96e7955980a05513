import { chakra } from '@chakra-ui/react';
import type { Point } from '@/core/procedure/faces';
import { isScrew, type Joint, type PrintedMark } from '@/core/procedure/joints';
import type { PartMotion, SeamSegment } from '@/core/procedure/operations';
import { signOf } from '@/core/screws/screwOrder';
import { sayMotion } from '@/words/say/sayHands';
import type { Px } from './faceParts';
import { Dot, Line, Words } from './shapes';
import * as words from '@/words/catalogue/drawing';

/** What stands beside a joint in a close-up. */
export type JointNote = (joint: Joint) => string | undefined;

/** The joints of the step; screws with their order, or with what is printed beside them. */
export function StepDots({
  joints,
  px,
  noteOf,
}: {
  readonly joints: readonly Joint[];
  readonly px: Px;
  readonly noteOf?: JointNote;
}) {
  return (
    <>
      {joints.map((joint, index) => {
        const isStaying = isScrew(joint) && joint.isCaptive === true;
        const note = noteOf?.(joint);
        const radius = px(joint.kind === 'screw' ? (noteOf ? 13 : 9) : noteOf ? 10 : 7);
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
                x={joint.xMm + radius + px(6)}
                y={joint.yMm}
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

/** The stretches of a seam in the order in which they are opened: corners last, each with its number and depth. */
export const seamInOrder = (segments: readonly SeamSegment[]): readonly SeamSegment[] => [
  ...segments.filter(({ isCorner, isForbidden }) => !isCorner && !isForbidden),
  ...segments.filter(({ isCorner, isForbidden }) => isCorner && !isForbidden),
];

/** The line that a prying tool follows. */
export function Seam({ segments, px }: { readonly segments: readonly SeamSegment[]; readonly px: Px }) {
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
export function Motion({ motion, from, px }: { readonly motion: PartMotion; readonly from: Point; readonly px: Px }) {
  if (motion.kind === 'none') return null;
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
        x={from.xMm}
        y={from.yMm + px(34)}
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

/** Where it is held, with which hand. */
export function Hold({ at, where, px }: { readonly at: Point; readonly where: string; readonly px: Px }) {
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
export function Cross({ xMm, yMm, size }: { readonly xMm: number; readonly yMm: number; readonly size: number }) {
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
