import { isScrew } from '@/core/procedure/joints';
import type { Face, Point } from '@/core/procedure/faces';
import type { Model } from '@/core/procedure/model';
import type { Operation, PartMotion } from '@/core/procedure/operations';
import { screwName } from '@/core/procedure/drives';
import type { Patch, Path } from '@/core/procedure/patch';

/** Something on a face that can be moved, and resized when it is an area. */
export interface PlacedMark {
  readonly id: string;
  readonly label: string;
  readonly kind: 'joint' | 'outline' | 'keep-out' | 'protected' | 'indicator' | 'hold' | 'tip' | 'seam' | 'motion';
  /** The fields that hold its place, where they are not `xMm` and `yMm`. */
  readonly fields?: readonly [x: string, y: string];
  readonly path: Path;
  readonly xMm: number;
  readonly yMm: number;
  readonly widthMm?: number;
  readonly heightMm?: number;
}

/** What can be placed on a face: what the operation works at first, then the other joints, areas and where to look. */
export function marksOf(model: Model, faceId: string, operationId: string | undefined): readonly PlacedMark[] {
  const faceAt = model.faces.findIndex(({ id }) => id === faceId);
  const face = model.faces[faceAt];
  if (!face) return [];
  const operationAt = model.operations.findIndex(({ id }) => id === operationId);
  const operation = model.operations[operationAt];
  const joints = model.joints.flatMap((joint, at): readonly PlacedMark[] =>
    joint.face === faceId
      ? [
          {
            id: joint.id,
            label: isScrew(joint) ? `${joint.id}, ${screwName(joint)}` : `${joint.id}, ${joint.kind}`,
            kind: 'joint',
            path: ['joints', at],
            xMm: joint.xMm,
            yMm: joint.yMm,
          },
        ]
      : [],
  );
  const own = new Set(operation?.opens);
  const areas = (list: 'outlines' | 'keepOut' | 'protectedZones', kind: PlacedMark['kind']) =>
    (face[list] ?? []).map((area, at): PlacedMark => ({
      id: `${list}-${at}`,
      label: area.label,
      kind,
      path: ['faces', faceAt, list, at],
      xMm: area.xMm,
      yMm: area.yMm,
      widthMm: area.widthMm,
      heightMm: area.heightMm,
    }));
  const at: Path = ['operations', operationAt];
  const points = (operation?.seam ?? []).flatMap(({ xMm, yMm, toXMm, toYMm }, index): readonly PlacedMark[] => [
    { id: `seam-${index}`, label: `seam ${index + 1}`, kind: 'seam', path: [...at, 'seam', index], xMm, yMm },
    {
      id: `seam-${index}-to`,
      label: `seam ${index + 1} →`,
      kind: 'seam',
      path: [...at, 'seam', index],
      fields: ['toXMm', 'toYMm'],
      xMm: toXMm,
      yMm: toYMm,
    },
  ]);
  const single = (name: 'hold' | 'tip', label: string): readonly PlacedMark[] => {
    const point = operation?.[name];
    return point ? [{ id: name, label, kind: name, path: [...at, name], xMm: point.xMm, yMm: point.yMm }] : [];
  };
  return [
    ...joints.filter(({ id }) => own.has(id)),
    ...single('hold', `hold: ${operation?.hold?.where ?? ''}`),
    ...single('tip', 'tip'),
    ...points,
    ...(operation?.motion && isPointed(operation.motion)
      ? [
          {
            id: 'motion',
            label: `arrow, ${operation.motion.towardDegrees ?? upwards}°`,
            kind: 'motion' as const,
            path: [...at, 'motion'],
            ...arrowTip(face, operation, operation.motion),
          },
        ]
      : []),
    ...joints.filter(({ id }) => !own.has(id)),
    ...areas('outlines', 'outline'),
    ...areas('keepOut', 'keep-out'),
    ...areas('protectedZones', 'protected'),
    ...(face.indicators ?? []).map(({ label, xMm, yMm }, index): PlacedMark => ({
      id: `indicators-${index}`,
      label,
      kind: 'indicator',
      path: ['faces', faceAt, 'indicators', index],
      xMm,
      yMm,
    })),
  ];
}

/** A lift goes out of the page, and a turn round its middle: only the others point somewhere on the face. */
const isPointed = ({ kind }: PartMotion): boolean => kind === 'slide' || kind === 'draw-out' || kind === 'hinge';
const upwards = 90;

