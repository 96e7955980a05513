'use client';
import type { MarkKind } from '@/core/selfTest/reads';

/** A sign around what is wrong, so that it is still seen: told apart by shape, not by colour. */
export function MarkSign({
  kind,
  x,
  y,
  colour,
  size = 16,
}: {
  readonly kind: MarkKind;
  readonly x: number;
  readonly y: number;
  readonly colour: string;
  readonly size?: number;
}) {
  const line = { fill: 'none', stroke: colour, strokeWidth: size / 6, vectorEffect: 'non-scaling-stroke' } as const;
  if (kind === 'line')
    return <path d={`M${x} ${y - size * 1.6}V${y + size * 1.6}M${x - size / 2} ${y}h${size}`} {...line} />;
  if (kind === 'patch') return <ellipse cx={x} cy={y} rx={size * 1.5} ry={size} strokeDasharray="5 4" {...line} />;
  if (kind === 'burn')
    return <rect x={x - size} y={y - size} width={size * 2} height={size * 2} strokeDasharray="5 4" {...line} />;
  return <circle cx={x} cy={y} r={size} {...line} />;
}
