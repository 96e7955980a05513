'use client';
import { Box, chakra } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import type { Mark } from '@/core/bench/entities';
import type { Face } from '@/core/procedure/faces';
import type { Joint } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { findingNames } from '@/ui/words/names';
import { fieldCentre } from './fields';

const Svg = chakra('svg', { base: { display: 'block', overflow: 'visible', maxW: '100%' } });
const Shape = chakra('rect', {
  base: { fill: 'sheet', stroke: 'ink', vectorEffect: 'non-scaling-stroke', strokeWidth: '2.5px' },
});
const Edge = chakra('polygon', {
  base: {
    fill: 'sheet',
    stroke: 'ink',
    vectorEffect: 'non-scaling-stroke',
    strokeWidth: '2.5px',
    strokeLinejoin: 'round',
  },
});
const Drop = chakra('path', { base: { fill: 'waitingSoft', stroke: 'waiting', vectorEffect: 'non-scaling-stroke' } });
const Inner = chakra('rect', {
  base: { fill: 'transparent', stroke: 'inkMuted', vectorEffect: 'non-scaling-stroke', strokeWidth: '1.2px' },
  variants: {
    state: {
      here: {},
      out: { fill: 'sunk', strokeDasharray: '4 4' },
      shielded: { fill: 'soundSoft', stroke: 'sound', strokeDasharray: '2 3' },
      wanted: { stroke: 'action', strokeWidth: '2.2px', fill: 'actionSoft' },
    },
  },
});
const Words = chakra('text', {
  base: { fill: 'inkMuted', fontFamily: 'body', textAnchor: 'middle', dominantBaseline: 'middle' },
  variants: {
    tone: { muted: {}, action: { fill: 'action', fontWeight: '700' }, danger: { fill: 'danger', fontWeight: '700' } },
  },
});
const Line = chakra('path', {
  base: {
    fill: 'none',
    vectorEffect: 'non-scaling-stroke',
    strokeWidth: '4px',
    strokeLinecap: 'round',
    strokeLinejoin: 'round',
  },
  variants: {
    tone: {
      action: { stroke: 'action' },
      danger: { stroke: 'danger' },
      rule: { stroke: 'rule', strokeWidth: '1.2px', strokeDasharray: '3 5' },
    },
  },
});
const Dot = chakra('circle', {
  base: { vectorEffect: 'non-scaling-stroke', strokeWidth: '2px' },
  variants: {
    state: {
      now: { fill: 'action', stroke: 'action' },
      later: { fill: 'inkMuted', stroke: 'none' },
      open: { fill: 'sheet', stroke: 'inkMuted', strokeWidth: '1px' },
      mark: { fill: 'danger', stroke: 'sheet' },
    },
  },
});

