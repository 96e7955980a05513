import { chakra } from '@chakra-ui/react';
import type { Mark } from '@/core/findings/mark';
import type { Face, Point } from '@/core/procedure/faces';
import { findingNames } from '@/words/say/names';
import { fieldCentre } from './fields';
import { labelPlace, type Box } from './labelPlace';
import { Inner, Words, Line, Dot } from './shapes';
import * as words from '@/words/catalogue/drawing';

/** Room that a letter of a drawing's lettering takes. */
const letterPx = 7.4;
const letteringPx = 14;
/** How far a sign reaches from its middle. */
const signPx = 7;

export type Px = (pixels: number) => number;

/** Parts and openings, each with its name where there is room for it. */
export function Outlines({
  face,
  wanted,
  outParts,
  scale,
  drawnOver,
  region,
}: {
  readonly face: Face;
  readonly wanted: readonly string[];
  readonly outParts: readonly string[];
  readonly scale: number;
  /** Middles of joints and signs that lie over the outlines: names keep clear of them. */
  readonly drawnOver: readonly Point[];
  /** What of the face is drawn: names stand in what is seen of an outline. */
  readonly region: Box;
}) {
  return (
    <>
      {face.outlines.map((outline) => {
        const { label, part, isRound, xMm, yMm, widthMm, heightMm } = outline;
        const state =
          part !== undefined && outParts.includes(part)
            ? 'out'
            : part !== undefined && wanted.includes(part)
              ? 'wanted'
              : 'here';
        const name = { widthMm: (label.length * letterPx) / scale, heightMm: letteringPx / scale };
        const seen = overlapOf(outline, region);
        const place = labelPlace(seen, name, drawnOver, signPx / scale);
        return (
          <g key={label}>
            <Inner
              state={state}
              x={xMm}
              y={yMm}
              width={widthMm}
              height={heightMm}
              rx={isRound ? widthMm / 2 : 4 / scale}
            />
            <title>{label}</title>
            {label.length * letterPx < seen.widthMm * scale && seen.heightMm * scale > 18 && (
              <Words x={place.xMm} y={place.yMm} fontSize={letteringPx / scale} tone="muted">
                {state === 'out' && (label.length + 5) * letterPx < seen.widthMm * scale ? words.out({ label }) : label}
              </Words>
            )}
          </g>
        );
      })}
    </>
  );
}

/** What was found, in the middle of its field. */
export function Marks({ face, marks, px }: { readonly face: Face; readonly marks: readonly Mark[]; readonly px: Px }) {
  return (
    <>
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
    </>
  );
}

export function Hatch({ size }: { readonly size: number }) {
  return (
    <defs>
      <pattern id="keep-out" width={size} height={size} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <chakra.line x1={0} y1={0} x2={0} y2={size} stroke="danger" strokeWidth={size / 5} opacity={0.75} />
      </pattern>
    </defs>
  );
}

/** The nine fields of a face, as the digits lie on a keypad. */
export function Fields({
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

/** What two boxes have in common; nothing wide or high where they do not meet. */
export function overlapOf(a: Box, b: Box): Box {
  const [left, top] = [Math.max(a.xMm, b.xMm), Math.max(a.yMm, b.yMm)];
  const right = Math.min(a.xMm + a.widthMm, b.xMm + b.widthMm);
  const bottom = Math.min(a.yMm + a.heightMm, b.yMm + b.heightMm);
  return { xMm: left, yMm: top, widthMm: Math.max(0, right - left), heightMm: Math.max(0, bottom - top) };
}
