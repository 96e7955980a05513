import type { Area, Face, Point } from '../faces';
import type { Model } from '../model';
import type { Path } from '../patch';
import { problem, type ModelProblem } from './problem';
import { message, type Wording } from '@/core/shared/message';

/** A mark may stand this far over the edge: a tray's pin hole, a seam along the rim. */
const rimMm = 3;

/** What is drawn outside its face. */
export function checkDrawing(model: Model): readonly ModelProblem[] {
  const faces = new Map(model.faces.map((face) => [face.id, face]));
  const found: ModelProblem[] = [];
  const point = (face: Face | undefined, { xMm, yMm }: Point, path: Path, what: Wording<'checks'>) => {
    if (!face || (within(xMm, face.widthMm) && within(yMm, face.heightMm))) return;
    found.push(
      problem(model, 'outside-face', {
        path,
        says: message('checks.atMmOutsideFaceMm', {
          what,
          xMm,
          yMm,
          name: face.name,
          widthMm: face.widthMm,
          heightMm: face.heightMm,
        }),
        mend: message('checks.moveOntoFace'),
        fix: [
          { path: [...path, 'xMm'], value: clamp(xMm, face.widthMm) },
          { path: [...path, 'yMm'], value: clamp(yMm, face.heightMm) },
        ],
      }),
    );
  };
  const area = (face: Face, box: Area, path: Path) => {
    const isIn =
      within(box.xMm, face.widthMm) &&
      within(box.yMm, face.heightMm) &&
      within(box.xMm + box.widthMm, face.widthMm) &&
      within(box.yMm + box.heightMm, face.heightMm);
    if (isIn) return;
    const [xMm, yMm] = [clamp(box.xMm, face.widthMm), clamp(box.yMm, face.heightMm)];
    found.push(
      problem(model, 'outside-face', {
        path,
        says: message('checks.reachesOutsideFaceMm', {
          label: box.label,
          name: face.name,
          widthMm: face.widthMm,
          heightMm: face.heightMm,
        }),
        mend: message('checks.moveOrShrink'),
        fix: [
          {
            path,
            value: {
              ...box,
              xMm,
              yMm,
              widthMm: Math.min(box.widthMm, face.widthMm - xMm),
              heightMm: Math.min(box.heightMm, face.heightMm - yMm),
            },
          },
        ],
      }),
    );
  };

  model.faces.forEach((face, at) => {
    face.outlines.forEach((box, index) => area(face, box, ['faces', at, 'outlines', index]));
    face.keepOut.forEach((box, index) => area(face, box, ['faces', at, 'keepOut', index]));
    face.protectedZones?.forEach((box, index) => area(face, box, ['faces', at, 'protectedZones', index]));
    face.indicators?.forEach((mark, index) => point(face, mark, ['faces', at, 'indicators', index], `“${mark.label}”`));
    face.edge?.forEach((corner, index) =>
      point(face, corner, ['faces', at, 'edge', index], message('checks.cornerOutline')),
    );
  });
  model.joints.forEach((joint, at) => point(faces.get(joint.face), joint, ['joints', at], `“${joint.id}”`));
  model.operations.forEach(({ face: faceId, hold, tip, seam }, at) => {
    const face = faces.get(faceId);
    if (hold) point(face, hold, ['operations', at, 'hold'], message('checks.theHold'));
    if (tip) point(face, tip, ['operations', at, 'tip'], message('checks.toolsTip'));
    seam?.forEach((segment, index) =>
      point(face, segment, ['operations', at, 'seam', index], message('checks.seamSegment')),
    );
  });
  return found;
}

const within = (value: number, size: number): boolean => value >= -rimMm && value <= size + rimMm;
const clamp = (value: number, size: number): number => Math.min(Math.max(value, 0), size);