/** Room that a letter of a drawing's lettering takes. */
const letterPx = 7.4;

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
        {face.outlines.map(({ label, part, isRound, xMm, yMm, widthMm, heightMm }) => {
          const state =
            part !== undefined && outParts.includes(part)
              ? 'out'
              : part !== undefined && wanted.includes(part)
                ? 'wanted'
                : 'here';
          return (
            <g key={label}>
              <Inner
                state={state}
                x={xMm}
                y={yMm}
                width={widthMm}
                height={heightMm}
                rx={isRound ? widthMm / 2 : px(4)}
              />
              {label.length * letterPx < widthMm * scale && heightMm * scale > 18 && (
                <Words x={xMm + widthMm / 2} y={yMm + heightMm / 2} fontSize={px(14)} tone="muted">
                  {state === 'out' && (label.length + 5) * letterPx < widthMm * scale ? `${label}: out` : label}
                </Words>
              )}
            </g>
          );
        })}
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
        {operation?.seam?.map((segment, index) => (
          <g key={index}>
            <Line
              tone={segment.isForbidden ? 'danger' : 'action'}
              d={`M${segment.xMm} ${segment.yMm} L${segment.toXMm} ${segment.toYMm}`}
            />
            <ArrowHead from={[segment.xMm, segment.yMm]} to={[segment.toXMm, segment.toYMm]} size={px(12)} />
          </g>
        ))}
        {own.map((joint, index) => (
          <g key={joint.id}>
            <Dot state="now" cx={joint.xMm} cy={joint.yMm} r={px(joint.kind === 'screw' ? 9 : 7)} />
            {joint.kind === 'screw' && (
              <chakra.text
                x={joint.xMm}
                y={joint.yMm}
                fontSize={px(11)}
                fill="onAction"
                fontWeight="700"
                textAnchor="middle"
                dominantBaseline="central"
              >
                {index + 1}
              </chakra.text>
            )}
          </g>
        ))}
        {operation?.hold && (
          <g>
            <Line tone="action" d={holdArc(operation.hold.xMm, operation.hold.yMm, px(16))} />
          </g>
        )}
        {operation?.tip && <Cross {...operation.tip} size={px(7)} />}
        {showsFields && <Fields face={face} px={px} onField={onField} />}
        {marks
          .filter((mark) => mark.face === face.id)
          .map((mark, index) => {
            const { xMm, yMm } = fieldCentre(face, mark.field);
            return (
              <g key={`${mark.kind}${mark.field}${index}`}>
                <Dot state="mark" cx={xMm} cy={yMm} r={px(12)} />
                <chakra.text
                  x={xMm}
                  y={yMm}
                  fontSize={px(13)}
                  fill="onDanger"
                  fontWeight="700"
                  textAnchor="middle"
                  dominantBaseline="central"
                >
                  {index + 1}
                </chakra.text>
                <Words x={xMm} y={yMm + px(24)} fontSize={px(14)} tone="danger">
                  {findingNames[mark.kind]}
                </Words>
              </g>
            );
          })}
        {overlay?.(px)}
      </Svg>
    </Box>
  );
}

/** Where the tip of a prying tool is set. */
function Cross({ xMm, yMm, size }: { readonly xMm: number; readonly yMm: number; readonly size: number }) {
  return <Line tone="action" d={`M${xMm - size} ${yMm} H${xMm + size} M${xMm} ${yMm - size} V${yMm + size}`} />;
}

function Hatch({ size }: { readonly size: number }) {
  return (
    <defs>
      <pattern id="keep-out" width={size} height={size} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <chakra.line x1={0} y1={0} x2={0} y2={size} stroke="danger" strokeWidth={size / 5} opacity={0.75} />
      </pattern>
    </defs>
  );
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

const holdArc = (x: number, y: number, r: number): string => `M${x - r} ${y} A${r} ${r} 0 0 1 ${x + r} ${y} Z`;

/** The nine fields of a face, as the digits lie on a keypad. */
function Fields({
  face,
  px,
  onField,
}: {
  readonly face: Face;
  readonly px: (pixels: number) => number;
  readonly onField?: (field: number) => void;
}) {
  const [third, row] = [face.widthMm / 3, face.heightMm / 3];
  return (
    <g>
      <Line
        tone="rule"
        d={`M${third} 0 V${face.heightMm} M${2 * third} 0 V${face.heightMm} M0 ${row} H${face.widthMm} M0 ${2 * row} H${face.widthMm}`}
      />
      {[1, 2, 3, 4, 5, 6, 7, 8, 9].map((field) => {
        const { xMm, yMm } = fieldCentre(face, field);
        return (
          <g key={field}>
            <chakra.rect
              x={xMm - third / 2}
              y={yMm - row / 2}
              width={third}
              height={row}
              fill="transparent"
              cursor="pointer"
              onClick={() => onField?.(field)}
            />
            <Words x={xMm} y={yMm} fontSize={px(22)} tone="action" pointerEvents="none">
              {field}
            </Words>
          </g>
        );
      })}
    </g>
  );
}

function describe(model: Model, face: Face, joints: readonly Joint[], marks: readonly Mark[]): string {
  const here = marks.filter((mark) => mark.face === face.id).map(({ kind }) => findingNames[kind]);
  const joined = joints.length > 0 ? `, ${joints.length} joints of this step` : '';
  return `${model.name}, ${face.name}${joined}${here.length > 0 ? `, marked: ${here.join(', ')}` : ''}`;
}
