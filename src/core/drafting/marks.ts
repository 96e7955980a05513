import { isScrew } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';
import { screwName } from '@/core/screws/screwGroups';
import type { Patch, Path } from '@/core/procedure/patch';

/** Something on a face that can be moved, and resized when it is an area. */
export interface PlacedMark {
  readonly id: string;
  readonly label: string;
  readonly kind: 'joint' | 'outline' | 'keep-out' | 'hold';
  readonly path: Path;
  readonly xMm: number;
  readonly yMm: number;
  readonly widthMm?: number;
  readonly heightMm?: number;
}

/** What can be placed on a face: joints that the operation opens first, then the rest, areas, and the hold. */
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
  const areas = (list: 'outlines' | 'keepOut', kind: PlacedMark['kind']) =>
    face[list].map((area, at): PlacedMark => ({
      id: `${list}-${at}`,
      label: area.label,
      kind,
      path: ['faces', faceAt, list, at],
      xMm: area.xMm,
      yMm: area.yMm,
      widthMm: area.widthMm,
      heightMm: area.heightMm,
    }));
  const hold = operation?.hold;
  return [
    ...joints.filter(({ id }) => own.has(id)),
    ...joints.filter(({ id }) => !own.has(id)),
    ...areas('outlines', 'outline'),
    ...areas('keepOut', 'keep-out'),
    ...(hold
      ? [
          {
            id: 'hold',
            label: `hold: ${hold.where}`,
            kind: 'hold' as const,
            path: ['operations', operationAt, 'hold'],
            xMm: hold.xMm,
            yMm: hold.yMm,
          },
        ]
      : []),
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
  return [
    { path: [...mark.path, 'xMm'], value: xMm },
    { path: [...mark.path, 'yMm'], value: yMm },
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
