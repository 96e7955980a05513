import { isScrew } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';
import { screwName } from '@/core/procedure/drives';
import type { Patch, Path } from '@/core/procedure/patch';

/** Something on a face that can be moved, and resized when it is an area. */
export interface PlacedMark {
  readonly id: string;
  readonly label: string;
  readonly kind: 'joint' | 'outline' | 'keep-out' | 'protected' | 'indicator' | 'hold' | 'tip' | 'seam';
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

const snapMm = 0.5;
const snap = (value: number): number => Math.round(value / snapMm) * snapMm;

/** Moves a mark to a place, on the half-millimetre grid and inside its face. */
export function placeMark(
  model: Model,
  faceId: string,
  mark: PlacedMark,
  to: { readonly xMm: number; readonly yMm: number },
): Patch {
  const face = model.faces.find(({ id }) => id === faceId);
  if (!face) throw new RangeError(`placeMark: no face ${faceId}`);
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