/** What an arrow is turned round: the middle of the part that moves, else of the face. */
function arrowRoot(face: Face, { frees }: Operation): Point {
  const { xMm, yMm, widthMm, heightMm } = face.outlines.find(
    ({ part }) => part !== undefined && frees.includes(part),
  ) ?? {
    xMm: 0,
    yMm: 0,
    ...face,
  };
  return { xMm: xMm + widthMm / 2, yMm: yMm + heightMm / 2 };
}

function arrowTip(face: Face, operation: Operation, { towardDegrees = upwards }: PartMotion): Point {
  const root = arrowRoot(face, operation);
  const reach = Math.min(face.widthMm, face.heightMm) / 4;
  const angle = (towardDegrees * Math.PI) / 180;
  return { xMm: root.xMm + Math.cos(angle) * reach, yMm: root.yMm - Math.sin(angle) * reach };
}

/** What hands do that can be drawn on the face of a line. */
export const drawable = ['seam', 'hold', 'tip', 'motion'] as const;
export type Drawable = (typeof drawable)[number];

/**
 * Something new that hands do at a line, in the middle of its face: a stretch of the seam goes on from the last one. The
 * mark that comes of it can be placed at once.
 */
export function newMark(
  model: Model,
  face: Face,
  operation: Operation,
  kind: Drawable,
): { readonly patch: Patch; readonly id: string } {
  const at: Path = ['operations', model.operations.findIndex(({ id }) => id === operation.id)];
  const middle = { xMm: snap(face.widthMm / 2), yMm: snap(face.heightMm / 2) };
  const { seam = [] } = operation;
  const last = seam.at(-1);
  const from = last ? { xMm: last.toXMm, yMm: last.toYMm } : { xMm: snap(face.widthMm / 4), yMm: middle.yMm };
  const values = {
    seam: { ...from, toXMm: snap(face.widthMm * 0.75), toYMm: middle.yMm, depthMm: last?.depthMm ?? 2 },
    hold: { ...middle, where: '' },
    tip: middle,
    motion: { kind: 'slide', towardDegrees: upwards },
  } as const;
  return kind === 'seam'
    ? { patch: [{ path: [...at, 'seam'], value: [...seam, values.seam] }], id: `seam-${seam.length}-to` }
    : { patch: [{ path: [...at, kind], value: values[kind] }], id: kind };
}

const snapMm = 0.5;
const snap = (value: number): number => Math.round(value / snapMm) * snapMm;

/** Moves a mark to a place, on the half-millimetre grid and inside its face; an arrow is turned towards it, by five degrees. */
export function placeMark(
  model: Model,
  faceId: string,
  mark: PlacedMark,
  to: { readonly xMm: number; readonly yMm: number },
): Patch {
  const face = model.faces.find(({ id }) => id === faceId);
  if (!face) throw new RangeError(`placeMark: no face ${faceId}`);
  if (mark.kind === 'motion') {
    const operation = model.operations[mark.path[1] as number] as Operation;
    const root = arrowRoot(face, operation);
    const degrees = (Math.atan2(root.yMm - to.yMm, to.xMm - root.xMm) * 180) / Math.PI;
    return [{ path: [...mark.path, 'towardDegrees'], value: (Math.round(degrees / 5) * 5 + 360) % 360 }];
  }
  const xMm = Math.min(Math.max(0, snap(to.xMm)), face.widthMm - (mark.widthMm ?? 0));
  const yMm = Math.min(Math.max(0, snap(to.yMm)), face.heightMm - (mark.heightMm ?? 0));
  const [x, y] = mark.fields ?? ['xMm', 'yMm'];
  return [
    { path: [...mark.path, x], value: xMm },
    { path: [...mark.path, y], value: yMm },
  ];
}

/** Resizes an area, on the grid, not smaller than a millimetre and inside its face. */
export function sizeMark(
  model: Model,
  faceId: string,
  mark: PlacedMark,
  by: { readonly widthMm: number; readonly heightMm: number },
): Patch {
  const face = model.faces.find(({ id }) => id === faceId);
  if (!face || mark.widthMm === undefined || mark.heightMm === undefined) return [];
  const fit = (value: number, most: number) => Math.min(Math.max(1, snap(value)), most);
  return [
    { path: [...mark.path, 'widthMm'], value: fit(mark.widthMm + by.widthMm, face.widthMm - mark.xMm) },
    { path: [...mark.path, 'heightMm'], value: fit(mark.heightMm + by.heightMm, face.heightMm - mark.yMm) },
  ];
}
